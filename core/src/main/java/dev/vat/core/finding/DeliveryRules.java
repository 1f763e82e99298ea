package dev.vat.core.finding;

import dev.vat.core.delivery.BitRate;
import dev.vat.core.delivery.Catalogue;
import dev.vat.core.delivery.Chroma;
import dev.vat.core.delivery.Codec;
import dev.vat.core.delivery.Container;
import dev.vat.core.delivery.Deliverable;
import dev.vat.core.delivery.FileNaming;
import dev.vat.core.delivery.Fit;
import dev.vat.core.delivery.Frame;
import dev.vat.core.delivery.Framing;
import dev.vat.core.delivery.Legality;
import dev.vat.core.delivery.LoudnessTarget;
import dev.vat.core.delivery.PartForm;
import dev.vat.core.delivery.RateControl;
import dev.vat.core.delivery.RoughForecast;
import dev.vat.core.delivery.Scan;
import dev.vat.core.delivery.Settings;
import dev.vat.core.delivery.SizeBudget;
import dev.vat.core.delivery.SoundCodec;
import dev.vat.core.flash.FlashGuide;
import dev.vat.core.picture.PictureFormat;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.project.DeliverableEdits;
import dev.vat.core.project.Edits;
import dev.vat.core.project.Project;
import dev.vat.core.project.ReelEdits;
import dev.vat.core.reel.SoundLayout;
import dev.vat.core.resolved.ReelEntry;
import dev.vat.core.resolved.ReelSound;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rate;
import dev.vat.core.trial.FileForecast;
import dev.vat.core.words.Words;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Findings on what comes out: what can't go together, alpha, depth and size against the codec, names, folder and space. */
final class DeliveryRules {

    private static final Words WORDS = Words.of(DeliveryRules.class);

