package dev.vat.core.finding;

import dev.vat.core.delivery.Chroma;
import dev.vat.core.delivery.Codec;
import dev.vat.core.delivery.Deliverable;
import dev.vat.core.delivery.Framing;
import dev.vat.core.delivery.Heading;
import dev.vat.core.delivery.Legality;
import dev.vat.core.delivery.LoudnessTarget;
import dev.vat.core.delivery.Scan;
import dev.vat.core.delivery.Settings;
import dev.vat.core.delivery.SoundCodec;
import dev.vat.core.picture.PictureFormat;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.project.DeliverableEdits;
import dev.vat.core.project.ReelEdits;
import dev.vat.core.sound.SoundLayout;
import dev.vat.core.sound.SoundTracks;
import dev.vat.core.resolved.ReelSound;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Timecode;
import dev.vat.core.words.Words;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/** Findings on what can't go together: container, codec, size, shape, scan, rate and sound. */
final class LegalityRules {

    private static final Words WORDS = Words.of(LegalityRules.class);

    private LegalityRules() {}

    /** What another codec takes from a file that its target is for. */
    private static void otherCodec(Deliverable deliverable, List<Finding> found) {
        Codec wanted = deliverable.targetInCatalogue().codec();
        Codec codec = Heading.otherCodec(deliverable).orElse(wanted);
        List<String> lost = new ArrayList<>();
        if (wanted.hasAlpha() && !codec.hasAlpha()) {
            lost.add(WORDS.say("noAlpha"));
        }
        if (codec.codedBits() < wanted.codedBits()) {
            lost.add(WORDS.say("bitsWhere", codec.codedBits(), wanted.codedBits()));
        }
        if (codec.chroma().coarseness() > wanted.chroma().coarseness()) {
            lost.add(WORDS.say("chromaWhere", codec.chroma().label(), wanted.chroma().label()));
        }
        if (codec.isLossy() && !wanted.isLossy()) {
            lost.add(WORDS.say("loss"));
        }
        if (wanted.everyFrameStandsAlone() && !codec.everyFrameStandsAlone()) {
            lost.add(WORDS.say("longGroups"));
        }
        if (!lost.isEmpty()) {
            found.add(Finding.of(Rule.TARGET_CHANGED, Severity.WARNING,
                    WORDS.say("hasAnotherCodec", deliverable.title(), codec.title(), wanted.title(), String.join(", ", lost)))
                    .aboutTarget(deliverable.id())
                    .withRemedies(new Remedy.Apply(WORDS.say("use", wanted.title()), DeliverableEdits.setCodec(deliverable.id(), wanted))));
        }
    }

    /** What can't go together, and what can but shouldn't. */
    static void legal(ResolvedReel programme, Deliverable deliverable, List<Finding> found) {
        Settings settings = deliverable.settings();
        Codec codec = settings.codec();
        otherCodec(deliverable, found);
        Legality.against(codec, settings.container()).ifPresent(why -> found.add(DeliveryRules
                .blocker(Rule.CONTAINER_ILLEGAL, deliverable, why)
                .withRemedies(
                        new Remedy.Apply(WORDS.say("putItInto", codec.containers().stream().sorted().findFirst().orElseThrow().title()),
                                DeliverableEdits.setCodec(deliverable.id(), codec)))));
        Legality.against(codec, settings.control()).ifPresent(why -> found.add(DeliveryRules.blocker(Rule.CONTROL_ILLEGAL, deliverable, why)
                .withRemedies(new Remedy.Apply(WORDS.say("use", codec.words(codec.usualControl())),
                        DeliverableEdits.setControl(deliverable.id(), codec.usualControl())))));
        programme.frame(deliverable).ifPresent(frame -> {
            Legality.against(codec, frame.size()).ifPresent(why -> found.add(DeliveryRules.blocker(Rule.SIZE_ILLEGAL, deliverable, why)
                    .withRemedies(sizes(deliverable, codec))));
            Legality.against(codec, settings.container(), frame.pixelAspect())
                    .ifPresent(why -> found.add(DeliveryRules.blocker(Rule.SHAPE_ILLEGAL, deliverable, why)
                            .withRemedies(
                                    new Remedy.Apply(WORDS.say("makePixelsSquareWithBars"), DeliverableEdits.setFraming(deliverable.id(),
                                            squared(programme.shape().orElseThrow(), settings))))));
        });
        Scan scan = settings.framing().scanInUse();
        Optional<Rate> rate = programme.rate().map(scan::rate);
        Optional<String> woven = rate.flatMap(r -> Legality.against(codec, settings.container(), scan, r));
        woven.ifPresent(
                why -> found.add(DeliveryRules.blocker(Rule.SCAN_ILLEGAL, deliverable, why)
                        .withRemedies(new Remedy.Apply(WORDS.say("makeItProgressive"),
                                DeliverableEdits.setFraming(deliverable.id(), settings.framing().withScan(Scan.PROGRESSIVE))))));
        programme.start().ifPresent(start -> label(deliverable, start, scan, found));
        if (woven.isEmpty()) {
            rate.flatMap(r -> Legality.against(codec, r))
                    .ifPresent(why -> found.add(DeliveryRules.blocker(Rule.RATE_ILLEGAL, deliverable, why)));
        }
        Legality.unwise(codec, settings.container()).forEach(why -> found.add(
                Finding.of(Rule.UNWISE, Severity.WARNING, deliverable.title() + ": " + why).aboutTarget(deliverable.id())));
    }

