package dev.vat.core.time;

import com.fasterxml.jackson.annotation.JsonIgnore;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.LongFunction;
import java.util.stream.Collectors;

/** Any number of frames as ascending ranges that don't touch, written {@code 412-416, 440}. */
public record FrameSet(List<FrameRange> ranges) {

    public static final FrameSet EMPTY = new FrameSet(List.of());

    public FrameSet {
        ranges = List.copyOf(ranges);
        for (int i = 1; i < ranges.size(); i++) {
            if (ranges.get(i).first() <= ranges.get(i - 1).last()) {
                throw new IllegalArgumentException("Ranges must ascend: " + ranges);
            }
        }
    }

    /** Collects ascending frame numbers; frames that lie {@code step} apart run together. */
    public static final class Builder {
        private final List<FrameRange> done = new ArrayList<>();
        private final long step;
        private long first;
        private long last;
        private boolean open;

        private Builder(long step) {
            this.step = step;
        }

        public Builder add(long frame) {
            return add(frame, frame);
        }

        public Builder add(long from, long to) {
            if (open && from - last <= step) {
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
        return new Builder(1);
    }

    /** For sequences that count in steps: 2, 4, 6 is then one run from 2 to 6. */
    public static Builder builder(long step) {
        return new Builder(step);
    }

    @JsonIgnore
    public boolean isEmpty() {
        return ranges.isEmpty();
    }

    public boolean contains(long frame) {
        return ranges.stream().anyMatch(r -> r.contains(frame));
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

    /** As people and renderers write it; {@code number} gives a frame's own digits, such as 0412. */
    public String toText(LongFunction<String> number) {
        return ranges.stream()
                .map(r -> number.apply(r.first()) + (r.first() == r.last() ? "" : "-" + number.apply(r.last())))
                .collect(Collectors.joining(", "));
    }

    @Override
    public String toString() {
        return toText(Long::toString);
    }
}
