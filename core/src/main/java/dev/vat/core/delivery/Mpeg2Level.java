package dev.vat.core.delivery;

import dev.vat.core.picture.Size;

/**
 * What a decoder of main profile must manage at least: the levels of MPEG-2 (ITU-T H.262, tables 8-10 to 8-14).
 *
 * @param code as streams say it
 * @param bitsPerSecond at no moment more
 * @param buffer bits of the decoder's buffer
 */
public record Mpeg2Level(int code, long bitsPerSecond, long buffer) {

    private static final Mpeg2Level MAIN = new Mpeg2Level(8, 15_000_000, 1_835_008);
    private static final Mpeg2Level HIGH_1440 = new Mpeg2Level(6, 60_000_000, 7_340_032);
    private static final Mpeg2Level HIGH = new Mpeg2Level(4, 80_000_000, 9_781_248);

    /** The least that allows a picture. */
    public static Mpeg2Level of(Size size) {
        return size.width() <= 720 && size.height() <= 576 ? MAIN : size.width() <= 1440 && size.height() <= 1152 ? HIGH_1440 : HIGH;
    }

    /** What a decoder holds of a constant rate: a second of it, where its buffer has room for that. */
    public long bufferAt(long bits) {
        return Math.min(bits, buffer);
    }
}
