package dev.vat.core.finding;

import dev.vat.core.burnin.BurnIn;
import dev.vat.core.burnin.Line;
import dev.vat.core.delivery.Deliverable;
import dev.vat.core.project.Edit;
import dev.vat.core.project.Edits;
import dev.vat.core.project.Project;
import dev.vat.core.project.ReelEdits;
import dev.vat.core.reel.Drawn;
import dev.vat.core.reel.Item;
import dev.vat.core.run.Programme;
import dev.vat.core.time.Rate;
import java.util.List;
import java.util.function.Function;
import java.util.stream.Collectors;

/** Findings on what Vat writes and draws. */
final class BurnInRules {

    /** Letters that are less tall, in pixels, can hardly be read. */
    private static final double LEGIBLE = 9;

    private BurnInRules() { }

    /** Of the reel and its items. */
    static void check(Project project, Programme programme, Observed observed, List<Finding> found) {
        BurnIn ofReel = programme.reel().burnIn();
        if (ofReel != null) {
            check("The reel's burn-in", null, ofReel, ReelEdits::burnIn, observed, project, found);
        }
        List<Item> items = programme.reel().items();
        for (int i = 0; i < items.size(); i++) {
            int place = i;
            BurnIn own = items.get(i).burnIn();
            if (own != null) {
                // Set in the reel's face, where it has none of its own.
                BurnIn inUse = own.face() == null && ofReel != null ? own.withFace(ofReel.face()) : own;
                check("The burn-in of item " + (i + 1), null, inUse, b -> ReelEdits.burnInItem(place, b), observed, project, found);
            }
            drawn(programme, place, items.get(i).drawn(), observed, found);
        }
    }

    static void check(Project project, Programme programme, Deliverable deliverable, Observed observed, List<Finding> found) {
        if (deliverable.burnIn() != null) {
            check(deliverable.title() + ": its burn-in", deliverable.id(), deliverable.burnIn(), b -> Edits.follow(deliverable.id(), d -> d.withBurnIn(b)), observed, project, found);
        }
        double smallest = deliverable.burnInWith(programme.reel().burnIn()).stream().flatMap(b -> b.lines().stream()).mapToDouble(Line::size).min().orElse(100);
        programme.frame(deliverable).filter(f -> f.size().height() * smallest / 100 < LEGIBLE).ifPresent(f -> found.add(Finding.of("burn-in-small", Severity.WARNING,
                "%s: the smallest letters are %.0f pixels tall at %s, hardly legible.".formatted(deliverable.title(), f.size().height() * smallest / 100, f.size())).aboutTarget(deliverable.id())
                .withRemedies(new Remedy.Apply("Nothing written into it", Edits.follow(deliverable.id(), Deliverable::withCleanPictures)))));
    }

    private static void check(String whose, String target, BurnIn burnIn, Function<BurnIn, Edit> change, Observed observed, Project project, List<Finding> found) {
        String face = burnIn.face() == null ? "" : burnIn.face();
        Remedy.ChooseFace other = new Remedy.ChooseFace("Choose a font file", path -> change.apply(burnIn.withFace(path)));
        if (burnIn.watermark() != null && observed.unusable().containsKey(burnIn.watermark().path())) {
            found.add(Finding.of("watermark-unusable", Severity.BLOCKER, whose + ": the picture laid over can't be used: " + observed.unusable().get(burnIn.watermark().path()) + ".").aboutTarget(target)
                    .withRemedies(new Remedy.Apply("Leave it out", change.apply(burnIn.withWatermark(null)))));
        }
        if (observed.unusable().containsKey(face)) {
            found.add(Finding.of("face-unusable", Severity.BLOCKER, whose + ": the font file can't be used: " + observed.unusable().get(face) + ".").aboutTarget(target)
                    .withRemedies(other, new Remedy.Apply("Vat's own face", change.apply(burnIn.withFace(null)))));
            return;
        }
        String lacking = observed.lacking().getOrDefault(face, "");
        String own = WrittenWords.of(burnIn, project);
        String missing = lacking.codePoints().filter(c -> own.indexOf(c) >= 0).mapToObj(Character::toString).collect(Collectors.joining());
        if (!missing.isEmpty()) {
            found.add(Finding.of("letters-missing", Severity.BLOCKER, whose + ": " + (face.isEmpty() ? "Vat's own face" : "the chosen face") + " has no letter " + missing
                    + ". Choose a font file that has it, or write it in other letters.").aboutTarget(target).withRemedies(other));
        }
    }

    private static void drawn(Programme programme, int place, Drawn drawn, Observed observed, List<Finding> found) {
        int perSecond = programme.rate().map(Rate::timecodeBase).orElse(0);
        if (drawn instanceof Drawn.Leader leader && perSecond > 0 && leader.perSecond() != perSecond) {
            Drawn.Leader right = new Drawn.Leader(perSecond, leader.tone(), Math.max(1, leader.frames() * perSecond / leader.perSecond()));
            found.add(Finding.of("leader-rate", Severity.WARNING, "Item " + (place + 1) + ": the leader counts " + leader.perSecond() + " frames to a second, the reel has " + perSecond + ".")
                    .withRemedies(new Remedy.Apply("Count " + perSecond, ReelEdits.drawItem(place, right))));
        }
        if (drawn instanceof Drawn.Slate slate) {
            String lacking = observed.lacking().getOrDefault("", "");
            String own = WrittenWords.of(slate, programme.reel());
            String missing = lacking.codePoints().filter(c -> own.indexOf(c) >= 0).mapToObj(Character::toString).collect(Collectors.joining());
            if (!missing.isEmpty()) {
                found.add(Finding.of("slate-letters", Severity.BLOCKER, "Item " + (place + 1) + ": the slate's face has no letter " + missing + ". Write it in other letters.")
                        .withRemedies(new Remedy.Apply("Take the slate out", ReelEdits.removeItem(place))));
            }
        }
    }
}
