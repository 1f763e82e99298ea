package dev.vat.core.trial;

/**
 * What of a file decides its bytes besides its pictures.
 *
 * @param frames of the file
 * @param reelFrames that one of its frames is made of: two where it is interlaced
 * @param group most frames from one that stands alone to the next; 1 if each does
 * @param besides bytes of sound, headers and index
 */
public record FileShape(long frames, int reelFrames, long group, long besides) {

    /** Headers and the like. */
    private static final int HEADERS = 4_000;
    /** Of a frame in the container's index. */
    private static final int PER_FRAME = 16;

    public static FileShape of(long frames, int reelFrames, long group, long soundBytes) {
        return new FileShape(frames, reelFrames, group, soundBytes + HEADERS + PER_FRAME * frames);
    }

    boolean isIntra() {
        return group == 1;
    }
}
