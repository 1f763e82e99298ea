package dev.vat.core.delivery;

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

    public Quality {
        if (best > fine || fine > good || good > fair || fair > worst) {
            throw new IllegalArgumentException("A quality scale ascends: " + best + ", " + fine + ", " + good + ", " + fair + ", " + worst);
        }
    }

    /** {@code very good} and the like. */
    public String words(int number) {
        return number <= fine ? "very good" : number <= good ? "good" : number <= fair ? "fair" : "rough";
    }

    /** @throws IllegalArgumentException if the scale doesn't reach that far */
    public int require(int number) {
        if (number < best || number > worst) {
            throw new IllegalArgumentException("Quality goes from " + best + " (best) to " + worst + ", not " + number);
        }
        return number;
    }
}
