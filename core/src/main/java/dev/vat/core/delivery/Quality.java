package dev.vat.core.delivery;

import dev.vat.core.words.Words;

/**
 * The quality scale of a codec: whole numbers, of which the lower are better.
 *
 * @param best lowest number that may be chosen
 * @param worst highest number that may be chosen
 * @param fine up to here a practised eye sees no difference at 1:1
 * @param good up to here differences are hard to see while it plays
 * @param fair up to here they are seen by whoever looks for them
 */
public record Quality(int best, int worst, int fine, int good, int fair) {

    private static final Words WORDS = Words.of(Quality.class);

    public Quality {
        if (best > fine || fine > good || good > fair || fair > worst) {
            throw new IllegalArgumentException(WORDS.say("aQualityScaleAscends", best, fine, good, fair, worst));
        }
    }

    /** {@code very good} and the like. */
    public String words(int number) {
        return number <= fine ? WORDS.say("veryGood")
                : number <= good ? WORDS.say("good") : number <= fair ? WORDS.say("fair") : WORDS.say("rough");
    }

    /** @throws IllegalArgumentException if the scale doesn't reach that far */
    public int require(int number) {
        if (number < best || number > worst) {
            throw new IllegalArgumentException(WORDS.say("qualityGoesFromBestToNot", best, worst, number));
        }
        return number;
    }
}
