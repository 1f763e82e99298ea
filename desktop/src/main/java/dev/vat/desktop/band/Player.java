package dev.vat.desktop.band;

import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;

/**
 * Which place is due when: playing in real time drops what comes too late, in every-frame mode it waits. Times come from
 * outside, so that nothing here knows a clock.
 */
public final class Player {

    /** How many times faster than real time it shuttles at most. */
    private static final int FASTEST = 16;

    private FrameTrack strip;
    private long place;
    private long loopFirst = -1;
    private long loopLast = -1;
    private boolean playing;
    private boolean loop = true;
    private boolean everyFrame;
    private Rational speed = Rational.ONE;
    private boolean backwards;
    private long startNanos;
    private long startPlace;
    private long dropped;

    /** The same strip with fewer or more places goes on where it is; another one begins at its start. */
    public void setStrip(FrameTrack other) {
        boolean same = strip != null && other != null && strip.title().equals(other.title());
        boolean alike = same && strip.count() == other.count();
        strip = other;
        if (!same) {
            playing = false;
            place = 0;
            dropped = 0;
        }
        if (!alike) {
            clearLoopRange();
            anchor();
        }
        place = Math.clamp(place, 0, Math.max(0, count() - 1));
    }

    public FrameTrack strip() {
        return strip;
    }

    private long count() {
        return strip == null ? 0 : strip.count();
    }

    public long place() {
        return place;
    }

    public void seek(long to) {
        place = Math.clamp(to, 0, Math.max(0, count() - 1));
        startPlace = place;
        startNanos = -1;
    }

    public void step(long by) {
        playing = false;
        seek(place + by);
    }

    public boolean isPlaying() {
        return playing;
    }

    public void play(boolean on) {
        playing = on && count() > 1;
        boolean atEnd = backwards ? place <= first() || place > last() : place >= last() || place < first();
        if (playing && atEnd) {
            place = backwards ? last() : first();
        }
        dropped = playing ? 0 : dropped;
        startPlace = place;
        startNanos = -1;
    }

    public void setLoop(boolean on) {
        loop = on;
    }

    /** @param other 1 for real time, 1/2 for half of it */
    public void setSpeed(Rational other) {
        speed = other;
        anchor();
    }

    public Rational speed() {
        return speed;
    }

    /**
     * Plays in a direction, twice as fast each time it is asked again while it plays so, up to {@link #FASTEST}.
     *
     * @param backwards towards the first frame
     */
    public void shuttle(boolean backwards) {
        boolean faster = playing && this.backwards == backwards;
        setBackwards(backwards);
        setSpeed(faster && speed.compareTo(Rational.ONE) >= 0 ? Rational.of(Math.min(2 * speed.floor(), FASTEST), 1) : Rational.ONE);
        if (!playing) {
            play(true);
        }
    }

    /** Plays no more; the next time at full speed, forwards. */
    public void stop() {
        play(false);
        setBackwards(false);
        setSpeed(Rational.ONE);
    }

    public void setBackwards(boolean on) {
        backwards = on;
        anchor();
    }

    public boolean isBackwards() {
        return backwards;
    }

    /** Time counts anew from the place that is shown now: pictures had to be waited for. */
    public void anchor() {
        startPlace = place;
        startNanos = -1;
    }

    public void setEveryFrame(boolean on) {
        everyFrame = on;
        startPlace = place;
        startNanos = -1;
    }

    /** Plays only the places from {@code from} to {@code to}; what is made stays as it is. */
    public void setLoopRange(long from, long to) {
        loopFirst = from;
        loopLast = to;
    }

    public void clearLoopRange() {
        loopFirst = -1;
        loopLast = -1;
    }

    public boolean hasLoopRange() {
        return loopFirst >= 0;
    }

    public long first() {
        return hasLoopRange() ? loopFirst : 0;
    }

    public long last() {
        return hasLoopRange() ? Math.min(loopLast, count() - 1) : count() - 1;
    }

    public long dropped() {
        return dropped;
    }

    /** The place that is due at a time; the picture at it should be shown next. Doesn't move the playhead. */
    public long due(long nanos) {
        if (!playing) {
            return place;
        }
        if (everyFrame) {
            return next(place);
        }
        if (startNanos < 0) {
            startNanos = nanos;
            startPlace = place;
        }
        Rational perSecond = strip.rate().orElse(Rate.FPS_25).perSecond().times(speed);
        long passed = perSecond.times(nanos - startNanos).dividedBy(Rational.of(1_000_000_000L)).floor();
        long wanted = backwards ? startPlace - passed : startPlace + passed;
        if (wanted >= first() && wanted <= last()) {
            return wanted;
        }
        return loop ? first() + Math.floorMod(wanted - first(), last() - first() + 1) : backwards ? first() : last();
    }

    /** The place that is played after another one. */
    public long next(long after) {
        if (backwards) {
            return after > first() ? after - 1 : loop ? last() : first();
        }
        return after < last() ? after + 1 : loop ? first() : last();
    }

    /** The picture of a place has been shown; places that were passed over count as dropped. */
    public void shown(long at) {
        if (playing && !everyFrame) {
            long length = last() - first() + 1;
            long passed = at == place ? 0 : Math.floorMod(backwards ? place - at : at - place, length) - 1;
            dropped += Math.max(0, passed);
        }
        place = at;
        if (playing && !loop && at == (backwards ? first() : last())) {
            playing = false;
        }
    }
}
