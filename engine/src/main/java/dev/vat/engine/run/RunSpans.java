package dev.vat.engine.run;

import dev.vat.core.burnin.BurnIn;
import dev.vat.core.reel.ReelFrame;
import dev.vat.core.reel.ReelPlan;
import dev.vat.core.reel.ReelSpan;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.run.RunFill;
import dev.vat.core.run.RunSpan;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.LongFunction;
import java.util.function.Predicate;

/** A reel's frames as a run counts them: stretches of even steps from one source, with what stands there otherwise. */
final class RunSpans {

    private final ReelPlan plan;
    /** By the number of an item or a cell in the plan. */
    private final Map<Integer, Integer> sources = new HashMap<>();
    private final List<RunSpan> spans = new ArrayList<>();

    private RunSpans(ResolvedReel programme) {
        this.plan = programme.plan();
        for (int i = 0; i < programme.entries().size(); i++) {
            sources.put(programme.entries().get(i).item(), i);
        }
    }

    static List<RunSpan> of(ResolvedReel programme) {
        RunSpans made = new RunSpans(programme);
        List<ReelSpan> items = made.plan.spans().stream().filter(s -> s.count() > 0).toList();
        for (int i = 0; i < items.size(); i++) {
            made.lay(items.get(i), i + 1 < items.size() ? items.get(i + 1).start() : items.get(i).end());
        }
        return made.spans;
    }

    private int source(int item) {
        return sources.getOrDefault(item, RunSpan.DRAWN);
    }

    /** An item's places up to where the next one begins. */
    private void lay(ReelSpan item, long end) {
        for (long start = item.start(); start < end;) {
            RunSpan span = item.isDrawn() ? drawn(item, start, end) : item.isViews() ? views(item, start, end) : stretch(item, start, end);
            spans.add(span);
            start += span.count();
        }
    }

    private RunSpan drawn(ReelSpan item, long start, long end) {
        ReelFrame.Content usual = at(end - 1).content();
        ReelFrame.Content content = usual instanceof ReelFrame.Cross ? at(start).content() : usual;
        List<RunFill> others = fills(this::at, start, end, frame -> frame.content().equals(content));
        return new RunSpan(RunSpan.DRAWN, start, start - item.start(), 1, 1, end - start, others, content, burnIn(item));
    }

    /** Each view in stretches of its own; where others lie over all of them, that stands beside. */
    private RunSpan views(ReelSpan item, long start, long end) {
        List<List<RunSpan>> cells = new ArrayList<>();
        for (int cell = 0; cell < plan.cells(item.item()).count(); cell++) {
            int index = cell;
            cells.add(cell(frame -> together(item, frame).frames().get(index), start, end));
        }
        List<RunFill> others = fills(this::at, start, end, frame -> frame.content() instanceof ReelFrame.Together);
        return new RunSpan(RunSpan.DRAWN, start, start - item.start(), 1, 1, end - start, others, null, burnIn(item))
                .of(together(item, start).how(), cells);
    }

    private ReelFrame.Together together(ReelSpan item, long frame) {
        ReelFrame own = plan.by(item, frame - item.start()).onto(this::source);
        if (own.content() instanceof ReelFrame.Together all) {
            return all;
        }
        throw new IllegalStateException("Views without pictures at " + frame);
    }

    /** What stands in a view. */
    private static List<RunSpan> cell(LongFunction<ReelFrame> at, long start, long end) {
        List<RunSpan> made = new ArrayList<>();
        for (long from = start; from < end;) {
            ReelFrame first = at.apply(from);
            boolean ofSource = isOfSource(first);
            long to = from + 1;
            while (to < end && isOfSource(at.apply(to)) == ofSource) {
                to++;
            }
            RunSpan span = ofSource ? stretch(at, first.item(), from, to, 1)
                    : new RunSpan(RunSpan.DRAWN, from, 0, 1, 1, to - from,
                            fills(at, from, to, frame -> frame.content().equals(first.content())), first.content(), null);
            made.add(span);
            from += span.count();
        }
        return made;
    }

    private static boolean isOfSource(ReelFrame frame) {
        return frame.item() != RunSpan.DRAWN && !(frame.content() instanceof ReelFrame.Plain);
    }

    private RunSpan stretch(ReelSpan item, long start, long end) {
        RunSpan span = stretch(this::at, source(item.item()), start, end, item.step());
        if (!item.together()) {
            return span.withBurnIn(burnIn(item));
        }
        // Each pass takes the same numbers; a place that has something else stands among the fills.
        List<List<RunSpan>> cells = plan.cells(item.item()).mapToObj(cell -> List.of(
                new RunSpan(source(cell), span.start(), span.first(), span.step(), span.hold(), span.count(), List.of()))).toList();
        return span.of(plan.part(item.item()).how(), cells).withBurnIn(burnIn(item));
    }

    /** As far as frames go on in even steps. @param usual step of a single one */
    private static RunSpan stretch(LongFunction<ReelFrame> at, int source, long start, long end, long usual) {
        long first = at.apply(start).wanted();
        long hold = 1;
        while (start + hold < end && at.apply(start + hold).wanted() == first) {
            hold++;
        }
        long step = start + hold < end ? at.apply(start + hold).wanted() - first : usual;
        long place = start;
        while (place < end && at.apply(place).wanted() == first + (place - start) / hold * step) {
            place++;
        }
        return new RunSpan(source, start, first, step, hold, place - start, fills(at, start, place, frame -> isItself(frame)));
    }

    private static boolean isItself(ReelFrame frame) {
        return switch (frame.content()) {
            case ReelFrame.SourceFrame(long number) -> number == frame.wanted();
            case ReelFrame.Together(var _, List<ReelFrame> frames) -> frames.stream()
                    .allMatch(f -> f.wanted() == frame.wanted() && isItself(f));
            case ReelFrame.Blend _ -> false;
            case ReelFrame.Card _ -> false;
            case ReelFrame.Cross _ -> false;
            case ReelFrame.Plain _ -> false;
            case ReelFrame.Drawing _ -> false;
        };
    }

    private static List<RunFill> fills(LongFunction<ReelFrame> at, long start, long end, Predicate<ReelFrame> usual) {
        List<RunFill> fills = new ArrayList<>();
        for (long place = start; place < end; place++) {
            ReelFrame frame = at.apply(place);
            if (!usual.test(frame)) {
                fills.add(new RunFill(place, frame));
            }
        }
        return fills;
    }

    private BurnIn burnIn(ReelSpan item) {
        return plan.part(item.item()).item().burnIn();
    }

    private ReelFrame at(long frame) {
        return plan.at(frame).onto(this::source);
    }
}
