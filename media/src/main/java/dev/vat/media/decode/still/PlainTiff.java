package dev.vat.media.decode.still;

import static dev.vat.media.decode.still.TiffFile.BITS;
import static dev.vat.media.decode.still.TiffFile.HEIGHT;
import static dev.vat.media.decode.still.TiffFile.PHOTOMETRIC;
import static dev.vat.media.decode.still.TiffFile.SAMPLES;
import static dev.vat.media.decode.still.TiffFile.SAMPLE_FORMAT;
import static dev.vat.media.decode.still.TiffFile.STRIP_BYTES;
import static dev.vat.media.decode.still.TiffFile.STRIP_OFFSETS;
import static dev.vat.media.decode.still.TiffFile.WIDTH;
import static dev.vat.media.decode.still.TiffFile.first;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * The TIFF files that most programs write: one strip after the other, samples together, whole numbers of 8 or 16 bits, packed by none,
 * LZW, Deflate or PackBits. The media library reads these several times as quickly as the reader for all others does, and as exactly, if
 * the directory holds nothing but what it knows: strict as it has to be, it takes every other field for damage.
 */
public final class PlainTiff {

    /** Where the header tells the place of the first directory. */
    private static final int FIRST_DIRECTORY = 4;
    private static final int ENTRY = 12;
    private static final int PACKING = 259;
    private static final int FILL_ORDER = 266;
    private static final int ROWS = 278;
    private static final int PLANES = 284;
    private static final int PREDICTOR = 317;
    private static final int LZW = 5;
    private static final Set<Long> PACKINGS = Set.of(1L, (long) LZW, 8L, 32_946L, 32_773L);
    private static final Set<Integer> KEPT = Set.of(WIDTH, HEIGHT, BITS, PACKING, PHOTOMETRIC, STRIP_OFFSETS, SAMPLES, ROWS,
            STRIP_BYTES, PREDICTOR);

    private PlainTiff() {}

    /**
     * The same file with a directory of its picture alone, at its end; empty for every other kind of TIFF.
     *
     * @param data of a file whose structure was found whole
     */
    public static Optional<byte[]> of(byte[] data) {
        ByteBuffer buffer = ByteBuffer.wrap(data).order(data[0] == 'I' ? ByteOrder.LITTLE_ENDIAN : ByteOrder.BIG_ENDIAN);
        if (buffer.getShort(2) != 42) {
            return Optional.empty();
        }
        int directory = buffer.getInt(FIRST_DIRECTORY);
        TiffEntry entry = new TiffEntry(buffer, false);
        Map<Integer, long[]> tags = new HashMap<>();
        List<Integer> kept = new ArrayList<>();
        for (int i = 0; i < entry.count(directory); i++) {
            int at = directory + 2 + ENTRY * i;
            int tag = buffer.getShort(at) & 0xffff;
            if (KEPT.contains(tag)) {
                kept.add(at);
            }
            if (KEPT.contains(tag) || tag == PLANES || tag == FILL_ORDER || tag == SAMPLE_FORMAT) {
                tags.put(tag, entry.values(at));
            }
        }
        return isPlain(tags, data) ? Optional.of(rewritten(data, buffer, kept, tags)) : Optional.empty();
    }

    private static boolean isPlain(Map<Integer, long[]> tags, byte[] data) {
        long samples = first(tags, SAMPLES, 1);
        long photometric = first(tags, PHOTOMETRIC, -1);
        long[] bits = tags.getOrDefault(BITS, new long[] {1});
        for (long each : bits) {
            if (each != bits[0]) {
                return false;
            }
        }
        boolean colours = photometric == 1 && samples <= 2 || photometric == 2 && (samples == 3 || samples == 4);
        return tags.containsKey(STRIP_OFFSETS) && colours && (bits[0] == 8 || bits[0] == 16) && bits.length == samples
                && PACKINGS.contains(first(tags, PACKING, 1)) && first(tags, PREDICTOR, 1) <= 2 && first(tags, PLANES, 1) == 1
                && first(tags, FILL_ORDER, 1) == 1 && first(tags, SAMPLE_FORMAT, 1) == 1
                && !(first(tags, PACKING, 1) == LZW && isOldLzw(data, (int) first(tags, STRIP_OFFSETS, 0)));
    }

    /** Before TIFF 6.0 codes lay the other way round in their bytes: the first one, which clears the table, reads 00 01 then. */
    private static boolean isOldLzw(byte[] data, int strip) {
        return strip + 1 >= data.length || data[strip] == 0 && (data[strip + 1] & 1) == 1;
    }

    private static byte[] rewritten(byte[] data, ByteBuffer from, List<Integer> kept, Map<Integer, long[]> tags) {
        boolean addRows = !tags.containsKey(ROWS);
        int entries = kept.size() + (addRows ? 1 : 0);
        int directory = data.length + (data.length & 1);
        ByteBuffer file = ByteBuffer.allocate(directory + 2 + ENTRY * entries + 4).order(from.order());
        file.put(data).position(directory);
        file.putShort((short) entries);
        boolean open = addRows;
        for (int at : kept) {
            if (open && (from.getShort(at) & 0xffff) > ROWS) {
                rows(file, tags);
                open = false;
            }
            file.put(data, at, ENTRY);
        }
        if (open) {
            rows(file, tags);
        }
        file.putInt(0);
        return file.putInt(FIRST_DIRECTORY, directory).array();
    }

    /** All rows in one strip, as it is meant where nothing is said. */
    private static void rows(ByteBuffer file, Map<Integer, long[]> tags) {
        file.putShort((short) ROWS).putShort((short) 4).putInt(1).putInt((int) first(tags, HEIGHT, 0));
    }
}
