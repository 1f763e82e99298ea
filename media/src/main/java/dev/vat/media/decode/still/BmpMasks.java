package dev.vat.media.decode.still;

import dev.vat.media.picture.ColourTags;
import dev.vat.media.picture.Picture;
import dev.vat.media.picture.Widening;
import java.lang.foreign.ValueLayout;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;

/**
 * Bitmaps whose header tells which bits of a pixel are red, green, blue and alpha. What a channel has is widened exactly to 8 bits, or
 * rounded to them.
 */
public final class BmpMasks {

    private static final int INFO = 14;
    private static final int MASKS = 54;
    private static final int WITH_ALPHA = 56;
    private static final int BITFIELDS = 3;
    private static final int ALPHA_BITFIELDS = 6;
    /** Planes of the library's RGB lie green, blue, red, alpha. */
    private static final int[] PLANES = {2, 0, 1, 3};

    private BmpMasks() {}

    /** Whether it is such a bitmap. @param data of a BMP file, header and all */
    public static boolean isOne(byte[] data) {
        ByteBuffer header = header(data);
        int bits = header.getShort(28);
        int packing = header.getInt(30);
        return header.getInt(INFO) >= 40 && (packing == BITFIELDS || packing == ALPHA_BITFIELDS) && (bits == 16 || bits == 32)
                && data.length >= MASKS + 16;
    }

    static boolean hasAlpha(byte[] data) {
        ByteBuffer header = header(data);
        return (header.getInt(INFO) >= WITH_ALPHA || header.getInt(30) == ALPHA_BITFIELDS) && header.getInt(MASKS + 12) != 0;
    }

    private static ByteBuffer header(byte[] data) {
        return ByteBuffer.wrap(data).order(ByteOrder.LITTLE_ENDIAN);
    }

    /** @param data of a file whose structure was found whole */
    public static Picture read(byte[] data) {
        ByteBuffer file = header(data);
        int width = file.getInt(18);
        int height = Math.abs(file.getInt(22));
        boolean upwards = file.getInt(22) > 0;
        int bytes = file.getShort(28) / 8;
        int row = (width * bytes + 3) / 4 * 4;
        int start = file.getInt(10);
        boolean alpha = hasAlpha(data);
        return Picture.filled(alpha ? "gbrap" : "gbrp", width, height, picture -> {
            ColourTags.displayRgb(picture);
            for (int channel = 0; channel < (alpha ? 4 : 3); channel++) {
                int mask = file.getInt(MASKS + 4 * channel);
                int shift = mask == 0 ? 0 : Integer.numberOfTrailingZeros(mask);
                int bits = Integer.bitCount(mask);
                int plane = PLANES[channel];
                for (int y = 0; y < height; y++) {
                    int from = start + (upwards ? height - 1 - y : y) * row;
                    for (int x = 0; x < width; x++) {
                        int pixel = bytes == 2 ? file.getShort(from + 2 * x) & 0xffff : file.getInt(from + 4 * x);
                        int code = (pixel & mask) >>> shift;
                        int wide = bits == 0 ? 0 : bits > 16 ? code >>> bits - 16 : Widening.widened(code, bits);
                        int own = bits > 8 ? (wide * 255 + 32_767) / 65_535 : wide >> 8;
                        picture.plane(plane).set(ValueLayout.JAVA_BYTE, (long) y * picture.stride(plane) + x, (byte) own);
                    }
                }
            }
        });
    }
}
