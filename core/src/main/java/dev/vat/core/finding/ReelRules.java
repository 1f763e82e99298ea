package dev.vat.core.finding;

import dev.vat.core.delivery.Fit;
import dev.vat.core.delivery.Placement;
import dev.vat.core.picture.PictureFormat;
import dev.vat.core.project.ReelEdits;
import dev.vat.core.project.SourceEdits;
import dev.vat.core.reel.Conform;
import dev.vat.core.reel.Playing;
import dev.vat.core.resolved.ReelEntry;
import dev.vat.core.resolved.ReelSound;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.resolved.Sounding;
import dev.vat.core.source.ClipFacts;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;

/** Findings on how an item goes with the others of its reel: shape, rate, speed, and how it begins. */
final class ReelRules {

    private static final Words WORDS = Words.of(ReelRules.class);

    /** Enlarging by less isn't seen. */
    static final double SEEN = 1.005;

    private ReelRules() {}

    static void check(ResolvedReel programme, ReelEntry entry, List<Finding> found) {
        if (entry.cell()) {
            return;
        }
        shape(programme, entry, found);
        rate(programme, entry, found);
        programme.plan().shortened(entry.item()).ifPresent(joint -> found.add(Finding.of(Rule.JOINT_SHORT, Severity.WARNING,
                WORDS.say("thereIsNoRoomForAItTakes", name(entry), joint.words()))
                .aboutSource(entry.source().id())
                .withRemedies(new Remedy.Apply(WORDS.say("cutInstead"), ReelEdits.joinItem(entry.place(), null)))));
    }

    /** A label that the reel's rate can't count to. */
    static void start(ResolvedReel programme, List<Finding> found) {
        if (programme.reel().start() != null && programme.rate().isPresent() && programme.start().isEmpty()) {
            found.add(Finding
                    .of(Rule.TIMECODE_ILLEGAL, Severity.BLOCKER,
                            WORDS.say("thereIsNoTimecodeAt", programme.reel().start(), programme.rate().get().label(),
                                    (programme.reel().start().contains(";") && !programme.rate().get().allowsDropFrame()
                                            ? WORDS.say("dropFrameCountingExists")
                                            : ".")))
                    .withRemedies(new Remedy.Apply(WORDS.say("noStartTimecode"), ReelEdits.setStart(null))));
        }
    }

    /** Sounds that were laid to the reel. */
    static void sounds(ResolvedReel programme, Observed observed, List<Finding> found) {
        for (Sounding sounding : programme.sounds()) {
            ClipFacts facts = observed.clips().get(sounding.source().id());
            String name = sounding.source().name();
            if (facts == null || facts.sounds().isEmpty()) {
                found.add(Finding.of(Rule.SOUND_GONE, Severity.BLOCKER, WORDS.say("noSoundCanBeReadHereBring", name))
                        .aboutSource(sounding.source().id())
                        .withRemedies(new Remedy.Apply(WORDS.say("takeItOut"), ReelEdits.removeSound(sounding.place()))));
                continue;
            }
            if (facts.sounds().getFirst().silent()) {
                found.add(Finding.of(Rule.SOUND_SILENT, Severity.WARNING, WORDS.say("everySampleIsZero", name))
                        .aboutSource(sounding.source().id())
                        .withRemedies(new Remedy.Apply(WORDS.say("takeItOut"), ReelEdits.removeSound(sounding.place()))));
            }
            facts.sounds().getFirst().fault().ifPresent(fault -> found.add(Finding
                    .of(Rule.SOUND_DAMAGED, Severity.WARNING, WORDS.say("getTheWholeFileAgain", name, fault))
                    .aboutSource(sounding.source().id())));
            long beyond = programme.rate().isEmpty() || programme.plan().spans().isEmpty() ? 0
                    : ReelSound.framesBeyond(programme, sounding, facts);
            if (beyond > 0) {
                found.add(Finding
                        .of(Rule.SOUND_LONGER, Severity.WARNING,
                                WORDS.say("goesOnForFramesAfterThe", name, beyond))
                        .aboutSource(sounding.source().id())
                        .withRemedies(programme.plan().spans().getLast().isViews() ? new Remedy[0]
                                : new Remedy[] {new Remedy.Apply(WORDS.say("holdTheLastFrameFor", beyond),
                                        ReelEdits.holdForSound(programme.plan().spans().getLast().place(), beyond))}));
            }
        }
    }

    private static String name(ReelEntry entry) {
        return entry.source().name();
    }

