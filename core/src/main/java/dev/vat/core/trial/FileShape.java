package dev.vat.core.trial;

import dev.vat.core.delivery.Container;
import dev.vat.core.proof.Expectation;

/**
 * What of a file decides its bytes besides its pictures.
 *
 * @param frames of the file
 * @param reelFrames that one of its frames is made of: two where it is interlaced
 * @param group most frames from one that stands alone to the next; 1 if each does
 * @param besides bytes of sound, headers and index
 */
public record FileShape(long frames, int reelFrames, long group, long besides) {

    /** What x265 writes about itself into the parameters of H.265. */
    private static final int H265_WORDS = 2_300;

    /** @param soundBytes of all tracks @param expected what the file is to be: its container says what stands beside pictures and sound */
    public static FileShape of(Expectation expected, int reelFrames, long group, long soundBytes) {
        long frames = expected.frames();
        long words = expected.codec().equals("hevc") ? H265_WORDS : 0;
        return new FileShape(frames, reelFrames, group, soundBytes + words + headers(expected.container(), frames, group));
    }

    /** Headers, index, and what stands before each frame, as measured of files of 2 and of 25 frames. */
    private static long headers(Container container, long frames, long group) {
        return switch (container) {
            case MP4, MOV -> 900 + 12 * frames;
            case MKV, WEBM -> 600 + 8 * frames + 36 * Math.ceilDiv(frames, group);
            // Each frame begins at a multiple of 512 bytes.
            case MXF -> 6_200 + 1_024 * frames;
            default -> 4_000 + 16 * frames;
        };
    }

    boolean isIntra() {
        return group == 1;
    }
}
