package dev.vat.core.bitstream;

import dev.vat.core.bitstream.StreamFacts.Fields;
import dev.vat.core.time.Rational;
import java.util.Optional;

/** A frame of DV after IEC 61834-2 and SMPTE ST 314: blocks of 80 bytes, in which subcode and auxiliary data say what it is. */
public final class DvStream {

    private static final int BLOCK = 80;
    private static final int SEQUENCE = 150 * BLOCK;
    private static final int TIMECODE = 0x13;

    /** What only this coding says. @param label of the frame, HH:MM:SS:FF, or null @param kind {@code DV25} or {@code DV50} */
    public record Found(StreamFacts facts, String label, String kind) {}

    private DvStream() {}

    /** @param frame a sample of the track; empty where it is no such frame */
    public static Optional<Found> of(byte[] frame) {
        boolean many = frame.length % (12 * SEQUENCE) == 0;
        if (frame.length < 10 * SEQUENCE || (frame[0] & 0xe0) != 0 || frame[1] != 0x07 && (frame[1] & 0x0f) != 0x07) {
            return Optional.empty();
        }
        boolean of625 = (frame[3] & 0x80) != 0;
        int sequences = of625 ? 12 : 10;
        int channels = frame.length / (sequences * SEQUENCE);
        if (channels < 1 || of625 && !many) {
            return Optional.empty();
        }
        String kind = channels == 1 ? "DV25" : channels == 2 ? "DV50" : "DV100";
        boolean studio = (frame[4] & 7) != 0;
        String chroma = channels > 1 ? "4:2:2" : of625 && !studio ? "4:2:0" : "4:1:1";
        StreamFacts facts = new StreamFacts("IEC 61834-2", kind, null, 720, of625 ? 576 : 480, 8, chroma, 0, null, null,
                of625 ? Rational.of(25) : Rational.of(30000, 1001), (Fields) null);
        return Optional.of(new Found(facts, label(frame, of625), kind));
    }

    /** The first timecode pack of the subcode, which stands in the second and third block. */
    private static String label(byte[] frame, boolean of625) {
        for (int block = 1; block <= 2; block++) {
            for (int pack = 0; pack < 6; pack++) {
                int at = block * BLOCK + 3 + 8 * pack + 3;
                if (frame[at] == TIMECODE) {
                    boolean drop = !of625 && (frame[at + 1] & 0x40) != 0;
                    return "%02d:%02d:%02d%c%02d".formatted(bcd(frame[at + 4], 0x3f), bcd(frame[at + 3], 0x7f), bcd(frame[at + 2], 0x7f),
                            drop ? ';' : ':', bcd(frame[at + 1], 0x3f));
                }
            }
        }
        return null;
    }

    private static int bcd(byte value, int mask) {
        int v = value & mask;
        return 10 * (v >> 4) + (v & 15);
    }
}
