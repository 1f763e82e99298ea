package dev.vat.core.reel;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonValue;
import dev.vat.core.picture.Rgb;
import dev.vat.core.words.Words;
import java.util.Locale;

/**
 * How an item begins, if not with a cut.
 *
 * @param frames how long it takes, in reel frames
 * @param colour of a dip; null for black
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record Joint(Kind kind, long frames, Rgb colour) {

    private static final Words WORDS = Words.of(Joint.class);

    /** What joins two items. */
    public enum Kind {
        /** The end of the item before and the start of this one lie over each other: the reel is shorter by these frames. */
        DISSOLVE(Words.of(Joint.class).say("dissolve")),
        /** The item before goes into a colour, and this one comes out of it; nothing overlaps. */
        DIP(Words.of(Joint.class).say("dip"));

        private final String title;

        Kind(String title) {
            this.title = title;
        }

        public String title() {
            return title;
        }

        @JsonValue
        String text() {
            return name().toLowerCase(Locale.ROOT);
        }

        @JsonCreator
        static Kind parse(String text) {
            return valueOf(text.toUpperCase(Locale.ROOT));
        }
    }

    public Joint {
        if (frames < 1 || frames > 100_000) {
            throw new IllegalArgumentException(WORDS.say("aTakes1To100000FramesNot", kind.title, frames));
        }
    }

    public static Joint dissolve(long frames) {
        return new Joint(Kind.DISSOLVE, frames, null);
    }

    public static Joint dip(long frames, Rgb colour) {
        return new Joint(Kind.DIP, frames, colour);
    }

    Rgb colourInUse() {
        return colour == null ? Rgb.BLACK : colour;
    }

    public String words() {
        return kind.title + " " + frames + (colour == null || kind == Kind.DISSOLVE ? "" : WORDS.say("through", colour));
    }
}