    private static void shape(ResolvedReel programme, ReelEntry entry, List<Finding> found) {
        Placement placement = programme.placement(entry).orElse(null);
        if (placement == null) {
            return;
        }
        PictureFormat whole = programme.shape().orElseThrow();
        PictureFormat own = entry.format().orElseThrow();
        Fit fit = entry.use().fitInUse();
        boolean enlarged = placement.enlargement() > SEEN;
        Remedy[] others = List.of(Fit.BARS, Fit.FILL, Fit.STRETCH, Fit.PIXELS).stream().filter(f -> f != fit)
                .map(f -> new Remedy.Apply(f.title(), ReelEdits.fitItem(entry.place(), f))).toArray(Remedy[]::new);
        found.add(Finding
                .of(Rule.SIZE_DIFFERS, enlarged ? Severity.WARNING : Severity.NOTE,
                        WORDS.say("isTheReelIsLikeItsFirst", name(entry), shape(own, whole), shape(whole, own), fit.title(),
                                (enlarged ? WORDS.say("enlargedTimesItGetsNoSharper", Words.decimal(placement.enlargement(), 2)) : ".")))
                .aboutSource(entry.source().id()).withRemedies(others));
    }

    private static String shape(PictureFormat format, PictureFormat other) {
        return format.size() + (format.pixelAspect().equals(other.pixelAspect()) ? "" : WORDS.say("withPixels", format.pixelAspect()));
    }

    private static void rate(ResolvedReel programme, ReelEntry entry, List<Finding> found) {
        Rate own = entry.rate().orElse(null);
        Rate reel = programme.rate().orElse(null);
        if (own == null || reel == null) {
            return;
        }
        Playing playing = entry.use().playingInUse();
        Conform conform = playing.conformInUse();
        Rational ratio = own.perSecond().dividedBy(reel.perSecond());
        if (!conform.fits(ratio)) {
            found.add(Finding
                    .of(Rule.CONFORM_UNFIT, Severity.BLOCKER,
                            WORDS.say("isntForInAReelOf", name(entry), conform.title(), own.label(), reel.label()))
                    .aboutSource(entry.source().id()).withRemedies(conform(entry, Conform.EVERY), conform(entry, Conform.STEP)));
            return;
        }
        String what = programme.plan().tally(entry.item()).words();
        if (own.equals(reel) || conform == Conform.PULL) {
            if (!what.isEmpty()) {
                found.add(Finding
                        .of(Rule.SPEED_CHANGED, Severity.NOTE,
                                WORDS.say("playsAtOfItsSpeed", name(entry), playing.speedInUse(), what))
                        .aboutSource(entry.source().id()));
            }
            return;
        }
        if (conform == Conform.EVERY) {
            found.add(Finding
                    .of(Rule.RATE_DIFFERS, Severity.WARNING,
                            WORDS.say("isReadAtButPlaysAtTheReels", name(entry), own.label(), reel.label(), ratio.toFixed(3)))
                    .aboutSource(entry.source().id())
                    .withRemedies(remedies(entry, reel, ratio)));
            return;
        }
        found.add(Finding
                .of(Rule.RATE_CONFORMED, Severity.NOTE,
                        WORDS.say("goesFromTo", name(entry), own.label(), reel.label(), conform.title(),
                                (what.isEmpty() ? "." : ": " + what + ".")))
                .aboutSource(entry.source().id()).withRemedies(conform(entry, Conform.EVERY)));
    }

    /** What broadcasters have for these rates stands first. */
    private static Remedy[] remedies(ReelEntry entry, Rate reel, Rational ratio) {
        List<Remedy> ways = new ArrayList<>();
        Stream.of(Conform.PULL, Conform.PULLDOWN_2_3, Conform.PULLDOWN_2_2).filter(c -> c.fits(ratio))
                .forEach(c -> ways.add(conform(entry, c)));
        ways.add(new Remedy.Apply(WORDS.say("readItAt", reel.label()), SourceEdits.setSourceRate(entry.source().id(), reel)));
        ways.add(conform(entry, Conform.NEAREST));
        ways.add(conform(entry, Conform.BLEND));
        return ways.toArray(Remedy[]::new);
    }

    private static Remedy conform(ReelEntry entry, Conform conform) {
        return new Remedy.Apply(Character.toUpperCase(conform.title().charAt(0)) + conform.title().substring(1),
                ReelEdits.playItem(entry.place(), entry.use().playingInUse().withConform(conform)));
    }
}
