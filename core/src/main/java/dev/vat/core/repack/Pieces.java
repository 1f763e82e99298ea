package dev.vat.core.repack;

import dev.vat.core.time.FrameRange;
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

    public Pieces {
        ranges = List.copyOf(ranges);
        moved = List.copyOf(moved);
    }

    /** @param length in frames */
    public static Pieces every(long length, CutPlaces places) {
        if (length < 1) {
            throw new IllegalArgumentException("A piece has one frame at least, not " + length);
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
                throw new IllegalArgumentException("Frame " + mark + " isn't between the first and the last of " + places.count());
            }
            int cut = places.cutAtOrBefore((int) mark);
            if (cut == 0) {
                moved.add("No cut at frame " + mark + ": no frame before it stands alone but the first");
                continue;
            }
            if (cut != mark) {
                moved.add("Cut at frame " + cut + " instead of " + mark + ": the frames between lean on it");
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
