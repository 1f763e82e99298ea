package dev.vat.media;

import dev.vat.core.time.Rational;
import java.lang.foreign.ValueLayout;

/** Mixes two 16-bit working pictures of one size and coding; colours weigh by their alpha. */
public final class Mixing {

    private static final int FULL = 65535;

    private Mixing() { }

    /** @param share how much of {@code after} there is, from 0 to 1 */
    public static Picture mix(Picture before, Picture after, Rational share) {
        if (before.width() != after.width() || before.height() != after.height()
                || !before.formatName().equals(after.formatName()) || before.bits() != 16) {
            throw new MediaException("Only 16-bit pictures of one kind can be mixed", 0);
        }
        Picture mixed = Picture.allocate(before.formatName(), before.width(), before.height());
        ColourTags.like(before, mixed);
        float low = 1 - (float) share.toDouble();
        float high = (float) share.toDouble();
        int width = before.width();
        boolean alpha = before.hasAlpha();
        float[] lowAlpha = new float[width];
        float[] highAlpha = new float[width];
        for (int y = 0; y < before.height(); y++) {
            for (int x = 0; x < width; x++) {
                lowAlpha[x] = low * (alpha ? value(before, 3, x, y) / (float) FULL : 1);
                highAlpha[x] = high * (alpha ? value(after, 3, x, y) / (float) FULL : 1);
            }
            for (int plane = 0; plane < 3; plane++) {
                row(before, after, mixed, plane, y, lowAlpha, highAlpha);
            }
            for (int x = 0; alpha && x < width; x++) {
                put(mixed, 3, x, y, (lowAlpha[x] + highAlpha[x]) * FULL);
            }
        }
        return mixed;
    }

    private static void row(Picture before, Picture after, Picture mixed, int plane, int y, float[] low, float[] high) {
        for (int x = 0; x < mixed.width(); x++) {
            float weight = low[x] + high[x];
            int a = value(before, plane, x, y);
            // Under nothing at all, the colour of the first is as good as any.
            put(mixed, plane, x, y, weight == 0 ? a : (a * low[x] + value(after, plane, x, y) * high[x]) / weight);
        }
    }

    private static int value(Picture picture, int plane, int x, int y) {
        return picture.plane(plane).get(ValueLayout.JAVA_SHORT, (long) y * picture.stride(plane) + 2L * x) & 0xffff;
    }

    private static void put(Picture picture, int plane, int x, int y, float value) {
        picture.plane(plane).set(ValueLayout.JAVA_SHORT, (long) y * picture.stride(plane) + 2L * x, (short) Math.round(value));
    }
}
