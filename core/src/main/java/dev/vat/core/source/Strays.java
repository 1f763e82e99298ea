package dev.vat.core.source;

import dev.vat.core.time.FrameRange;
import java.util.Optional;

/**
 * A few frames at one end of a sequence that seem to be numbered wrongly: by one digit they would go on where the others end.
 *
 * @param frames their numbers, without a hole
 * @param like what the first of them would be called
 * @param others the numbers of all other frames, from the first to the last
 */
public record Strays(FrameRange frames, long like, FrameRange others) {

    /** So many times as many as the strays all others must be. */
    private static final int FEW = 4;

    public static Optional<Strays> in(Sequence sequence) {
        return sequence.pattern().isSingle() ? Optional.empty() : behind(sequence).or(() -> before(sequence));
    }

    private static Optional<Strays> behind(Sequence sequence) {
        int start = sequence.count() - 1;
        while (start > 0 && sequence.number(start) - sequence.number(start - 1) == sequence.step()) {
            start--;
        }
        if (start == 0) {
            return Optional.empty();
        }
        FrameRange others = FrameRange.of(sequence.first(), sequence.number(start - 1));
        return of(sequence, start, sequence.count() - start, others.last() + sequence.step(), others);
    }

    private static Optional<Strays> before(Sequence sequence) {
        int end = 1;
        while (end < sequence.count() && sequence.number(end) - sequence.number(end - 1) == sequence.step()) {
            end++;
        }
        if (end == sequence.count()) {
            return Optional.empty();
        }
        FrameRange others = FrameRange.of(sequence.number(end), sequence.last());
        return of(sequence, 0, end, others.first() - end * sequence.step(), others);
    }

    /** @param like where the first of them would stand */
    private static Optional<Strays> of(Sequence sequence, int start, int count, long like, FrameRange others) {
        FrameRange frames = FrameRange.of(sequence.number(start), sequence.number(start + count - 1));
        long hole = Math.abs(like - frames.first()) / sequence.step();
        boolean few = (long) count * FEW <= sequence.count() - count && count < hole;
        return few && areOneDigitApart(sequence.pattern().number(frames.first()), sequence.pattern().number(like))
                ? Optional.of(new Strays(frames, like, others)) : Optional.empty();
    }

    private static boolean areOneDigitApart(String one, String other) {
        int differ = 0;
        for (int i = 0; i < one.length() && one.length() == other.length(); i++) {
            differ += one.charAt(i) == other.charAt(i) ? 0 : 1;
        }
        return differ == 1;
    }
}
