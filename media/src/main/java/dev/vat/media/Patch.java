package dev.vat.media;

import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.PictureReading;
import dev.vat.core.run.WorkingFormat;
import java.awt.image.BufferedImage;
import java.lang.foreign.MemorySegment;
import java.lang.foreign.ValueLayout;
import java.util.stream.IntStream;

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
            int[] argb = drawn.getRGB(0, 0, drawn.getWidth(), drawn.getHeight(), null, 0, drawn.getWidth());
            for (int p = 0; p < PLANES; p++) {
                MemorySegment plane = picture.plane(p);
                int stride = picture.stride(p);
                for (int y = 0, at = 0; y < drawn.getHeight(); y++) {
                    for (int x = 0; x < drawn.getWidth(); x++, at++) {
                        plane.set(ValueLayout.JAVA_BYTE, (long) y * stride + x, (byte) (argb[at] >>> shifts[p]));
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
        boolean deep = rgba.bits() > 8;
        int wide = rgba.width();
        for (int p = 0; p < PLANES; p++) {
            MemorySegment plane = rgba.plane(p);
            int stride = rgba.stride(p);
            for (int y = 0, at = 0; y < rgba.height(); y++) {
                for (int x = 0; x < wide; x++, at++) {
                    int value = deep ? plane.get(ValueLayout.JAVA_SHORT, (long) y * stride + 2L * x) & DEEP : (plane.get(ValueLayout.JAVA_BYTE, (long) y * stride + x) & EIGHT) * DEEPER;
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
        // Asked for once: where samples lie is known by the library, and asking it takes longer than blending does.
        Ground under = new Ground(full == DEEP, IntStream.range(0, picture.planes()).mapToObj(picture::plane).toArray(MemorySegment[]::new),
                IntStream.range(0, picture.planes()).map(picture::stride).toArray(), picture.hasAlpha());
        int right = Math.min(width, picture.width() - left);
        int bottom = Math.min(height, picture.height() - top);
        for (int y = Math.max(0, -top); y < bottom; y++) {
            for (int x = Math.max(0, -left); x < right; x++) {
                blend(under, left + x, top + y, y * width + x);
            }
        }
    }

    private void blend(Ground under, int x, int y, int at) {
        long cover = samples[ALPHA][at];
        if (cover == 0) {
            return;
        }
        long there = under.alpha ? under.get(ALPHA, x, y) : full;
        // Of what there was, as much stays as is seen through.
        long stays = there * (full - cover) / full;
        long all = cover + stays;
        for (int p = 0; p < ALPHA; p++) {
            under.set(p, x, y, (samples[p][at] * cover + under.get(p, x, y) * stays + all / 2) / all);
        }
        if (under.alpha) {
            under.set(ALPHA, x, y, all);
        }
    }

    /** The samples that a patch is laid over. @param strides bytes from one row to the next */
    private record Ground(boolean deep, MemorySegment[] planes, int[] strides, boolean alpha) {
        long get(int plane, int x, int y) {
            long row = (long) y * strides[plane];
            return deep ? planes[plane].get(ValueLayout.JAVA_SHORT, row + 2L * x) & DEEP : planes[plane].get(ValueLayout.JAVA_BYTE, row + x) & EIGHT;
        }

        void set(int plane, int x, int y, long value) {
            long row = (long) y * strides[plane];
            if (deep) {
                planes[plane].set(ValueLayout.JAVA_SHORT, row + 2L * x, (short) value);
            } else {
                planes[plane].set(ValueLayout.JAVA_BYTE, row + x, (byte) value);
            }
        }
    }
}
