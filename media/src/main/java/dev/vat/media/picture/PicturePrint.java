package dev.vat.media.picture;

import dev.vat.core.picture.FrameLook;
import java.lang.foreign.MemorySegment;
import java.lang.foreign.ValueLayout;
import java.util.zip.CRC32C;

/**
 * Fingerprints of a decoded picture: equal samples have equal ones, whatever file they come from.
 *
 * @param whole over all samples
 * @param stripes CRC32C of level stripes from the top
 */
public record PicturePrint(int whole, int[] stripes) {

    /** Every sample once: a checksum for each stripe, and one over these; indexed colours with their palette. */
    public static PicturePrint of(Picture picture) {
        int[] stripes = new int[FrameLook.STRIPES];
        CRC32C all = new CRC32C();
        CRC32C crc = new CRC32C();
        boolean palette = picture.isPalette();
        int planes = palette ? 1 : picture.planes();
        for (int stripe = 0; stripe < stripes.length; stripe++) {
            crc.reset();
            for (int p = 0; p < planes; p++) {
                int lines = picture.planeHeight(p);
                MemorySegment plane = picture.plane(p);
                int bytes = picture.rowBytes(p);
                long stride = picture.stride(p);
                for (int y = lines * stripe / stripes.length; y < lines * (stripe + 1) / stripes.length; y++) {
                    crc.update(plane.asSlice(y * stride, bytes).asByteBuffer());
                }
            }
            stripes[stripe] = (int) crc.getValue();
            for (int shift = 24; shift >= 0; shift -= 8) {
                all.update(stripes[stripe] >>> shift & 0xff);
            }
        }
        if (palette) {
            all.update(picture.palette().toArray(ValueLayout.JAVA_BYTE));
        }
        return new PicturePrint((int) all.getValue(), stripes);
    }
}
