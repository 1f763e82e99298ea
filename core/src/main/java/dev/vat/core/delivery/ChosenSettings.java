package dev.vat.core.delivery;

import dev.vat.core.sound.SoundTracks;
import dev.vat.core.words.Words;
import java.util.function.Consumer;

/** What a file is made by: what its column has chosen, and what its target, codec and container usually have in place of the rest. */
final class ChosenSettings {

    private static final Words WORDS = Words.of(ChosenSettings.class);

    private static final long MOST_NUMBER = 999_999_999;
    private static final int MOST_LOOPS = 60_000;

    private ChosenSettings() {}

    static Settings of(Deliverable chosen) {
        Settings wanted = chosen.targetInCatalogue().settings();
        Codec used = chosen.codecInUse();
        RateControl ruled = chosen.control() != null ? chosen.control() : chosen.codec() == null ? wanted.control() : used.usualControl();
        Container stands = chosen.container() == null ? wanted.container() : chosen.container();
        boolean kept = chosen.sound() != null && chosen.sound().containers().contains(stands);
        SoundCodec usual = chosen.container() == null ? wanted.sound() : SoundCodec.usualIn(stands);
        ColourCoding coding = chosen.colour() != null ? ColourCoding.parse(chosen.colour())
                : chosen.codec() == null ? wanted.colour() : null;
        return new Settings(used, stands, ruled, wanted.indexInFront(), chosen.framing() == null ? wanted.framing() : chosen.framing(),
                kept ? chosen.sound() : usual, tracks(chosen, wanted, stands),
                coding,
                chosen.loops() == null ? wanted.loops() : chosen.loops(),
                chosen.effort() == null ? wanted.effort() : chosen.effort(), used.mayChooseGroup() ? chosen.group() : null, null)
                .withIndexInFront(wanted.indexInFront()).withCompression(chosen.compression());
    }

    /** One track where the container has no more. */
    private static SoundTracks tracks(Deliverable chosen, Settings wanted, Container stands) {
        return !stands.carriesSeveralSounds() ? SoundTracks.TOGETHER : chosen.tracks() != null ? chosen.tracks() : wanted.tracks();
    }

    /**
     * Another codec, in the container that the deliverable had if that is legal, else in the first that is; its bits are ruled as is usual
     * for it, and its colours stay if it may have them.
     */
    static Consumer<DeliverableDraft> codec(Deliverable chosen, Codec other) {
        Target wanted = chosen.targetInCatalogue();
        Container now = chosen.container() == null ? wanted.container() : chosen.container();
        Container legal = other.containers().contains(now) ? now : other.containers().stream().sorted().findFirst().orElseThrow();
        boolean kept = chosen.colour() != null
                && ColourCoding.find(chosen.colour()).filter(c -> Legality.against(other, legal, c).isEmpty()).isPresent();
        return d -> {
            d.codec = other.id().equals(wanted.codec().id()) ? null : other.id();
            d.container = legal == wanted.container() ? null : legal;
            d.control = null;
            d.colour = kept ? chosen.colour() : null;
        };
    }

    /** @throws IllegalArgumentException if a picture can't be played that often */
    static Integer loops(Integer times) {
        if (times != null && (times < 0 || times > MOST_LOOPS)) {
            throw new IllegalArgumentException(WORDS.say("aPictureIsPlayedFrom1To", MOST_LOOPS, times));
        }
        return times;
    }

    /** @throws IllegalArgumentException if frames can't be numbered from there on */
    static Long firstNumber(Long number) {
        if (number != null && (number < 0 || number > MOST_NUMBER)) {
            throw new IllegalArgumentException(WORDS.say("framesAreNumberedFrom0To", MOST_NUMBER, number));
        }
        return number;
    }
}
