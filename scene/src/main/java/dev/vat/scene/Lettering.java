package dev.vat.scene;

import java.util.Map;

/** The title: letters made of straight strokes, drawn one after the other, with a glow around them. */
final class Lettering {

    /** Strokes of a letter in a box of 1 by 1, as x0, y0, x1, y1. */
    private static final Map<Character, double[][]> STROKES = Map.of(
            'K', new double[][] {{0, 0, 0, 1}, {.75, 0, 0, .55}, {.2, .42, .78, 1}},
            'I', new double[][] {{.3, 0, .3, 1}},
            'T', new double[][] {{0, 0, .8, 0}, {.4, 0, .4, 1}},
            'E', new double[][] {{0, 0, 0, 1}, {0, 0, .65, 0}, {0, .5, .55, .5}, {0, 1, .65, 1}},
            'W', new double[][] {{0, 0, .22, 1}, {.22, 1, .45, .25}, {.45, .25, .68, 1}, {.68, 1, .9, 0}});

    private static final String TEXT = "KITE WEEK";

    private Lettering() {}

    static Drawing draw(int frame, int width, int height) {
        Canvas canvas = new Canvas(width, height);
        float[] alpha = new float[width * height];
        double letter = width * .078;
        double tall = height * .2;
        double left = (width - letter * TEXT.length() * 1.12) / 2;
        double top = height * .4;
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                double distance = distance(x, y, left, top, letter, tall, frame / 2.4);
                double body = Math.clamp(height * .014 - distance + .5, 0, 1);
                double glow = .55 * Math.exp(-Math.max(0, distance) / (height * .035));
                float cover = (float) Math.max(body, distance > height ? 0 : glow);
                alpha[y * width + x] = cover < .002f ? 0 : cover;
                float warm = (float) (body + (1 - body) * .35);
                canvas.set(x, y, .98f, .60f + .34f * warm, .30f + .55f * warm);
            }
        }
        Map<String, float[]> channels = canvas.colour();
        channels.put("A", alpha);
        return new Drawing(width, height, channels);
    }

    private static double distance(double x, double y, double left, double top, double wide, double tall, double shown) {
        double nearest = 1e9;
        for (int i = 0; i < TEXT.length() && i < shown; i++) {
            double x0 = left + i * wide * 1.12;
            if (TEXT.charAt(i) == ' ' || x < x0 - tall * 2 || x > x0 + wide + tall * 2) {
                continue;
            }
            for (double[] s : STROKES.get(TEXT.charAt(i))) {
                nearest = Math.min(nearest, Canvas.distance(x, y, x0 + s[0] * wide, top + s[1] * tall, x0 + s[2] * wide,
                        top + s[3] * tall));
            }
        }
        return nearest;
    }
}
