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
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Findings on several views in one picture. */
final class ViewRules {

    private ViewRules() {}

    static void check(Project project, ResolvedReel programme, Observed observed, List<Finding> found) {
        for (ReelSpan span : programme.plan().spans()) {
            ReelPart part = programme.plan().part(span.item());
            if (part.item().layout() != null && part.how() instanceof Assembly.Views how) {
                Layout layout = part.item().layout();
                int[] cells = programme.plan().cells(span.item()).toArray();
                for (int i = 0; i < cells.length; i++) {
                    String name = "View " + (i + 1) + " of " + layout.name();
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
            found.add(Finding.of("view-covered", Severity.WARNING, name + " lies wholly under others: nothing of it is seen.")
                    .withRemedies(new Remedy.Apply("Lay it on top", ReelEdits.layItem(place, layout.moved(view, boxes.size() - 1))),
                            new Remedy.Apply("Take it out", ReelEdits.layItem(place, layout.without(view)))));
        } else if (layout.arrangement().isSideBySide() ? seen < all : 2 * seen < all) {
            found.add(Finding.of("view-covered-part", Severity.NOTE,
                    "%s: %.0f %% of it lies under others.".formatted(name, 100. * (all - seen) / all)));
        }
    }

    private static void empty(String name, View view, List<Finding> found) {
        if (view.item().drawn() instanceof GeneratedItem.Plain) {
            found.add(Finding.of("view-empty", Severity.WARNING, name + " has no source yet: a plain colour stands there."));
        }
    }

    private static void caption(String name, Project project, Observed observed, Assembly.Views how, int view, List<Finding> found,
            int place, Layout layout) {
        View written = layout.views().get(view);
        if (written.caption() == null) {
            return;
        }
        Remedy without = new Remedy.Apply("No caption", ReelEdits.layItem(place, layout.withView(view, v -> v.withCaption(null))));
        String missing = BurnInRules.missing(null, WrittenWords.of(written.caption().words(), project), observed);
        if (!missing.isEmpty()) {
            found.add(Finding
                    .of("caption-letters", Severity.BLOCKER,
                            name + ": the face of its caption has no letter " + missing + ". Write it in other letters.")
                    .withRemedies(without));
        }
        double tall = how.size().height() * written.caption().size() / 100;
        if (tall < BurnInRules.LEGIBLE) {
            found.add(Finding
                    .of("caption-small", Severity.WARNING, "%s: its caption is %.0f pixels tall, hardly legible.".formatted(name, tall))
                    .withRemedies(without));
        }
        if (layout.days() == null && !Collections.disjoint(written.caption().words().fields(), Set.of(Field.DAYS, Field.CALENDAR))) {
            found.add(Finding.of("caption-days", Severity.WARNING, name + ": its caption tells days, and the layout has no first day: "
                    + "it isn't written."));
        }
    }

    private static void length(String name, ResolvedReel programme, ReelSpan span, int cell, Layout layout, List<Finding> found) {
        ReelPart part = programme.plan().part(cell);
        long own = programme.plan().taken(cell).count();
        if (part.table() == null || own >= span.count()) {
            return;
        }
        found.add(Finding.of("view-shorter", Severity.NOTE,
                name + " is over " + (span.count() - own) + (span.count() - own == 1 ? " frame" : " frames") + " before the layout: "
                        + (layout.endsEmpty() ? "its place is empty then." : "its last frame stays.")));
        if (part.delay() > 0) {
            found.add(Finding.of("view-later", Severity.NOTE,
                    name + " begins " + part.delay() + (part.delay() == 1 ? " frame" : " frames") + " later by its timecode."));
        }
    }

    private static void enlarged(String name, Placement placement, List<Finding> found) {
        if (placement != null && placement.enlargement() > ReelRules.SEEN) {
            found.add(Finding.of("view-enlarged", Severity.NOTE,
                    "%s is enlarged %.2f times. It gets no sharper.".formatted(name, placement.enlargement())));
        }
    }

    private static void rate(String name, ResolvedReel programme, int cell, Layout layout, List<Finding> found) {
        Optional<Rate> own = programme.entry(cell).flatMap(ReelEntry::rate);
        if (own.isPresent() && programme.rate().isPresent() && !own.equals(programme.rate())) {
            found.add(Finding.of("view-rate", Severity.NOTE, name + " is read at " + own.get().label() + " in a reel of "
                    + programme.rate().get().label() + ": "
                    + (layout.stepInUse() == InStep.FRAMES ? "frame by frame it plays at the reel's." : "the nearest frame is shown.")));
        }
    }
}
