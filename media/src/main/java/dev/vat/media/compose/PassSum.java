package dev.vat.media.compose;

import dev.vat.core.pass.Operation;
import dev.vat.core.pass.Pass;
import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.DisplayCurve;
import dev.vat.core.picture.PictureReading;
import dev.vat.core.reel.Assembly;
import dev.vat.core.words.Words;
import dev.vat.media.filter.Filtering;
import dev.vat.media.lib.MediaException;
import dev.vat.media.picture.ColourTags;
import dev.vat.media.picture.FloatSamples;
import dev.vat.media.picture.Picture;
import java.lang.foreign.MemorySegment;
import java.lang.foreign.ValueLayout;
import java.util.ArrayList;
import java.util.List;

/**
 * Puts the passes of one picture together in linear light, premultiplied, in single precision. The lowest pass is taken as it is, whatever
 * it would do to what lies under it. Display-coded passes are taken to be coded by IEC 61966-2-1. Belongs to one thread.
 */
public final class PassSum implements AutoCloseable {

    private static final Words WORDS = Words.of(PassSum.class);

    private static final int ALPHA = 3;
    /** Planes of a picture in the order of red, green, blue, alpha. */
    private static final int[] PLANES = {2, 0, 1, ALPHA};
    private static final int STEPS = 1 << 16;
    private static final float[] LIGHT = light();

    private final Filtering toFloat = new Filtering(Composer::toFloat);

    /** A decoded picture with what its samples mean. */
    public record Decoded(Picture picture, PictureReading how) {}

    /** A row of what lies there so far, and of what comes onto it. */
    private static final class Row {
        private final float[][] values;
        private boolean alpha;

        Row(int width) {
            values = new float[4][width];
        }
    }

    /**
     * The sum, which is linear light; it has premultiplied alpha if one of its passes says something of it.
     *
     * @param decoded pictures of the passes, in their order
     * @throws MediaException if they aren't of one size
     */
    public Picture sum(Assembly.Passes how, List<Decoded> decoded) {
        List<Picture> floats = new ArrayList<>();
        try {
            for (Decoded one : decoded) {
                floats.add(floating(one));
            }
            Picture first = floats.getFirst();
            for (int i = 1; i < floats.size(); i++) {
                if (floats.get(i).width() != first.width() || floats.get(i).height() != first.height()) {
                    throw new MediaException(
                            WORDS.say("thePassesAndArentOfOneSize", how.passes().getFirst().name(), how.passes().get(i).name()),
                            0);
                }
            }
            return sum(how.passes(), decoded, floats);
        } finally {
            floats.forEach(Picture::close);
        }
    }

    private static Picture sum(List<Pass> passes, List<Decoded> decoded, List<Picture> floats) {
        int width = floats.getFirst().width();
        int height = floats.getFirst().height();
        boolean alpha = saysAlpha(passes, floats);
        Picture sum = Picture.allocate(alpha ? "gbrapf32le" : "gbrpf32le", width, height);
        Row under = new Row(width);
        Row onto = new Row(width);
        List<float[]> weights = passes.stream().map(Pass::weights).toList();
        for (int y = 0; y < height; y++) {
            for (int i = 0; i < passes.size(); i++) {
                Row row = i == 0 ? under : onto;
                read(floats.get(i), y, decoded.get(i).how(), weights.get(i), row);
                if (i > 0) {
                    lay(passes.get(i).operation(), under, onto);
                }
            }
            for (int c = 0; c < (alpha ? 4 : 3); c++) {
                MemorySegment.copy(under.values[c], 0, sum.plane(PLANES[c]), ValueLayout.JAVA_FLOAT_UNALIGNED,
                        (long) y * sum.stride(PLANES[c]), width);
            }
        }
        ColourTags.displayRgb(sum);
        return sum;
    }

    /** Whether anything is known of alpha in the end; the same for every row. */
    private static boolean saysAlpha(List<Pass> passes, List<Picture> floats) {
        Row under = new Row(0);
        Row onto = new Row(0);
        for (int i = 0; i < passes.size(); i++) {
            (i == 0 ? under : onto).alpha = floats.get(i).hasAlpha();
            if (i > 0) {
                lay(passes.get(i).operation(), under, onto);
            }
        }
        return under.alpha;
    }

    private Picture floating(Decoded one) {
        try (Picture floating = FloatSamples.isFloat(one.picture()) ? one.picture().share() : toFloat.apply(one.picture())) {
            return FloatSamples.sound(floating, 1);
        }
    }

