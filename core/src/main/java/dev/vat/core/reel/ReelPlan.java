package dev.vat.core.reel;

import dev.vat.core.source.GapPolicy;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;

/**
 * From each frame of a reel to what stands there: a pure function of items, readings and frozen frame tables. Reel frames
 * count from 0; items follow each other without a gap, and lie over each other where one dissolves into the next.
 */
public final class ReelPlan {

    private static final Words WORDS = Words.of(ReelPlan.class);

    /** Those of the reel, then the cells that they are made of, in their order. */
    private final List<ReelPart> parts = new ArrayList<>();
    private final List<FrameSelection> takes = new ArrayList<>();
    private final List<Motion> motions = new ArrayList<>();
    /** Of each part of the reel: the number of its first cell. */
    private final int[] firstCell;
    private final List<ReelSpan> all = new ArrayList<>();
    private final List<ReelSpan> spans;
    private final Joints joints;
    private final long[] starts;

    private ReelPlan(List<ReelPart> reel) {
        parts.addAll(reel);
        firstCell = new int[reel.size()];
        for (int i = 0; i < reel.size(); i++) {
            firstCell[i] = parts.size();
            parts.addAll(reel.get(i).cells());
        }
        for (ReelPart part : parts) {
            FrameSelection take = part.table() == null ? null
                    : FrameSelection.of(part.table(),
                            part.item().range() == null ? part.reading() : part.reading().withRange(part.item().range()));
            takes.add(take);
            motions.add(take == null ? null : Motion.of(take.count(), part.item().playingInUse(), part.ratio(), take::indexOf));
        }
        long[] counts = new long[parts.size()];
        for (int i = parts.size() - 1; i >= 0; i--) {
            ReelPart part = parts.get(i);
            long[] cells = part.cells().isEmpty() ? new long[0]
                    : Arrays.copyOfRange(counts, firstCell[i], firstCell[i] + part.cells().size());
            // A drawn cell stands for as long as there are others.
            boolean still = i >= reel.size() && part.table() == null;
            counts[i] = still ? 0 : part.table() == null ? part.count(cells) : part.delay() + motions.get(i).count();
        }
        joints = Joints.of(reel.stream().map(p -> p.item().joint()).toList(), Arrays.copyOf(counts, reel.size()));
        long end = 0;
        for (int i = 0; i < parts.size(); i++) {
            boolean cell = i >= reel.size();
            long overlap = cell ? 0 : joints.overlap(i);
            long start = cell ? 0 : end - overlap;
            all.add(span(i, start, counts[i], overlap));
            end = start + counts[i];
        }
        spans = List.copyOf(all.subList(0, reel.size()));
        starts = spans.stream().mapToLong(ReelSpan::start).toArray();
    }

    private ReelSpan span(int i, long start, long count, long overlap) {
        ReelPart part = parts.get(i);
        FrameSelection take = takes.get(i);
        boolean together = part.how() != null;
        return take == null
                ? new ReelSpan(i, part.place(), null, start, FrameRange.of(0, Math.max(0, count - 1)), 1, 1, count, overlap, true, together)
                : new ReelSpan(i, part.place(), part.item().source(), start, FrameRange.of(take.first(), take.last()), take.step(),
                        take.hold(),
                        count, overlap, motions.get(i).isPlain(), together);
    }

    /** @param parts in the order of their items */
    public static ReelPlan of(List<ReelPart> parts) {
        return new ReelPlan(parts);
    }

    /** The reel's length in frames: what its items add up to. */
    public long count() {
        return spans.isEmpty() ? 0 : spans.getLast().end();
    }

    /** The first reel frame of a source, after what is drawn before it; 0 if there is none. */
    public long programmeStart() {
        return spans.stream().filter(s -> !s.isDrawn()).findFirst().map(ReelSpan::start).orElse(0L);
    }

    /** The reel frame after the last one of a source, before what is drawn behind it. */
    public long programmeEnd() {
        return spans.reversed().stream().filter(s -> !s.isDrawn()).findFirst().map(ReelSpan::end).orElse(count());
    }

    public List<ReelSpan> spans() {
        return spans;
    }

    /** What an item is planned from, or a cell of one. */
    public ReelPart part(int item) {
        return parts.get(item);
    }

