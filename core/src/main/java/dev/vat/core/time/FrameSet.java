package dev.vat.core.time;

import com.fasterxml.jackson.annotation.JsonIgnore;
import dev.vat.core.words.Words;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.LongFunction;
import java.util.stream.LongStream;

/**
 * Any number of frames as ascending ranges that don't touch, written {@code 412-416, 440}. It holds just these frames: of a render on
 * twos that lacks 7 and 9 it doesn't hold 8.
 */
public record FrameSet(List<FrameRange> ranges) {

    private static final Words WORDS = Words.of(FrameSet.class);

    public static final FrameSet EMPTY = new FrameSet(List.of());

    /** So many single frames at even distances are written as one stretch. */
    private static final int EVEN = 6;

    public FrameSet {
        ranges = List.copyOf(ranges);
        for (int i = 1; i < ranges.size(); i++) {
            if (ranges.get(i).first() <= ranges.get(i - 1).last()) {
                throw new IllegalArgumentException(WORDS.say("rangesMustAscend", ranges));
            }
        }
    }

    /** Collects ascending frame numbers; neighbours run together. */
    public static final class Builder {
        private final List<FrameRange> done = new ArrayList<>();
        private long first;
        private long last;
        private boolean open;

        private Builder() {}

        public Builder add(long frame) {
            return add(frame, frame);
        }

        public Builder add(long from, long to) {
            if (open && from - last <= 1) {
                last = to;
            } else {
                flush();
                first = from;
                last = to;
                open = true;
            }
            return this;
        }

        private void flush() {
            if (open) {
                done.add(FrameRange.of(first, last));
            }
            open = false;
        }

        public FrameSet build() {
            flush();
            return done.isEmpty() ? EMPTY : new FrameSet(done);
        }
    }

    public static Builder builder() {
        return new Builder();
    }

    @JsonIgnore
    public boolean isEmpty() {
        return ranges.isEmpty();
    }

    public boolean contains(long frame) {
        int low = 0;
        int high = ranges.size() - 1;
        while (low <= high) {
            int middle = (low + high) >>> 1;
            FrameRange range = ranges.get(middle);
            if (range.contains(frame)) {
                return true;
            }
            if (range.last() < frame) {
                low = middle + 1;
            } else {
                high = middle - 1;
            }
        }
        return false;
    }

    /** How many frames. */
    public long count() {
        return ranges.stream().mapToLong(FrameRange::count).sum();
    }

    /** Every frame, ascending. */
    public LongStream frames() {
        return ranges.stream().flatMapToLong(r -> LongStream.rangeClosed(r.first(), r.last()));
    }

    /** The frames of both. */
    public FrameSet plus(FrameSet other) {
        List<FrameRange> all = new ArrayList<>(ranges);
        all.addAll(other.ranges);
        all.sort(Comparator.comparingLong(FrameRange::first));
        Builder sum = builder();
        long last = Long.MIN_VALUE;
        for (FrameRange r : all) {
            if (r.last() > last) {
                sum.add(Math.max(r.first(), last + 1), r.last());
                last = r.last();
            }
        }
        return sum.build();
    }

    /** These without a range, both of its ends included. */
    public FrameSet minus(FrameRange gone) {
        List<FrameRange> left = new ArrayList<>();
        for (FrameRange r : ranges) {
            if (r.first() < gone.first()) {
                left.add(FrameRange.of(r.first(), Math.min(r.last(), gone.first() - 1)));
            }
            if (r.last() > gone.last()) {
                left.add(FrameRange.of(Math.max(r.first(), gone.last() + 1), r.last()));
            }
        }
        return new FrameSet(left);
    }

    /**
     * As people and renderers write it; {@code number} gives a frame's own digits, such as 0412. Six and more single frames at even
     * distances are a stretch: {@code 0011-0021 by 2}.
     */
    public String toText(LongFunction<String> number) {
        List<String> words = new ArrayList<>();
        for (int i = 0; i < ranges.size();) {
            int end = evenUntil(i);
            FrameRange range = ranges.get(i);
            if (end - i >= EVEN) {
                words.add(WORDS.say("by", number.apply(range.first()), number.apply(ranges.get(end - 1).last()),
                        (ranges.get(i + 1).first() - range.first())));
                i = end;
            } else {
                words.add(number.apply(range.first()) + (range.count() == 1 ? "" : "-" + number.apply(range.last())));
                i++;
            }
        }
        return String.join(", ", words);
    }

    /** The end, exclusive, of the single frames at even distances that begin at a place. */
    private int evenUntil(int from) {
        int end = from;
        while (end < ranges.size() && ranges.get(end).count() == 1
                && (end < from + 2 || distance(end) == distance(from + 1))) {
            end++;
        }
        return end;
    }

    private long distance(int place) {
        return ranges.get(place).first() - ranges.get(place - 1).first();
    }

    @Override
    public String toString() {
        return toText(Long::toString);
    }
}
