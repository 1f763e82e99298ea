package dev.vat.core.source;

import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/**
 * When the frames of a movie are shown, and what that makes of it as frames at one rate. Where they stand evenly each counts once. Where
 * they don't, they are counted on a grid of the rate that most of them keep: each is shown from its own time until the next one's, so that
 * the movie stays in time with its sound. Times are in seconds from the first frame; differences below a millisecond, or below what the
 * file can say, are rounding.
 */
public final class FrameTimes {

    private static final List<Rate> PUBLISHED = Stream.concat(Rate.USUAL.stream(), Stream.of(Rate.of(12), Rate.of(15), Rate.of(10),
            Rate.of(48_000, 1001), Rate.of(48), Rate.of(100), Rate.of(120_000, 1001), Rate.of(120), Rate.of(240))).toList();
    /** What most spacings come to is taken for a published rate if it is as near as this. */
    private static final double NEAR = .03;
    private static final double MILLISECOND = .001;
    /** A clip of variable rate isn't counted finer than this: what comes quicker can't be told apart by eye. */
    private static final double FINEST = 120;
    private static final Rate UNKNOWN = Rate.FPS_25;
    /** A time that makes a movie longer than this, most of it one frame, is a broken one: each frame counts once then. */
    private static final double MOST_PLACES = 2_000_000;

    private final double[] seconds;
    private final double end;
    private final double rounding;
    private final Rate rate;
    /** Which frame stands at each place of the grid; null where they stand evenly. */
    private final int[] places;

    private FrameTimes(double[] seconds, double end, double rounding, Rate rate, boolean even) {
        this.seconds = seconds;
        this.end = end;
        this.rounding = rounding;
        this.rate = rate;
        this.places = even ? null : grid();
    }

    /**
     * @param ticks when each frame is shown, ascending
     * @param last how long the last one is shown, in ticks; 0 if nobody says it
     * @param tick seconds of one
     * @param stated the rate that the file states, or null; it is believed only if the times bear it out
     */
    public static FrameTimes of(long[] ticks, long last, Rational tick, Rate stated) {
        double each = tick.toDouble();
        double[] seconds = new double[ticks.length];
        for (int i = 0; i < ticks.length; i++) {
            seconds[i] = (ticks[i] - ticks[0]) * each;
        }
        double rounding = Math.max(MILLISECOND, each) * 1.01;
        if (ticks.length < 2) {
            return new FrameTimes(seconds, 0, rounding, stated == null ? UNKNOWN : stated, true);
        }
        double end = seconds[ticks.length - 1] + last * each;
        Rate even = even(ticks, tick, seconds, stated, rounding);
        return even != null ? new FrameTimes(seconds, end, rounding, even, true)
                : new FrameTimes(seconds, end, rounding, usual(seconds, each), false);
    }

    /** The rate that all frames keep, or null. */
    private static Rate even(long[] ticks, Rational tick, double[] seconds, Rate stated, double rounding) {
        int gaps = ticks.length - 1;
        double mean = gaps / seconds[gaps];
        if (!(mean > 1.0 / 60 && mean < 480)) {
            return null;
        }
        Stream<Rate> first = stated == null ? Stream.of() : Stream.of(stated);
        Stream<Rate> published = PUBLISHED.stream().sorted(Comparator.comparingDouble(r -> Math.abs(r.perSecond().toDouble() - mean)));
        // One that is the file's own to the tick: where ticks are fine, nothing else comes as near.
        Stream<Rate> own = Stream.of(new Rate(Rational.of(gaps).dividedBy(tick.times(ticks[gaps] - ticks[0]))).toNanosecond());
        boolean toTheTick = tick.toDouble() < MILLISECOND / 2 && allAlike(ticks);
        return Stream.of(toTheTick ? own : first, toTheTick ? first : published, toTheTick ? published : own).flatMap(s -> s)
                .filter(r -> keeps(seconds, r, rounding)).findFirst().orElse(null);
    }

    private static boolean allAlike(long[] ticks) {
        for (int i = 2; i < ticks.length; i++) {
            if (ticks[i] - ticks[i - 1] != ticks[1] - ticks[0]) {
                return false;
            }
        }
        return true;
    }

    private static boolean keeps(double[] seconds, Rate rate, double rounding) {
        double each = 1 / rate.perSecond().toDouble();
        for (int i = 0; i < seconds.length; i++) {
            if (Math.abs(seconds[i] - i * each) > rounding) {
                return false;
            }
        }
        return true;
    }

    /** The rate that half of all spacings keep. */
    private static Rate usual(double[] seconds, double tick) {
        double[] spacings = new double[seconds.length - 1];
        for (int i = 0; i < spacings.length; i++) {
            spacings[i] = seconds[i + 1] - seconds[i];
        }
        Arrays.sort(spacings);
        double median = Math.max(spacings[spacings.length / 2], 1 / FINEST);
        // In whole ticks half a tick is lost either way, so that coarse ones allow more.
        double near = Math.max(NEAR, tick / median);
        return PUBLISHED.stream().filter(r -> Math.abs(r.perSecond().toDouble() * median - 1) <= near)
                .min(Comparator.comparingDouble(r -> Math.abs(r.perSecond().toDouble() * median - 1)))
                .orElseGet(() -> new Rate(Rational.of(Math.max(17, Math.round(1000 / median)), 1000)));
    }

    private int[] grid() {
        double each = 1 / rate.perSecond().toDouble();
        double lasts = Math.max(end, seconds[seconds.length - 1] + each);
        if (lasts / each > Math.max(MOST_PLACES, seconds.length)) {
            return IntStream.range(0, seconds.length).toArray();
        }
        int[] found = new int[Math.clamp(Math.round(lasts / each), 1, Integer.MAX_VALUE - 8)];
        int frame = 0;
        for (int place = 0; place < found.length; place++) {
            // A frame that comes a little late still stands at the place that it is meant for.
            double until = place * each + each / 4 + rounding;
            while (frame + 1 < seconds.length && seconds[frame + 1] <= until) {
                frame++;
            }
            found[place] = frame;
        }
        return found;
    }

    public Rate rate() {
        return rate;
    }

    /** How many frames it has at that rate. */
    public int count() {
        return places == null ? seconds.length : places.length;
    }

    /** Which of the frames, in the order of showing, stands at a place. */
    public int at(int place) {
        return places == null ? place : places[place];
    }

    /** What isn't even about them; empty if nothing is. */
    public Optional<ClipFacts.Uneven> uneven() {
        if (places == null) {
            return Optional.empty();
        }
        double even = 1 / rate.perSecond().toDouble();
        double shortest = Double.MAX_VALUE;
        double longest = 0;
        long off = 0;
        for (int i = 0; i + 1 < seconds.length; i++) {
            double spacing = seconds[i + 1] - seconds[i];
            shortest = Math.min(shortest, spacing);
            longest = Math.max(longest, spacing);
            off += Math.abs(spacing - even) > 2 * rounding ? 1 : 0;
        }
        long shown = Arrays.stream(places).distinct().count();
        return Optional.of(new ClipFacts.Uneven(microseconds(shortest), microseconds(longest), off, seconds.length - shown));
    }

    private static Rational microseconds(double seconds) {
        return Rational.of(Math.round(seconds * 1e6), 1_000_000);
    }
}
