package dev.vat.core.bitstream;

import dev.vat.core.bitstream.StreamFacts.Colour;
import dev.vat.core.bitstream.StreamFacts.Fields;
import dev.vat.core.container.Cursor;
import dev.vat.core.time.Rational;
import java.util.Optional;

/** The head of a frame after SMPTE RDD 36, 5.1. */
public final class ProResStream {

    private static final int HEAD = 28;
    private static final Rational[] RATES = {null, Rational.of(24000, 1001), Rational.of(24), Rational.of(25), Rational.of(30000, 1001),
        Rational.of(30), Rational.of(50), Rational.of(60000, 1001), Rational.of(60), Rational.of(100), Rational.of(120000, 1001),
        Rational.of(120)};

    private ProResStream() {}

    /** @param frame a sample of the track; empty where it is no such frame */
    public static Optional<StreamFacts> of(byte[] frame) {
        if (frame.length < HEAD) {
            return Optional.empty();
        }
        Cursor c = Cursor.of(frame);
        long size = c.u32();
        if (!c.fourcc().equals("icpf") || size > frame.length) {
            return Optional.empty();
        }
        c.skip(8);
        int width = c.u16();
        int height = c.u16();
        int flags = c.u8();
        int rate = c.u8() & 15;
        Colour colour = new Colour(c.u8(), c.u8(), c.u8(), null);
        int alpha = c.u8() & 15;
        boolean full = flags >> 6 == 3;
        Fields fields = switch (flags >> 2 & 3) {
            case 0 -> Fields.PROGRESSIVE;
            case 1 -> Fields.TOP_FIRST;
            case 2 -> Fields.BOTTOM_FIRST;
            default -> null;
        };
        return Optional.of(new StreamFacts("SMPTE RDD 36", null, null, width, height, -1, full ? "4:4:4" : "4:2:2",
                alpha == 0 ? 0 : alpha == 1 ? 8 : 16, colour, null, rate < RATES.length ? RATES[rate] : null, fields));
    }
}
