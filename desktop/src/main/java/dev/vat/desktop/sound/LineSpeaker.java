package dev.vat.desktop.sound;

import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioSystem;
import javax.sound.sampled.LineUnavailableException;
import javax.sound.sampled.SourceDataLine;

/** The machine's own sound device. */
final class LineSpeaker implements Speaker {

    private static final AudioFormat FORMAT = new AudioFormat(SoundInStep.RATE, 16, 2, true, false);
    /** A tenth of a second waits in the device: less stutters, more starts late. */
    private static final int WAITING = SoundInStep.RATE / 10 * SoundInStep.FRAME_BYTES;

    private SourceDataLine line;
    private long from;

    @Override
    public boolean open() {
        try {
            line = AudioSystem.getSourceDataLine(FORMAT);
            line.open(FORMAT, WAITING);
            line.start();
            from = line.getLongFramePosition();
            return true;
        } catch (LineUnavailableException | IllegalArgumentException | SecurityException _) {
            // The ways in which Java says that a machine has no such device, or that it is somebody else's.
            line = null;
            return false;
        }
    }

    @Override
    public void play(byte[] samples, int length) {
        line.write(samples, 0, length);
    }

    @Override
    public long heard() {
        SourceDataLine now = line;
        return now == null ? 0 : now.getLongFramePosition() - from;
    }

    @Override
    public void hush() {
        line.stop();
        line.flush();
        line.start();
        from = line.getLongFramePosition();
    }

    @Override
    public void close() {
        if (line != null) {
            line.close();
            line = null;
        }
    }
}
