package dev.vat.core.content;

import dev.vat.core.words.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.LongStream;

/** What is odd at the ends of a sequence: stretches in which nothing moves, and a start that hasn't settled. */
final class Ends {

    private static final Words WORDS = Words.of(Ends.class);

    /** Shorter stretches are a pause, not worth a word. */
    private static final int FEWEST_STILL = 8;
    private static final int FEWEST_UNSETTLED = 5;
    private static final int FEWEST_TO_JUDGE = 30;

    private Ends() {}

    static List<ContentFault> in(Series series) {
        List<ContentFault> found = new ArrayList<>();
        int last = series.count() - 1;
        int head = 0;
        while (head < last && series.same(head + 1, 0)) {
            head++;
        }
        if (head == last) {
            return found;
        }
        if (head + 1 >= FEWEST_STILL) {
            found.add(fault(series, ContentFault.Kind.STILL_HEAD, 0, head, WORDS.say("nothingMovesBefore", series.label(head + 1))));
        }
        int tail = last;
        while (series.same(tail - 1, last)) {
            tail--;
        }
        if (last - tail + 1 >= FEWEST_STILL) {
            found.add(fault(series, ContentFault.Kind.STILL_TAIL, tail, last, WORDS.say("nothingMovesAfter", series.label(tail))));
        }
        unsettled(series, found);
        return found;
    }

    /**
     * A simulation that wasn't run in changes much at first and then less and less, until it keeps a steady pace. A camera
     * that comes to rest looks the same, so that this is a proposal only.
     */
    private static void unsettled(Series series, List<ContentFault> found) {
        if (series.count() < FEWEST_TO_JUDGE) {
            return;
        }
        double[] later = new double[series.count() / 2];
        for (int i = 0; i < later.length; i++) {
            later[i] = series.change(series.count() - later.length + i);
        }
        double steady = Series.median(later);
        double pace = Math.max(1.6 * steady, steady + .15);
        int end = 1;
        while (end < series.count() && series.change(end) > pace) {
            end++;
        }
        int unsettled = end - 1;
        if (unsettled < FEWEST_UNSETTLED || unsettled > series.count() / 2 || hasJump(series)) {
            return;
        }
        double early = mean(series, 1, 1 + unsettled / 3);
        double late = mean(series, end - Math.max(1, unsettled / 3), end);
        // It has to stay calm from there on: a hold amid action is no sign of settling.
        int restless = 0;
        for (int i = end; i < series.count(); i++) {
            restless += series.change(i) > pace ? 1 : 0;
        }
        if (early > 1.25 * late && restless * 20 <= series.count() - end) {
            found.add(fault(series, ContentFault.Kind.UNSETTLED, 0, end - 1,
                    WORDS.say("thePictureChangesByCodes", Words.decimal(series.change(1), 2), Words.decimal(steady, 2),
                            series.label(end))));
        }
    }

    /** What comes after another shot says nothing of how the first one settles. */
    private static boolean hasJump(Series series) {
        for (int i = 1; i < series.count(); i++) {
            if (series.isJump(i)) {
                return true;
            }
        }
        return false;
    }

    private static double mean(Series series, int from, int to) {
        double sum = 0;
        for (int i = from; i < to; i++) {
            sum += series.change(i);
        }
        return sum / Math.max(1, to - from);
    }

    private static ContentFault fault(Series series, ContentFault.Kind kind, int from, int to, String evidence) {
        return new ContentFault(kind, LongStream.rangeClosed(from, to).map(i -> series.number((int) i)).boxed().toList(),
                null, evidence);
    }
}
