package dev.vat.media.compose;

import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;
import dev.vat.media.lib.MediaException;
import dev.vat.media.picture.ColourTags;
import dev.vat.media.picture.Picture;
import java.lang.foreign.MemorySegment;
import java.lang.foreign.ValueLayout;

/** Mixes two 16-bit working pictures of one size and coding; colours weigh by their alpha. */
public final class Mixing {

    private static final Words WORDS = Words.of(Mixing.class);

    private static final int FULL = 65535;
    private static final int ALPHA = 3;

    private final Picture before;
    private final Picture after;
    private final Picture mixed;
    private final float low;
    private final float high;
    private final short[] ofBefore;
    private final short[] ofAfter;
    private final float[] lowWeight;
    private final float[] highWeight;

    private Mixing(Picture before, Picture after, float share) {
        this.before = before;
        this.after = after;
        this.low = 1 - share;
        this.high = share;
        mixed = Picture.allocate(before.formatName(), before.width(), before.height());
        ColourTags.like(before, mixed);
        ofBefore = new short[before.width()];
        ofAfter = new short[before.width()];
        lowWeight = new float[before.width()];
        highWeight = new float[before.width()];
    }

    /** @param share how much of {@code after} there is, from 0 to 1 */
    public static Picture mix(Picture before, Picture after, Rational share) {
        if (before.width() != after.width() || before.height() != after.height()
                || !before.formatName().equals(after.formatName()) || before.bits() != 16) {
            throw new MediaException(WORDS.say("only16BitPicturesOfOneKind"), 0);
        }
        Mixing mixing = new Mixing(before, after, (float) share.toDouble());
        for (int y = 0; y < before.height(); y++) {
            mixing.row(y);
        }
        return mixing.mixed;
    }

    private void row(int y) {
        boolean alpha = before.hasAlpha();
        if (alpha) {
            read(ALPHA, y);
            for (int x = 0; x < ofBefore.length; x++) {
                lowWeight[x] = low * (ofBefore[x] & FULL);
                highWeight[x] = high * (ofAfter[x] & FULL);
                ofBefore[x] = (short) Math.round(lowWeight[x] + highWeight[x]);
            }
            write(ALPHA, y);
        }
        for (int plane = 0; plane < ALPHA; plane++) {
            read(plane, y);
            for (int x = 0; x < ofBefore.length; x++) {
                float a = ofBefore[x] & FULL;
                float b = ofAfter[x] & FULL;
                if (!alpha) {
                    ofBefore[x] = (short) Math.round(a * low + b * high);
                } else {
                    // Under nothing at all, the colour of the first is as good as any.
                    float weight = lowWeight[x] + highWeight[x];
                    ofBefore[x] = weight == 0 ? ofBefore[x] : (short) Math.round((a * lowWeight[x] + b * highWeight[x]) / weight);
                }
            }
            write(plane, y);
        }
    }

    private void read(int plane, int y) {
        MemorySegment.copy(before.plane(plane), ValueLayout.JAVA_SHORT, (long) y * before.stride(plane), ofBefore, 0, ofBefore.length);
        MemorySegment.copy(after.plane(plane), ValueLayout.JAVA_SHORT, (long) y * after.stride(plane), ofAfter, 0, ofAfter.length);
    }

    private void write(int plane, int y) {
        MemorySegment.copy(ofBefore, 0, mixed.plane(plane), ValueLayout.JAVA_SHORT, (long) y * mixed.stride(plane), ofBefore.length);
    }
}
