package dev.vat.media.picture;

import dev.vat.core.picture.FrameLook;
import java.lang.foreign.MemorySegment;
import java.lang.foreign.ValueLayout;
import org.bytedeco.ffmpeg.avutil.AVComponentDescriptor;

/** Samples of floating-point pictures, half (binary16) or single (binary32), planar, little-endian. */
public final class FloatSamples {

    private static final int HALF_EXPONENT = 0x7c00;
    private static final int HALF_FRACTION = 0x3ff;
    public static final float HIGHEST = 65504;
    /** Components are numbered red, green, blue, alpha; planes of the result lie green, blue, red, alpha. */
    private static final int[] ORDER = {1, 2, 0, 3};

    private FloatSamples() {}

    public static boolean isFloat(Picture picture) {
        String name = picture.formatName();
        return name.contains("f16") || name.contains("f32");
    }

    /** Counts what is no colour over all samples; null if there is nothing of the kind. */
    public static FrameLook.Odd odd(Picture picture) {
        if (!isFloat(picture)) {
            return null;
        }
        FrameLook.Odd sum = new FrameLook.Odd(0, 0, 0);
        boolean half = picture.formatName().contains("f16");
        // Samples of several channels may lie in one plane; all are counted alike.
        int across = picture.width() * picture.descriptor().nb_components() / picture.planes();
        short[] halves = new short[across];
        float[] singles = new float[half ? 0 : across];
        for (int p = 0; p < picture.planes(); p++) {
            MemorySegment plane = picture.plane(p);
            for (int y = 0; y < picture.height(); y++) {
                if (half) {
                    MemorySegment.copy(plane, ValueLayout.JAVA_SHORT_UNALIGNED, (long) y * picture.stride(p), halves, 0, halves.length);
                    sum = suspicious(halves) ? sum.plus(count(halves)) : sum;
                } else {
                    MemorySegment.copy(plane, ValueLayout.JAVA_FLOAT_UNALIGNED, (long) y * picture.stride(p), singles, 0, singles.length);
                    sum = sum.plus(count(singles));
                }
            }
        }
        return sum.isEmpty() ? null : sum;
    }

    /** A first look that is quick: the highest of the bits, read as whole numbers without a sign. */
    private static boolean suspicious(short[] row) {
        int highest = 0;
        for (short value : row) {
            highest = Math.max(highest, value & 0xffff);
        }
        return highest >= HALF_EXPONENT;
    }

    private static FrameLook.Odd count(short[] row) {
        long nan = 0;
        long infinite = 0;
        long negative = 0;
        for (short value : row) {
            if ((value & HALF_EXPONENT) == HALF_EXPONENT) {
                if ((value & HALF_FRACTION) == 0) {
                    infinite++;
                } else {
                    nan++;
                }
            } else if (value < 0 && value != Short.MIN_VALUE) {
                negative++;
            }
        }
        return new FrameLook.Odd(nan, infinite, negative);
    }

    private static FrameLook.Odd count(float[] row) {
        long nan = 0;
        long infinite = 0;
        long negative = 0;
        for (float value : row) {
            if (Float.isNaN(value)) {
                nan++;
            } else if (Float.isInfinite(value)) {
                infinite++;
            } else if (value < 0) {
                negative++;
            }
        }
        return new FrameLook.Odd(nan, infinite, negative);
    }

    /**
     * The same picture as planar RGB in single precision, with alpha if it has any, each colour times {@code gain}; grey
     * becomes three equal planes. What is no number becomes 0, what is infinite the highest half-precision value, what lies
     * below zero 0: no encoder gets to see garbage. Alpha is held to 0 to 1.
     */
    public static Picture sound(Picture picture, float gain) {
        boolean half = picture.formatName().contains("f16");
        boolean alpha = picture.hasAlpha();
        int width = picture.width();
        Picture result = Picture.allocate(alpha ? "gbrapf32le" : "gbrpf32le", width, picture.height());
        float[] row = new float[width];
        int components = picture.descriptor().nb_components();
        for (int p = 0; p < (alpha ? 4 : 3); p++) {
            int component = components > 2 ? ORDER[p] : p == 3 ? 1 : 0;
            MemorySegment target = result.plane(p);
            float most = p == 3 ? 1 : HIGHEST;
            float scale = p == 3 ? 1 : gain;
            for (int y = 0; y < picture.height(); y++) {
                read(picture, component, half, y, row);
                for (int x = 0; x < width; x++) {
                    float value = row[x] * scale;
                    // NaN compares false and comes out as 0.
                    row[x] = value > 0 ? Math.min(value, most) : 0;
                }
                MemorySegment.copy(row, 0, target, ValueLayout.JAVA_FLOAT_UNALIGNED, (long) y * result.stride(p), width);
            }
        }
        ColourTags.displayRgb(result);
        return result;
    }

    private static void read(Picture picture, int component, boolean half, int y, float[] row) {
        AVComponentDescriptor lies = picture.descriptor().comp(component);
        MemorySegment plane = picture.plane(lies.plane());
        long at = (long) y * picture.stride(lies.plane()) + lies.offset();
        int bytes = half ? Short.BYTES : Float.BYTES;
        if (lies.step() == bytes && !half) {
            MemorySegment.copy(plane, ValueLayout.JAVA_FLOAT_UNALIGNED, at, row, 0, row.length);
            return;
        }
        int step = lies.step() / bytes;
        // One copy of the line, since loops over native memory are slow; the last pixel may have less behind it.
        int length = (row.length - 1) * step + 1;
        if (half) {
            short[] halves = new short[length];
            MemorySegment.copy(plane, ValueLayout.JAVA_SHORT_UNALIGNED, at, halves, 0, length);
            for (int x = 0, i = 0; x < row.length; x++, i += step) {
                row[x] = Float.float16ToFloat(halves[i]);
            }
        } else {
            float[] singles = new float[length];
            MemorySegment.copy(plane, ValueLayout.JAVA_FLOAT_UNALIGNED, at, singles, 0, length);
            for (int x = 0, i = 0; x < row.length; x++, i += step) {
                row[x] = singles[i];
            }
        }
    }

    /** @param channels red, green, blue and perhaps alpha */
    public static Picture picture(int width, int height, float[][] channels) {
        Picture picture = Picture.allocate(channels.length == 4 ? "gbrapf32le" : "gbrpf32le", width, height);
        int[] planes = {2, 0, 1, 3};
        for (int c = 0; c < channels.length; c++) {
            MemorySegment plane = picture.plane(planes[c]);
            for (int y = 0; y < height; y++) {
                MemorySegment.copy(channels[c], y * width, plane, ValueLayout.JAVA_FLOAT_UNALIGNED,
                        (long) y * picture.stride(planes[c]), width);
            }
        }
        ColourTags.displayRgb(picture);
        return picture;
    }
}
