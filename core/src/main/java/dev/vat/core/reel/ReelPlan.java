package dev.vat.core.reel;

import dev.vat.core.source.FrameState;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.GapPolicy;
import dev.vat.core.source.Reading;
import dev.vat.core.source.Sequence;
import dev.vat.core.time.FrameRange;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * From each frame of a reel to the source frame that fills it: a pure function of items, readings and frozen frame
 * tables. Reel frames count from 0; items follow each other without a gap.
 */
public final class ReelPlan {

    /** One item with the frames it takes; {@code start} is its first reel frame. */
    public record Span(int item, String source, long start, FrameRange range, long step, long count) {
        public long end() {
            return start + count;
        }
    }

    /** What an item is planned from. */
    public record Part(String source, FrameTable table, Reading reading) { }

    private final List<Span> spans;
    private final List<Part> parts;
    private final long[] starts;

    private ReelPlan(List<Span> spans, List<Part> parts) {
        this.spans = spans;
        this.parts = parts;
        this.starts = spans.stream().mapToLong(Span::start).toArray();
    }

    public static ReelPlan of(List<Part> parts) {
        List<Span> spans = new ArrayList<>();
        long start = 0;
        for (int i = 0; i < parts.size(); i++) {
            Part part = parts.get(i);
            Sequence sequence = part.table.sequence();
            FrameRange range = part.reading.rangeIn(sequence);
            long first = sequence.firstOnGrid(range.first());
            long count = first > range.last() ? 0 : (range.last() - first) / sequence.step() + 1;
            spans.add(new Span(i, part.source, start, range, sequence.step(), count));
            start += count;
        }
        return new ReelPlan(List.copyOf(spans), List.copyOf(parts));
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
        Sequence sequence = part.table.sequence();
        long wanted = sequence.firstOnGrid(span.range().first()) + (reelFrame - span.start()) * span.step();
        FrameState state = part.table.state(wanted);
        if (!state.isFault() || part.reading.gap() == GapPolicy.REFUSE) {
            return new ReelFrame(span.item(), wanted, new ReelFrame.SourceFrame(wanted));
        }
        if (part.reading.gap() == GapPolicy.HOLD) {
            long held = previousGood(part.table, wanted, span);
            if (held != wanted) {
                return new ReelFrame(span.item(), wanted, new ReelFrame.SourceFrame(held));
            }
        }
        return new ReelFrame(span.item(), wanted, new ReelFrame.Card(describe(part.table, wanted, state)));
    }

    private static String describe(FrameTable table, long wanted, FrameState state) {
        return table.reason(wanted).map(why -> state.label() + ": " + why).orElse(state.label());
    }

    /** The nearest sound frame before {@code wanted} in the item's range, or {@code wanted} if there is none. */
    private static long previousGood(FrameTable table, long wanted, Span span) {
        Sequence sequence = table.sequence();
        for (int i = sequence.indexBefore(wanted); i >= 0 && sequence.number(i) >= span.range().first(); i--) {
            if (!table.stateAt(i).isFault()) {
                return sequence.number(i);
            }
        }
        return wanted;
    }

    /** Whether holding the previous frame has nothing to hold at an item's start. */
    public boolean holdHasNoStart(int item) {
        Span span = spans.get(item);
        Part part = parts.get(item);
        return part.reading.gap() == GapPolicy.HOLD && span.count() > 0
                && part.table.state(part.table.sequence().firstOnGrid(span.range().first())).isFault();
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
