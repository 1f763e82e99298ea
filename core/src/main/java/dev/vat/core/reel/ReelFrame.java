package dev.vat.core.reel;

import dev.vat.core.time.Rational;

/**
 * What stands at one place of a reel.
 *
 * @param item which item of the reel it belongs to, from 0
 * @param wanted the source frame number that belongs here
 * @param content what is shown: the frame itself, another one in its place, a mixture, or a card
 */
public record ReelFrame(int item, long wanted, Content content) {

    /** What fills a place. */
    public sealed interface Content { }

    /** A frame of the item's source. */
    public record SourceFrame(long number) implements Content { }

    /** Two frames mixed: {@code share} is how much of {@code after} there is, from 0 to 1. */
    public record Blend(long before, long after, Rational share) implements Content { }

    /** A card in place of a frame that can't be used, with the reason in words. */
    public record Card(String reason) implements Content { }

    /** Whether something else stands where the wanted frame should. */
    public boolean isFill() {
        return !(content instanceof SourceFrame(long number) && number == wanted);
    }
}
