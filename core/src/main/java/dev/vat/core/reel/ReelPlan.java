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
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalLong;

/**
 * From each frame of a reel to what stands there: a pure function of items, readings and frozen frame tables. Reel frames
 * count from 0; items follow each other without a gap, and lie over each other where one dissolves into the next.
 */
public final class ReelPlan {

    /**
     * One item with the frames it takes; {@code start} is its first reel frame.
     *
     * @param item its number in this plan, from 0
     * @param place its number in the reel, which may hold items that nothing is known of
     * @param source its id, or null for what is drawn
     * @param range of the frames that it takes, from the lowest number to the highest; of what is drawn its places
     * @param step from one taken frame to the next
     * @param hold places for which each is shown
     * @param overlap reel frames at its start that lie over the item before
     * @param even whether its frames stand once each, in their order
     */
    public record Span(int item, int place, String source, long start, FrameRange range, long step, long hold, long count, long overlap, boolean even) {
        public long end() {
            return start + count;
        }

        public boolean isDrawn() {
            return source == null;
        }
    }

    /**
     * What an item is planned from.
     *
     * @param place its number in the reel
     * @param table null for what is drawn
     * @param ratio the source's rate over the reel's
     */
    public record Part(int place, Item item, FrameTable table, Reading reading, Rational ratio) {
        /** All that a source's reading takes, at the reel's own rate. */
        public static Part of(String source, FrameTable table, Reading reading) {
            return new Part(0, Item.of(source), table, reading, Rational.ONE);
        }

        public static Part of(int place, Item drawn) {
            return new Part(place, Objects.requireNonNull(drawn, "an item"), null, null, Rational.ONE);
        }

        private GapPolicy gap() {
            return reading.gap();
        }
    }

    private final List<Part> parts;
    private final List<Take> takes = new ArrayList<>();
    private final List<Motion> motions = new ArrayList<>();
    private final List<Span> spans = new ArrayList<>();
    private final Joints joints;
    private final long[] starts;

    private ReelPlan(List<Part> parts) {
        this.parts = List.copyOf(parts);
        long[] counts = new long[parts.size()];
        for (int i = 0; i < counts.length; i++) {
            Part part = parts.get(i);
            Take take = part.table == null ? null : Take.of(part.table, part.item.range() == null ? part.reading : part.reading.withRange(part.item.range()));
            takes.add(take);
            motions.add(take == null ? null : Motion.of(take.count(), part.item.playingInUse(), part.ratio, take::indexOf));
            counts[i] = take == null ? part.item.drawn().frames() : motions.get(i).count();
        }
        joints = Joints.of(parts.stream().map(p -> p.item.joint()).toList(), counts);
        long end = 0;
        for (int i = 0; i < counts.length; i++) {
            Part part = parts.get(i);
            Take take = takes.get(i);
            long start = end - joints.overlap(i);
            spans.add(take == null ? new Span(i, part.place, null, start, FrameRange.of(0, counts[i] - 1), 1, 1, counts[i], joints.overlap(i), true)
                    : new Span(i, part.place, part.item.source(), start, FrameRange.of(take.first(), take.last()), take.step(), take.hold(), counts[i], joints.overlap(i),
                            motions.get(i).isPlain()));
            end = start + counts[i];
        }
        starts = spans.stream().mapToLong(Span::start).toArray();
    }

    public static ReelPlan of(List<Part> parts) {
        return new ReelPlan(parts);
    }

    /** The reel's length in frames: what its items add up to. */
    public long count() {
        return spans.isEmpty() ? 0 : spans.getLast().end();
    }

    /** The first reel frame of a source, after what is drawn before it; 0 if there is none. */
    public long programmeStart() {
        return spans.stream().filter(s -> !s.isDrawn()).findFirst().map(Span::start).orElse(0L);
    }

    /** The reel frame after the last one of a source, before what is drawn behind it. */
    public long programmeEnd() {
        return spans.reversed().stream().filter(s -> !s.isDrawn()).findFirst().map(Span::end).orElse(count());
    }

    public List<Span> spans() {
        return spans;
    }

    public Part part(int item) {
        return parts.get(item);
    }

