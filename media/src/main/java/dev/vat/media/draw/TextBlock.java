package dev.vat.media.draw;

import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.PictureReading;
import dev.vat.core.recipe.WorkingFormat;
import dev.vat.media.compose.Composer;
import dev.vat.media.picture.Picture;
import dev.vat.media.picture.SamplePictures;
import java.awt.image.BufferedImage;
import java.lang.foreign.MemorySegment;
import java.lang.foreign.ValueLayout;
import java.util.Arrays;
import java.util.stream.IntStream;

/** A small picture with straight alpha that is laid over working pictures of one coding, in their own coded values. */
final class TextBlock {

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

    private TextBlock(int width, int height, int full, boolean high, int[][] samples) {
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
    static TextBlock of(BufferedImage drawn, Picture working) {
        int wide = drawn.getWidth();
        int[] argb = drawn.getRGB(0, 0, wide, drawn.getHeight(), null, 0, wide);
        int[] shifts = {8, 0, 16, 24};
        if (isHigh(working)) {
            byte[] rgba = new byte[PLANES * argb.length];
            for (int i = 0; i < argb.length; i++) {
                rgba[PLANES * i] = (byte) (argb[i] >>> 16);
                rgba[PLANES * i + 1] = (byte) (argb[i] >>> 8);
                rgba[PLANES * i + 2] = (byte) argb[i];
                rgba[PLANES * i + ALPHA] = (byte) (argb[i] >>> 24);
            }
            try (Picture picture = SamplePictures.ofRgba(wide, drawn.getHeight(), rgba)) {
                return of(picture, 100, working);
            }
        }
        int full = fullOf(working);
        int[][] samples = new int[PLANES][argb.length];
        for (int p = 0; p < PLANES; p++) {
            for (int i = 0; i < argb.length; i++) {
                int value = argb[i] >>> shifts[p] & EIGHT;
                samples[p][i] = full == DEEP ? value * DEEPER : value;
            }
        }
        return new TextBlock(wide, drawn.getHeight(), full, false, samples);
    }

    private static int fullOf(Picture picture) {
        return picture.bits() > 8 ? DEEP : EIGHT;
    }

    /** @param rgba of 8 or 16 bits, as displays show it @param opacity in percent @param working what it is laid over */
    static TextBlock of(Picture rgba, int opacity, Picture working) {
        if (isHigh(working) && !isHigh(rgba)) {
            try (Composer composer = new Composer(WorkingFormat.HIGH, true); Picture high = composer.compose(rgba, AS_SHOWN)) {
                return of(high, opacity, working);
            }
        }
        int full = fullOf(working);
        int own = fullOf(rgba);
        int wide = rgba.width();
        int[][] samples = new int[PLANES][wide * rgba.height()];
        for (int p = 0; p < PLANES; p++) {
            if (p == ALPHA && !rgba.hasAlpha()) {
                Arrays.fill(samples[p], full * opacity / 100);
                continue;
            }
            Rows rows = Rows.of(rgba, p, wide);
            for (int y = 0, at = 0; y < rgba.height(); y++) {
                rows.read(0, y, wide);
                for (int x = 0; x < wide; x++, at++) {
                    int value = own == DEEP ? rows.at(x) : rows.at(x) * DEEPER;
                    int coded = full == DEEP ? value : (value + DEEPER / 2) / DEEPER;
                    samples[p][at] = p == ALPHA ? coded * opacity / 100 : coded;
                }
            }
        }
        return new TextBlock(wide, rgba.height(), full, isHigh(working), samples);
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
        int from = Math.max(0, -left);
        int count = Math.min(width, picture.width() - left) - from;
        int bottom = Math.min(height, picture.height() - top);
        Rows[] rows = IntStream.range(0, picture.planes()).mapToObj(p -> Rows.of(picture, p, Math.max(0, count))).toArray(Rows[]::new);
        for (int y = Math.max(0, -top); y < bottom && count > 0; y++) {
            for (Rows plane : rows) {
                plane.read(left + from, top + y, count);
            }
            if (full == EIGHT && rows.length == ALPHA) {
                for (int p = 0; p < ALPHA; p++) {
                    blend(samples[p], samples[ALPHA], y * width + from, rows[p].bytes, count);
                }
            } else {
                for (int x = 0; x < count; x++) {
                    blend(rows, x, y * width + from + x);
                }
            }
            for (Rows plane : rows) {
                plane.write(left + from, top + y, count);
            }
        }
    }

    /** The same sum for a row of 8 bits that nothing shows through. */
    private static void blend(int[] colour, int[] cover, int at, byte[] under, int count) {
        for (int x = 0; x < count; x++) {
            int sum = colour[at + x] * cover[at + x] + (under[x] & EIGHT) * (EIGHT - cover[at + x]) + EIGHT / 2;
            // A division by 255 that is exact for each sum of such products.
            under[x] = (byte) (sum * 0x8081 >>> 23);
        }
    }

    private void blend(Rows[] under, int x, int at) {
        int cover = samples[ALPHA][at];
        if (cover == 0) {
            return;
        }
        boolean alpha = under.length == PLANES;
        long there = alpha ? under[ALPHA].at(x) : full;
        // Of what there was, as much stays as is seen through.
        long stays = there * (full - cover) / full;
        long all = cover + stays;
        for (int p = 0; p < ALPHA; p++) {
            under[p].set(x, ((long) samples[p][at] * cover + under[p].at(x) * stays + all / 2) / all);
        }
        if (alpha) {
            under[ALPHA].set(x, all);
        }
    }

    /**
     * Rows of one plane, brought into an array and back: a sample in the library's memory takes many times as long as one in an array until
     * the compiler has seen it often.
     *
     * @param bytes of a row, for 8 bits, else null
     * @param shorts of a row, for 16 bits, else null
     */
    private record Rows(MemorySegment plane, int stride, byte[] bytes, short[] shorts) {
        static Rows of(Picture picture, int plane, int count) {
            boolean deep = picture.bits() > 8;
            return new Rows(picture.plane(plane), picture.stride(plane), deep ? null : new byte[count], deep ? new short[count] : null);
        }

        void read(int x, int y, int count) {
            if (shorts == null) {
                MemorySegment.copy(plane, ValueLayout.JAVA_BYTE, (long) y * stride + x, bytes, 0, count);
            } else {
                MemorySegment.copy(plane, ValueLayout.JAVA_SHORT, (long) y * stride + 2L * x, shorts, 0, count);
            }
        }

        void write(int x, int y, int count) {
            if (shorts == null) {
                MemorySegment.copy(bytes, 0, plane, ValueLayout.JAVA_BYTE, (long) y * stride + x, count);
            } else {
                MemorySegment.copy(shorts, 0, plane, ValueLayout.JAVA_SHORT, (long) y * stride + 2L * x, count);
            }
        }

        int at(int x) {
            return shorts == null ? bytes[x] & EIGHT : shorts[x] & DEEP;
        }

        void set(int x, long value) {
            if (shorts == null) {
                bytes[x] = (byte) value;
            } else {
                shorts[x] = (short) value;
            }
        }
    }
}
