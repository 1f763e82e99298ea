package dev.vat.media.decode.still;

import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.Depth;
import dev.vat.core.picture.PictureFormat;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.picture.Stated;
import dev.vat.core.source.FileKind;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** TIFF 6.0: the first image file directory and the strips or tiles that it points to. */
final class TiffFile {

    static final int WIDTH = 256;
    static final int HEIGHT = 257;
    static final int BITS = 258;
    static final int STRIP_OFFSETS = 273;
    static final int SAMPLES = 277;
    static final int STRIP_BYTES = 279;
    static final int COMPRESSION = 259;
    static final int ROWS_PER_STRIP = 278;
    static final int PLANAR = 284;
    static final int PREDICTOR = 317;
    private static final int TILE_OFFSETS = 324;
    private static final int TILE_BYTES = 325;
    private static final int EXTRA_SAMPLES = 338;
    private static final int SAMPLE_FORMAT = 339;
    private static final int X_RESOLUTION = 282;
    private static final int Y_RESOLUTION = 283;
    private static final int ICC_PROFILE = 34675;
    private static final int RATIONAL = 5;
    private static final int FLOATING = 3;

    /** The tags that the decoder reads pictures by. */
    private static final Set<Integer> DECODED = Set.of(254, WIDTH, HEIGHT, BITS, 259, 262, 266, STRIP_OFFSETS, SAMPLES,
            278, STRIP_BYTES, 284, 292, 293, 317, 320, 322, 323, TILE_OFFSETS, TILE_BYTES, SAMPLE_FORMAT, 530, 532);

    private TiffFile() {}

    static Inspection inspect(byte[] data) {
        if (data.length < 8) {
            return Inspection.cut(FileKind.TIFF, "it ends inside its header", null);
        }
        ByteBuffer buffer = ByteBuffer.wrap(data)
                .order(data[0] == 'I' ? ByteOrder.LITTLE_ENDIAN : ByteOrder.BIG_ENDIAN);
        long directory = buffer.getInt(4) & 0xffffffffL;
        if (directory == 0) {
            return Inspection.cut(FileKind.TIFF, "its directory was never written", null);
        }
        if (directory + 2 > data.length) {
            return Inspection.cut(FileKind.TIFF, "the file ends at byte " + data.length
                    + ", its directory should stand at " + directory, null);
        }
        int entries = buffer.getShort((int) directory) & 0xffff;
        if (directory + 2 + 12L * entries > data.length) {
            return Inspection.cut(FileKind.TIFF, "it ends inside its directory", null);
        }
        Map<Integer, long[]> tags = new HashMap<>();
        for (int i = 0; i < entries; i++) {
            int at = (int) directory + 2 + 12 * i;
            long[] values = values(buffer, at);
            if (values == null) {
                return Inspection.cut(FileKind.TIFF, "a value of its directory lies beyond its end", null);
            }
            tags.put(buffer.getShort(at) & 0xffff, values);
        }
        PictureFormat format = format(tags);
        if (format == null) {
            return Inspection.unreadable(FileKind.TIFF, "its directory states no picture");
        }
        long[] offsets = tags.getOrDefault(STRIP_OFFSETS, tags.get(TILE_OFFSETS));
        long[] counts = tags.getOrDefault(STRIP_BYTES, tags.get(TILE_BYTES));
        if (offsets == null || counts == null || offsets.length != counts.length) {
            return Inspection.unreadable(FileKind.TIFF, "its directory doesn't say where the picture lies");
        }
        for (int i = 0; i < offsets.length; i++) {
            if (offsets[i] == 0 || offsets[i] + counts[i] > data.length) {
                return Inspection.cut(FileKind.TIFF, "the file ends at byte " + data.length + ", strip " + i
                        + " of the picture reaches to " + (offsets[i] + counts[i]), format);
            }
        }
        Inspection whole = Inspection.whole(FileKind.TIFF, format,
                withoutOddTags(data, buffer.order(), (int) directory, entries));
        return directory + 2 + 12L * entries + 4 <= data.length ? whole
                : whole.withNote("the end of its directory is missing, the picture is whole");
    }

