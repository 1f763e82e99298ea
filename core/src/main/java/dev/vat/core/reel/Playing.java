package dev.vat.core.reel;

import com.fasterxml.jackson.annotation.JsonIgnore;
import com.fasterxml.jackson.annotation.JsonInclude;
import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * In which direction, how fast, and with which frames held an item plays.
 *
 * @param speed how many times as fast as it was, above 0; null for once
 * @param conform null for {@link Conform#EVERY}
 * @param head places for which the first frame stands before anything moves
 * @param tail places for which the last one stands at the end
 * @param holds of frames between, by their numbers
 */
@JsonInclude(JsonInclude.Include.NON_DEFAULT)
public record Playing(boolean reversed, Rational speed, Conform conform, long head, long tail, List<Hold> holds) {

    private static final Words WORDS = Words.of(Playing.class);

    public static final Playing PLAIN = new Playing(false, null, null, 0, 0, List.of());

    private static final Rational SLOWEST = Rational.of(1, 1000);
    private static final Rational FASTEST = Rational.of(1000);
    private static final long MOST_PLACES = 1_000_000;

    public Playing {
        if (speed != null && (speed.compareTo(SLOWEST) < 0 || speed.compareTo(FASTEST) > 0)) {
            throw new IllegalArgumentException(WORDS.say("aSpeedGoesFrom11000To1000", speed));
        }
        speed = Rational.ONE.equals(speed) ? null : speed;
        conform = conform == Conform.EVERY ? null : conform;
        requirePlaces(head);
        requirePlaces(tail);
        holds = holds == null ? List.of()
                : holds.stream().filter(h -> h.places() > 0).sorted(Comparator.comparingLong(Hold::number)).toList();
    }

    static void requirePlaces(long places) {
        if (places < 0 || places > MOST_PLACES) {
            throw new IllegalArgumentException(WORDS.say("aFrameIsHeldFor0ToFrames", MOST_PLACES, places));
        }
    }

    public Playing withReversed(boolean other) {
        return new Playing(other, speed, conform, head, tail, holds);
    }

    public Playing withSpeed(Rational other) {
        return new Playing(reversed, other, conform, head, tail, holds);
    }

    public Playing withConform(Conform other) {
        return new Playing(reversed, speed, other, head, tail, holds);
    }

    public Playing withHead(long places) {
        return new Playing(reversed, speed, conform, places, tail, holds);
    }

    public Playing withTail(long places) {
        return new Playing(reversed, speed, conform, head, places, holds);
    }

    /** @param places 0 for no longer than it would stand anyway */
    public Playing withHold(long number, long places) {
        List<Hold> others = new ArrayList<>(holds);
        others.removeIf(h -> h.number() == number);
        others.add(new Hold(number, places));
        return new Playing(reversed, speed, conform, head, tail, others);
    }

    @JsonIgnore
    public Rational speedInUse() {
        return speed == null ? Rational.ONE : speed;
    }

    @JsonIgnore
    public Conform conformInUse() {
        return conform == null ? Conform.EVERY : conform;
    }

    /** Whether every frame stands once, in its order. */
    @JsonIgnore
    public boolean isPlain() {
        return equals(PLAIN);
    }
}
