package dev.vat.media;

import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.PictureReading;
import dev.vat.core.run.WorkingFormat;
import java.awt.image.BufferedImage;
import java.lang.foreign.MemorySegment;
import java.lang.foreign.ValueLayout;

/** A small picture with straight alpha that is laid over working pictures of one coding, in their own coded values. */
final class Patch {

    private static final int PLANES = 4;
    private static final int ALPHA = 3;
    private static final int DEEP = 65535;
    private static final int EIGHT = 255;
    private static final int DEEPER = 257;
    private static final PictureReading AS_SHOWN = PictureReading.of(AlphaKind.STRAIGHT, false);

    private final int width;
    private final int height;
    private final int full;
    private final boolean high;
    /** Green, blue, red, alpha. */
    private final int[][] samples;

    private Patch(int width, int height, int full, boolean high, int[][] samples) {
        this.width = width;
        this.height = height;
        this.full = full;
        this.high = high;
        this.samples = samples;
    }

    static boolean isHigh(Picture working) {
        return working.frame().color_trc() == Composer.PQ;
    }

    /** @param drawn colours as displays show them */
    static Patch of(BufferedImage drawn, Picture working) {
        try (Picture picture = Picture.allocate("gbrap", drawn.getWidth(), drawn.getHeight())) {
            int[] shifts = {8, 0, 16, 24};
            for (int p = 0; p < PLANES; p++) {
                for (int y = 0; y < drawn.getHeight(); y++) {
                    for (int x = 0; x < drawn.getWidth(); x++) {
                        picture.plane(p).set(ValueLayout.JAVA_BYTE, (long) y * picture.stride(p) + x, (byte) (drawn.getRGB(x, y) >>> shifts[p]));
                    }
                }
            }
            ColourTags.displayRgb(picture);
            return of(picture, 100, working);
        }
    }

    /** @param rgba of 8 or 16 bits, as displays show it @param opacity in percent @param working what it is laid over */
    static Patch of(Picture rgba, int opacity, Picture working) {
        if (isHigh(working) && !isHigh(rgba)) {
            try (Composer composer = new Composer(WorkingFormat.HIGH, true); Picture high = composer.compose(rgba, AS_SHOWN)) {
                return of(high, opacity, working);
            }
        }
        int full = working.bits() > 8 ? DEEP : EIGHT;
        int[][] samples = new int[PLANES][rgba.width() * rgba.height()];
        for (int p = 0; p < PLANES; p++) {
            MemorySegment plane = rgba.plane(p);
            for (int y = 0, at = 0; y < rgba.height(); y++) {
                for (int x = 0; x < rgba.width(); x++, at++) {
                    int value = rgba.bits() > 8 ? plane.get(ValueLayout.JAVA_SHORT, (long) y * rgba.stride(p) + 2L * x) & DEEP : (plane.get(ValueLayout.JAVA_BYTE, (long) y * rgba.stride(p) + x) & EIGHT) * DEEPER;
                    int coded = full == DEEP ? value : (value + DEEPER / 2) / DEEPER;
                    samples[p][at] = p == ALPHA ? coded * opacity / 100 : coded;
                }
            }
        }
        return new Patch(rgba.width(), rgba.height(), full, isHigh(working), samples);
    }

    int width() {
        return width;
    }

    int height() {
        return height;
    }

    /** Whether it is coded as a working picture is. */
    boolean fits(Picture working) {
        return full == (working.bits() > 8 ? DEEP : EIGHT) && high == isHigh(working);
    }

    /** What lies beyond the picture's edges is left out. */
    void over(Picture picture, int left, int top) {
        for (int y = Math.max(0, -top); y < height && top + y < picture.height(); y++) {
            for (int x = Math.max(0, -left); x < width && left + x < picture.width(); x++) {
                blend(picture, left + x, top + y, y * width + x);
            }
        }
    }

    private void blend(Picture picture, int x, int y, int at) {
        long cover = samples[ALPHA][at];
        if (cover == 0) {
            return;
        }
        long there = picture.hasAlpha() ? get(picture, ALPHA, x, y) : full;
        // Of what there was, as much stays as is seen through.
        long stays = there * (full - cover) / full;
        long all = cover + stays;
        for (int p = 0; p < ALPHA; p++) {
            set(picture, p, x, y, (samples[p][at] * cover + get(picture, p, x, y) * stays + all / 2) / all);
        }
        if (picture.hasAlpha()) {
            set(picture, ALPHA, x, y, all);
        }
    }

    private long get(Picture picture, int plane, int x, int y) {
        long row = (long) y * picture.stride(plane);
        return full == DEEP ? picture.plane(plane).get(ValueLayout.JAVA_SHORT, row + 2L * x) & DEEP : picture.plane(plane).get(ValueLayout.JAVA_BYTE, row + x) & EIGHT;
    }

    private void set(Picture picture, int plane, int x, int y, long value) {
        long row = (long) y * picture.stride(plane);
        if (full == DEEP) {
            picture.plane(plane).set(ValueLayout.JAVA_SHORT, row + 2L * x, (short) value);
        } else {
            picture.plane(plane).set(ValueLayout.JAVA_BYTE, row + x, (byte) value);
        }
    }
}
