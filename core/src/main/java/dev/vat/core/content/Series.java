package dev.vat.core.content;

import dev.vat.core.picture.FrameLook;
import dev.vat.core.source.FrameState;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.SequencePattern;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * Decoded frames that follow each other without a hole, and how much the picture changes from each to the next. Places
 * count from 0.
 */
final class Series {

    /** Frames on each side that a frame is held against. */
    static final int WINDOW = 8;

    private final SequencePattern pattern;
    private final long[] numbers;
    private final FrameLook[] looks;
    private final double[] changes;

    private Series(SequencePattern pattern, long[] numbers, FrameLook[] looks) {
        this.pattern = pattern;
        this.numbers = numbers;
        this.looks = looks;
        this.changes = new double[looks.length];
        for (int i = 1; i < looks.length; i++) {
            changes[i] = looks[i].distance(looks[i - 1]);
        }
    }

    /** All stretches of a table without a hole or fault inside. */
    static List<Series> of(FrameTable table) {
        List<Series> all = new ArrayList<>();
        int start = 0;
        int count = table.sequence().count();
        for (int i = 0; i <= count; i++) {
            boolean usable = i < count && table.stateAt(i) == FrameState.GOOD && table.lookAt(i).isPresent();
            boolean follows = usable && i > start
                    && table.sequence().number(i) == table.sequence().number(i - 1) + table.sequence().step();
            if (!usable || i > start && !follows) {
                if (i > start) {
                    all.add(cut(table, start, i));
                }
                start = usable ? i : i + 1;
            }
        }
        return all;
    }

    private static Series cut(FrameTable table, int from, int to) {
        long[] numbers = new long[to - from];
        FrameLook[] looks = new FrameLook[to - from];
        for (int i = from; i < to; i++) {
            numbers[i - from] = table.sequence().number(i);
            looks[i - from] = table.lookAt(i).orElseThrow();
        }
        return new Series(table.sequence().pattern(), numbers, looks);
    }

    int count() {
        return looks.length;
    }

    long number(int place) {
        return numbers[place];
    }

    /** The number with its padding, as it stands in file names. */
    String label(int place) {
        return pattern.number(numbers[place]);
    }

    FrameLook look(int place) {
        return looks[place];
    }

    boolean has(int place) {
        return place >= 0 && place < looks.length;
    }

    /** Mean change of brightness against the frame before, in 8-bit codes; 0 for the first. */
    double change(int place) {
        return changes[place];
    }

    boolean same(int a, int b) {
        return looks[a].pixels() == looks[b].pixels();
    }

    /** The usual change around a place, itself and the step after it left out. */
    double usualChange(int place) {
        double[] around = new double[2 * WINDOW];
        int count = 0;
        for (int i = Math.max(1, place - WINDOW); i <= Math.min(count() - 1, place + WINDOW); i++) {
            if (i != place && i != place + 1 && count < around.length) {
                around[count++] = changes[i];
            }
        }
        return median(Arrays.copyOf(around, count));
    }

    /** Whether a new shot seems to begin at a place: the change is far above what is usual around it. */
    boolean isCut(int place) {
        return place > 0 && changes[place] > Math.max(8, 6 * usualChange(place));
    }

    /** Whether the picture jumps at a place, be it only a little against what is usual around it. */
    boolean isJump(int place) {
        return place > 0 && changes[place] > Math.max(1.5, 5 * usualChange(place));
    }

    boolean hasCut(int from, int to) {
        for (int i = Math.max(1, from); i <= Math.min(to, count() - 1); i++) {
            if (isCut(i)) {
                return true;
            }
        }
        return false;
    }

    static double median(double[] values) {
        return ranked(values, .5);
    }

    /** The value that a share of all values lie below. */
    static double ranked(double[] values, double share) {
        if (values.length == 0) {
            return 0;
        }
        double[] sorted = values.clone();
        Arrays.sort(sorted);
        return sorted[(int) Math.min(sorted.length - 1, sorted.length * share)];
    }
}
