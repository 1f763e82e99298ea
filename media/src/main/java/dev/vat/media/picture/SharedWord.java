package dev.vat.media.picture;

import java.lang.foreign.ValueLayout;
import java.nio.ByteOrder;
import java.util.Map;

/**
 * Red, green and blue of a pixel in one word of 16 bits, the lowest of them last.
 *
 * @param redFirst whether red has the highest bits
 * @param bits of red, green and blue
 */
record SharedWord(boolean redFirst, int[] bits, ByteOrder order) {

    private static final Map<String, int[]> BITS = Map.of("444", new int[] {4, 4, 4}, "555", new int[] {5, 5, 5}, "565",
            new int[] {5, 6, 5});
    /** Planes of the library's RGB lie green, blue, red. */
    private static final int[] PLANES = {2, 0, 1};

    /** By the library's name of a format, such as {@code rgb565le}; null for others. */
    static SharedWord of(String format) {
        if (format.length() != 8 || !format.startsWith("rgb") && !format.startsWith("bgr")) {
            return null;
        }
        int[] bits = BITS.get(format.substring(3, 6));
        ByteOrder order = format.endsWith("le") ? ByteOrder.LITTLE_ENDIAN : ByteOrder.BIG_ENDIAN;
        return bits == null ? null : new SharedWord(format.startsWith("rgb"), bits, order);
    }

    /** The same picture in planes of 8 bits. */
    Picture planes(Picture picture) {
        return Picture.filled("gbrp", picture.width(), picture.height(), wide -> {
            ValueLayout.OfShort word = ValueLayout.JAVA_SHORT_UNALIGNED.withOrder(order);
            int above = 0;
            for (int i = 0; i < 3; i++) {
                int channel = redFirst ? 2 - i : i;
                int mask = (1 << bits[channel]) - 1;
                int shift = above;
                for (int y = 0; y < picture.height(); y++) {
                    for (int x = 0; x < picture.width(); x++) {
                        int code = picture.plane(0).get(word, (long) y * picture.stride(0) + 2L * x) >> shift & mask;
                        wide.plane(PLANES[channel]).set(ValueLayout.JAVA_BYTE, (long) y * wide.stride(PLANES[channel]) + x,
                                (byte) (Widening.widened(code, bits[channel]) >> 8));
                    }
                }
                above += bits[channel];
            }
            ColourTags.like(picture, wide);
        });
    }
}
