package dev.vat.media.decode.still;

import dev.vat.core.words.Words;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;

/**
 * Where the samples of a DPX picture's one element lie (SMPTE ST 268-1, the image element of the file's header).
 *
 * @param samples a line, of all channels
 * @param start the first byte of the first line
 * @param stride bytes from one line to the next
 */
record DpxLayout(int width, int height, Descriptor descriptor, int bits, int packing, ByteOrder order, int samples,
        long start, long stride) {

    private static final Words WORDS = Words.of(DpxLayout.class);

    private static final int ELEMENTS = 770;
    private static final int ELEMENT = 780;
    private static final int RUNS = 1;
    private static final int MOST_PADDING = 1 << 16;

    /** Which samples follow each other. */
    enum Descriptor {
        RED(1, "g"), GREEN(2, "g"), BLUE(3, "g"), ALPHA(4, "g"), LUMA(6, "g"), RGB(50, "rgb"), RGBA(51, "rgba"), ABGR(52, "abgr"),
        /** Cb Y Cr Y, of two pixels. */
        CBYCRY(100, "uyvy"), CBYCR(102, "uyv");

        private final int number;
        private final String order;

        Descriptor(int number, String order) {
            this.number = number;
            this.order = order;
        }

        /** A letter a sample: g grey, r g b, a alpha, y u v. */
        String order() {
            return order;
        }

        boolean isGrey() {
            return order.equals("g");
        }

        boolean hasAlpha() {
            return order.contains("a");
        }

        private int samples(int width) {
            return this == CBYCRY ? Math.ceilDiv(width, 2) * 4 : Math.multiplyExact(width, order.length());
        }
    }

    /** @throws IllegalArgumentException in words, where Vat doesn't read such a picture */
    static DpxLayout of(byte[] data) {
        ByteBuffer buffer = ByteBuffer.wrap(data).order(data[0] == 'S' ? ByteOrder.BIG_ENDIAN : ByteOrder.LITTLE_ENDIAN);
        int width = buffer.getInt(772);
        int height = buffer.getInt(776);
        int elements = buffer.getShort(ELEMENTS) & 0xffff;
        if (elements > 1 && elements <= 8) {
            throw new IllegalArgumentException(WORDS.say("dpxWithItsPictureInElements", elements));
        }
        int bits = data[ELEMENT + 23] & 0xff;
        if (bits != 8 && bits != 10 && bits != 12 && bits != 16) {
            throw new IllegalArgumentException(WORDS.say("dpxOfBitsVatReads81012And", bits));
        }
        Descriptor descriptor = descriptor(data[ELEMENT + 20] & 0xff);
        int packing = buffer.getShort(ELEMENT + 24) & 0xffff;
        if (buffer.getShort(ELEMENT + 26) == RUNS) {
            throw new IllegalArgumentException(WORDS.say("dpxWithRunLengthCodingWhich"));
        }
        int samples = descriptor.samples(width);
        long offset = buffer.getInt(ELEMENT + 28) & 0xffffffffL;
        long start = offset == 0xffffffffL || offset == 0 ? buffer.getInt(4) & 0xffffffffL : offset;
        return new DpxLayout(width, height, descriptor, bits, packing, buffer.order(), samples, start,
                stride(buffer, data.length, start, samples, bits, packing, height));
    }

    private static Descriptor descriptor(int number) {
        for (Descriptor descriptor : Descriptor.values()) {
            if (descriptor.number == number) {
                return descriptor;
            }
        }
        throw new IllegalArgumentException(WORDS.say("dpxWithSamplesOfTheKind", number));
    }

    /**
     * Lines of plain bytes end at whole words of 32 bits by the standard; many writers let them follow each other. What the header says of
     * the file's length decides, or the length itself.
     */
    private static long stride(ByteBuffer buffer, int length, long start, int samples, int bits, int packing, int height) {
        long plain = bytes(samples, bits, packing);
        long filled = (plain + 3) / 4 * 4;
        long padding = buffer.getInt(ELEMENT + 32) & 0xffffffffL;
        if (padding > 0 && padding < MOST_PADDING && start + (plain + padding) * height <= length) {
            return plain + padding;
        }
        long stated = buffer.getInt(16) & 0xffffffffL;
        long end = stated > start && stated < 0xffffffffL ? stated : length;
        return start + filled * height <= end || start + plain * height > end ? filled : plain;
    }

    private static long bytes(long samples, int bits, int packing) {
        return switch (bits) {
            case 8 -> samples;
            case 16 -> samples * 2;
            case 12 -> packing == 0 ? (samples * 12 + 31) / 32 * 4 : samples * 2;
            default -> packing == 0 ? (samples * 10 + 31) / 32 * 4 : (samples + 2) / 3 * 4;
        };
    }

    /** The first byte after the picture. */
    long end() {
        long last = bytes(samples, bits, packing);
        return start + stride * (height - 1) + last;
    }
}
