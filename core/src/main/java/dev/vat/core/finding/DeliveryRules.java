package dev.vat.core.finding;

import dev.vat.core.delivery.Catalogue;
import dev.vat.core.delivery.Deliverable;
import dev.vat.core.delivery.FileNaming;
import dev.vat.core.delivery.Frame;
import dev.vat.core.flash.FlashGuide;
import dev.vat.core.picture.Size;
import dev.vat.core.project.DeliverableEdits;
import dev.vat.core.project.Edits;
import dev.vat.core.project.Project;
import dev.vat.core.resolved.ReelEntry;
import dev.vat.core.resolved.ReelSound;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.time.FrameRange;
import dev.vat.core.words.Words;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;

/** Findings on what comes out: what can't go together, alpha, depth and size against the codec, names, folder and space. */
final class DeliveryRules {

    private static final Words WORDS = Words.of(DeliveryRules.class);

    private DeliveryRules() {}

    static void check(Project project, ResolvedReel programme, Observed observed, List<Finding> found) {
        ReelSound sound = ReelSound.of(programme, observed.clips()).orElse(null);
        List<Deliverable> known = new ArrayList<>();
        for (Deliverable deliverable : project.deliverablesOn()) {
            if (isKnown(deliverable, found)) {
                known.add(deliverable);
            }
        }
        if (project.deliverablesOn().isEmpty()) {
            found.add(Finding.of(Rule.NO_TARGET, Severity.REQUEST, project.deliverables().isEmpty()
                    ? WORDS.say("chooseATargetWhoIsTheFile") : WORDS.say("everyColumnIsSwitchedOff")));
        }
        for (Deliverable deliverable : known) {
            LegalityRules.legal(programme, deliverable, found);
            programme.shape().ifPresent(shape -> SizeRules.size(deliverable, shape, found));
            PictureRules.check(programme, deliverable, observed, found);
            PassRules.check(programme, deliverable, found);
            BurnInRules.check(project, programme, deliverable, observed, found);
            RoomRules.whole(programme, deliverable, found);
            RoomRules.fileSize(programme, deliverable, sound, found);
            RoomRules.limit(programme, deliverable, observed, found);
            if (sound != null) {
                LegalityRules.sound(deliverable, sound, found);
            } else if (deliverable.soundFiles() != null) {
                found.add(Finding.of(Rule.SOUND_FILES, Severity.WARNING, WORDS.say("soundFilesOfNothing", deliverable.title()))
                        .aboutTarget(deliverable.id())
                        .withRemedies(new Remedy.Apply(WORDS.say("noSoundFiles"),
                                DeliverableEdits.follow(deliverable.id(), d -> d.withSoundFiles(null)))));
            }
        }
        drafts(known, programme, observed, found);
        names(project, known, programme, found);
        RoomRules.folder(known, programme, observed, found);
        flashes(observed, found);
    }

    /** A draft says so once; material that is one doesn't go into a file that isn't without an explicit yes. */
    private static void drafts(List<Deliverable> known, ResolvedReel programme, Observed observed, List<Finding> found) {
        if (!known.isEmpty() && known.stream().allMatch(Deliverable::draft)) {
            found.add(Finding.of(Rule.DRAFT, Severity.WARNING, WORDS.say("draftEveryFileIsMadeAtHalf"))
                    .withRemedies(new Remedy.Apply(WORDS.say("noDraft"), DeliverableEdits.setDraft(false))));
        }
        Optional<ReelEntry> draft = programme.entries().stream().filter(e -> e.isDraft(observed.clips())).findFirst();
        for (Deliverable deliverable : known) {
            if (draft.isPresent() && !deliverable.draft() && !deliverable.accepted().contains(Rule.DRAFT_MATERIAL.id())) {
                found.add(blocker(Rule.DRAFT_MATERIAL, deliverable,
                        WORDS.say("isADraftAndThisFileIsnt", draft.get().table().sequence().name()))
                        .withRemedies(
                                new Remedy.Apply(WORDS.say("makeItAllTheSame"),
                                        DeliverableEdits.accept(deliverable.id(), Rule.DRAFT_MATERIAL.id()))));
            }
        }
    }

    /** A project or preset from somebody else, or from a newer Vat, may name what this one doesn't have. */
    private static boolean isKnown(Deliverable deliverable, List<Finding> found) {
        if (!deliverable.isKnown()) {
            boolean target = Catalogue.find(deliverable.target()).isPresent();
            found.add(Finding
                    .of(Rule.CODEC_UNKNOWN, Severity.BLOCKER,
                            WORDS.say("thisVatHasNoWhichTheProject",
                                    (target ? WORDS.say("codec", deliverable.codec()) : WORDS.say("target", deliverable.target()))))
                    .aboutTarget(deliverable.id())
                    .withRemedies(new Remedy.Apply(WORDS.say("removeTheColumn"), DeliverableEdits.removeDeliverable(deliverable.id()))));
        }
        return deliverable.isKnown();
    }

    static Finding blocker(Rule rule, Deliverable deliverable, String why) {
        return Finding.of(rule, Severity.BLOCKER, deliverable.title() + ": " + why + ".").aboutTarget(deliverable.id());
    }

    private static void names(Project project, List<Deliverable> deliverables, ResolvedReel programme, List<Finding> found) {
        FileNaming naming;
        try {
            naming = FileNaming.parse(project.naming());
        } catch (IllegalArgumentException e) {
            found.add(Finding.of(Rule.NAME_PATTERN, Severity.BLOCKER, WORDS.say("theNamePatternCantBeUsed", e.getMessage()))
                    .withRemedies(new Remedy.Apply(WORDS.say("use", FileNaming.DEFAULT), Edits.setNaming(FileNaming.DEFAULT))));
            return;
        }
        Map<String, Deliverable> names = new HashMap<>();
        for (Deliverable deliverable : deliverables) {
            Size size = programme.frame(deliverable).map(Frame::size).orElse(Size.of(1, 1));
            String name = naming.fileName(deliverable, new FileNaming.Context(project.name(), programme.reel().name(),
                    programme.range(), LocalDate.EPOCH, size, programme.rate().orElse(null)));
            Deliverable other = names.put(name.toLowerCase(Locale.ROOT), deliverable);
            if (other != null) {
                String mended = project.naming() + "_{target}";
                found.add(Finding
                        .of(Rule.NAME_CLASH, Severity.BLOCKER,
                                WORDS.say("andWouldGetTheSameName", other.title(), deliverable.title(), name))
                        .aboutTarget(deliverable.id())
                        .withRemedies(new Remedy.Apply(WORDS.say("addTheTargetToNames"), Edits.setNaming(mended))));
            }
        }
    }

    /** A note, whatever is found: see {@link FlashGuide}. */
    private static void flashes(Observed observed, List<Finding> found) {
        if (!observed.flashes().isEmpty()) {
            found.add(Finding.of(Rule.FLASHES, Severity.NOTE, WORDS.say("thePictureMayFlashTooOften",
                    observed.flashes().stream().map(FrameRange::toString).collect(Collectors.joining(", ")), FlashGuide.CAVEAT)));
        }
    }
}
