package dev.vat.desktop.sound;

import dev.vat.core.time.Rational;
import java.io.IOException;
import java.io.RandomAccessFile;
import java.nio.file.Path;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * Plays the sound that belongs to the picture on the screen. The picture leads: it says once a pulse where it is, and
 * sound that has come too far from there begins anew at the right place. Without a device nothing is heard, and nothing
 * else changes.
 */
public final class SoundInStep implements AutoCloseable {

    static final int RATE = 48_000;
    static final int FRAME_BYTES = 4;

    /** Of what is shown and heard together, sound may be this much early or late before anybody notices. */
    static final long TOLERATED = RATE * 60L / 1000;
    /** A device that has just begun isn't judged yet. */
    static final long UNJUDGED = RATE * 3L / 10;
    private static final int CHUNK = RATE / 50 * FRAME_BYTES;
    private static final Logger LOG = LoggerFactory.getLogger(SoundInStep.class);

    /** Sound played on without a break: the samples of a file from one of its sample frames on. */
    private record Stretch(Path samples, long start) {}

    private final Speaker speaker;
    private final Thread feeder;
    private Path samples;
    /** What is to be heard, or null for silence. */
    private Stretch wanted;
    /** What the device is playing, as the feeding thread last began it. */
    private Stretch begun;
    /** How late the device is, learnt from how far it was behind: what is heard begins that much further on. */
    private long lead;
    private boolean noDevice;
    private boolean atEnd;
    private boolean closed;

    public SoundInStep() {
        this(new LineSpeaker());
    }

    SoundInStep(Speaker speaker) {
        this.speaker = speaker;
        feeder = Thread.ofPlatform().daemon().name("sound").start(this::feed);
    }

    /** @param copy plain samples as the viewer process writes them, or null for silence */
    public synchronized void setSamples(Path copy) {
        samples = copy;
    }

    /** Whether it was tried to play something, and the machine had nothing to play it on. */
    public synchronized boolean hasNoDevice() {
        return noDevice;
    }

    /**
     * Told once a pulse.
     *
     * @param playing whether the picture moves forwards at its own rate
     * @param seconds where it is
     */
    public synchronized void follow(boolean playing, Rational seconds) {
        long place = seconds.times(RATE).round();
        if (!playing || samples == null || noDevice) {
            want(null);
        } else if (wanted == null || !wanted.samples.equals(samples)) {
            want(new Stretch(samples, place + lead));
        } else if (wanted == begun) {
            keepInStep(place);
        }
    }

    private void keepInStep(long place) {
        long heard = speaker.heard();
        long off = place - (wanted.start + heard);
        boolean jumped = off < -RATE || off > RATE && !atEnd;
        boolean drifted = heard > UNJUDGED && !atEnd && Math.abs(off) > TOLERATED;
        if (drifted && !jumped) {
            lead = Math.clamp(lead + off, 0, RATE / 4);
        }
        if (jumped || drifted) {
            want(new Stretch(samples, place + lead));
        }
    }

    private void want(Stretch stretch) {
        if (stretch != wanted) {
            wanted = stretch;
            notifyAll();
        }
    }

    private void feed() {
        byte[] chunk = new byte[CHUNK];
        try {
            for (Stretch stretch = next(); stretch != null; stretch = next()) {
                try (RandomAccessFile file = new RandomAccessFile(stretch.samples.toFile(), "r")) {
                    file.seek(Math.min(stretch.start * FRAME_BYTES, file.length()));
                    play(stretch, file, chunk);
                }
            }
        } catch (InterruptedException _) {
            Thread.currentThread().interrupt();
        } catch (IOException e) {
            LOG.warn("Sound can't be played: {}", e.getMessage());
        } finally {
            speaker.close();
        }
    }

    /** Waits for something to be wanted that isn't played yet, and takes the device for it; null when all is over. */
    private synchronized Stretch next() throws InterruptedException {
        while (!closed) {
            if (wanted == null && begun != null) {
                speaker.close();
                begun = null;
            } else if (wanted == begun) {
                wait();
            } else if (begun == null && !speaker.open()) {
                noDevice = true;
                wanted = null;
            } else {
                if (begun != null) {
                    speaker.hush();
                }
                begun = wanted;
                atEnd = false;
                return begun;
            }
        }
        return null;
    }

    private void play(Stretch stretch, RandomAccessFile file, byte[] chunk) throws IOException {
        while (isWanted(stretch)) {
            int read = file.read(chunk);
            if (read < FRAME_BYTES) {
                end();
                return;
            }
            speaker.play(chunk, read - read % FRAME_BYTES);
        }
    }

    private synchronized boolean isWanted(Stretch stretch) {
        return !closed && wanted == stretch;
    }

    /** The sound is over; the picture may go on without. */
    private synchronized void end() {
        atEnd = true;
    }

    @Override
    public synchronized void close() {
        closed = true;
        notifyAll();
    }
}
