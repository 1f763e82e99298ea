package dev.vat.bench;

import java.util.Arrays;

/** Wall and CPU seconds of several runs of the same thing. */
final class Figures {

    private double[] wall = new double[0];
    private double[] cpu = new double[0];

    void add(double wallSeconds, double cpuSeconds) {
        wall = append(wall, wallSeconds);
        cpu = append(cpu, cpuSeconds);
    }

    private static double[] append(double[] values, double value) {
        double[] more = Arrays.copyOf(values, values.length + 1);
        more[values.length] = value;
        return more;
    }

    double wall() {
        return median(wall);
    }

    double cpu() {
        return median(cpu);
    }

    static double median(double[] values) {
        double[] sorted = values.clone();
        Arrays.sort(sorted);
        int half = sorted.length / 2;
        return sorted.length % 2 == 1 ? sorted[half] : (sorted[half - 1] + sorted[half]) / 2;
    }
}
