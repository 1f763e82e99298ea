package dev.vat.core.finding;

import dev.vat.core.delivery.Deliverable;
import dev.vat.core.pass.MixedPicture;
import dev.vat.core.pass.Operation;
import dev.vat.core.pass.Pass;
import dev.vat.core.pass.PassMix;
import dev.vat.core.pass.PassReport;
import dev.vat.core.picture.PictureFormat;
import dev.vat.core.project.DeliverableEdits;
import dev.vat.core.project.ReelEdits;
import dev.vat.core.reel.ReelSpan;
import dev.vat.core.resolved.ReelEntry;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.time.FrameRange;
import dev.vat.core.words.Words;
import java.util.List;
import java.util.Map;

/** Findings on a picture that is made of passes. What is amiss with their frames is told by the rules on sources. */
final class PassRules {

    private static final Words WORDS = Words.of(PassRules.class);

    private PassRules() {}

    /** @param seen of pictures that are made of passes, as far as they were looked at */
    static void check(ResolvedReel programme, Map<MixedPicture, PassReport> seen, List<Finding> found) {
        for (ReelSpan span : programme.plan().spans()) {
            PassMix mix = programme.plan().part(span.item()).item().passes();
            if (mix != null) {
                ReelEntry main = programme.entry(span.item()).orElseThrow();
                check(programme, span, mix, main, found);
                PassReport report = seen.get(new MixedPicture(main.source().id(), mix));
                if (report != null && !report.apart().isEmpty()) {
                    sum(main, mix, report, found);
                }
            }
        }
    }

    /** A pass that goes out by itself has to be there all along. */
    static void check(ResolvedReel programme, Deliverable deliverable, List<Finding> found) {
        String pass = deliverable.pass();
        if (pass == null) {
            return;
        }
        boolean there = programme.plan().spans().stream().allMatch(s -> {
            PassMix mix = programme.plan().part(s.item()).item().passes();
            return mix != null && mix.on().passes().stream().anyMatch(p -> p.name().equals(pass));
        });
        if (!there) {
            found.add(Finding.of(Rule.PASS_GONE, Severity.BLOCKER, WORDS.say("notEveryItemOfTheReelIs", deliverable.title(), pass))
                    .aboutTarget(deliverable.id())
                    .withRemedies(new Remedy.Apply(WORDS.say("theWholePicture"),
                            DeliverableEdits.follow(deliverable.id(), d -> d.withPass(null)))));
        }
    }

    private static void check(ResolvedReel programme, ReelSpan span, PassMix mix, ReelEntry main, List<Finding> found) {
        String name = main.source().name();
        if (mix.on().passes().isEmpty()) {
            found.add(Finding.of(Rule.PASSES_NONE, Severity.BLOCKER, WORDS.say("everyPassIsOffSoThatThere", name))
                    .aboutSource(main.source().id())
                    .withRemedies(new Remedy.Apply(WORDS.say("theSourcesOwnPicture"), ReelEdits.mixItem(span.place(), null))));
            return;
        }
        Pass lowest = mix.on().passes().getFirst();
        if (lowest.operation() != Operation.ADD && lowest.operation() != Operation.OVER) {
            found.add(Finding
                    .of(Rule.PASS_LOWEST, Severity.NOTE,
                            WORDS.say("isTheLowestPassAndIsTaken", name, lowest.name(), lowest.operation().title()))
                    .aboutSource(main.source().id()));
        }
        FrameRange taken = main.reading().rangeIn(main.table().sequence());
        programme.plan().cells(span.item()).forEach(cell -> {
            ReelEntry pass = programme.entry(cell).orElseThrow();
            sizes(main, pass, found);
            layers(main, pass, found);
            ranges(pass, taken, found);
        });
    }

    private static void sum(ReelEntry main, PassMix mix, PassReport report, List<Finding> found) {
        PassReport.Frame worst = report.apart().getFirst();
        String full = mix.full().map(p -> p.source() == null ? main.source().id() : p.source()).orElse(null);
        Remedy look = full == null ? new Remedy.GoTo(WORDS.say("lookAtIt"), main.source().id(), worst.number())
                : new Remedy.HoldAgainstReel(WORDS.say("lookAtBoth"), full, worst.number());
        found.add(Finding.of(Rule.PASS_SUM, Severity.WARNING,
                WORDS.say(full == null ? "theSumIsBeyondWhite" : "theSumIsntTheFullPicture", main.source().name(), report.words(worst)))
                .aboutSource(main.source().id()).withRemedies(look));
    }

    private static void sizes(ReelEntry main, ReelEntry pass, List<Finding> found) {
        PictureFormat own = main.format().orElse(null);
        PictureFormat other = pass.format().orElse(null);
        if (own != null && other != null && !own.size().equals(other.size())) {
            found.add(Finding
                    .of(Rule.PASS_SIZE, Severity.BLOCKER,
                            WORDS.say("passIsWhereIsLeaveItOut", pass.pass().name(), other.size(), main.source().name(), own.size()))
                    .aboutSource(pass.source().id()));
        }
    }

    private static void layers(ReelEntry main, ReelEntry pass, List<Finding> found) {
        String layer = pass.pass().layer();
        if (layer != null && pass.table().format().filter(f -> !f.layers().contains(layer)).isPresent()) {
            found.add(Finding
                    .of(Rule.PASS_LAYER, Severity.BLOCKER,
                            WORDS.say("theFilesOfHaveNoLayerThey", pass.source().name(), layer,
                                    String.join(", ", pass.table().format().orElseThrow().layers())))
                    .aboutSource(main.source().id()));
        }
    }

    /** Frames that are missing stand in the way elsewhere; here it is said that there are more than are needed. */
    private static void ranges(ReelEntry pass, FrameRange taken, List<Finding> found) {
        FrameRange own = pass.table().sequence().range();
        if (!own.equals(taken) && !pass.source().reading().rangeIn(pass.table().sequence()).equals(taken)) {
            found.add(Finding
                    .of(Rule.PASS_RANGE, Severity.NOTE,
                            WORDS.say("passHasFramesThoseOfAre", pass.pass().name(), own, taken))
                    .aboutSource(pass.source().id()));
        }
    }
}
