package dev.vat.core.picture;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;
import dev.vat.core.words.Words;

/** Stored width and height in pixels, each from 1 to 32768. */
public record Size(int width, int height) {

    private static final Words WORDS = Words.of(Size.class);

    public static final int MAX = 32768;

    public Size {
        if (width < 1 || height < 1 || width > MAX || height > MAX) {
            throw new IllegalArgumentException(WORDS.say("aPictureMustBeFrom1x1To", width, height));
        }
    }

    /** In stored pixels. @throws IllegalArgumentException outside of what a picture can have */
    public static Size of(int width, int height) {
        return new Size(width, height);
    }

    /** Reads {@code 1920x1080}. @throws IllegalArgumentException carrying the text, if it is no size */
    @JsonCreator
    public static Size parse(String text) {
        String[] halves = text.strip().split("x", -1);
        if (halves.length != 2) {
            throw new IllegalArgumentException(WORDS.say("notASizeSuchAs1920x1080", text));
        }
        return of(Integer.parseInt(halves[0].strip()), Integer.parseInt(halves[1].strip()));
    }

    /** The largest size inside this one whose width and height are multiples of the given ones. */
    public Size downTo(int widthStep, int heightStep) {
        return of(Math.max(widthStep, width - width % widthStep), Math.max(heightStep, height - height % heightStep));
    }

    public long pixels() {
        return (long) width * height;
    }

    @JsonValue
    @Override
    public String toString() {
        return width + "x" + height;
    }
}