    /** The item at a reel frame; where two lie over each other, the later one. */
    public Span spanAt(long reelFrame) {
        if (reelFrame < 0 || reelFrame >= count()) {
            throw new IndexOutOfBoundsException("Reel frame " + reelFrame + " of " + count());
        }
        int index = Arrays.binarySearch(starts, reelFrame);
        if (index < 0) {
            index = -index - 2;
        }
        while (index + 1 < spans.size() && starts[index + 1] <= reelFrame) {
            index++;
        }
        while (spans.get(index).count() == 0) {
            index--;
        }
        return spans.get(index);
    }

    public ReelFrame at(long reelFrame) {
        Span span = spanAt(reelFrame);
        return joints.at(span.item(), reelFrame - span.start(), this::alone);
    }

    /** The source frame that belongs at a place of an item, counted from its start. */
    public long shown(Span span, long place) {
        return alone(span.item(), place).wanted();
    }

    /** What stands at a place of an item, whatever lies over it. */
    private ReelFrame alone(int item, long place) {
        Part part = parts.get(item);
        if (part.table == null) {
            return new ReelFrame(item, place, part.item.drawn().at(place), false);
        }
        Motion.Spot spot = motions.get(item).at(place);
        Take take = takes.get(item);
        long wanted = take.at(spot.index());
        if (spot.share().signum() == 0) {
            return one(part, item, wanted);
        }
        ReelFrame low = one(part, item, wanted);
        ReelFrame high = one(part, item, take.at(spot.index() + 1));
        if (low.content() instanceof ReelFrame.SourceFrame(long before) && high.content() instanceof ReelFrame.SourceFrame(long after)) {
            return before == after ? low : new ReelFrame(item, wanted, new ReelFrame.Blend(before, after, spot.share()), low.filled() || high.filled());
        }
        return new ReelFrame(item, wanted, new ReelFrame.Cross(low, high, spot.share()), true);
    }

    private ReelFrame one(Part part, int item, long wanted) {
        boolean usable = !part.table.state(wanted).isFault() || part.gap() == GapPolicy.REFUSE;
        return new ReelFrame(item, wanted, usable ? new ReelFrame.SourceFrame(wanted) : filled(part, spans.get(item), wanted));
    }

    /** What stands in for a frame that can't be used; a card where the policy finds nothing. */
    private static ReelFrame.Content filled(Part part, Span span, long wanted) {
        FrameTable table = part.table;
        OptionalLong before = switch (part.gap()) {
            case HOLD, NEAREST, BLEND -> goodBefore(table, wanted, span);
            default -> OptionalLong.empty();
        };
        OptionalLong after = switch (part.gap()) {
            case NEAREST, BLEND -> goodAfter(table, wanted, span);
            default -> OptionalLong.empty();
        };
        if (before.isPresent() && after.isPresent()) {
            long low = before.getAsLong();
            long high = after.getAsLong();
            return part.gap() == GapPolicy.BLEND
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
        return part.table != null && part.gap() == GapPolicy.HOLD && span.count() > 0
                && part.table.state(span.range().first()).isFault();
    }

    /** What an item's speed and conform do to its frames. */
    public Tally tally(int item) {
        return motions.get(item) == null ? Tally.NONE : motions.get(item).tally();
    }

    /** How an item begins, if it does so in less time than its joint asks for: the items are too short for it. */
    public Optional<Joint> shortened(int item) {
        return joints.shortened(item);
    }

    /** Every place where something stands in for the wanted frame, with its reel frame. */
    public List<Fill> fills() {
        List<Fill> fills = new ArrayList<>();
        for (Span span : spans) {
            if (span.isDrawn() || parts.get(span.item()).gap() == GapPolicy.REFUSE) {
                continue;
            }
            for (long i = span.start(); i < span.end(); i++) {
                ReelFrame frame = at(i);
                if (frame.isFill() && (fills.isEmpty() || fills.getLast().reelFrame < i)) {
                    fills.add(new Fill(i, frame));
                }
            }
        }
        return fills;
    }

    /** A place of the reel where something stands in for the wanted frame. */
    public record Fill(long reelFrame, ReelFrame frame) { }
}
