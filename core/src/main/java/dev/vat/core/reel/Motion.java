package dev.vat.core.reel;

import dev.vat.core.time.Rational;
import java.util.List;
import java.util.function.LongUnaryOperator;

/**
 * From each place of an item to what of its taken frames stands there: direction, speed, conform and holds, in exact
 * fractions. Taken frames are counted from 0 in the order of the source.
 */
final class Motion {

    /** Between two taken frames: {@code share} is how much of the next one there is, from 0 to below 1. */
    record Spot(long index, Rational share) {
        static Spot on(long index) {
            return new Spot(index, Rational.ZERO);
        }
    }

    /** After {@code place} moving places, a frame stands for {@code more}. */
    private record Stop(long place, long more) {}

    private final long taken;
    private final Playing playing;
    private final Rational advance;
    private final long moving;
    private final List<Stop> stops;
    private final long count;

    private Motion(long taken, Playing playing, Rational advance, LongUnaryOperator indexOf) {
        this.taken = taken;
        this.playing = playing;
        this.advance = advance;
        this.moving = taken == 0 ? 0 : Math.max(1, Rational.of(taken).dividedBy(advance).round());
        this.stops = playing.holds().stream().map(h -> stop(h, indexOf)).filter(s -> s.place >= 0)
                .sorted((a, b) -> Long.compare(a.place, b.place)).toList();
        this.count = taken == 0 ? 0 : playing.head() + moving + playing.tail() + stops.stream().mapToLong(Stop::more).sum();
    }

    /**
     * @param taken frames that the item takes
     * @param ratio the source's rate over the reel's
     * @param indexOf from a source frame's number to its place among the taken ones, or -1
     */
    static Motion of(long taken, Playing playing, Rational ratio, LongUnaryOperator indexOf) {
        return new Motion(taken, playing, playing.conformInUse().advance(ratio).times(playing.speedInUse()), indexOf);
    }

    long count() {
        return count;
    }

    /** Whether each taken frame stands at one place, in order. */
    boolean isPlain() {
        return advance.equals(Rational.ONE) && !playing.reversed() && count == taken;
    }

    Spot at(long place) {
        if (isPlain()) {
            return Spot.on(place);
        }
        long left = Math.max(0, place - playing.head());
        for (Stop stop : stops) {
            if (left <= stop.place) {
                break;
            }
            left -= Math.min(stop.more, left - stop.place);
        }
        return moved(Math.min(left, moving - 1));
    }

    /** At a place among those that move. */
    private Spot moved(long place) {
        Spot spot = forward(place);
        if (!playing.reversed()) {
            return spot;
        }
        long index = taken - 1 - spot.index();
        return spot.share().signum() == 0 ? Spot.on(index) : new Spot(index - 1, Rational.ONE.minus(spot.share()));
    }

    private Spot forward(long place) {
        Rational at = advance.times(place);
        long last = taken - 1;
        return switch (playing.conformInUse()) {
            case BLEND -> at.compareTo(Rational.of(last)) >= 0 ? Spot.on(last) : new Spot(at.floor(), at.minus(Rational.of(at.floor())));
            case NEAREST -> Spot.on(Math.min(last, at.round()));
            case PULLDOWN_2_3 -> Spot.on(Math.min(last, at.plus(Rational.of(1, 5)).floor()));
            case EVERY, STEP, PULLDOWN_2_2, PULL -> Spot.on(Math.min(last, at.floor()));
        };
    }

    Tally tally() {
        if (isPlain()) {
            return Tally.NONE;
        }
        long doubled = 0;
        long mixed = 0;
        long distinct = 0;
        // Backwards the same frames stand as often.
        long highest = -1;
        boolean wasMixed = false;
        for (long place = 0; place < moving; place++) {
            Spot spot = forward(place);
            boolean isMixed = spot.share().signum() != 0;
            long top = spot.index() + (isMixed ? 1 : 0);
            doubled += !isMixed && !wasMixed && top == highest ? 1 : 0;
            mixed += isMixed ? 1 : 0;
            distinct += Math.min(top - highest, isMixed ? 2 : 1);
            highest = top;
            wasMixed = isMixed;
        }
        return new Tally(doubled, taken - distinct, mixed);
    }

    /** The last moving place at which a held frame stands, or -1 if it never does. */
    private Stop stop(Hold hold, LongUnaryOperator indexOf) {
        long index = indexOf.applyAsLong(hold.number());
        if (index < 0 || index >= taken) {
            return new Stop(-1, 0);
        }
        long low = 0;
        long high = moving - 1;
        while (low < high) {
            long middle = (low + high + 1) >>> 1;
            long there = moved(middle).index();
            if (playing.reversed() ? there >= index : there <= index) {
                low = middle;
            } else {
                high = middle - 1;
            }
        }
        return new Stop(moved(low).index() == index ? low : -1, hold.places());
    }
}
