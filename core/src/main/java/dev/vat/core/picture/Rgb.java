package dev.vat.core.picture;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;
import dev.vat.core.words.Words;

/** A display-coded colour, eight bits each, written as six hexadecimal digits RRGGBB. */
public record Rgb(int red, int green, int blue) {

    private static final Words WORDS = Words.of(Rgb.class);

    public static final Rgb BLACK = new Rgb(0, 0, 0);
    public static final Rgb WHITE = new Rgb(255, 255, 255);

    public Rgb {
        if ((red | green | blue) < 0 || red > 255 || green > 255 || blue > 255) {
            throw new IllegalArgumentException(WORDS.say("colourValuesGoFrom0To255", red, green, blue));
        }
    }

    /**
     * Reads six hexadecimal digits, two each for red, green and blue, with or without {@code #}.
     *
     * @throws IllegalArgumentException carrying the text, if it is none
     */
    @JsonCreator
    public static Rgb parse(String text) {
        String digits = text.strip().replaceFirst("^#", "");
        if (!digits.matches("[0-9a-fA-F]{6}")) {
            throw new IllegalArgumentException(WORDS.say("isNotAColourWriteSixHexadecimal", text));
        }
        int value = Integer.parseInt(digits, 16);
        return new Rgb(value >> 16, value >> 8 & 255, value & 255);
    }

    @JsonValue
    @Override
    public String toString() {
        return "%02X%02X%02X".formatted(red, green, blue);
    }
}
