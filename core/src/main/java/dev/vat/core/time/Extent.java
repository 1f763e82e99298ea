package dev.vat.core.time;

import dev.vat.core.words.Words;

/**
 * A stretch of frames that can be said in four ways: by count, last frame, seconds or timecode. Changing one keeps the first
 * frame and changes the others.
 *
 * @param step from one frame number to the next
 * @param rate null while none is known: seconds and timecode can't be said then
 */
public record Extent(FrameRange range, long step, Rate rate) {

    private static final Words WORDS = Words.of(Extent.class);

    public Extent {
        if (step < 1) {
            throw new IllegalArgumentException(WORDS.say("framesAreAtLeast1ApartNot", step));
        }
    }

    /** Frames on the grid: {@code floor((last - first) / step) + 1}. */
    public long count() {
        return (range.last() - range.first()) / step + 1;
    }

    public Extent withFirst(String text) {
        long first = whole(text);
        return new Extent(FrameRange.of(first, range.last()), step, rate);
    }

    public Extent withLast(String text) {
        return new Extent(FrameRange.of(range.first(), whole(text)), step, rate);
    }

    public Extent withCount(String text) {
        long count = whole(text);
        if (count < 1) {
            throw new IllegalArgumentException(WORDS.say("atLeast1FrameIsNeededNot", count));
        }
        return new Extent(FrameRange.of(range.first(), Math.addExact(range.first(), Math.multiplyExact(count - 1, step))), step, rate);
    }

    /** Seconds with a decimal point or comma; rounded to whole frames. */
    public Extent withSeconds(String text) {
        Rational seconds = Rational.parse(text.strip().replace(',', '.').replaceFirst("\\s*s$", ""));
        return withCount(Long.toString(Math.max(1, seconds.times(known().perSecond()).round())));
    }

    /** A length HH:MM:SS:FF. */
    public Extent withTimecode(String text) {
        return withCount(Long.toString(Timecode.parse(text, known()).frame()));
    }

    public Rational seconds() {
        return known().seconds(count());
    }

    public Timecode timecode() {
        return Timecode.of(count(), known());
    }

    private Rate known() {
        if (rate == null) {
            throw new IllegalArgumentException(WORDS.say("chooseTheRateFirstWithout"));
        }
        return rate;
    }

    private static long whole(String text) {
        try {
            return Long.parseLong(text.strip());
        } catch (NumberFormatException e) {
            throw new IllegalArgumentException(WORDS.say("isNotAWholeNumber", text), e);
        }
    }
}
