package dev.vat.desktop.sheet;

import dev.vat.core.delivery.Deliverable;
import dev.vat.core.delivery.Framing;
import dev.vat.core.delivery.Ground;
import dev.vat.core.delivery.GroupLength;
import dev.vat.core.delivery.LoudnessTarget;
import dev.vat.core.delivery.SizeWish;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.project.Edit;
import dev.vat.core.project.Edits;
import dev.vat.core.run.ResolvedReel;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;
import dev.vat.desktop.session.Session;

/** What stands in a cell's editor to begin with, and what is made of what was typed there. */
final class OutTyping {

    private static final String MATTE = ", matte beside";

    private final Session studio;

    OutTyping(Session studio) {
        this.studio = studio;
    }

    String text(OutRow row, Deliverable deliverable) {
        return switch (row) {
            case ALPHA -> deliverable.flatten() + (deliverable.matte() ? MATTE : "");
            case SIZE -> studio.programme().flatMap(p -> p.frame(deliverable)).map(f -> f.size().toString()).orElse("");
            case PIXEL_ASPECT -> studio.programme().flatMap(p -> p.frame(deliverable)).map(f -> f.pixelAspect().toString()).orElse("");
            case GROUP -> (deliverable.settings().group() == null ? Rational.of(deliverable.settings().codec().groupSeconds()) : deliverable.settings().group()).toDecimal(2) + " s";
            case FIRST_NUMBER -> deliverable.firstNumber() == null ? "" : deliverable.firstNumber().toString();
            case LOUDNESS -> deliverable.loudness() == null ? "-23 LUFS, at most -1 dBTP" : deliverable.loudness().toString();
            case LOOPS -> Integer.toString(deliverable.settings().loops());
            case QUALITY -> deliverable.settings().codec().words(deliverable.settings().control());
            default -> studio.programme().flatMap(ResolvedReel::rate).map(Rate::toString).orElse("");
        };
    }

    private Edit group(Deliverable deliverable, String typed) {
        Rational seconds = typed.isBlank() ? null : GroupLength.parse(typed, studio.programme().flatMap(ResolvedReel::rate).orElse(null));
        return new Edit("change of key frames", project -> project.withDeliverable(deliverable.id(), d -> d.withGroup(seconds)));
    }

    private static Edit firstNumber(Deliverable deliverable, String typed) {
        if (!typed.strip().matches("\\d{0,9}")) {
            throw new IllegalArgumentException("'" + typed + "' is no frame number");
        }
        Long number = typed.isBlank() ? null : Long.valueOf(typed.strip());
        return new Edit("change of the first number", project -> project.withDeliverable(deliverable.id(), d -> d.withFirstNumber(number)));
    }

    private static Edit loops(Deliverable deliverable, String typed) {
        if (!typed.strip().matches("\\d{1,5}")) {
            throw new IllegalArgumentException("'" + typed + "' is no number of times: write 0 for ever, or 1 and on");
        }
        Deliverable played = deliverable.withLoops(Integer.valueOf(typed.strip()));
        return new Edit("change of how often it is played", project -> project.withDeliverable(deliverable.id(), d -> d.withLoops(played.loops())));
    }

    private static Edit loudness(Deliverable deliverable, String typed) {
        LoudnessTarget wanted = typed.isBlank() ? null : LoudnessTarget.parse(typed);
        return new Edit("change of loudness", project -> project.withDeliverable(deliverable.id(), d -> d.withLoudness(wanted)));
    }

    /** What lies under, and whether alpha goes into a second file. */
    private static Edit ground(Deliverable deliverable, String typed) {
        boolean matte = typed.strip().matches("(?i).*\\bmatte( beside)?");
        String rest = typed.strip().replaceFirst("(?i),?\\s*\\bmatte( beside)?$", "");
        Ground ground = rest.isBlank() ? deliverable.flatten() : Ground.parse(rest);
        return new Edit("change of what becomes of alpha", project -> project.withDeliverable(deliverable.id(), d -> d.withFlatten(ground).withMatte(matte)));
    }

    /** @throws IllegalArgumentException saying in words why the text can't be used */
    Edit edit(OutRow row, Deliverable deliverable, String typed) {
        Framing framing = deliverable.settings().framing();
        return switch (row) {
            case SIZE -> Edits.setFraming(deliverable.id(), framing.withSize(SizeWish.parse(typed, studio.programme().flatMap(ResolvedReel::shape).orElse(null))));
            case PIXEL_ASPECT -> Edits.setFraming(deliverable.id(), framing.withPixelAspect(PixelAspect.parse(typed)));
            case ALPHA -> ground(deliverable, typed);
            case GROUP -> group(deliverable, typed);
            case FIRST_NUMBER -> firstNumber(deliverable, typed);
            case LOUDNESS -> loudness(deliverable, typed);
            case LOOPS -> loops(deliverable, typed);
            case QUALITY -> Edits.setControl(deliverable.id(), deliverable.settings().codec().control(typed));
            default -> Edits.setRateEverywhere(Rate.parse(typed));
        };
    }
}
