package dev.vat.core.finding;

import dev.vat.core.delivery.BitRate;
import dev.vat.core.delivery.Container;
import dev.vat.core.delivery.Deliverable;
import dev.vat.core.delivery.PartForm;
import dev.vat.core.delivery.RateControl;
import dev.vat.core.delivery.RoughForecast;
import dev.vat.core.delivery.Settings;
import dev.vat.core.delivery.SizeBudget;
import dev.vat.core.picture.Size;
import dev.vat.core.project.DeliverableEdits;
import dev.vat.core.resolved.ReelSound;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.trial.FileForecast;
import dev.vat.core.words.Words;
import java.util.List;
import java.util.stream.Stream;

/** Findings on how much room files take: a size that was wished for, what a container holds, what the folder has left. */
final class RoomRules {

    private static final Words WORDS = Words.of(RoomRules.class);

    private RoomRules() {}

    /** What runs through the whole file can't go on after a stop. */
    static void whole(ResolvedReel programme, Deliverable deliverable, List<Finding> found) {
        Settings settings = deliverable.settings();
        if (settings.codec().partForm(settings.control()) == PartForm.WHOLE && programme.plan().count() > 0) {
            found.add(Finding.of(Rule.MADE_WHOLE, Severity.NOTE,
                    WORDS.say("runsThroughTheWholeFile", deliverable.title(), settings.codec().words(settings.control()),
                            (settings.control().passes() > 1 ? WORDS.say("twiceReadingEveryFrameTwice") : ""), programme.plan().count()))
                    .aboutTarget(deliverable.id()));
        }
    }

    /** A file size that leaves too little for the pictures. */
    static void fileSize(ResolvedReel programme, Deliverable deliverable, ReelSound sound, List<Finding> found) {
        Settings settings = deliverable.settings();
        long frames = settings.framing().scanInUse().frames(programme.plan().count());
        if (!(settings.control() instanceof RateControl.FileSize wish) || programme.rate().isEmpty() || programme.shape().isEmpty()
                || frames == 0) {
            return;
        }
        Size size = programme.frame(deliverable).orElseThrow().size();
        SizeBudget budget = SizeBudget.of(wish, settings, frames,
                settings.framing().scanInUse().rate(programme.rate().get()).seconds(frames), sound == null ? 0 : sound.channels());
        long least = budget.leastFile(settings.codec(), size, frames);
        if (wish.bytes() >= least && budget.isPossible()) {
            return;
        }
        String left = budget.isPossible()
                ? WORDS.say("leavesForPicturesOfTooLittle", BitRate.format(budget.bitsPerSecond() / 1000 * 1000), size)
                : WORDS.say("leavesNothingForThePictures");
        found.add(Finding
                .of(Rule.FILE_SIZE_SMALL, budget.isPossible() ? Severity.WARNING : Severity.BLOCKER,
                        WORDS.say("aFileOfSoundTakesOfItTake", deliverable.title(), RoughForecast.bytes(wish.bytes()), left,
                                RoughForecast.bytes(budget.sound()), RoughForecast.bytes(least)))
                .aboutTarget(deliverable.id()).withRemedies(new Remedy.Apply(WORDS.say("allow", RoughForecast.bytes(least)),
                        DeliverableEdits.setControl(deliverable.id(), new RateControl.FileSize(least)))));
    }

    static void folder(List<Deliverable> deliverables, ResolvedReel programme, Observed observed,
            List<Finding> found) {
        Observed.Destination destination = observed.destination();
        if (destination.problem() != null) {
            found.add(Finding.of(Rule.FOLDER_REFUSED, Severity.BLOCKER, WORDS.say("theFolderForTheFilesCant", destination.problem()))
                    .withEvidence(destination.path())
                    .withRemedies(new Remedy.ChooseFolder(WORDS.say("chooseAnotherFolder"))));
        }
        if (destination.freeBytes() < 0 || programme.size().isEmpty()) {
            return;
        }
        // Parts and the joined file stand beside each other for a moment, hence twice.
        boolean tried = !deliverables.isEmpty() && deliverables.stream().allMatch(d -> observed.foretold().containsKey(d.id()));
        RoughForecast sum = deliverables.stream()
                .flatMap(d -> tried ? Stream.of(foretold(observed.foretold().get(d.id()))) : programme.forecast(d).stream())
                .reduce(new RoughForecast(0, 0), RoughForecast::plus);
        RoughForecast peak = sum.plus(sum);
        String words = WORDS.say("theRunNeedsToWhileItWorks", RoughForecast.bytes(peak.lowBytes()), RoughForecast.bytes(peak.highBytes()),
                (tried ? WORDS.say("byTestEncodes") : WORDS.say("rough")), RoughForecast.bytes(destination.freeBytes()));
        if (destination.freeBytes() < peak.lowBytes()) {
            found.add(Finding.of(Rule.SPACE_SHORT, Severity.BLOCKER, words)
                    .withRemedies(new Remedy.ChooseFolder(WORDS.say("chooseAnotherFolder"))));
        } else if (destination.freeBytes() < peak.highBytes()) {
            found.add(Finding.of(Rule.SPACE_TIGHT, Severity.WARNING, words)
                    .withRemedies(new Remedy.ChooseFolder(WORDS.say("chooseAnotherFolder"))));
        }
    }

    /** What is larger than its container can hold ends early. */
    static void limit(ResolvedReel programme, Deliverable deliverable, Observed observed, List<Finding> found) {
        FileForecast tried = observed.foretold().get(deliverable.id());
        Container container = deliverable.settings().container();
        if (container.mostBytes().isEmpty() || tried == null && programme.forecast(deliverable).isEmpty()) {
            return;
        }
        RoughForecast forecast = tried != null ? foretold(tried) : programme.forecast(deliverable).get();
        long most = container.mostBytes().getAsLong();
        // Before anything was tried only the low end says something.
        if (forecast.lowBytes() > most || tried != null && forecast.highBytes() > most) {
            found.add(Finding.of(Rule.CONTAINER_FULL, forecast.lowBytes() > most && tried != null ? Severity.BLOCKER : Severity.WARNING,
                    WORDS.say("holdsAtMostAndTheFileMay", deliverable.title(), container.title(), RoughForecast.bytes(most),
                            RoughForecast.bytes(forecast.lowBytes()), RoughForecast.bytes(forecast.highBytes())))
                    .aboutTarget(deliverable.id()));
        }
    }

    private static RoughForecast foretold(FileForecast file) {
        return new RoughForecast(Math.round(file.bytes().low()), Math.round(file.bytes().high()));
    }
}
