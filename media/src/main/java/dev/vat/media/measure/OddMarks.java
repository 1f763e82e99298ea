package dev.vat.media.measure;

import dev.vat.media.picture.FloatSamples;
import dev.vat.media.picture.Picture;
import java.lang.foreign.MemorySegment;
import java.lang.foreign.ValueLayout;

/**
 * Marks on a screen picture where a floating-point picture holds what is no colour: magenta for no number, yellow for
 * infinite, cyan for below zero. Each is at least one pixel of the screen, however small the picture is shown.
 */
public final class OddMarks {

    private static final int NOT_A_NUMBER = 0xffff00ff;
    private static final int INFINITE = 0xffffff00;
    private static final int NEGATIVE = 0xff00ffff;

    private OddMarks() {}

    /**
     * @param decoded the picture as its file holds it; whole-number pictures have nothing to mark
     * @param target {@code width * height} pixels B G R A, painted already
     */
    public static void paint(Picture decoded, MemorySegment target, int width, int height) {
        if (!FloatSamples.isFloat(decoded)) {
            return;
        }
        boolean half = decoded.formatName().contains("f16");
        float[] row = new float[decoded.width()];
        for (int p = 0; p < decoded.planes(); p++) {
            MemorySegment plane = decoded.plane(p);
            for (int y = 0; y < decoded.height(); y++) {
                long at = (long) y * decoded.stride(p);
                for (int x = 0; x < row.length; x++) {
                    row[x] = half ? Float.float16ToFloat(plane.get(ValueLayout.JAVA_SHORT_UNALIGNED, at + 2L * x))
                            : plane.get(ValueLayout.JAVA_FLOAT_UNALIGNED, at + 4L * x);
                }
                mark(row, target, (long) y * height / decoded.height() * width, width);
            }
        }
    }

    private static void mark(float[] row, MemorySegment target, long line, int width) {
        for (int x = 0; x < row.length; x++) {
            float value = row[x];
            if (value >= 0 && value < Float.POSITIVE_INFINITY) {
                continue;
            }
            int colour = Float.isNaN(value) ? NOT_A_NUMBER : Float.isInfinite(value) ? INFINITE : NEGATIVE;
            target.set(ValueLayout.JAVA_INT_UNALIGNED, 4 * (line + (long) x * width / row.length), colour);
        }
    }
}
