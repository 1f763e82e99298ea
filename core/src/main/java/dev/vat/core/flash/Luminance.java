package dev.vat.core.flash;

import dev.vat.core.words.Words;

/**
 * How bright and how red the parts of a picture are, in a grid of cells from the upper left, row after row.
 *
 * @param luma display-coded Y' of BT.709, full range, 0 to 255
 * @param red its Cr, full range, 128 where there is no more red than green
 */
public record Luminance(byte[] luma, byte[] red) {

    private static final Words WORDS = Words.of(Luminance.class);

    public static final int COLUMNS = 32;
    public static final int ROWS = 18;
    public static final int CELLS = COLUMNS * ROWS;

    public Luminance {
        if (luma.length != CELLS || red.length != CELLS) {
            throw new IllegalArgumentException(WORDS.say("aPictureHasCellsNotAnd", CELLS, luma.length, red.length));
        }
    }

    int luma(int cell) {
        return luma[cell] & 0xff;
    }

    int red(int cell) {
        return red[cell] & 0xff;
    }
}
