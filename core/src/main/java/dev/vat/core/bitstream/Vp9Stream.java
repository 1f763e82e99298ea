package dev.vat.core.bitstream;

import dev.vat.core.bitstream.StreamFacts.Colour;
import java.util.Optional;

/** The uncompressed header of a key frame after the VP9 bitstream specification, 6.2. */
public final class Vp9Stream {

    private static final int SYNC = 0x498342;
    private static final int RGB = 7;
    /** Colour spaces of the specification as matrices of ITU-T H.273. */
    private static final int[] MATRICES = {2, 5, 1, 6, 7, 9, 2, 0};

    private Vp9Stream() {}

    /** @param frame a sample of the track; empty where it is no key frame */
    public static Optional<StreamFacts> of(byte[] frame) {
        Bits b = new Bits(frame);
        if (b.i(2) != 2) {
            return Optional.empty();
        }
        int low = b.i(1);
        int profile = b.i(1) << 1 | low;
        if (profile == 3) {
            b.skip(1);
        }
        boolean showsAnother = b.flag();
        boolean isNoKey = b.flag();
        if (showsAnother || isNoKey) {
            return Optional.empty();
        }
        b.skip(2);
        if (b.i(24) != SYNC) {
            return Optional.empty();
        }
        int bits = profile < 2 ? 8 : b.flag() ? 12 : 10;
        int space = b.i(3);
        boolean full = space == RGB || b.flag();
        String chroma = "4:2:0";
        if (space == RGB) {
            chroma = "RGB";
            b.skip(1);
        } else if ((profile & 1) == 1) {
            boolean acrossHalf = b.flag();
            boolean downHalf = b.flag();
            chroma = acrossHalf ? downHalf ? "4:2:0" : "4:2:2" : "4:4:4";
            b.skip(1);
        }
        int width = b.i(16) + 1;
        int height = b.i(16) + 1;
        return Optional.of(new StreamFacts("VP9", "Profile " + profile, null, width, height, bits, chroma, -1,
                new Colour(2, 2, MATRICES[space], full), null, null, null));
    }
}
