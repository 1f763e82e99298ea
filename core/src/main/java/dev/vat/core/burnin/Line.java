package dev.vat.core.burnin;

import dev.vat.core.words.Words;

/**
 * One line of a burn-in.
 *
 * @param size of the letters, in percent of the picture's height, from 1 to 40
 * @param ground how much of the picture is darkened away behind them, in percent: 0 for nothing, 100 for black
 */
public record Line(Wording words, Spot at, double size, int ground) {

    private static final Words WORDS = Words.of(Line.class);

    private static final double USUAL = 4;
    private static final int HALF_DARK = 55;
    private static final double SMALLEST = 1;
    private static final double LARGEST = 40;

    public Line {
        if (!(size >= SMALLEST && size <= LARGEST)) {
            throw new IllegalArgumentException(WORDS.say("lettersAreFrom1To40Percent", size));
        }
        if (ground < 0 || ground > 100) {
            throw new IllegalArgumentException(WORDS.say("aGroundIsFrom0To100Percent", ground));
        }
    }

    public static Line of(Wording words, Spot at) {
        return new Line(words, at, USUAL, HALF_DARK);
    }

    /** {@code {source} {frame}@bottom-left}; without a place it stands at the bottom left. */
    public static Line parse(String text) {
        int at = text.lastIndexOf('@');
        return at < 0 ? of(Wording.parse(text), Spot.BOTTOM_LEFT)
                : of(Wording.parse(text.substring(0, at)), Spot.parse(text.substring(at + 1)));
    }

    public Line withWords(Wording other) {
        return new Line(other, at, size, ground);
    }

    public Line withSpot(Spot other) {
        return new Line(words, other, size, ground);
    }

    public Line withSize(double percent) {
        return new Line(words, at, percent, ground);
    }

    public Line withGround(int percent) {
        return new Line(words, at, size, percent);
    }
}
