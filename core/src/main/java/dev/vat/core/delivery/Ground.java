package dev.vat.core.delivery;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;
import dev.vat.core.picture.Rgb;
import dev.vat.core.words.Words;
import java.nio.file.Path;
import java.util.Locale;

/** What shows where a source is transparent and the file can't be: one colour, a checker, or a picture. */
public sealed interface Ground {

    Ground BLACK = new Colour(Rgb.BLACK);
    Ground CHECKER = new Checker();

    /** How a ground that is a picture begins as text. */
    String PICTURE = "picture ";

    /** One colour everywhere. */
    record Colour(Rgb colour) implements Ground {
        @JsonValue
        @Override
        public String toString() {
            return colour.toString();
        }

        @Override
        public String words() {
            return colour.equals(Rgb.BLACK) ? Words.of(Ground.class).say("black")
                    : colour.equals(Rgb.WHITE) ? Words.of(Ground.class).say("white") : "#" + colour;
        }
    }

    /** Two greys in squares, as tall as a thirtieth of the picture: it says "transparent" to everybody who looks. */
    record Checker() implements Ground {
        @JsonValue
        @Override
        public String toString() {
            return "checker";
        }

        @Override
        public String words() {
            return Words.of(Ground.class).say("aChecker");
        }
    }

    /** A still, which is scaled so that it covers the whole frame; what sticks out is cut off evenly. @param path absolute */
    record Still(String path) implements Ground {
        public Still {
            if (!Path.of(path).isAbsolute()) {
                throw new IllegalArgumentException(Words.of(Ground.class).say("thePictureBehindNeedsIts", path));
            }
        }

        @JsonValue
        @Override
        public String toString() {
            return PICTURE + path;
        }

        @Override
        public String words() {
            return Path.of(path).getFileName().toString();
        }
    }

    /** In words that go on from {@code flattened on}. */
    String words();

    /** @throws IllegalArgumentException saying what may be written */
    @JsonCreator
    static Ground parse(String text) {
        String typed = text.strip();
        if (typed.equalsIgnoreCase("checker") || typed.equalsIgnoreCase("a checker")) {
            return CHECKER;
        }
        if (typed.toLowerCase(Locale.ROOT).startsWith(PICTURE)) {
            return new Still(typed.substring(PICTURE.length()).strip());
        }
        if (typed.equalsIgnoreCase("black") || typed.equalsIgnoreCase("white")) {
            return new Colour(typed.equalsIgnoreCase("black") ? Rgb.BLACK : Rgb.WHITE);
        }
        try {
            return new Colour(Rgb.parse(typed));
        } catch (IllegalArgumentException e) {
            throw new IllegalArgumentException(Words.of(Ground.class).say("isNothingToLayUnderWrite", text), e);
        }
    }
}
