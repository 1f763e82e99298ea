package dev.vat.core.delivery;

import com.fasterxml.jackson.annotation.JsonProperty;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;
import java.util.Locale;
import java.util.Set;

/**
 * How the lines of a frame follow each other. An interlaced frame is woven of two reel frames: every other line is of a moment of its own,
 * so that the file's rate is half the reel's.
 */
public enum Scan {
    @JsonProperty("progressive")
    PROGRESSIVE(Words.of(Scan.class).say("progressive")),
    /** The first, third, fifth line are the earlier ones: high definition. */
    @JsonProperty("top-first")
    TOP_FIRST(Words.of(Scan.class).say("interlacedTopFieldFirst")),
    /** The second, fourth, sixth line are the earlier ones: DV, and standard definition of 525 lines. */
    @JsonProperty("bottom-first")
    BOTTOM_FIRST(Words.of(Scan.class).say("interlacedBottomFieldFirst"));

    /** The rates that broadcasters have for interlaced frames. */
    static final Set<Rate> RATES = Set.of(Rate.FPS_25, Rate.of(30000, 1001));

    private final String title;

    Scan(String title) {
        this.title = title;
    }

    /** {@code progressive}, {@code top} or {@code bottom}. @throws IllegalArgumentException naming what was typed */
    public static Scan parse(String text) {
        return switch (text.strip().toLowerCase(Locale.ROOT)) {
            case "progressive" -> PROGRESSIVE;
            case "top", "top first", "top-first" -> TOP_FIRST;
            case "bottom", "bottom first", "bottom-first" -> BOTTOM_FIRST;
            default -> throw new IllegalArgumentException(Words.of(Scan.class).say("isNoOrderOfLinesWriteProgressive", text));
        };
    }

    public String title() {
        return title;
    }

    public boolean isInterlaced() {
        return this != PROGRESSIVE;
    }

    /** Frames a second of the file. */
    public Rate rate(Rate reel) {
        return isInterlaced() ? new Rate(reel.perSecond().dividedBy(Rational.of(2))) : reel;
    }

    /** Frames of the file; the last moment of an uneven number stands in both fields. */
    public long frames(long reel) {
        return isInterlaced() ? (reel + 1) / 2 : reel;
    }
}