    /** From here on it takes an explicit yes. */
    private static final double FAR_ENLARGED = 1.9;
    private static final String FAR_ID = "far-enlarged";
    private static final String DRAFT_SOURCE = "draft-material";

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
            found.add(Finding.of("no-target", Severity.REQUEST, project.deliverables().isEmpty()
                    ? WORDS.say("chooseATargetWhoIsTheFile") : WORDS.say("everyColumnIsSwitchedOff")));
        }
        for (Deliverable deliverable : known) {
            legal(programme, deliverable, found);
            programme.shape().ifPresent(shape -> size(deliverable, shape, found));
            PictureRules.check(programme, deliverable, observed, found);
            PassRules.check(programme, deliverable, found);
            BurnInRules.check(project, programme, deliverable, observed, found);
            whole(programme, deliverable, found);
            fileSize(programme, deliverable, sound, found);
            limit(programme, deliverable, observed, found);
            if (sound != null) {
                sound(deliverable, sound, found);
            }
        }
        drafts(known, programme, observed, found);
        names(project, known, programme, found);
        folder(known, programme, observed, found);
        flashes(observed, found);
    }

    /** A draft says so once; material that is one doesn't go into a file that isn't without an explicit yes. */
    private static void drafts(List<Deliverable> known, ResolvedReel programme, Observed observed, List<Finding> found) {
        if (!known.isEmpty() && known.stream().allMatch(Deliverable::draft)) {
            found.add(Finding.of("draft", Severity.WARNING, WORDS.say("draftEveryFileIsMadeAtHalf"))
                    .withRemedies(new Remedy.Apply(WORDS.say("noDraft"), DeliverableEdits.setDraft(false))));
        }
        Optional<ReelEntry> draft = programme.entries().stream().filter(e -> e.isDraft(observed.clips())).findFirst();
        for (Deliverable deliverable : known) {
            if (draft.isPresent() && !deliverable.draft() && !deliverable.accepted().contains(DRAFT_SOURCE)) {
                found.add(blocker(DRAFT_SOURCE, deliverable, WORDS.say("isADraftAndThisFileIsnt", draft.get().table().sequence().name()))
                        .withRemedies(
                                new Remedy.Apply(WORDS.say("makeItAllTheSame"), DeliverableEdits.accept(deliverable.id(), DRAFT_SOURCE))));
            }
        }
    }

    /** A project or preset from somebody else, or from a newer Vat, may name what this one doesn't have. */
    private static boolean isKnown(Deliverable deliverable, List<Finding> found) {
        if (!deliverable.isKnown()) {
            boolean target = Catalogue.find(deliverable.target()).isPresent();
            found.add(Finding
                    .of("codec-unknown", Severity.BLOCKER,
                            WORDS.say("thisVatHasNoWhichTheProject",
                                    (target ? WORDS.say("codec", deliverable.codec()) : WORDS.say("target", deliverable.target()))))
                    .aboutTarget(deliverable.id())
                    .withRemedies(new Remedy.Apply(WORDS.say("removeTheColumn"), DeliverableEdits.removeDeliverable(deliverable.id()))));
        }
        return deliverable.isKnown();
    }

    /** What can't go together, and what can but shouldn't. */
    private static void legal(ResolvedReel programme, Deliverable deliverable, List<Finding> found) {
        Settings settings = deliverable.settings();
        Codec codec = settings.codec();
        Legality.against(codec, settings.container()).ifPresent(why -> found.add(blocker("container-illegal", deliverable, why)
                .withRemedies(
                        new Remedy.Apply(WORDS.say("putItInto", codec.containers().stream().sorted().findFirst().orElseThrow().title()),
                                DeliverableEdits.setCodec(deliverable.id(), codec)))));
        Legality.against(codec, settings.control()).ifPresent(why -> found.add(blocker("control-illegal", deliverable, why)
                .withRemedies(new Remedy.Apply(WORDS.say("use", codec.words(codec.usualControl())),
                        DeliverableEdits.setControl(deliverable.id(), codec.usualControl())))));
        programme.frame(deliverable).ifPresent(frame -> {
            Legality.against(codec, frame.size()).ifPresent(why -> found.add(blocker("size-illegal", deliverable, why)
                    .withRemedies(sizes(deliverable, codec))));
            Legality.against(codec, settings.container(), frame.pixelAspect())
                    .ifPresent(why -> found.add(blocker("shape-illegal", deliverable, why)
                            .withRemedies(
                                    new Remedy.Apply(WORDS.say("makePixelsSquareWithBars"), DeliverableEdits.setFraming(deliverable.id(),
                                            squared(programme.shape().orElseThrow(), settings))))));
        });
        Scan scan = settings.framing().scanInUse();
        Optional<Rate> rate = programme.rate().map(scan::rate);
        Optional<String> woven = rate.flatMap(r -> Legality.against(codec, settings.container(), scan, r));
        woven.ifPresent(
                why -> found.add(blocker("scan-illegal", deliverable, why).withRemedies(new Remedy.Apply(WORDS.say("makeItProgressive"),
                        DeliverableEdits.setFraming(deliverable.id(), settings.framing().withScan(Scan.PROGRESSIVE))))));
        if (woven.isEmpty()) {
            rate.flatMap(r -> Legality.against(codec, r)).ifPresent(why -> found.add(blocker("rate-illegal", deliverable, why)));
        }
        Legality.unwise(codec, settings.container()).forEach(why -> found.add(
                Finding.of("unwise", Severity.WARNING, deliverable.title() + ": " + why).aboutTarget(deliverable.id())));
    }

    private static void sound(Deliverable deliverable, ReelSound sound, List<Finding> found) {
        Settings settings = deliverable.settings();
        if (!settings.container().carriesSound()) {
            found.add(Finding
                    .of("sound-not-carried", Severity.NOTE,
                            WORDS.say("carriesNoSound", deliverable.title(), settings.container().title()))
                    .aboutTarget(deliverable.id()));
            return;
        }
        if (deliverable.loudness() == null && deliverable.targetInCatalogue().isForBroadcast() && !sound.pieces().isEmpty()) {
            found.add(Finding.of("loudness-open", Severity.NOTE, WORDS.say("soundGoesOutAsLoudAsItIs", deliverable.title()))
                    .aboutTarget(deliverable.id())
                    .withRemedies(new Remedy.Apply(WORDS.say("bringItTo23LUFS"),
                            DeliverableEdits.follow(deliverable.id(), d -> d.withLoudness(LoudnessTarget.EBU_R128)))));
        }
        if (!sound.isPlaced() && !settings.sound().carriesDiscrete()) {
            found.add(blocker("sound-illegal", deliverable, WORDS.say("givesEveryChannelAPlace", settings.sound().title(), sound.layout()))
                    .withRemedies(new Remedy.Apply(WORDS.say("stereoForTheWholeReel"), ReelEdits.setLayout(SoundLayout.STEREO))));
            return;
        }
        settings.sound().against(settings.container(), sound.channels())
                .ifPresent(why -> found.add(blocker("sound-illegal", deliverable, why)
                        .withRemedies(new Remedy.Apply(WORDS.say("use", SoundCodec.usualIn(settings.container()).title()),
                                DeliverableEdits.setSound(deliverable.id(), null)))));
    }

    /** The sizes that a codec has, as buttons. */
    private static Remedy[] sizes(Deliverable deliverable, Codec codec) {
        return codec.limits().sizes().stream().sorted(Comparator.comparing(Size::pixels))
                .map(size -> new Remedy.Apply(WORDS.say("fitInto", size),
                        DeliverableEdits.setFraming(deliverable.id(), deliverable.settings().framing().withSize(size))))
                .toArray(Remedy[]::new);
    }

    private static Framing squared(PictureFormat shape, Settings settings) {
        Chroma grid = settings.codec().chroma();
        Size seen = shape.pixelAspect().seen(shape.size());
        return settings.framing().withSize(seen.downTo(grid.widthStep(), grid.heightStep())).withPixelAspect(PixelAspect.SQUARE);
    }

    static Finding blocker(String id, Deliverable deliverable, String why) {
        return Finding.of(id, Severity.BLOCKER, deliverable.title() + ": " + why + ".").aboutTarget(deliverable.id());
    }

    private static void size(Deliverable deliverable, PictureFormat shape, List<Finding> found) {
        Codec codec = deliverable.settings().codec();
        Size reel = shape.size();
        Frame frame = deliverable.frameFor(reel, shape.pixelAspect());
        if (!deliverable.fitsGrid(frame.size())) {
            Size even = frame.size().downTo(codec.chroma().widthStep(), codec.chroma().heightStep());
            Framing framing = deliverable.settings().framing();
            found.add(Finding
                    .of("size-odd", Severity.BLOCKER,
                            WORDS.say("doesntFallOnTheGridWhich", deliverable.title(), frame.size(), codec.chroma().label(), grid(codec)))
                    .aboutTarget(deliverable.id())
                    .withRemedies(framing.size() == null
                            ? new Remedy.Apply(WORDS.say("cropTo", even), DeliverableEdits.cropToGrid(deliverable.id(), true))
                            : new Remedy.Apply(WORDS.say("use", even),
                                    DeliverableEdits.setFraming(deliverable.id(), framing.withSize(even)))));
            return;
        }
        shape(deliverable, shape, frame, found);
    }

    /** What becomes of the picture's shape. */
    private static void shape(Deliverable deliverable, PictureFormat shape, Frame frame, List<Finding> found) {
        List<String> changes = frame.describe(shape.size(), shape.pixelAspect());
        if (!changes.isEmpty()) {
            found.add(Finding
                    .of("reshaped", Severity.NOTE,
                            WORDS.say("goesInto", deliverable.title(), shape.size(), frame.size(), String.join(", ", changes)))
                    .aboutTarget(deliverable.id()));
        }
        if (!frame.isRound(shape.pixelAspect())) {
            found.add(Finding
                    .of("squashed", Severity.WARNING,
                            deliverable.title() + WORDS.say("circlesComeOutToo",
                                    Words.decimal(Math.abs(frame.roundness(shape.pixelAspect()) - 1) * 100, 1),
                                    frame.roundness(shape.pixelAspect()) > 1 ? WORDS.say("wide") : WORDS.say("narrow")))
                    .aboutTarget(deliverable.id())
                    .withRemedies(new Remedy.Apply(WORDS.say("keepTheShapeWithBars"), DeliverableEdits.setFraming(deliverable.id(),
                            deliverable.settings().framing().withFit(Fit.BARS)))));
        }
        double times = frame.placement().enlargement();
        if (times >= FAR_ENLARGED && !deliverable.accepted().contains(FAR_ID)) {
            found.add(blocker(FAR_ID, deliverable,
                    WORDS.say("thePictureWouldBeEnlarged", Words.decimal(times, 2), shape.size(), frame.size()))
                    .withRemedies(new Remedy.Apply(WORDS.say("makeItAllTheSame"), DeliverableEdits.accept(deliverable.id(), FAR_ID)),
                            new Remedy.Apply(WORDS.say("asTheReelIs"), DeliverableEdits.setFraming(deliverable.id(), Framing.FOLLOWS))));
        } else if (times > 1) {
            found.add(Finding.of("enlarged", Severity.WARNING,
                    deliverable.title() + WORDS.say("thePictureIsEnlargedTimes", Words.decimal(times, 2)))
                    .aboutTarget(deliverable.id()));
        }
    }

    private static String grid(Codec codec) {
        return codec.chroma().widthStep() == 4 ? WORDS.say("aWidthThatFourDivides")
                : codec.chroma().heightStep() == 1 ? WORDS.say("anEvenWidth") : WORDS.say("anEvenWidthAndHeight");
    }

    /** What runs through the whole file can't go on after a stop. */
    private static void whole(ResolvedReel programme, Deliverable deliverable, List<Finding> found) {
        Settings settings = deliverable.settings();
        if (settings.codec().partForm(settings.control()) == PartForm.WHOLE && programme.plan().count() > 0) {
            found.add(Finding.of("made-whole", Severity.NOTE,
                    WORDS.say("runsThroughTheWholeFile", deliverable.title(), settings.codec().words(settings.control()),
                            (settings.control().passes() > 1 ? WORDS.say("twiceReadingEveryFrameTwice") : ""), programme.plan().count()))
                    .aboutTarget(deliverable.id()));
        }
    }

    /** A file size that leaves too little for the pictures. */
    private static void fileSize(ResolvedReel programme, Deliverable deliverable, ReelSound sound, List<Finding> found) {
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
                .of("file-size-small", budget.isPossible() ? Severity.WARNING : Severity.BLOCKER,
                        WORDS.say("aFileOfSoundTakesOfItTake", deliverable.title(), RoughForecast.bytes(wish.bytes()), left,
                                RoughForecast.bytes(budget.sound()), RoughForecast.bytes(least)))
                .aboutTarget(deliverable.id()).withRemedies(new Remedy.Apply(WORDS.say("allow", RoughForecast.bytes(least)),
                        DeliverableEdits.setControl(deliverable.id(), new RateControl.FileSize(least)))));
    }

    private static void names(Project project, List<Deliverable> deliverables, ResolvedReel programme, List<Finding> found) {
        FileNaming naming;
        try {
            naming = FileNaming.parse(project.naming());
        } catch (IllegalArgumentException e) {
            found.add(Finding.of("name-pattern", Severity.BLOCKER, WORDS.say("theNamePatternCantBeUsed", e.getMessage()))
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
                        .of("name-clash", Severity.BLOCKER, WORDS.say("andWouldGetTheSameName", other.title(), deliverable.title(), name))
                        .aboutTarget(deliverable.id())
                        .withRemedies(new Remedy.Apply(WORDS.say("addTheTargetToNames"), Edits.setNaming(mended))));
            }
        }
    }

    private static void folder(List<Deliverable> deliverables, ResolvedReel programme, Observed observed,
            List<Finding> found) {
        Observed.Destination destination = observed.destination();
        if (destination.problem() != null) {
            found.add(Finding.of("folder-refused", Severity.BLOCKER, WORDS.say("theFolderForTheFilesCant", destination.problem()))
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
            found.add(Finding.of("space-short", Severity.BLOCKER, words)
                    .withRemedies(new Remedy.ChooseFolder(WORDS.say("chooseAnotherFolder"))));
        } else if (destination.freeBytes() < peak.highBytes()) {
            found.add(Finding.of("space-tight", Severity.WARNING, words)
                    .withRemedies(new Remedy.ChooseFolder(WORDS.say("chooseAnotherFolder"))));
        }
    }

    /** What is larger than its container can hold ends early. */
    private static void limit(ResolvedReel programme, Deliverable deliverable, Observed observed, List<Finding> found) {
        FileForecast tried = observed.foretold().get(deliverable.id());
        Container container = deliverable.settings().container();
        if (container.mostBytes().isEmpty() || tried == null && programme.forecast(deliverable).isEmpty()) {
            return;
        }
        RoughForecast forecast = tried != null ? foretold(tried) : programme.forecast(deliverable).get();
        long most = container.mostBytes().getAsLong();
        // Before anything was tried only the low end says something.
        if (forecast.lowBytes() > most || tried != null && forecast.highBytes() > most) {
            found.add(Finding.of("container-full", forecast.lowBytes() > most && tried != null ? Severity.BLOCKER : Severity.WARNING,
                    WORDS.say("holdsAtMostAndTheFileMay", deliverable.title(), container.title(), RoughForecast.bytes(most),
                            RoughForecast.bytes(forecast.lowBytes()), RoughForecast.bytes(forecast.highBytes())))
                    .aboutTarget(deliverable.id()));
        }
    }

    private static RoughForecast foretold(FileForecast file) {
        return new RoughForecast(Math.round(file.bytes().low()), Math.round(file.bytes().high()));
    }

    /** A note, whatever is found: see {@link FlashGuide}. */
    private static void flashes(Observed observed, List<Finding> found) {
        if (!observed.flashes().isEmpty()) {
            found.add(Finding.of("flashes", Severity.NOTE, WORDS.say("thePictureMayFlashTooOften",
                    observed.flashes().stream().map(FrameRange::toString).collect(Collectors.joining(", ")), FlashGuide.CAVEAT)));
        }
    }
}
