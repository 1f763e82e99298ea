package dev.vat.desktop.sound;

import dev.vat.core.delivery.SoundCodec;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;
import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;

/** The highest sample at each place, of sound as it is listened to: 48 kHz, two channels, 16 bits, little-endian. */
public final class Waveform {

    private static final int FRAME_BYTES = 4;
    private static final float FULL = 32768;

    private Waveform() {}

    /** @return a value from 0 to 1 for each place that has sound */
    public static float[] peaks(Path samples, Rate rate) throws IOException {
        long count = Files.size(samples) / FRAME_BYTES;
        int places = Math.toIntExact(rate.perSecond().times(count).dividedBy(Rational.of(SoundCodec.RATE)).floor() + 1);
        float[] peaks = new float[places];
        try (InputStream in = new BufferedInputStream(Files.newInputStream(samples), 1 << 16)) {
            byte[] moment = new byte[FRAME_BYTES];
            long next = end(rate, 0);
            int place = 0;
            for (long i = 0; i < count && in.readNBytes(moment, 0, FRAME_BYTES) == FRAME_BYTES; i++) {
                if (i >= next && place + 1 < places) {
                    next = end(rate, ++place);
                }
                int left = Math.abs((short) (moment[0] & 0xff | moment[1] << 8));
                int right = Math.abs((short) (moment[2] & 0xff | moment[3] << 8));
                peaks[place] = Math.max(peaks[place], Math.max(left, right) / FULL);
            }
        }
        return peaks;
    }

    /** The first sample of the next place. */
    private static long end(Rate rate, long place) {
        return rate.seconds(place + 1).times(SoundCodec.RATE).round();
    }
}
