package dev.vat.engine.run;

import dev.vat.core.burnin.BurnIn;
import dev.vat.core.reel.ReelFrame;
import dev.vat.core.reel.ReelPlan;
import dev.vat.core.run.Programme;
import dev.vat.core.run.RunPlan.RunFill;
import dev.vat.core.run.RunPlan.RunSpan;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/** A reel's frames as a run counts them: stretches of even steps from one source, with what stands there otherwise. */
final class RunSpans {

    private final ReelPlan plan;
    /** By an item's number in the plan. */
    private final int[] sources;
    private final List<RunSpan> spans = new ArrayList<>();

    private RunSpans(Programme programme) {
        this.plan = programme.plan();
        this.sources = new int[plan.spans().size()];
        Arrays.fill(sources, RunSpan.DRAWN);
        for (int i = 0; i < programme.entries().size(); i++) {
            sources[programme.entries().get(i).item()] = i;
        }
    }

    static List<RunSpan> of(Programme programme) {
        RunSpans made = new RunSpans(programme);
        List<ReelPlan.Span> items = made.plan.spans().stream().filter(s -> s.count() > 0).toList();
        for (int i = 0; i < items.size(); i++) {
            made.lay(items.get(i), i + 1 < items.size() ? items.get(i + 1).start() : items.get(i).end());
        }
        return made.spans;
    }

    /** An item's places up to where the next one begins. */
    private void lay(ReelPlan.Span item, long end) {
        for (long start = item.start(); start < end;) {
            start = item.isDrawn() ? drawn(item, start, end) : stretch(item, start, end);
        }
    }

    private long drawn(ReelPlan.Span item, long start, long end) {
        ReelFrame first = at(start);
        List<RunFill> others = new ArrayList<>();
        ReelFrame.Content usual = at(end - 1).content();
        ReelFrame.Content content = usual instanceof ReelFrame.Cross ? first.content() : usual;
        for (long frame = start; frame < end; frame++) {
            if (!at(frame).content().equals(content)) {
                others.add(new RunFill(frame, at(frame)));
            }
        }
        spans.add(new RunSpan(RunSpan.DRAWN, start, start - item.start(), 1, 1, end - start, others, content, burnIn(item)));
        return end;
    }

    /** As far as frames go on in even steps. */
    private long stretch(ReelPlan.Span item, long start, long end) {
        long first = wanted(start);
        long hold = 1;
        while (start + hold < end && wanted(start + hold) == first) {
            hold++;
        }
        long step = start + hold < end ? wanted(start + hold) - first : item.step();
        List<RunFill> fills = new ArrayList<>();
        long place = start;
        for (; place < end && wanted(place) == first + (place - start) / hold * step; place++) {
            ReelFrame frame = at(place);
            if (!(frame.content() instanceof ReelFrame.SourceFrame(long number) && number == frame.wanted())) {
                fills.add(new RunFill(place, frame));
            }
        }
        spans.add(new RunSpan(sources[item.item()], start, first, step, hold, place - start, fills, null, burnIn(item)));
        return place;
    }

    private BurnIn burnIn(ReelPlan.Span item) {
        return plan.part(item.item()).item().burnIn();
    }

    private long wanted(long frame) {
        return plan.at(frame).wanted();
    }

    private ReelFrame at(long frame) {
        return plan.at(frame).onto(item -> sources[item]);
    }
}
