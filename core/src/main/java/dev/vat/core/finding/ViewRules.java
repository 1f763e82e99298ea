package dev.vat.core.finding;

import dev.vat.core.burnin.Field;
import dev.vat.core.delivery.Placement;
import dev.vat.core.layout.Covered;
import dev.vat.core.layout.InStep;
import dev.vat.core.project.Project;
import dev.vat.core.project.ReelEdits;
import dev.vat.core.reel.Assembly;
import dev.vat.core.reel.GeneratedItem;
import dev.vat.core.reel.Layout;
import dev.vat.core.reel.ReelPart;
import dev.vat.core.reel.ReelSpan;
import dev.vat.core.reel.View;
import dev.vat.core.resolved.ReelEntry;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.time.Rate;
import dev.vat.core.words.Words;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Findings on several views in one picture. */
final class ViewRules {

    private static final Words WORDS = Words.of(ViewRules.class);

    private ViewRules() {}

    static void check(Project project, ResolvedReel programme, Observed observed, List<Finding> found) {
        for (ReelSpan span : programme.plan().spans()) {
            ReelPart part = programme.plan().part(span.item());
            if (part.item().layout() != null && part.how() instanceof Assembly.Views how) {
                Layout layout = part.item().layout();
                int[] cells = programme.plan().cells(span.item()).toArray();
                for (int i = 0; i < cells.length; i++) {
                    String name = WORDS.say("viewOf", (i + 1), layout.name());
                    covered(name, how, i, found, span.place(), layout);
                    empty(name, layout.views().get(i), found);
                    caption(name, project, observed, how, i, found, span.place(), layout);
                    length(name, programme, span, cells[i], layout, found);
                    enlarged(name, how.laid().get(i).placement(), found);
                    rate(name, programme, cells[i], layout, found);
                }
            }
        }
    }

    private static void covered(String name, Assembly.Views how, int view, List<Finding> found, int place, Layout layout) {
        List<Placement.Box> boxes = how.laid().stream().map(Assembly.Views.Laid::box).toList();
        Placement.Box own = boxes.get(view);
        long seen = Covered.seen(own, boxes.subList(view + 1, boxes.size()));
        long all = (long) own.width() * own.height();
        if (seen == 0) {
            found.add(Finding.of(Rule.VIEW_COVERED, Severity.WARNING, WORDS.say("liesWhollyUnderOthersNothing", name))
                    .withRemedies(new Remedy.Apply(WORDS.say("layItOnTop"), ReelEdits.layItem(place, layout.moved(view, boxes.size() - 1))),
                            new Remedy.Apply(WORDS.say("takeItOut"), ReelEdits.layItem(place, layout.without(view)))));
        } else if (layout.arrangement().isSideBySide() ? seen < all : 2 * seen < all) {
            found.add(Finding.of(Rule.VIEW_COVERED_PART, Severity.NOTE,
                    WORDS.say("ofItLiesUnderOthers", name, Words.decimal(100. * (all - seen) / all, 0))));
        }
    }

    private static void empty(String name, View view, List<Finding> found) {
        if (view.item().drawn() instanceof GeneratedItem.Plain) {
            found.add(Finding.of(Rule.VIEW_EMPTY, Severity.WARNING, WORDS.say("hasNoSourceYetAPlainColour", name)));
        }
    }

    private static void caption(String name, Project project, Observed observed, Assembly.Views how, int view, List<Finding> found,
            int place, Layout layout) {
        View written = layout.views().get(view);
        if (written.caption() == null) {
            return;
        }
        Remedy without = new Remedy.Apply(WORDS.say("noCaption"),
                ReelEdits.layItem(place, layout.withView(view, v -> v.withCaption(null))));
        String missing = BurnInRules.missing(null, WrittenWords.of(written.caption().words(), project), observed);
        if (!missing.isEmpty()) {
            found.add(Finding
                    .of(Rule.CAPTION_LETTERS, Severity.BLOCKER,
                            WORDS.say("theFaceOfItsCaptionHasNo", name, missing))
                    .withRemedies(without));
        }
        double tall = how.size().height() * written.caption().size() / 100;
        if (tall < BurnInRules.LEGIBLE) {
            found.add(Finding
                    .of(Rule.CAPTION_SMALL, Severity.WARNING, WORDS.say("itsCaptionIsPixelsTallHardly", name, Words.decimal(tall, 0)))
                    .withRemedies(without));
        }
        if (layout.days() == null && !Collections.disjoint(written.caption().words().fields(), Set.of(Field.DAYS, Field.CALENDAR))) {
            found.add(Finding.of(Rule.CAPTION_DAYS, Severity.WARNING, WORDS.say("itsCaptionTellsDaysAndThe", name)));
        }
    }

    private static void length(String name, ResolvedReel programme, ReelSpan span, int cell, Layout layout, List<Finding> found) {
        ReelPart part = programme.plan().part(cell);
        long own = programme.plan().taken(cell).count();
        if (part.table() == null || own >= span.count()) {
            return;
        }
        found.add(Finding.of(Rule.VIEW_SHORTER, Severity.NOTE,
                WORDS.say("isOverFramesBeforeTheLayout", name, (span.count() - own), span.count() - own,
                        (layout.endsEmpty() ? WORDS.say("itsPlaceIsEmptyThen") : WORDS.say("itsLastFrameStays")))));
        if (part.delay() > 0) {
            found.add(Finding.of(Rule.VIEW_LATER, Severity.NOTE,
                    WORDS.say("beginsFramesLaterByItsTimecode", name, part.delay())));
        }
    }

    private static void enlarged(String name, Placement placement, List<Finding> found) {
        if (placement != null && placement.enlargement() > ReelRules.SEEN) {
            found.add(Finding.of(Rule.VIEW_ENLARGED, Severity.NOTE,
                    WORDS.say("isEnlargedTimesItGetsNo", name, Words.decimal(placement.enlargement(), 2))));
        }
    }

    private static void rate(String name, ResolvedReel programme, int cell, Layout layout, List<Finding> found) {
        Optional<Rate> own = programme.entry(cell).flatMap(ReelEntry::rate);
        if (own.isPresent() && programme.rate().isPresent() && !own.equals(programme.rate())) {
            found.add(Finding.of(Rule.VIEW_RATE, Severity.NOTE, WORDS.say("isReadAtInAReelOf", name, own.get().label(),
                    programme.rate().get().label(),
                    (layout.stepInUse() == InStep.FRAMES ? WORDS.say("frameByFrameItPlaysAtThe") : WORDS.say("theNearestFrameIsShown")))));
        }
    }
}