    /** The item at a reel frame; where two lie over each other, the later one. */
    public ReelSpan spanAt(long reelFrame) {
        if (reelFrame < 0 || reelFrame >= count()) {
            throw new IndexOutOfBoundsException(WORDS.say("reelFrameOf", reelFrame, count()));
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

    /** @param reelFrame from 0 @throws IndexOutOfBoundsException carrying the number, if the reel has no such frame */
    public ReelFrame at(long reelFrame) {
        ReelSpan span = spanAt(reelFrame);
        return joints.at(span.item(), reelFrame - span.start(), this::alone);
    }

    /** The source frame that belongs at a place of an item, counted from its start. */
    public long shown(ReelSpan span, long place) {
        return alone(span.item(), place).wanted();
    }

    /** What stands at a place of an item, counted from its start, whatever lies over it. */
    public ReelFrame by(ReelSpan span, long place) {
        return alone(span.item(), place);
    }

    private ReelFrame alone(int item, long place) {
        ReelPart part = parts.get(item);
        if (part.item().layout() != null) {
            List<ReelFrame> views = cells(item).mapToObj(c -> cell(part, c, place)).toList();
            return new ReelFrame(item, place, new ReelFrame.Together(part.how(), views), views.stream().anyMatch(ReelFrame::filled));
        }
        if (part.table() == null) {
            return new ReelFrame(item, place, part.item().drawn().at(place), false);
        }
        ReelFrame own = moved(item, place);
        return part.how() == null ? own : passes(part, own);
    }

    /** What stands in a view at a place of its layout. */
    private ReelFrame cell(ReelPart layout, int cell, long place) {
        ReelPart part = parts.get(cell);
        if (part.table() == null) {
            return new ReelFrame(cell, place, part.item().drawn().at(Math.min(place, part.item().drawn().frames() - 1)), false);
        }
        long own = place - part.delay();
        long count = motions.get(cell).count();
        boolean over = own < 0 || own >= count;
        if (count == 0 || over && layout.item().layout().endsEmpty()) {
            return new ReelFrame(cell, place, new ReelFrame.Plain(layout.item().layout().groundInUse()), false);
        }
        return moved(cell, Math.clamp(own, 0, count - 1));
    }

    /** The passes of the frames of which there would be the source's own pictures. */
    private ReelFrame passes(ReelPart part, ReelFrame own) {
        return switch (own.content()) {
            case ReelFrame.SourceFrame(long number) -> {
                List<ReelFrame> frames = cells(own.item()).mapToObj(c -> one(parts.get(c), c, number)).toList();
                // Without one of its passes there is no picture.
                yield frames.stream().filter(f -> f.content() instanceof ReelFrame.Card).findFirst()
                        .map(f -> new ReelFrame(own.item(), own.wanted(), f.content(), true))
                        .orElseGet(() -> new ReelFrame(own.item(), own.wanted(), new ReelFrame.Together(part.how(), frames),
                                own.filled() || frames.stream().anyMatch(ReelFrame::filled)));
            }
            case ReelFrame.Blend(long before, long after, Rational share) -> new ReelFrame(own.item(), own.wanted(),
                    new ReelFrame.Cross(passes(part, own.with(new ReelFrame.SourceFrame(before))),
                            passes(part, own.with(new ReelFrame.SourceFrame(after))), share),
                    own.filled());
            case ReelFrame.Cross(ReelFrame from, ReelFrame to, Rational share) -> new ReelFrame(own.item(), own.wanted(),
                    new ReelFrame.Cross(passes(part, from), passes(part, to), share), own.filled());
            case ReelFrame.Card _ -> own;
            case ReelFrame.Plain _ -> own;
            case ReelFrame.Drawing _ -> own;
            case ReelFrame.Together _ -> own;
        };
    }

    /** What of its source stands at a place of an item. */
    private ReelFrame moved(int item, long place) {
        ReelPart part = parts.get(item);
        Motion.Spot spot = motions.get(item).at(place);
        FrameSelection take = takes.get(item);
        long wanted = take.at(spot.index());
        if (spot.share().signum() == 0) {
            return one(part, item, wanted);
        }
        ReelFrame low = one(part, item, wanted);
        ReelFrame high = one(part, item, take.at(spot.index() + 1));
        if (low.content() instanceof ReelFrame.SourceFrame(long before) && high.content() instanceof ReelFrame.SourceFrame(long after)) {
            return before == after ? low
                    : new ReelFrame(item, wanted, new ReelFrame.Blend(before, after, spot.share()), low.filled() || high.filled());
        }
        return new ReelFrame(item, wanted, new ReelFrame.Cross(low, high, spot.share()), true);
    }

    private ReelFrame one(ReelPart part, int item, long wanted) {
        boolean usable = !part.table().state(wanted).isFault() || part.gap() == GapPolicy.REFUSE;
        return new ReelFrame(item, wanted, usable ? new ReelFrame.SourceFrame(wanted) : Filling.of(part, all.get(item), wanted));
    }

    /** Whether holding the previous frame has nothing to hold at an item's start. */
    public boolean holdHasNoStart(int item) {
        ReelSpan span = all.get(item);
        ReelPart part = parts.get(item);
        return part.table() != null && part.gap() == GapPolicy.HOLD && span.count() > 0
                && part.table().state(span.range().first()).isFault();
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
    public List<ReelFill> fills() {
        List<ReelFill> fills = new ArrayList<>();
        for (ReelSpan span : spans) {
            if (refuses(span.item())) {
                continue;
            }
            for (long i = span.start(); i < span.end(); i++) {
                ReelFrame frame = at(i);
                if (frame.isFill() && (fills.isEmpty() || fills.getLast().reelFrame() < i)) {
                    fills.add(new ReelFill(i, frame));
                }
            }
        }
        return fills;
    }

    /** Whether nothing stands in for frames of an item, whatever they are. */
    private boolean refuses(int item) {
        ReelPart part = parts.get(item);
        boolean own = part.table() == null || part.gap() == GapPolicy.REFUSE;
        return own && part.cells().stream().allMatch(c -> c.table() == null || c.gap() == GapPolicy.REFUSE);
    }

    /** The numbers of the cells that an item's pictures are made of. */
    public IntStream cells(int item) {
        return item >= firstCell.length ? IntStream.empty()
                : IntStream.range(firstCell[item], firstCell[item] + parts.get(item).cells().size());
    }

    /** What an item or a cell takes; a cell's places count from its layout's start. */
    public ReelSpan taken(int item) {
        return all.get(item);
    }
}
