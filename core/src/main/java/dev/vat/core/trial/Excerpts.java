package dev.vat.core.trial;

import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/** Which stretches of a reel are encoded to learn of the whole: by how hard they are, from the easiest to the hardest. */
public final class Excerpts {

    private static final Rational SECONDS = Rational.of(3);
    private static final int FEWEST = 4;
    private static final int MOST = 7;
    /** Of so many frames one is tried. */
    private static final int ONE_OF = 4;

    private Excerpts() {}

    /** Frames of one: even in number, so that interlaced files can be made of them. */
    static int length(Rate rate) {
        return Math.toIntExact(Math.max(12, rate.perSecond().times(SECONDS).round() / 2 * 2));
    }

    /** The reel in stretches of that length; the last one is longer where what is left is too short to stand alone. */
    static List<FrameRange> stretches(long frames, int length) {
        List<FrameRange> all = new ArrayList<>();
        for (long first = 0; first < frames;) {
            long next = first + length;
            long end = frames - next < length / 2 ? frames : next;
            all.add(FrameRange.of(first, end - 1));
            first = end;
        }
        return all;
    }

    /** In the order of the reel; where it is short one, which is all of it. @param rate of the reel */
    public static List<FrameRange> of(ReelCosts costs, Rate rate) {
        List<FrameRange> all = stretches(costs.frames(), length(rate));
        int wanted = Math.clamp(costs.frames() / (ONE_OF * (long) length(rate)), FEWEST, MOST);
        if (all.size() <= wanted) {
            // In one go: what is made so comes out again to the byte, and pieces of it wouldn't.
            return List.of(FrameRange.of(0, costs.frames() - 1));
        }
        List<FrameRange> byCost = all.stream().sorted(Comparator.comparingDouble(r -> costs.cost(r.first(), r.count()) / r.count()))
                .toList();
        List<FrameRange> chosen = new ArrayList<>();
        for (int k = 0; k < wanted; k++) {
            chosen.add(byCost.get((2 * k + 1) * all.size() / (2 * wanted)));
        }
        chosen.sort(Comparator.comparingLong(FrameRange::first));
        return chosen;
    }
}