    /** A start timecode that the file has no place for. */
    private static void label(Deliverable deliverable, Timecode start, Scan scan, List<Finding> found) {
        Settings settings = deliverable.settings();
        boolean written = settings.container().isFolder() ? settings.codec().statesLabel(scan.rate(start.rate()))
                : settings.container().carriesTimecode();
        if (!written) {
            found.add(Finding.of(Rule.TIMECODE_UNWRITTEN, Severity.NOTE, WORDS.say("hasNoPlaceForTheStart", deliverable.title(), start,
                    settings.container().isFolder() ? settings.codec().title() : settings.container().title()))
                    .aboutTarget(deliverable.id()));
        }
    }

    static void sound(Deliverable deliverable, ReelSound sound, List<Finding> found) {
        Settings settings = deliverable.settings();
        files(deliverable, sound, found);
        if (!settings.container().carriesSound()) {
            if (deliverable.soundFiles() == null) {
                found.add(Finding
                        .of(Rule.SOUND_NOT_CARRIED, Severity.NOTE,
                                WORDS.say("carriesNoSound", deliverable.title(), settings.container().title()))
                        .aboutTarget(deliverable.id())
                        .withRemedies(new Remedy.Apply(WORDS.say("wavBesideIt"),
                                DeliverableEdits.follow(deliverable.id(), d -> d.withSoundFiles(SoundTracks.TOGETHER)))));
            }
            return;
        }
        if (deliverable.loudness() == null && deliverable.targetInCatalogue().isForBroadcast() && !sound.pieces().isEmpty()) {
            found.add(Finding.of(Rule.LOUDNESS_OPEN, Severity.NOTE, WORDS.say("soundGoesOutAsLoudAsItIs", deliverable.title()))
                    .aboutTarget(deliverable.id())
                    .withRemedies(new Remedy.Apply(WORDS.say("bringItTo23LUFS"),
                            DeliverableEdits.follow(deliverable.id(), d -> d.withLoudness(LoudnessTarget.EBU_R128)))));
        }
        boolean placed = settings.tracks().way() == SoundTracks.Way.TOGETHER ? sound.isPlaced()
                : settings.tracks().of(sound.channels()).stream().allMatch(t -> t.from().size() <= 2);
        if (!placed && !settings.sound().carriesDiscrete()) {
            found.add(DeliveryRules
                    .blocker(Rule.SOUND_ILLEGAL, deliverable,
                            WORDS.say("givesEveryChannelAPlace", settings.sound().title(), sound.layout()))
                    .withRemedies(new Remedy.Apply(WORDS.say("stereoForTheWholeReel"), ReelEdits.setLayout(SoundLayout.STEREO))));
            return;
        }
        tracks(deliverable, sound, found);
        int most = settings.tracks().of(sound.channels()).stream().mapToInt(t -> t.from().size()).max().orElse(1);
        settings.sound().against(settings.container(), most)
                .ifPresent(why -> found.add(DeliveryRules.blocker(Rule.SOUND_ILLEGAL, deliverable, why)
                        .withRemedies(new Remedy.Apply(WORDS.say("use", SoundCodec.usualIn(settings.container()).title()),
                                DeliverableEdits.setSound(deliverable.id(), null)))));
    }

    /** Files of sound that ask for channels which it hasn't. */
    private static void files(Deliverable deliverable, ReelSound sound, List<Finding> found) {
        SoundTracks files = deliverable.soundFiles();
        if (files != null && files.highest() > sound.channels()) {
            found.add(DeliveryRules
                    .blocker(Rule.SOUND_FILES, deliverable, WORDS.say("itsFilesAskFor", files, files.highest(), sound.channels()))
                    .withRemedies(new Remedy.Apply(WORDS.say("oneFileForEveryChannel"),
                            DeliverableEdits.follow(deliverable.id(), d -> d.withSoundFiles(SoundTracks.MONO)))));
        }
    }

    /** Tracks that ask for channels which the sound hasn't. */
    private static void tracks(Deliverable deliverable, ReelSound sound, List<Finding> found) {
        SoundTracks tracks = deliverable.settings().tracks();
        if (tracks.highest() > sound.channels()) {
            found.add(DeliveryRules
                    .blocker(Rule.SOUND_TRACKS, deliverable, WORDS.say("itsTracksAskFor", tracks, tracks.highest(),
                            sound.channels()))
                    .withRemedies(new Remedy.Apply(WORDS.say("oneTrackForEveryChannel"),
                            DeliverableEdits.follow(deliverable.id(), d -> d.withTracks(SoundTracks.MONO)))));
        }
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
}
