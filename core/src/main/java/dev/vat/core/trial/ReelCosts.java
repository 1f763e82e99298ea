package dev.vat.core.trial;

import dev.vat.core.words.Words;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * The cost of every frame of a reel. In a long one not each is looked at, but stretches all along it; those between are taken to be as the
 * nearest that was.
 */
public final class ReelCosts {

    private static final Words WORDS = Words.of(ReelCosts.class);

    /** Up to so many frames each is looked at. */
    static final long MOST_LOOKED = 3000;
    /** Frames looked at in one go: long enough to see movement. */
    static final long STRETCH = 50;

    private final FrameCost[] costs;

    private ReelCosts(FrameCost[] costs) {
        this.costs = costs;
    }

    /** Whether a frame is to be looked at. @param frames of the reel */
    public static boolean isLooked(long frame, long frames) {
        long every = Math.ceilDiv(frames, MOST_LOOKED);
        return frame / STRETCH % every == 0;
    }

    /** Whether a reel is so short that every frame of it is looked at. */
    public static boolean isEachLooked(long frames) {
        return frames <= MOST_LOOKED;
    }

    /**
     * Costs as they were found, one frame after the other that was looked at: where a stretch begins that doesn't follow on, what came
     * before it says nothing of its first frame.
     */
    public static List<FrameCost> inStretches(List<FrameCost> found, long frames) {
        if (isEachLooked(frames)) {
            return List.copyOf(found);
        }
        List<FrameCost> costs = new ArrayList<>(found);
        for (int i = (int) STRETCH; i < costs.size() - 1; i += (int) STRETCH) {
            costs.set(i, new FrameCost(costs.get(i).alone(), costs.get(i + 1).after(), false));
        }
        return costs;
    }

    /** @param looked the costs of those that are {@link #isLooked looked at}, in order */
    public static ReelCosts of(List<FrameCost> looked, long frames) {
        FrameCost[] all = new FrameCost[Math.toIntExact(frames)];
        int next = 0;
        for (int f = 0; f < all.length; f++) {
            if (isLooked(f, frames)) {
                all[f] = looked.get(next++);
            }
        }
        if (next != looked.size()) {
            throw new IllegalArgumentException(WORDS.say("costsAreNotThoseOfFrames", looked.size(), next));
        }
        for (int f = 0; f < all.length; f++) {
            if (all[f] == null) {
                // The frame at the same place of the stretch before; what begins there anew need not begin here.
                FrameCost like = all[(int) (f - STRETCH)];
                all[f] = new FrameCost(like.alone(), like.after(), false);
            }
        }
        return new ReelCosts(all);
    }

    public int frames() {
        return costs.length;
    }

    FrameCost at(long frame) {
        return costs[Math.clamp(frame, 0, costs.length - 1)];
    }

    /** What packing frames costs, each with what is before it. */
    double cost(long first, long count) {
        return Arrays.stream(costs, (int) first, (int) (first + count)).mapToDouble(FrameCost::after).sum();
    }

    /** The share of the reel's cost that lies before a frame, from 0 to 1. */
    public double share(long frames) {
        double all = cost(0, costs.length);
        return all == 0 ? (double) frames / costs.length : cost(0, Math.clamp(frames, 0, costs.length)) / all;
    }
}
