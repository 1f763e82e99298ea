package dev.vat.core.finding;

import dev.vat.core.delivery.Codec;
import dev.vat.core.delivery.Deliverable;
import dev.vat.core.delivery.FileNaming;
import dev.vat.core.delivery.RoughForecast;
import dev.vat.core.delivery.Target;
import dev.vat.core.picture.Size;
import dev.vat.core.project.Edits;
import dev.vat.core.project.Project;
import dev.vat.core.run.Programme;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/** Findings on what comes out: alpha, depth and size against the target, names, folder and space. */
final class DeliveryRules {

    private DeliveryRules() { }

    static void check(Project project, Programme programme, Observed.Destination destination, List<Finding> found) {
        if (project.deliverables().isEmpty()) {
            found.add(Finding.of("no-target", Severity.BLOCKER, "Choose at least one target: who is the file for?"));
        }
        for (Deliverable deliverable : project.deliverables()) {
            alpha(programme, deliverable, found);
            programme.size().ifPresent(size -> size(deliverable, size, found));
            depth(programme, deliverable, found);
        }
        names(project, programme, found);
        folder(project, programme, destination, found);
    }

    private static void alpha(Programme programme, Deliverable deliverable, List<Finding> found) {
        Target target = deliverable.targetInCatalogue();
        if (programme.transparent() && !target.codec().hasAlpha()) {
            found.add(Finding.of("alpha-flattened", Severity.WARNING, target.title() + " carries no alpha: transparent places show #"
                    + deliverable.flatten() + ".").aboutTarget(target.id())
                    .withRemedies(new Remedy.ChooseColour("Choose colour", target.id())));
        }
        if (!programme.transparent() && target.codec().hasAlpha() && programme.shape().isPresent()) {
            found.add(Finding.of("alpha-empty", Severity.NOTE, target.title()
                    + ": the frames have no transparency, so the alpha channel will carry nothing (opaque everywhere).")
                    .aboutTarget(target.id()));
        }
    }

    private static void size(Deliverable deliverable, Size reel, List<Finding> found) {
        Target target = deliverable.targetInCatalogue();
        Codec codec = target.codec();
        if (!deliverable.fitsGrid(reel)) {
            Size even = deliverable.withCropToGrid(true).sizeFor(reel);
            found.add(Finding.of("size-odd", Severity.BLOCKER, target.title() + ": " + reel + " doesn't fall on the "
                    + codec.chroma().label() + " grid, which wants " + grid(codec) + ".").aboutTarget(target.id())
                    .withRemedies(new Remedy.Apply("Crop to " + even, Edits.cropToGrid(target.id(), true))));
        } else if (deliverable.cropToGrid() && !deliverable.sizeFor(reel).equals(reel)) {
            found.add(Finding.of("size-cropped", Severity.NOTE, target.title() + ": " + reel + " is cropped to "
                    + deliverable.sizeFor(reel) + " at the right and lower edge.").aboutTarget(target.id()));
        }
    }

    private static String grid(Codec codec) {
        return codec.chroma().heightStep() == 1 ? "an even width" : "an even width and height";
    }

    private static void depth(Programme programme, Deliverable deliverable, List<Finding> found) {
        Target target = deliverable.targetInCatalogue();
        if (programme.deepest() > target.codec().codedBits()) {
            found.add(Finding.of("depth-reduced", Severity.NOTE, target.title() + ": " + programme.deepest()
                    + "-bit frames become " + target.codec().depthText() + ", dithered.").aboutTarget(target.id()));
        }
    }

    private static void names(Project project, Programme programme, List<Finding> found) {
        FileNaming naming;
        try {
            naming = FileNaming.parse(project.naming());
        } catch (IllegalArgumentException e) {
            found.add(Finding.of("name-pattern", Severity.BLOCKER, "The name pattern can't be used: " + e.getMessage() + ".")
                    .withRemedies(new Remedy.Apply("Use " + FileNaming.DEFAULT, Edits.setNaming(FileNaming.DEFAULT))));
            return;
        }
        Map<String, Target> names = new HashMap<>();
        for (Deliverable deliverable : project.deliverables()) {
            Target target = deliverable.targetInCatalogue();
            Size size = programme.size().map(deliverable::sizeFor).orElse(Size.of(1, 1));
            String name = naming.fileName(target, new FileNaming.Context(project.name(), programme.reel().name(),
                    programme.range(), LocalDate.EPOCH, size, programme.rate().orElse(null)));
            Target other = names.put(name.toLowerCase(Locale.ROOT), target);
            if (other != null) {
                String mended = project.naming() + "_{target}";
                found.add(Finding.of("name-clash", Severity.BLOCKER, other.title() + " and " + target.title()
                        + " would get the same name, " + name + ".").aboutTarget(target.id())
                        .withRemedies(new Remedy.Apply("Add the target to names", Edits.setNaming(mended))));
            }
        }
    }

    private static void folder(Project project, Programme programme, Observed.Destination destination,
                               List<Finding> found) {
        if (destination.problem() != null) {
            found.add(Finding.of("folder-refused", Severity.BLOCKER, "The folder for the files can't be used: "
                    + destination.problem()).withEvidence(destination.path())
                    .withRemedies(new Remedy.ChooseFolder("Choose another folder")));
        }
        if (destination.freeBytes() < 0 || programme.size().isEmpty()) {
            return;
        }
        // Parts and the joined file stand beside each other for a moment, hence twice.
        RoughForecast sum = project.deliverables().stream()
                .map(d -> RoughForecast.of(d.targetInCatalogue().codec(), d.sizeFor(programme.size().get()),
                        programme.plan().count(), programme.transparent()))
                .reduce(new RoughForecast(0, 0), RoughForecast::plus);
        RoughForecast peak = sum.plus(sum);
        String words = "The run needs " + RoughForecast.bytes(peak.lowBytes()) + " to "
                + RoughForecast.bytes(peak.highBytes()) + " while it works (rough); "
                + RoughForecast.bytes(destination.freeBytes()) + " are free.";
        if (destination.freeBytes() < peak.lowBytes()) {
            found.add(Finding.of("space-short", Severity.BLOCKER, words)
                    .withRemedies(new Remedy.ChooseFolder("Choose another folder")));
        } else if (destination.freeBytes() < peak.highBytes()) {
            found.add(Finding.of("space-tight", Severity.WARNING, words)
                    .withRemedies(new Remedy.ChooseFolder("Choose another folder")));
        }
    }
}
