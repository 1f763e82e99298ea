package dev.vat.worker.proof;

import dev.vat.core.picture.Rgb;
import dev.vat.core.proof.Receipt;
import dev.vat.core.reel.ReelFrame;
import dev.vat.core.run.RunFill;
import dev.vat.core.run.RunPlan;
import dev.vat.core.run.RunSpan;
import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;

/** What stands in a file in place of frames that couldn't be used, as its receipt says it. */
final class StandIns {

    private static final Words WORDS = Words.of(StandIns.class);

    private StandIns() {}

    /** @param end reel frames that the file holds */
    static List<Receipt.Fill> of(RunPlan plan, long end) {
        List<Receipt.Fill> fills = new ArrayList<>();
        for (RunSpan span : plan.spans()) {
            for (RunFill fill : span.fills().stream().filter(f -> f.frame().filled() && f.reelFrame() < end).toList()) {
                fill(plan, fill.reelFrame(), fill.frame(), fills);
            }
            span.cells().stream().flatMap(List::stream).flatMap(cell -> cell.fills().stream())
                    .filter(f -> f.frame().filled() && f.reelFrame() < end)
                    .forEach(f -> fill(plan, f.reelFrame(), f.frame(), fills));
        }
        return fills;
    }

    private static void fill(RunPlan plan, long reelFrame, ReelFrame frame, List<Receipt.Fill> fills) {
        if (frame.content() instanceof ReelFrame.Together(var _, List<ReelFrame> frames)) {
            frames.stream().filter(ReelFrame::filled).forEach(f -> fill(plan, reelFrame, f, fills));
        } else {
            fills.add(new Receipt.Fill(reelFrame, RunPlan.isDrawn(frame) ? "views" : plan.sourceOf(frame).name(), frame.wanted(),
                    shown(frame.content())));
        }
    }

    private static String shown(ReelFrame.Content content) {
        return switch (content) {
            case ReelFrame.Card(String reason) -> WORDS.say("card", reason);
            case ReelFrame.SourceFrame(long number) -> WORDS.say("frameHeld", number);
            case ReelFrame.Blend(long before, long after, Rational share) -> WORDS.say("framesAndMixedOfTheLater", before, after, share);
            case ReelFrame.Plain(Rgb colour) -> WORDS.say("colour", colour);
            case ReelFrame.Drawing _ -> "drawn";
            case ReelFrame.Together(var _, List<ReelFrame> frames) -> frames.stream().map(f -> shown(f.content()))
                    .collect(Collectors.joining(" with "));
            case ReelFrame.Cross(ReelFrame from, ReelFrame to, Rational share) -> WORDS.say("andMixedOfTheLaterOne", shown(from.content()),
                    shown(to.content()), share);
        };
    }
}
