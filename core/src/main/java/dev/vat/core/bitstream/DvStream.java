package dev.vat.core.bitstream;

import dev.vat.core.time.Rational;
import java.util.Optional;

/** A frame of DV after IEC 61834-2 and SMPTE ST 314: sequences of 150 blocks of 80 bytes, the first of which says what it is. */
public final class DvStream {

    private static final int SEQUENCE = 150 * 80;
    private static final int SEQUENCES_OF_525 = 10;
    private static final int SEQUENCES_OF_625 = 12;

    private DvStream() {}

    /** @param frame a sample of the track; empty where it is no such frame */
    public static Optional<StreamFacts> of(byte[] frame) {
        // The first block is the head of the first sequence.
        if (frame.length < SEQUENCES_OF_525 * SEQUENCE || (frame[0] & 0xe0) != 0 || (frame[1] & 0xf7) != 7) {
            return Optional.empty();
        }
        boolean of625 = (frame[3] & 0x80) != 0;
        int sequences = (of625 ? SEQUENCES_OF_625 : SEQUENCES_OF_525) * SEQUENCE;
        int channels = frame.length / sequences;
        if (frame.length % sequences != 0) {
            return Optional.empty();
        }
        boolean studio = (frame[4] & 7) != 0;
        String chroma = channels > 1 ? "4:2:2" : of625 && !studio ? "4:2:0" : "4:1:1";
        return Optional.of(new StreamFacts("IEC 61834-2", "DV" + 25 * channels, null, 720, of625 ? 576 : 480, 8, chroma, 0, null, null,
                of625 ? Rational.of(25) : Rational.of(30000, 1001), null));
    }
}
