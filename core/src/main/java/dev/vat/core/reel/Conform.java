package dev.vat.core.reel;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;
import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;
import java.util.Locale;

/**
 * How frames of one rate stand in a reel of another. Frame {@code k} of the reel begins at {@code k * q} frames of the source, where
 * {@code q} is the source's rate over the reel's.
 */
public enum Conform {
    /** Each source frame is one reel frame: nothing is doubled or dropped, and it lasts longer or shorter. */
    EVERY(Words.of(Conform.class).say("everyFramePlaysOnce")),
    /** Keeps time; the frame that begins nearest, the later one of two: the whole number nearest to {@code k * q}. */
    NEAREST(Words.of(Conform.class).say("keepTimeNearestFrame")),
    /** Keeps time; the frame that has begun: {@code k * q} rounded down. */
    STEP(Words.of(Conform.class).say("keepTimeInSteps")),
    /** Keeps time; the two frames around, weighed by how near they are. */
    BLEND(Words.of(Conform.class).say("keepTimeMixed")),
    /**
     * Film at two and three fields each, 2:3, for 24 (or 23.976) in a reel of 59.94 fields: {@code (2k + 1) / 5} rounded down. Woven into
     * frames, that is the 2:3 pull-down of SMPTE RP 197.
     */
    PULLDOWN_2_3("2:3 pull-down"),
    /** Each frame for two fields: {@code k / 2} rounded down. */
    PULLDOWN_2_2("2:2"),
    /** The same frames 0.1 % faster or slower, between 24 and 23.976, 30 and 29.97, 60 and 59.94; sound goes along. */
    PULL("0.1 % speed");

    /** 1001 to 1000. */
    private static final Rational NTSC = Rational.of(1001, 1000);

    private final String title;

    Conform(String title) {
        this.title = title;
    }

    public String title() {
        return title;
    }

    @JsonValue
    String text() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** @throws IllegalArgumentException carrying the text, if there is no such way; it lists those that are */
    @JsonCreator
    public static Conform parse(String text) {
        for (Conform each : values()) {
            if (each.text().equals(text)) {
                return each;
            }
        }
        throw new IllegalArgumentException(Words.of(Conform.class).say("isNoWayToConformEveryNearest", text));
    }

    /** Whether the item lasts as long as its source did, to half a frame. */
    public boolean keepsTime() {
        return this != EVERY && this != PULL;
    }

    /** Whether it can be used. @param ratio the source's rate over the reel's */
    public boolean fits(Rational ratio) {
        return switch (this) {
            case EVERY, NEAREST, STEP, BLEND -> true;
            case PULLDOWN_2_3 -> isAbout(ratio, Rational.of(2, 5));
            case PULLDOWN_2_2 -> isAbout(ratio, Rational.of(1, 2));
            case PULL -> ratio.equals(NTSC) || ratio.equals(NTSC.inverse());
        };
    }

    private static boolean isAbout(Rational ratio, Rational exact) {
        return ratio.equals(exact) || ratio.equals(exact.times(NTSC)) || ratio.equals(exact.dividedBy(NTSC));
    }

    /** Source frames for each reel frame at ordinary speed. @param ratio the source's rate over the reel's */
    Rational advance(Rational ratio) {
        return switch (this) {
            case EVERY, PULL -> Rational.ONE;
            case NEAREST, STEP, BLEND -> ratio;
            case PULLDOWN_2_3 -> Rational.of(2, 5);
            case PULLDOWN_2_2 -> Rational.of(1, 2);
        };
    }
}
