package dev.vat.media.compose;

import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.OwnColour;
import dev.vat.core.picture.OwnCurve;
import dev.vat.media.picture.ColourTags;
import dev.vat.media.picture.Picture;
import java.lang.foreign.MemorySegment;
import java.lang.foreign.ValueLayout;

/** Brings values to light by what only their own file states. Belongs to one thread. */
final class OwnLight {

    /** Every code of 16 bits has its entry. */
    private static final int STEPS = 65_535;
    /** Planes lie green, blue, red, alpha. */
    private static final int[] PLANES = {2, 0, 1};

    private OwnCurve known;
    private float[] table;

    /**
     * Light of Rec.709's primaries, beyond its range where the file's colours are; alpha is kept.
     *
     * @param values planar RGB in single precision, none below 0
     * @param kind premultiplied values are divided by alpha before the curve, and multiplied after it
     */
    Picture of(Picture values, OwnColour colour, AlphaKind kind) {
        if (!colour.curve().equals(known)) {
            table = table(colour.curve());
            known = colour.curve();
        }
        return Picture.filled(values.formatName(), values.width(), values.height(), result -> fill(result, values, colour, kind));
    }

    private void fill(Picture result, Picture values, OwnColour colour, AlphaKind kind) {
        int width = values.width();
        float[][] rows = new float[3][width];
        float[] alpha = new float[width];
        float[] out = new float[width];
        boolean divided = values.hasAlpha() && kind == AlphaKind.PREMULTIPLIED;
        for (int y = 0; y < values.height(); y++) {
            if (values.hasAlpha()) {
                copy(values, 3, y, alpha);
                put(alpha, result, 3, y);
            }
            for (int c = 0; c < 3; c++) {
                copy(values, PLANES[c], y, rows[c]);
                for (int x = 0; x < width; x++) {
                    float scale = !divided ? 1 : alpha[x] > 0 ? alpha[x] : 0;
                    rows[c][x] = scale == 0 ? 0 : light(rows[c][x] / scale, table, colour.curve()) * scale;
                }
            }
            for (int c = 0; c < 3; c++) {
                float red = colour.light().get(3 * c).floatValue();
                float green = colour.light().get(3 * c + 1).floatValue();
                float blue = colour.light().get(3 * c + 2).floatValue();
                for (int x = 0; x < width; x++) {
                    out[x] = red * rows[0][x] + green * rows[1][x] + blue * rows[2][x];
                }
                put(out, result, PLANES[c], y);
            }
        }
        ColourTags.displayRgb(result);
    }

    private static float[] table(OwnCurve curve) {
        float[] table = new float[STEPS + 1];
        for (int i = 0; i <= STEPS; i++) {
            table[i] = (float) curve.light((double) i / STEPS);
        }
        return table;
    }

    private static float light(float value, float[] table, OwnCurve curve) {
        if (value > 1) {
            return (float) curve.light(value);
        }
        float place = value * STEPS;
        int below = (int) place;
        return below >= STEPS ? table[STEPS] : table[below] + (table[below + 1] - table[below]) * (place - below);
    }

    private static void copy(Picture from, int plane, int y, float[] row) {
        MemorySegment.copy(from.plane(plane), ValueLayout.JAVA_FLOAT_UNALIGNED, (long) y * from.stride(plane), row, 0, row.length);
    }

    private static void put(float[] row, Picture to, int plane, int y) {
        MemorySegment.copy(row, 0, to.plane(plane), ValueLayout.JAVA_FLOAT_UNALIGNED, (long) y * to.stride(plane), row.length);
    }
}
