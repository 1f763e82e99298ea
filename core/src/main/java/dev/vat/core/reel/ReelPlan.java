package dev.vat.core.reel;

import dev.vat.core.source.FrameState;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.GapPolicy;
import dev.vat.core.source.Reading;
import dev.vat.core.source.Sequence;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rational;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.OptionalLong;

/**
 * From each frame of a reel to the source frame that fills it: a pure function of items, readings and frozen frame
 * tables. Reel frames count from 0; items follow each other without a gap.
 */
public final class ReelPlan {

    /**
     * One item with the frames it takes; {@code start} is its first reel frame.
     *
     * @param range of the frames that it takes, from the first to the last
     * @param step from one taken frame to the next
     * @param hold places for which each is shown
     */
    public record Span(int item, String source, long start, FrameRange range, long step, long hold, long count) {
        public long end() {
            return start + count;
        }
    }

    /** What an item is planned from. */
    public record Part(String source, FrameTable table, Reading reading) { }

    private final List<Span> spans;
    private final List<Part> parts;
    private final List<Take> takes;
    private final long[] starts;

    private ReelPlan(List<Span> spans, List<Part> parts, List<Take> takes) {
        this.spans = spans;
        this.parts = parts;
        this.takes = takes;
        this.starts = spans.stream().mapToLong(Span::start).toArray();
    }

    public static ReelPlan of(List<Part> parts) {
        List<Span> spans = new ArrayList<>();
        List<Take> takes = new ArrayList<>();
        long start = 0;
        for (int i = 0; i < parts.size(); i++) {
            Part part = parts.get(i);
            Take take = Take.of(part.table, part.reading);
            takes.add(take);
            spans.add(new Span(i, part.source, start, FrameRange.of(take.first(), take.last()), take.step(), take.hold(), take.count()));
            start += take.count();
        }
        return new ReelPlan(List.copyOf(spans), List.copyOf(parts), takes);
    }

    /** The reel's length in frames: what its items add up to. */
    public long count() {
        return spans.isEmpty() ? 0 : spans.getLast().end();
    }

    public List<Span> spans() {
        return spans;
    }

    public Part part(int item) {
        return parts.get(item);
    }

    public Span spanAt(long reelFrame) {
        if (reelFrame < 0 || reelFrame >= count()) {
            throw new IndexOutOfBoundsException("Reel frame " + reelFrame + " of " + count());
        }
        int index = Arrays.binarySearch(starts, reelFrame);
        if (index < 0) {
            return spans.get(-index - 2);
        }
        while (spans.get(index).count() == 0) {
            index++;
        }
        return spans.get(index);
    }

    public ReelFrame at(long reelFrame) {
        Span span = spanAt(reelFrame);
        Part part = parts.get(span.item());
        long wanted = takes.get(span.item()).wanted(reelFrame - span.start());
        boolean usable = !part.table.state(wanted).isFault() || part.reading.gap() == GapPolicy.REFUSE;
        return new ReelFrame(span.item(), wanted,
                usable ? new ReelFrame.SourceFrame(wanted) : filled(part, span, wanted));
    }

    /** What stands in for a frame that can't be used; a card where the policy finds nothing. */
    private static ReelFrame.Content filled(Part part, Span span, long wanted) {
        FrameTable table = part.table;
        OptionalLong before = switch (part.reading.gap()) {
            case HOLD, NEAREST, BLEND -> goodBefore(table, wanted, span);
            default -> OptionalLong.empty();
        };
        OptionalLong after = switch (part.reading.gap()) {
            case NEAREST, BLEND -> goodAfter(table, wanted, span);
            default -> OptionalLong.empty();
        };
        if (before.isPresent() && after.isPresent()) {
            long low = before.getAsLong();
            long high = after.getAsLong();
            return part.reading.gap() == GapPolicy.BLEND
                    ? new ReelFrame.Blend(low, high, Rational.of(wanted - low, high - low))
                    : new ReelFrame.SourceFrame(wanted - low <= high - wanted ? low : high);
        }
        if (before.isPresent() || after.isPresent()) {
            return new ReelFrame.SourceFrame(before.isPresent() ? before.getAsLong() : after.getAsLong());
        }
        return new ReelFrame.Card(describe(table, wanted, table.state(wanted)));
    }

    private static String describe(FrameTable table, long wanted, FrameState state) {
        return table.reason(wanted).map(why -> state.label() + ": " + why).orElse(state.label());
    }

    /** The nearest usable frame before {@code wanted} in the item's range. */
    private static OptionalLong goodBefore(FrameTable table, long wanted, Span span) {
        Sequence sequence = table.sequence();
        for (int i = sequence.indexBefore(wanted); i >= 0 && sequence.number(i) >= span.range().first(); i--) {
            if (!table.stateAt(i).isFault()) {
                return OptionalLong.of(sequence.number(i));
            }
        }
        return OptionalLong.empty();
    }

    private static OptionalLong goodAfter(FrameTable table, long wanted, Span span) {
        Sequence sequence = table.sequence();
        for (int i = sequence.indexBefore(wanted + 1) + 1; i < sequence.count() && sequence.number(i) <= span.range().last(); i++) {
            if (!table.stateAt(i).isFault()) {
                return OptionalLong.of(sequence.number(i));
            }
        }
        return OptionalLong.empty();
    }

    /** Whether holding the previous frame has nothing to hold at an item's start. */
    public boolean holdHasNoStart(int item) {
        Span span = spans.get(item);
        Part part = parts.get(item);
        return part.reading.gap() == GapPolicy.HOLD && span.count() > 0
                && part.table.state(span.range().first()).isFault();
    }

    /** Every place where something stands in for the wanted frame, with its reel frame. */
    public List<Fill> fills() {
        List<Fill> fills = new ArrayList<>();
        for (Span span : spans) {
            if (parts.get(span.item()).reading.gap() == GapPolicy.REFUSE) {
                continue;
            }
            for (long i = span.start(); i < span.end(); i++) {
                ReelFrame frame = at(i);
                if (frame.isFill()) {
                    fills.add(new Fill(i, frame));
                }
            }
        }
        return fills;
    }

    /** A place of the reel where something stands in for the wanted frame. */
    public record Fill(long reelFrame, ReelFrame frame) { }
}
