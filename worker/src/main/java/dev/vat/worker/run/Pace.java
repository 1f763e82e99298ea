package dev.vat.worker.run;

import java.util.Arrays;
import java.util.function.LongSupplier;

/**
 * Speed and time left from recent frames without the slowest and the quickest tenth, so that a slow start doesn't count. Not for several
 * threads.
 */
final class Pace {

    private static final int RECENT = 48;

    private final long[] nanos = new long[RECENT];
    private final LongSupplier clock;
    private long last;
    private int count;

    Pace() {
        this(System::nanoTime);
    }

    /** @param clock in nanoseconds, from whenever */
    Pace(LongSupplier clock) {
        this.clock = clock;
        this.last = clock.getAsLong();
    }

    void frame() {
        long now = clock.getAsLong();
        nanos[count++ % RECENT] = now - last;
        last = now;
    }

    /** Frames a second; 0 before a few frames have passed. */
    double speed() {
        int known = Math.min(count, RECENT);
        if (known < 4) {
            return 0;
        }
        // Encoders take several frames at once and then none: the trimmed mean is steadier than the median.
        long[] sorted = Arrays.copyOf(nanos, known);
        Arrays.sort(sorted);
        long sum = 0;
        int from = known / 10;
        int to = known - from;
        for (int i = from; i < to; i++) {
            sum += sorted[i];
        }
        return sum == 0 ? 0 : (to - from) * 1e9 / sum;
    }

    double secondsLeft(long frames) {
        double speed = speed();
        return speed == 0 ? -1 : frames / speed;
    }
}
