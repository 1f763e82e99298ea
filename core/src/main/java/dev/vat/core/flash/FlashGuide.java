package dev.vat.core.flash;

import dev.vat.core.words.Words;

/**
 * The figures of the published guideline on flashing pictures, Recommendation ITU-R BT.1702, in one place. They were written down without
 * the text at hand: until somebody has held each against it, what is found by them is a note, and nothing found is no pass.
 */
public final class FlashGuide {

    private static final Words WORDS = Words.of(FlashGuide.class);

    /** A change between neighbouring extremes of this many cd/m2 or more counts. Annex 1, on luminance flashes; to be verified. */
    static final double LEAST_STEP = 20;

    /** It counts only if the darker of the two is below this, in cd/m2. Annex 1, likewise; to be verified. */
    static final double DARKER_BELOW = 160;

    /** Flashes count where those of one moment cover more than this share of the picture. Annex 1, on area; to be verified. */
    static final double LEAST_AREA = .25;

    /** More flashes than this within a second are too many; a flash is two opposing changes. Annex 1, on frequency; to be verified. */
    static final int MOST_FLASHES = 3;

    /** What a display of the guideline's kind gives for white, in cd/m2; to be verified. */
    static final double WHITE = 200;

    /** Its curve, that of ITU-R BT.1886. */
    static final double GAMMA = 2.4;

    /** Red is saturated where it makes up this share of all three; to be verified. */
    static final double RED_SHARE = .8;

    /** Said with whatever is found. */
    public static final String CAVEAT = WORDS.say("byTheFiguresOfITURBT1702");

    private FlashGuide() {}

    /** What a display shows for a display-coded luma of full range, in cd/m2. */
    static double luminance(int luma) {
        return WHITE * Math.pow(luma / 255.0, GAMMA);
    }
}
