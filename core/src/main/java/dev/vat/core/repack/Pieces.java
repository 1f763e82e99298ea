package dev.vat.core.repack;

import dev.vat.core.time.FrameRange;
import dev.vat.core.words.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeSet;

/**
 * Pieces that a file is split into.
 *
 * @param ranges of frames, from 0, one after the other, together the whole
 * @param moved what was cut elsewhere than it was asked for, in words
 */
public record Pieces(List<FrameRange> ranges, List<String> moved) {

    private static final Words WORDS = Words.of(Pieces.class);

    public Pieces {
        ranges = List.copyOf(ranges);
        moved = List.copyOf(moved);
    }

    /** @param length in frames */
    public static Pieces every(long length, CutPlaces places) {
        if (length < 1) {
            throw new IllegalArgumentException(WORDS.say("aPieceHasOneFrameAtLeast", length));
        }
        List<Long> marks = new ArrayList<>();
        for (long at = length; at < places.count(); at += length) {
            marks.add(at);
        }
        return at(marks, places);
    }

    /** @param marks frames with which pieces are to begin; where none can, the nearest before does */
    public static Pieces at(List<Long> marks, CutPlaces places) {
        TreeSet<Integer> cuts = new TreeSet<>();
        List<String> moved = new ArrayList<>();
        for (long mark : marks) {
            if (mark <= 0 || mark >= places.count()) {
                throw new IllegalArgumentException(WORDS.say("frameIsntBetweenTheFirst", mark, places.count()));
            }
            int cut = places.cutAtOrBefore((int) mark);
            if (cut == 0) {
                moved.add(WORDS.say("noCutAtFrameNoFrameBefore", mark));
                continue;
            }
            if (cut != mark) {
                moved.add(WORDS.say("cutAtFrameInsteadOfTheFrames", cut, mark));
            }
            cuts.add(cut);
        }
        List<FrameRange> ranges = new ArrayList<>();
        int from = 0;
        for (int cut : cuts) {
            ranges.add(FrameRange.of(from, cut - 1));
            from = cut;
        }
        ranges.add(FrameRange.of(from, places.count() - 1));
        return new Pieces(ranges, moved);
    }
}
