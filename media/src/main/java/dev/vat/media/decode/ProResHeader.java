package dev.vat.media.decode;

import java.nio.charset.StandardCharsets;
import java.util.OptionalInt;
import org.bytedeco.ffmpeg.avcodec.AVPacket;

/** The frame header of a ProRes picture (SMPTE RDD 36, section 5.1). */
public final class ProResHeader {

    private static final int MARK = 4;
    private static final int ALPHA_TYPE = 25;

    private ProResHeader() {}

    /**
     * Bits in which alpha is coded: decoders give it back at the depth of the colours, so that the header alone tells.
     * Empty for packets of another codec.
     */
    public static OptionalInt alphaBits(AVPacket packet) {
        if (packet.size() <= ALPHA_TYPE) {
            return OptionalInt.empty();
        }
        byte[] head = new byte[ALPHA_TYPE + 1];
        packet.data().get(head, 0, head.length);
        if (!new String(head, MARK, 4, StandardCharsets.ISO_8859_1).equals("icpf")) {
            return OptionalInt.empty();
        }
        return OptionalInt.of(switch (head[ALPHA_TYPE] & 15) {
            case 1 -> 8;
            case 2 -> 16;
            default -> 0;
        });
    }
}
