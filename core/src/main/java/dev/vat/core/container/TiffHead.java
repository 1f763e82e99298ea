package dev.vat.core.container;

import dev.vat.core.picture.Size;
import dev.vat.core.words.Words;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.HashMap;
import java.util.Map;

/** The first directory of a TIFF: TIFF, revision 6.0. */
public final class TiffHead {

    private static final Words WORDS = Words.of(TiffHead.class);

    private static final int LITTLE = 0x4949;
    private static final int VERSION = 42;
    private static final int ENTRY = 12;
    private static final int SHORT = 3;
    private static final int WIDTH = 256;
    private static final int HEIGHT = 257;
    private static final int BITS = 258;
    private static final int COMPRESSION = 259;
    private static final int OLD_DEFLATE = 32_946;
    private static final int DEFLATE = 8;
    private static final int PHOTOMETRIC = 262;
    private static final int SAMPLES = 277;
    private static final int EXTRA = 338;
    private static final int RGB = 2;
    private static final int COLOURS = 3;

    private TiffHead() {}

    /** @throws Malformed if it is no TIFF of red, green and blue, or of these with alpha */
    public static StillFacts of(Bytes bytes) throws IOException {
        boolean little = Cursor.of(bytes.read(0, 2)).u16() == LITTLE;
        Cursor head = cursor(bytes.read(2, 6), little);
        if (head.u16() != VERSION) {
            throw new Malformed(WORDS.say("noTiff"));
        }
        long directory = head.u32();
        int count = cursor(bytes.read(directory, 2), little).u16();
        Map<Integer, Long> values = new HashMap<>();
        Cursor entries = cursor(bytes.read(directory + 2, count * ENTRY), little);
        for (int i = 0; i < count; i++) {
            int tag = entries.u16();
            boolean narrow = entries.u16() == SHORT;
            long many = entries.u32();
            Cursor value = entries.slice(4);
            // What doesn't fit into an entry stands elsewhere; the first of several is enough here.
            boolean elsewhere = many * (narrow ? 2 : 4) > 4;
            Cursor first = elsewhere ? cursor(bytes.read(value.u32(), 4), little) : value;
            values.put(tag, narrow ? first.u16() : first.u32());
        }
        long samples = values.getOrDefault(SAMPLES, 1L);
        boolean alpha = values.containsKey(EXTRA);
        if (values.getOrDefault(PHOTOMETRIC, -1L) != RGB || samples != (alpha ? COLOURS + 1 : COLOURS)) {
            throw new Malformed(WORDS.say("noColours", samples));
        }
        int bits = values.getOrDefault(BITS, 1L).intValue();
        return new StillFacts(Size.of(required(values, WIDTH), required(values, HEIGHT)), bits, alpha ? bits : 0, null)
                .withCompression(values.getOrDefault(COMPRESSION, 1L).intValue());
    }

    /**
     * Puts the number that Adobe registered for Deflate (TIFF Technical Note on Photoshop 3.0) in place of the older one, which some
     * readers don't know, where a still has that.
     */
    public static void registerDeflate(byte[] still) {
        ByteBuffer all = ByteBuffer.wrap(still);
        all.order(all.getShort(0) == LITTLE ? ByteOrder.LITTLE_ENDIAN : ByteOrder.BIG_ENDIAN);
        int directory = all.getInt(4);
        for (int i = 0; i < all.getShort(directory); i++) {
            int entry = directory + 2 + i * ENTRY;
            if (all.getShort(entry) == COMPRESSION && (all.getShort(entry + 8) & 0xffff) == OLD_DEFLATE) {
                all.putShort(entry + 8, (short) DEFLATE);
            }
        }
    }

    private static int required(Map<Integer, Long> values, int tag) throws Malformed {
        if (!values.containsKey(tag)) {
            throw new Malformed(WORDS.say("lacks", tag));
        }
        return values.get(tag).intValue();
    }

    private static Cursor cursor(byte[] bytes, boolean little) {
        return little ? Cursor.littleEndian(bytes) : Cursor.of(bytes);
    }
}