    /** A row in linear light, premultiplied and weighed. */
    private static void read(Picture picture, int y, PictureReading how, float[] weights, Row row) {
        int width = picture.width();
        row.alpha = picture.hasAlpha();
        for (int c = 0; c < (row.alpha ? 4 : 3); c++) {
            MemorySegment.copy(picture.plane(PLANES[c]), ValueLayout.JAVA_FLOAT_UNALIGNED, (long) y * picture.stride(PLANES[c]),
                    row.values[c], 0, width);
        }
        boolean coded = !how.colour().isLinear();
        boolean straight = row.alpha && how.alpha() != AlphaKind.PREMULTIPLIED;
        float[] alpha = row.values[ALPHA];
        for (int c = 0; c < 3; c++) {
            float[] values = row.values[c];
            float weight = weights[c];
            for (int x = 0; x < width; x++) {
                float value = values[x];
                if (coded) {
                    // What was multiplied after coding is taken apart again before it becomes light.
                    boolean apart = row.alpha && !straight && alpha[x] > 0;
                    value = linear(apart ? value / alpha[x] : value);
                    value = apart ? value * alpha[x] : value;
                }
                values[x] = (straight ? value * alpha[x] : value) * weight;
            }
        }
    }

    private static void lay(Operation operation, Row under, Row onto) {
        switch (operation) {
            case ADD -> add(under, onto);
            case MULTIPLY -> {
                for (int c = 0; c < 3; c++) {
                    multiply(under.values[c], onto.values[c]);
                }
            }
            case OVER -> over(under, onto);
            case SCREEN -> screen(under, onto);
            case MATTE -> matte(under, onto.values[0]);
            case ALPHA -> {
                if (onto.alpha) {
                    takeAlpha(under, onto);
                }
            }
        }
    }

    private static void add(Row under, Row onto) {
        for (int c = 0; c < 3; c++) {
            for (int x = 0; x < under.values[c].length; x++) {
                under.values[c][x] += onto.values[c][x];
            }
        }
        if (!onto.alpha || !under.alpha) {
            return;
        }
        float[] alpha = under.values[ALPHA];
        for (int x = 0; x < alpha.length; x++) {
            alpha[x] = Math.max(alpha[x], onto.values[ALPHA][x]);
        }
    }

    private static void takeAlpha(Row under, Row onto) {
        System.arraycopy(onto.values[ALPHA], 0, under.values[ALPHA], 0, under.values[ALPHA].length);
        under.alpha = true;
    }

    private static void multiply(float[] values, float[] by) {
        for (int x = 0; x < values.length; x++) {
            values[x] *= by[x];
        }
    }

    private static void over(Row under, Row onto) {
        for (int c = 0; c < (under.alpha ? 4 : 3); c++) {
            for (int x = 0; x < under.values[c].length; x++) {
                float covers = onto.alpha ? onto.values[ALPHA][x] : 1;
                float value = c == ALPHA && !onto.alpha ? 1 : onto.values[c][x];
                under.values[c][x] = value + under.values[c][x] * (1 - covers);
            }
        }
    }

    private static void screen(Row under, Row onto) {
        boolean alpha = under.alpha && onto.alpha;
        for (int c = 0; c < (alpha ? 4 : 3); c++) {
            for (int x = 0; x < under.values[c].length; x++) {
                under.values[c][x] = 1 - (1 - Math.min(1, under.values[c][x])) * (1 - Math.min(1, onto.values[c][x]));
            }
        }
    }

    private static void matte(Row under, float[] matte) {
        for (int x = 0; x < matte.length; x++) {
            float share = Math.clamp(matte[x], 0f, 1f);
            for (int c = 0; c < 3; c++) {
                under.values[c][x] *= share;
            }
            under.values[ALPHA][x] = under.alpha ? under.values[ALPHA][x] * share : share;
        }
        under.alpha = true;
    }

    private static float linear(float coded) {
        float at = Math.clamp(coded, 0f, 1f) * (STEPS - 1);
        int below = Math.min(STEPS - 2, (int) at);
        return LIGHT[below] + (LIGHT[below + 1] - LIGHT[below]) * (at - below);
    }

    private static float[] light() {
        float[] light = new float[STEPS];
        for (int i = 0; i < STEPS; i++) {
            light[i] = (float) DisplayCurve.light(i / (STEPS - 1.));
        }
        return light;
    }

    @Override
    public void close() {
        toFloat.close();
    }
}