    /** The whole-number values of the directory of a file that was found whole. */
    static Map<Integer, long[]> tags(byte[] data) {
        ByteBuffer buffer = ByteBuffer.wrap(data).order(data[0] == 'I' ? ByteOrder.LITTLE_ENDIAN : ByteOrder.BIG_ENDIAN);
        int directory = buffer.getInt(4);
        Map<Integer, long[]> tags = new HashMap<>();
        for (int i = 0; i < (buffer.getShort(directory) & 0xffff); i++) {
            int at = directory + 2 + 12 * i;
            tags.put(buffer.getShort(at) & 0xffff, values(buffer, at));
        }
        return tags;
    }

    /** A strict decode refuses every tag that it doesn't know; so it only gets to see those that shape the picture. */
    private static byte[] withoutOddTags(byte[] data, ByteOrder order, int directory, int entries) {
        byte[] copy = data.clone();
        ByteBuffer buffer = ByteBuffer.wrap(copy).order(order);
        int kept = 0;
        for (int i = 0; i < entries; i++) {
            int from = directory + 2 + 12 * i;
            if (DECODED.contains(buffer.getShort(from) & 0xffff)) {
                System.arraycopy(data, from, copy, directory + 2 + 12 * kept, 12);
                kept++;
            }
        }
        buffer.putShort(directory, (short) kept);
        int next = directory + 2 + 12 * kept;
        if (next + 4 <= copy.length) {
            buffer.putInt(next, 0);
        }
        return copy;
    }

    private static PictureFormat format(Map<Integer, long[]> tags) {
        long width = first(tags, WIDTH, 0);
        long height = first(tags, HEIGHT, 0);
        long bits = first(tags, BITS, 1);
        if (width < 1 || height < 1 || width > Size.MAX || height > Size.MAX || bits < 1 || bits > 32) {
            return null;
        }
        AlphaKind alpha = AlphaKind.NONE;
        long samples = first(tags, SAMPLES, 1);
        if (samples == 2 || samples == 4) {
            // Without the tag a fourth sample is taken as straight alpha; 1 means associated, that is premultiplied.
            alpha = first(tags, EXTRA_SAMPLES, 2) == 1 ? AlphaKind.PREMULTIPLIED : AlphaKind.STRAIGHT;
        }
        boolean floating = first(tags, SAMPLE_FORMAT, 1) == FLOATING;
        return new PictureFormat("TIFF", Size.of((int) width, (int) height),
                new Depth((int) Math.max(8, bits), floating), alpha, pixelAspect(tags), floating, List.of())
                .withStated(tags.containsKey(ICC_PROFILE) ? Stated.ofColour("ICC profile", null, null) : Stated.NOTHING);
    }

    /** Pixels per unit: many across mean narrow ones. Values stand as numerator and denominator. */
    private static PixelAspect pixelAspect(Map<Integer, long[]> tags) {
        long[] across = tags.getOrDefault(X_RESOLUTION, new long[0]);
        long[] down = tags.getOrDefault(Y_RESOLUTION, new long[0]);
        if (across.length < 2 || down.length < 2 || across[0] == 0 || across[1] == 0 || down[0] == 0 || down[1] == 0) {
            return PixelAspect.SQUARE;
        }
        return ColourHints.pixelAspect((double) down[0] / down[1] / ((double) across[0] / across[1]));
    }

    private static long first(Map<Integer, long[]> tags, int tag, long otherwise) {
        long[] values = tags.get(tag);
        return values == null || values.length == 0 ? otherwise : values[0];
    }

    /** Whole-number values of an entry, an empty array for other types, null if they lie beyond the data. */
    private static long[] values(ByteBuffer buffer, int at) {
        int type = buffer.getShort(at + 2) & 0xffff;
        long count = buffer.getInt(at + 4) & 0xffffffffL;
        int bytes = switch (type) {
            case 1 -> 1;
            case 3 -> 2;
            case 4 -> 4;
            case RATIONAL -> 4;
            default -> 0;
        };
        count = type == RATIONAL ? 2 * count : count;
        if (bytes == 0) {
            return new long[0];
        }
        long start = count * bytes <= 4 ? at + 8 : buffer.getInt(at + 8) & 0xffffffffL;
        if (start + count * bytes > buffer.limit()) {
            return null;
        }
        long[] values = new long[(int) count];
        for (int i = 0; i < values.length; i++) {
            int place = (int) start + i * bytes;
            values[i] = switch (bytes) {
                case 1 -> buffer.get(place) & 0xff;
                case 2 -> buffer.getShort(place) & 0xffff;
                default -> buffer.getInt(place) & 0xffffffffL;
            };
        }
        return values;
    }
}
