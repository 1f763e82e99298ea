package dev.vat.desktop.picture;

import dev.vat.core.time.Rate;
import dev.vat.desktop.band.FrameTrack;
import dev.vat.desktop.band.Player;

/** Playing and going to frames: what the bar under the picture, keys and commands do. Each wakes the picture. */
public final class Playback {

    private static final int SECONDS_OF_AN_END = 3;

    private final Player player;
    private final PlayPace pace;
    private final Transport transport;
    private final Runnable wake;

    Playback(Player player, PlayPace pace, Transport transport, Runnable wake) {
        this.player = player;
        this.pace = pace;
        this.transport = transport;
        this.wake = wake;
    }

    /** Plays forwards or backwards, faster each time. */
    public void shuttle(boolean backwards) {
        wake.run();
        player.shuttle(backwards);
        pace.rest();
        transport.showPace();
    }

    /** Plays no more; the next time at full speed, forwards. */
    public void stop() {
        wake.run();
        player.stop();
        transport.showPace();
    }

    public void toggle() {
        wake.run();
        player.play(!player.isPlaying());
        pace.rest();
    }

    /** @param place counted from 0 */
    public void seek(long place) {
        wake.run();
        player.seek(place);
    }

    /** @param by frames, backwards below 0 */
    public void step(long by) {
        wake.run();
        player.step(by);
    }

    /** Plays the first or last three seconds over and over. */
    public void playEnd(boolean first) {
        FrameTrack strip = player.strip();
        if (strip == null || strip.count() < 2) {
            return;
        }
        long frames = Math.max(1, strip.rate().orElse(Rate.FPS_25).perSecond().times(SECONDS_OF_AN_END).round());
        long from = first ? 0 : Math.max(0, strip.count() - frames);
        loop(from, Math.min(strip.count() - 1, from + frames - 1));
    }

    /** Plays a range over and over, from its first frame on. */
    void loop(long first, long last) {
        wake.run();
        player.setLoopRange(first, last);
        player.seek(first);
        player.play(true);
    }
}
