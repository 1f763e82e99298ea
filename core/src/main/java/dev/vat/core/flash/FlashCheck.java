package dev.vat.core.flash;

import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rate;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.function.IntPredicate;

/**
 * Finds where a picture flashes too often, by {@link FlashGuide}: every part of it is followed from extreme to extreme, and changes that
 * go the same way over enough of the picture at once count as one.
 */
public final class FlashCheck {

    private static final double[] SHOWN = new double[256];

    static {
        for (int code = 0; code < SHOWN.length; code++) {
            SHOWN[code] = FlashGuide.luminance(code);
        }
    }

    /** Changes of luminance and of red are followed apart, and never counted together. */
    private final Changes bright;
    private final Changes red;
    private long frame;

    public FlashCheck(Rate rate) {
        bright = new Changes(rate);
        red = new Changes(rate);
    }

    /** The next frame. */
    public void add(Luminance picture) {
        bright.add(frame, cell -> bright.moves(cell, SHOWN[picture.luma(cell)], FlashGuide.LEAST_STEP, FlashGuide.DARKER_BELOW));
        // Any change to or from saturated red counts, whatever its luminance.
        red.add(frame, cell -> red.moves(cell, isRed(picture, cell) ? 1 : 0, 1, 1));
        frame++;
    }

    /** From luma and Cr: red is what Cr says, and the two others can't be more than luma leaves them. */
    private static boolean isRed(Luminance picture, int cell) {
        double luma = picture.luma(cell);
        double strong = luma + 1.5748 * (picture.red(cell) - 128);
        double others = strong * (1 - FlashGuide.RED_SHARE) / FlashGuide.RED_SHARE;
        return strong >= 64 && luma <= .2126 * strong + .7152 * others;
    }

    /** Frames within which there are more flashes in a second than there may be. */
    public List<FrameRange> found() {
        List<FrameRange> all = new ArrayList<>(bright.tooMany);
        all.addAll(red.tooMany);
        all.sort((a, b) -> Long.compare(a.first(), b.first()));
        List<FrameRange> merged = new ArrayList<>();
        for (FrameRange range : all) {
            if (!merged.isEmpty() && range.first() <= merged.getLast().last() + 1) {
                FrameRange before = merged.removeLast();
                merged.add(FrameRange.of(before.first(), Math.max(before.last(), range.last())));
            } else {
                merged.add(range);
            }
        }
        return merged;
    }

    /** One kind of change, cell by cell and over the whole picture. */
    private static final class Changes {
        private final long second;
        private final double[] extreme = new double[Luminance.CELLS];
        private final int[] way = new int[Luminance.CELLS];
        private final int[] moved = new int[Luminance.CELLS];
        private final Deque<Long> moments = new ArrayDeque<>();
        private final List<FrameRange> tooMany = new ArrayList<>();
        private boolean begun;
        private int lastWay;

        Changes(Rate rate) {
            second = Math.max(1, rate.perSecond().round());
        }

        /** Follows a cell; true if it has just completed a change. */
        boolean moves(int cell, double value, double step, double darkerBelow) {
            if (!begun) {
                extreme[cell] = value;
                return false;
            }
            int to = Double.compare(value, extreme[cell]);
            boolean counts = to != 0 && to != way[cell] && Math.abs(value - extreme[cell]) >= step
                    && Math.min(value, extreme[cell]) < darkerBelow;
            if (counts) {
                way[cell] = to;
                moved[cell] = to;
            }
            if (counts || to == way[cell] || way[cell] == 0 && to != 0 && Math.abs(value - extreme[cell]) >= step) {
                extreme[cell] = value;
            }
            return counts;
        }

        void add(long frame, IntPredicate follow) {
            int up = 0;
            int down = 0;
            for (int cell = 0; cell < Luminance.CELLS; cell++) {
                if (follow.test(cell)) {
                    up += moved[cell] > 0 ? 1 : 0;
                    down += moved[cell] < 0 ? 1 : 0;
                }
            }
            begun = true;
            int now = up > down ? 1 : -1;
            if (Math.max(up, down) > FlashGuide.LEAST_AREA * Luminance.CELLS && now != lastWay) {
                lastWay = now;
                moments.add(frame);
                while (moments.getFirst() <= frame - second) {
                    moments.removeFirst();
                }
                if (moments.size() > 2 * FlashGuide.MOST_FLASHES) {
                    tooMany.add(FrameRange.of(moments.getFirst(), frame));
                }
            }
        }
    }
}
