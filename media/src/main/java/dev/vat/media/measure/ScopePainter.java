package dev.vat.media.measure;

import java.lang.foreign.MemorySegment;
import java.lang.foreign.ValueLayout;
import java.util.Arrays;

/** Draws what {@link Scopes} counts, as B G R A: brighter where more of the picture is, on a dark ground with lines at black and white. */
public final class ScopePainter {

    /** What is drawn. */
    public enum Kind {
        WAVEFORM, PARADE, VECTORS, HISTOGRAM
    }

    private static final int GROUND = 0xff1c1c1d;
    private static final int RULE = 0xff5a5a5c;
    private static final int[] INKS = {0xffd8d8d8, 0xffe07a70, 0xff86b97c, 0xff8a90dc};

    private final int width;
    private final int height;
    private final int[] pixels;

    private ScopePainter(int width, int height) {
        this.width = width;
        this.height = height;
        this.pixels = new int[width * height];
        Arrays.fill(pixels, GROUND);
    }

    /** @param target receives {@code width * height * 4} bytes */
    public static void paint(Scopes scopes, Kind kind, int width, int height, MemorySegment target) {
        ScopePainter painter = new ScopePainter(width, height);
        switch (kind) {
            case WAVEFORM -> painter.levels(scopes.waveform(width), 1);
            case PARADE -> painter.levels(scopes.parade(Math.max(1, width / 3)), 3);
            case VECTORS -> painter.vectors(scopes.vectors());
            case HISTOGRAM -> painter.histogram(scopes.histogram());
        }
        MemorySegment.copy(painter.pixels, 0, target, ValueLayout.JAVA_INT_UNALIGNED, 0, painter.pixels.length);
    }

    private int line(int code) {
        return Math.clamp((long) (Scopes.CODES - 1 - code) * height / Scopes.CODES, 0, height - 1);
    }

    private void levels(int[][] counts, int kinds) {
        for (int code : new int[] {Scopes.BLACK, Scopes.WHITE}) {
            Arrays.fill(pixels, line(code) * width, line(code) * width + width, RULE);
        }
        double full = Arrays.stream(counts).mapToInt(c -> Arrays.stream(c).sum()).max().orElse(1) / 24.0;
        for (int x = 0; x < Math.min(width, counts.length); x++) {
            int[] lines = new int[height];
            for (int code = 0; code < Scopes.CODES; code++) {
                lines[line(code)] += counts[x][code];
            }
            for (int y = 0; y < height; y++) {
                if (lines[y] > 0) {
                    put(x, y, INKS[kinds == 1 ? 0 : 1 + x * kinds / counts.length], .25 + .75 * Math.min(1, lines[y] / full));
                }
            }
        }
    }

    private void vectors(int[][] counts) {
        int side = Math.min(width, height);
        int left = (width - side) / 2;
        int top = (height - side) / 2;
        for (int i = 0; i < side; i++) {
            pixels[(top + side / 2) * width + left + i] = RULE;
            pixels[(top + i) * width + left + side / 2] = RULE;
        }
        double full = Arrays.stream(counts).flatMapToInt(Arrays::stream).sum() / 2000.0;
        for (int cb = 0; cb < counts.length; cb++) {
            for (int cr = 0; cr < counts.length; cr++) {
                if (counts[cb][cr] > 0) {
                    put(left + cb * side / counts.length, top + (counts.length - 1 - cr) * side / counts.length, INKS[0],
                            .3 + .7 * Math.min(1, counts[cb][cr] / full));
                }
            }
        }
    }

    private void histogram(int[][] counts) {
        for (int code : new int[] {Scopes.BLACK, Scopes.WHITE}) {
            for (int y = 0; y < height; y++) {
                pixels[y * width + code * width / Scopes.CODES] = RULE;
            }
        }
        for (int kind = counts.length - 1; kind >= 0; kind--) {
            double[] bins = new double[width];
            for (int code = 0; code < Scopes.CODES; code++) {
                bins[code * width / Scopes.CODES] += counts[kind][code];
            }
            // The root, so that what is rare is seen beside what is all over.
            double full = Math.sqrt(Arrays.stream(bins).max().orElse(1));
            for (int x = 0; x < width; x++) {
                int tall = (int) Math.round(Math.sqrt(bins[x]) / Math.max(1, full) * (height - 1));
                if (tall > 0) {
                    put(x, height - 1 - tall, INKS[kind], 1);
                    for (int y = height - tall; y < height && kind == 0; y++) {
                        put(x, y, INKS[0], .35);
                    }
                }
            }
        }
    }

    private void put(int x, int y, int ink, double strength) {
        int at = Math.clamp(y, 0, height - 1) * width + Math.clamp(x, 0, width - 1);
        int mixed = 0xff;
        for (int shift = 16; shift >= 0; shift -= 8) {
            int under = pixels[at] >> shift & 0xff;
            mixed = mixed << 8 | (int) Math.round(under + strength * ((ink >> shift & 0xff) - under));
        }
        pixels[at] = mixed;
    }
}
