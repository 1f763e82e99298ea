package dev.vat.core.layout;

import dev.vat.core.picture.Rgb;
import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;

/** A line around a view, inside of its box. @param width in percent of the whole picture's height, up to 10 */
public record Border(Rational width, Rgb colour) {

    private static final Words WORDS = Words.of(Border.class);

    private static final Rational WIDEST = Rational.of(10);

    public Border {
        if (width.signum() <= 0 || width.compareTo(WIDEST) > 0) {
            throw new IllegalArgumentException(WORDS.say("aBorderIsUpTo10PercentOf", width));
        }
    }

    /** In whole pixels, at least one. */
    public int pixels(int height) {
        return Math.toIntExact(Math.max(1, width.times(height).dividedBy(Rational.of(100)).round()));
    }
}
