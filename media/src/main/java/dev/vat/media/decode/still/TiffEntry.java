package dev.vat.media.decode.still;

import java.nio.ByteBuffer;
import java.util.HashMap;
import java.util.Map;

/**
 * How entries of a TIFF directory lie in the file: 12 bytes with places of 32 bits, in BigTIFF 20 with places of 64.
 *
 * @param buffer the whole file, in its byte order
 */
record TiffEntry(ByteBuffer buffer, boolean big) {

    private static final int RATIONAL = 5;

    int length() {
        return big ? 20 : 12;
    }

    /** How many bytes tell how many entries there are. */
    int countBytes() {
        return big ? 8 : 2;
    }

    long count(int directory) {
        return big ? Math.clamp(buffer.getLong(directory), 0, buffer.limit()) : buffer.getShort(directory) & 0xffff;
    }

    /** Every entry of a directory by its tag, as {@link #values}; null if one lies beyond the data. */
    Map<Integer, long[]> all(int directory) {
        Map<Integer, long[]> tags = new HashMap<>();
        for (int i = 0; i < count(directory); i++) {
            int at = directory + countBytes() + length() * i;
            long[] values = values(at);
            if (values == null) {
                return null;
            }
            tags.put(buffer.getShort(at) & 0xffff, values);
        }
        return tags;
    }

    /** Whole-number values of the entry at this place, an empty array for other types, null if they lie beyond the data. */
    long[] values(int at) {
        int type = buffer.getShort(at + 2) & 0xffff;
        long count = big ? buffer.getLong(at + 4) : buffer.getInt(at + 4) & 0xffffffffL;
        int bytes = switch (type) {
            case 1, 7 -> 1;
            case 3 -> 2;
            case 4, RATIONAL -> 4;
            case 16 -> 8;
            default -> 0;
        };
        count = type == RATIONAL ? 2 * count : count;
        if (bytes == 0) {
            return new long[0];
        }
        int inside = at + (big ? 12 : 8);
        long start = count * bytes <= (big ? 8 : 4) ? inside : big ? buffer.getLong(inside) : buffer.getInt(inside) & 0xffffffffL;
        if (count < 0 || count > buffer.limit() || start < 0 || start + count * bytes > buffer.limit()) {
            return null;
        }
        long[] values = new long[(int) count];
        for (int i = 0; i < values.length; i++) {
            int place = (int) start + i * bytes;
            values[i] = switch (bytes) {
                case 1 -> buffer.get(place) & 0xff;
                case 2 -> buffer.getShort(place) & 0xffff;
                case 8 -> buffer.getLong(place);
                default -> buffer.getInt(place) & 0xffffffffL;
            };
        }
        return values;
    }
}
