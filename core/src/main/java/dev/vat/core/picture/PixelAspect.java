package dev.vat.core.picture;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;
import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;

/** Width of a pixel divided by its height, exactly; 1:1 is square, 16:15 is wide. */
public record PixelAspect(Rational ratio) {

    private static final Words WORDS = Words.of(PixelAspect.class);

    public static final PixelAspect SQUARE = new PixelAspect(Rational.ONE);

    public PixelAspect {
        if (ratio.signum() <= 0) {
            throw new IllegalArgumentException(WORDS.say("aPixelAspectMustBeAbove", ratio));
        }
    }

    /** A pixel's width to its height: 16 to 15 for PAL at 4:3. @throws IllegalArgumentException if either isn't positive */
    public static PixelAspect of(long width, long height) {
        return new PixelAspect(Rational.of(width, height));
    }

    /** Reads {@code 16:15}, {@code 16/15} or {@code 1.0667}. @throws IllegalArgumentException carrying the text, if it is none */
    @JsonCreator
    public static PixelAspect parse(String text) {
        return new PixelAspect(Rational.parse(text));
    }

    /** Display aspect = width x pixel aspect / height. */
    public Rational displayAspect(Size stored) {
        return ratio.times(Rational.of(stored.width(), stored.height()));
    }

    /** The square-pixel size that shows the same shape at the stored height. */
    public Size seen(Size stored) {
        return Size.of(Math.toIntExact(Math.max(1, ratio.times(stored.width()).round())), stored.height());
    }

    public boolean isSquare() {
        return ratio.equals(Rational.ONE);
    }

    @JsonValue
    @Override
    public String toString() {
        return ratio.numerator() + ":" + ratio.denominator();
    }
}
