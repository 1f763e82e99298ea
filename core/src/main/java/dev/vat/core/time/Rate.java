package dev.vat.core.time;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;
import dev.vat.core.words.Words;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;

/**
 * Frames per second as an exact fraction: 25, 24000/1001, 30000/1001.
 *
 * <p>The rounded decimals that the trade writes for the 1001 family (23.976, 29.97, 59.94 and their neighbours) are read
 * as the fractions they stand for.
 */
public record Rate(Rational perSecond) implements Comparable<Rate> {

    private static final Words WORDS = Words.of(Rate.class);

    // These two come first: every rate is held against them.
    private static final Rational HIGHEST = Rational.of(480);
    private static final Rational LOWEST = Rational.of(1, 60);

    public static final Rate FPS_25 = Rate.of(25);

    /** The rates that are offered as buttons, in ascending order. */
    public static final List<Rate> USUAL = List.of(Rate.of(24000, 1001), Rate.of(24), Rate.of(25),
            Rate.of(30000, 1001), Rate.of(30), Rate.of(50), Rate.of(60000, 1001), Rate.of(60));

    private static final Map<String, Rate> ROUNDED = Map.of(
            "23.976", Rate.of(24000, 1001), "23.98", Rate.of(24000, 1001), "29.97", Rate.of(30000, 1001),
            "47.952", Rate.of(48000, 1001), "47.95", Rate.of(48000, 1001), "59.94", Rate.of(60000, 1001),
            "119.88", Rate.of(120000, 1001));

    private static final List<Rate> PUBLISHED = Stream.concat(USUAL.stream(), Stream.of(Rate.of(48000, 1001), Rate.of(48), Rate.of(100),
            Rate.of(120000, 1001), Rate.of(120))).toList();

    public Rate {
        if (perSecond.compareTo(LOWEST) < 0 || perSecond.compareTo(HIGHEST) > 0) {
            throw new IllegalArgumentException(
                    WORDS.say("aRateMustBeFrom160To480", perSecond.toDecimal(3)));
        }
    }

    /** A whole rate. @throws IllegalArgumentException if it is above 480 or not positive */
    public static Rate of(long framesPerSecond) {
        return new Rate(Rational.of(framesPerSecond));
    }

    /** Frames per second as a fraction. @throws IllegalArgumentException outside of 1/60 to 480 */
    public static Rate of(long numerator, long denominator) {
        return new Rate(Rational.of(numerator, denominator));
    }

    /** Reads {@code 25}, {@code 24000/1001}, {@code 12.5}; a comma is a decimal point too. */
    @JsonCreator
    public static Rate parse(String text) {
        String plain = text.strip().replace(',', '.');
        Rate rounded = ROUNDED.get(plain);
        if (rounded != null) {
            return rounded;
        }
        try {
            return new Rate(Rational.parse(plain));
        } catch (IllegalArgumentException e) {
            throw new IllegalArgumentException(
                    WORDS.say("isNotARateWrite25240001001", text, e.getMessage()), e);
        }
    }

    /**
     * The published rate whose frames last as long to the nanosecond, or else this one. Matroska counts frame lengths in whole nanoseconds,
     * and readers make fractions of these that nobody meant: 19001/317 for 60000/1001.
     */
    public Rate toNanosecond() {
        double length = 1e9 / perSecond.toDouble();
        return PUBLISHED.stream().filter(p -> Math.abs(1e9 / p.perSecond.toDouble() - length) <= 1).findFirst().orElse(this);
    }

    /** How long {@code frames} frames last, in seconds. */
    public Rational seconds(long frames) {
        return Rational.of(frames).dividedBy(perSecond);
    }

    /** Frames that timecode counts in a second: 30 for 30000/1001. */
    public int timecodeBase() {
        return Math
                .toIntExact(Math.max(1, Math.floorDiv(2 * perSecond.numerator() + perSecond.denominator(), 2 * perSecond.denominator())));
    }

    /** Drop-frame timecode is defined for 30000/1001 and 60000/1001 only (SMPTE ST 12-1). */
    public boolean allowsDropFrame() {
        return perSecond.denominator() == 1001 && (perSecond.numerator() == 30000 || perSecond.numerator() == 60000);
    }

    /** As people write it: {@code 25}, {@code 23.976}, {@code 29.97}. */
    public String label() {
        return perSecond.toDecimal(3);
    }

    @Override
    public int compareTo(Rate other) {
        return perSecond.compareTo(other.perSecond);
    }

    /** The exact text that {@link #parse} reads back. */
    @JsonValue
    @Override
    public String toString() {
        return perSecond.toString();
    }
}
