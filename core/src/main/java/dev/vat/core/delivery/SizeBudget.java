package dev.vat.core.delivery;

import dev.vat.core.picture.Size;
import dev.vat.core.time.Rational;
import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;

/**
 * What a file of a given size leaves for its pictures, in bytes; decimal.
 *
 * @param file how large the file may be
 * @param sound what sound takes of it
 * @param container what headers, index and the frame around every packet take
 * @param bitsPerSecond what pictures may take on average; 0 or less if nothing is left
 */
public record SizeBudget(long file, long sound, long container, long bitsPerSecond) {

    /** Encoders overshoot now and then, and a file that is too large is of no use to anybody. */
    private static final int KEPT_BACK_PERCENT = 2;
    private static final int HEADERS = 4_000;
    /** An index holds some sixteen bytes of a packet in the worst of the containers. */
    private static final int PER_PACKET = 16;
    private static final int SAMPLES_PER_PACKET = 1024;

    /** @param seconds exact length @param channels of sound, 0 for none */
    public static SizeBudget of(RateControl.FileSize wish, Settings settings, long frames, Rational seconds, int channels) {
        SoundCodec codec = settings.sound();
        // What keeps every sample can't be known before; whole samples are its bound.
        long soundBits = channels == 0 ? 0 : codec.isLossless() ? 24L * channels * SoundCodec.RATE : codec.bitsPerSecond(channels);
        long sound = seconds.times(soundBits).dividedBy(Rational.of(8)).round();
        long soundPackets = channels == 0 ? 0 : seconds.times(SoundCodec.RATE).dividedBy(Rational.of(SAMPLES_PER_PACKET)).round() + 1;
        long container = HEADERS + PER_PACKET * (frames + soundPackets);
        if (settings.container() == Container.TS) {
            container += sent(frames + soundPackets, seconds, wish.bytes());
        }
        long left = wish.bytes() - wish.bytes() * KEPT_BACK_PERCENT / 100 - sound - container;
        return new SizeBudget(wish.bytes(), sound, container, Rational.of(left).times(8).dividedBy(seconds).round());
    }

    /** A transport stream: four bytes of every 188, half of the last of each picture, a head for it, and tables ten times a second. */
    private static long sent(long packets, Rational seconds, long bytes) {
        return bytes * 4 / 188 + packets * (188 / 2 + 31) + seconds.times(10 * 3 * 188).round();
    }

    /** The smallest file in which pictures may still look right, to two digits: a rough bound, from the codec alone. */
    public long leastFile(Codec codec, Size size, long frames) {
        long pictures = (long) (codec.lowBitsPerPixel() * size.pixels() * frames / 8);
        BigDecimal least = BigDecimal.valueOf((pictures + sound + container) * 100 / (100 - KEPT_BACK_PERCENT));
        return least.round(new MathContext(2, RoundingMode.UP)).longValue();
    }

    /** Whether the least that is allowed for pictures is left. */
    public boolean isPossible() {
        return bitsPerSecond >= RateControl.LEAST_BITS;
    }
}
