package dev.vat.core.burnin;

import dev.vat.core.words.Words;
import java.util.Arrays;
import java.util.Locale;
import java.util.stream.Collectors;

/** Nine points of the title-safe area, which keeps five percent clear on each side (Recommendation EBU R 95). */
public enum Spot {
    TOP_LEFT, TOP, TOP_RIGHT, LEFT, MIDDLE, RIGHT, BOTTOM_LEFT, BOTTOM, BOTTOM_RIGHT;

    /** How much of a picture's width and height stays clear on each side. */
    public static final double CLEAR = .05;

    private static final int ACROSS = 3;

    /** @param text such as {@code bottom-left} */
    public static Spot parse(String text) {
        return Arrays.stream(values()).filter(s -> s.id().equals(text.strip().replace(' ', '-'))).findFirst()
                .orElseThrow(() -> new IllegalArgumentException(Words.of(Spot.class).say("isNoPlaceThereAre", text.strip(),
                        Arrays.stream(values()).map(Spot::id).collect(Collectors.joining(", ")))));
    }

    /** From 0, the left, over one half to 1. */
    public double across() {
        return ordinal() % ACROSS / 2.;
    }

    /** From 0, the top, over one half to 1. */
    public double down() {
        return ordinal() / ACROSS / 2.;
    }

    /** As it is typed: {@code bottom-left}. */
    public String id() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    public String title() {
        return Words.of(Spot.class).say(name().toLowerCase(Locale.ROOT));
    }
}
