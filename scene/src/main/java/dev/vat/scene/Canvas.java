package dev.vat.scene;

import java.util.LinkedHashMap;
import java.util.Map;

/** Colour planes to draw on, with the few shapes that the shots are made of. Positions are in pixels. */
final class Canvas {

    final int width;
    final int height;
    final float[] red;
    final float[] green;
    final float[] blue;

    Canvas(int width, int height) {
        this.width = width;
        this.height = height;
        red = new float[width * height];
        green = red.clone();
        blue = red.clone();
    }

    void set(int x, int y, float r, float g, float b) {
        int i = y * width + x;
        red[i] = r;
        green[i] = g;
        blue[i] = b;
    }

    void mix(int x, int y, float r, float g, float b, float share) {
        if (x < 0 || y < 0 || x >= width || y >= height || share <= 0) {
            return;
        }
        int i = y * width + x;
        float s = Math.min(1, share);
        red[i] += (r - red[i]) * s;
        green[i] += (g - green[i]) * s;
        blue[i] += (b - blue[i]) * s;
    }

    /** A convex shape with soft edges of a pixel; corners run clockwise as seen. */
    void fill(double[] xs, double[] ys, float r, float g, float b) {
        int left = (int) Math.max(0, Math.floor(min(xs)) - 1);
        int right = (int) Math.min(width - 1, Math.ceil(max(xs)) + 1);
        int top = (int) Math.max(0, Math.floor(min(ys)) - 1);
        int bottom = (int) Math.min(height - 1, Math.ceil(max(ys)) + 1);
        for (int y = top; y <= bottom; y++) {
            for (int x = left; x <= right; x++) {
                double inside = Double.MAX_VALUE;
                for (int i = 0; i < xs.length; i++) {
                    int j = (i + 1) % xs.length;
                    double ex = xs[j] - xs[i];
                    double ey = ys[j] - ys[i];
                    double distance = (ex * (y - ys[i]) - ey * (x - xs[i])) / Math.hypot(ex, ey);
                    inside = Math.min(inside, distance);
                }
                mix(x, y, r, g, b, (float) Math.clamp(inside + .5, 0, 1));
            }
        }
    }

    void line(double x0, double y0, double x1, double y1, double thick, float r, float g, float b) {
        int left = (int) Math.max(0, Math.floor(Math.min(x0, x1) - thick - 1));
        int right = (int) Math.min(width - 1, Math.ceil(Math.max(x0, x1) + thick + 1));
        int top = (int) Math.max(0, Math.floor(Math.min(y0, y1) - thick - 1));
        int bottom = (int) Math.min(height - 1, Math.ceil(Math.max(y0, y1) + thick + 1));
        for (int y = top; y <= bottom; y++) {
            for (int x = left; x <= right; x++) {
                mix(x, y, r, g, b, (float) Math.clamp(thick / 2 + .5 - distance(x, y, x0, y0, x1, y1), 0, 1));
            }
        }
    }

    static double distance(double x, double y, double x0, double y0, double x1, double y1) {
        double dx = x1 - x0;
        double dy = y1 - y0;
        double t = Math.clamp(((x - x0) * dx + (y - y0) * dy) / (dx * dx + dy * dy + 1e-9), 0, 1);
        return Math.hypot(x - x0 - t * dx, y - y0 - t * dy);
    }

    /** The same number from 0 to 1 for the same three whole numbers. */
    static float noise(int x, int y, int seed) {
        int h = x * 374761393 + y * 668265263 + seed * 1274126177;
        h = (h ^ h >>> 13) * 1274126177;
        return ((h ^ h >>> 16) & 0xffff) / 65535f;
    }

    Map<String, float[]> colour() {
        Map<String, float[]> channels = new LinkedHashMap<>();
        channels.put("R", red);
        channels.put("G", green);
        channels.put("B", blue);
        return channels;
    }

    private static double min(double[] values) {
        double least = values[0];
        for (double v : values) {
            least = Math.min(least, v);
        }
        return least;
    }

    private static double max(double[] values) {
        double most = values[0];
        for (double v : values) {
            most = Math.max(most, v);
        }
        return most;
    }
}
