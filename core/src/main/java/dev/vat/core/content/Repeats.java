package dev.vat.core.content;

import dev.vat.core.words.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;

/**
 * Frames that show the very picture of an earlier one while all around them moves. Drawings that are held, and animation on twos, repeat
 * often or regularly: a repeat that has another one near it is taken as meant.
 */
final class Repeats {

    private static final Words WORDS = Words.of(Repeats.class);

    private static final int NEAR = 6;
    private static final int FEWEST_MOVES = 8;
    /** Below this, pictures are alike because there is nothing to see. */
    private static final float DARK = .01f;
    private static final int SHORTEST_RHYTHM = 3;
    private static final int LONGEST_RHYTHM = 15;
    private static final int LEAST_PERIODS = 4;
    private static final int HELD_LONG = 4;
    /** So seldom a rhythm may be broken. */
    private static final double SELDOM = .1;
    /** How far back a stale picture is looked for. */
    private static final int BACK = 24;

    private Repeats() {}

    static List<ContentFault> in(Series series) {
        List<ContentFault> found = new ArrayList<>();
        Optional<ContentFault> rhythm = rhythm(series);
        if (rhythm.isPresent()) {
            // What comes again in a rhythm is no slip of one frame.
            return List.of(rhythm.get());
        }
        for (int i = 1; i < series.count(); i++) {
            int earlier = series.look(i).flat() || series.look(i).brightness() < DARK ? -1 : twin(series, i);
            if (earlier >= 0 && isAlone(series, i, earlier)) {
                found.add(new ContentFault(ContentFault.Kind.REPEATED, List.of(series.number(i)), series.number(earlier),
                        WORDS.say("theSamePictureAsBitForBit", series.label(earlier))));
            }
        }
        return found;
    }

    /**
     * Pictures that come again in a rhythm: one of so many shows the one before, or each stands for four frames and more. On twos
     * and threes things are drawn as a rule.
     */
    private static Optional<ContentFault> rhythm(Series series) {
        boolean[] again = new boolean[series.count()];
        for (int i = 1; i < again.length; i++) {
            again[i] = series.same(i, i - 1);
        }
        for (int period = SHORTEST_RHYTHM; period <= LONGEST_RHYTHM && (LEAST_PERIODS + 1) * period <= again.length; period++) {
            int[] at = places(again, period);
            boolean held = at.length == period - 1 && period >= HELD_LONG;
            if (at.length == 1 || held) {
                List<Long> frames = IntStream.range(1, again.length).filter(i -> again[i]).mapToObj(series::number).toList();
                return Optional.of(new ContentFault(ContentFault.Kind.CADENCE, frames, null,
                        held ? WORDS.say("eachStandsFor", period) : WORDS.say("oneInComesAgain", period)));
            }
        }
        return Optional.empty();
    }

    /** Where in each period pictures come again; nothing where it isn't so in nearly all of them. */
    private static int[] places(boolean[] again, int period) {
        int[] times = new int[period];
        int[] of = new int[period];
        for (int i = 1; i < again.length; i++) {
            of[i % period]++;
            times[i % period] += again[i] ? 1 : 0;
        }
        for (int i = 0; i < period; i++) {
            if (times[i] > of[i] * SELDOM && times[i] < of[i] * (1 - SELDOM)) {
                return new int[0];
            }
        }
        return IntStream.range(0, period).filter(i -> times[i] >= of[i] * (1 - SELDOM) && times[i] > 0).toArray();
    }

    /** The frame whose picture this one repeats, or -1. */
    private static int twin(Series series, int place) {
        if (series.same(place, place - 1)) {
            return place - 1;
        }
        for (int j = place - 2; j >= Math.max(0, place - BACK); j--) {
            if (series.same(place, j)) {
                boolean cycle = j > 0 && series.same(place - 1, j - 1)
                        || series.has(place + 1) && series.same(place + 1, j + 1);
                return cycle ? -1 : j;
            }
        }
        return -1;
    }

    private static boolean isAlone(Series series, int place, int twin) {
        int moves = 0;
        for (int i = Math.max(1, place - NEAR); i <= Math.min(series.count() - 1, place + NEAR); i++) {
            if (i == place) {
                continue;
            }
            if (series.same(i, i - 1) || i != place && i - 2 >= 0 && series.same(i, i - 2) && i - 2 != twin) {
                return false;
            }
            moves++;
        }
        return moves >= FEWEST_MOVES && !series.hasCut(place - 1, place - 1) && !isPing(series, place, twin);
    }

    /** A picture that goes to and fro shows the same again on its way back: place + 1 is then the twin of twin - 1. */
    private static boolean isPing(Series series, int place, int twin) {
        return twin > 0 && series.has(place + 1) && series.same(place + 1, twin - 1);
    }
}
