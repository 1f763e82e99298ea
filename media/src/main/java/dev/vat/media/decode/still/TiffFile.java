package dev.vat.media.decode.still;

import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.Depth;
import dev.vat.core.picture.PictureFormat;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.picture.Stated;
import dev.vat.core.source.FileKind;
import dev.vat.core.words.Words;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;

/** TIFF 6.0 and BigTIFF: the first image file directory and the strips or tiles that it points to. */
final class TiffFile {

    private static final Words WORDS = Words.of(TiffFile.class);

    private static final int SMALL_HEADER = 8;
    private static final int BIG_HEADER = 16;
    private static final int BIG_TIFF = 43;
    static final int WIDTH = 256;
    static final int HEIGHT = 257;
    static final int BITS = 258;
    static final int PHOTOMETRIC = 262;
    static final int STRIP_OFFSETS = 273;
    private static final int ORIENTATION = 274;
    static final int SAMPLES = 277;
    static final int STRIP_BYTES = 279;
    private static final int TILE_OFFSETS = 324;
    private static final int TILE_BYTES = 325;
    private static final int EXTRA_SAMPLES = 338;
    private static final int ASSOCIATED = 1;
    private static final int STRAIGHT = 2;
    static final int SAMPLE_FORMAT = 339;
    private static final int X_RESOLUTION = 282;
    private static final int Y_RESOLUTION = 283;
    private static final int WHITE = 318;
    private static final int PRIMARIES = 319;
    private static final int ICC_PROFILE = 34675;
    private static final int UNSIGNED = 1;
    private static final int FLOATING = 3;
    private static final int UNTOLD = 4;
    static final int PALETTE = 3;
    private static final int YCBCR = 6;
    private static final int COMPRESSION = 259;
    /** As it is registered, and as it was before. */
    private static final Set<Long> DEFLATE = Set.of(8L, 32_946L);
    private static final int FILL_ORDER = 266;
    private static final int TILE = 4096;
    private static final int WEIGHTS = 529;
    private static final int BLACK_AND_WHITE = 532;
    static final int COLOUR_MAP = 320;

    private TiffFile() {}

    static Inspection inspect(byte[] data) {
        if (data.length < SMALL_HEADER) {
            return Inspection.cut(FileKind.TIFF, WORDS.say("itEndsInsideItsHeader"), null);
        }
        ByteBuffer buffer = ByteBuffer.wrap(data)
                .order(data[0] == 'I' ? ByteOrder.LITTLE_ENDIAN : ByteOrder.BIG_ENDIAN);
        boolean big = buffer.getShort(2) == BIG_TIFF;
        if (big && data.length < BIG_HEADER) {
            return Inspection.cut(FileKind.TIFF, WORDS.say("itEndsInsideItsHeader"), null);
        }
        TiffEntry entry = new TiffEntry(buffer, big);
        long directory = big ? buffer.getLong(SMALL_HEADER) : buffer.getInt(4) & 0xffffffffL;
        if (directory == 0) {
            return Inspection.cut(FileKind.TIFF, WORDS.say("itsDirectoryWasNeverWritten"), null);
        }
        if (directory < 0 || directory + entry.countBytes() > data.length) {
            return Inspection.cut(FileKind.TIFF, WORDS.say("theFileEndsAtByteItsDirectory", data.length, directory), null);
        }
        long entries = entry.count((int) directory);
        long end = directory + entry.countBytes() + entry.length() * entries;
        if (end > data.length) {
            return Inspection.cut(FileKind.TIFF, WORDS.say("itEndsInsideItsDirectory"), null);
        }
        Map<Integer, long[]> tags = entry.all((int) directory);
        if (tags == null) {
            return Inspection.cut(FileKind.TIFF, WORDS.say("aValueOfItsDirectoryLies"), null);
        }
        String foreign = foreign(tags);
        if (foreign != null) {
            return Inspection.unreadable(FileKind.TIFF, WORDS.say("tiffWhichVatDoesntReadSave", foreign));
        }
        PictureFormat format = format(tags);
        if (format == null) {
            return Inspection.unreadable(FileKind.TIFF, WORDS.say("itsDirectoryStatesNoPicture"));
        }
        long[] offsets = tags.getOrDefault(STRIP_OFFSETS, tags.get(TILE_OFFSETS));
        long[] counts = tags.getOrDefault(STRIP_BYTES, tags.get(TILE_BYTES));
        if (offsets == null || counts == null || offsets.length != counts.length) {
            return Inspection.unreadable(FileKind.TIFF, WORDS.say("itsDirectoryDoesntSayWhere"));
        }
        for (int i = 0; i < offsets.length; i++) {
            if (offsets[i] <= 0 || counts[i] < 0 || offsets[i] + counts[i] > data.length) {
                return Inspection.cut(FileKind.TIFF, WORDS.say("theFileEndsAtByteStripOf", data.length, i, (offsets[i] + counts[i])),
                        format);
            }
        }
        Inspection whole = Inspection.whole(FileKind.TIFF, format, data).standing(Orientation.of(first(tags, ORIENTATION, 1)));
        return end + (big ? 8 : 4) <= data.length ? whole
                : whole.withData(Arrays.copyOf(data, (int) end + 8), false)
                        .withNote(WORDS.say("theEndOfItsDirectoryIsMissing"));
    }

    /**
     * The first strip or tile that isn't what was packed, in words, where the packing has a checksum: decoders stop when they have enough
     * and don't come to it. A strip without an end isn't judged, for some writers leave it out.
     *
     * @param data of a file whose structure was found whole
     */
    static Optional<String> damage(byte[] data) {
        Map<Integer, long[]> tags = tags(data);
        if (!DEFLATE.contains(first(tags, COMPRESSION, 1)) || first(tags, FILL_ORDER, 1) != 1) {
            return Optional.empty();
        }
        long[] offsets = tags.getOrDefault(STRIP_OFFSETS, tags.get(TILE_OFFSETS));
        long[] counts = tags.getOrDefault(STRIP_BYTES, tags.get(TILE_BYTES));
        // No strip is larger than the picture; a tile at its edge may be.
        long most = (first(tags, WIDTH, 0) + TILE) * (first(tags, HEIGHT, 0) + TILE) * Math.max(1, first(tags, SAMPLES, 1))
                * Math.max(8, first(tags, BITS, 1)) / 8;
        return IntStream.range(0, offsets.length)
                .filter(i -> ZlibStream.unpack(data, (int) offsets[i], (int) counts[i], most).end() == ZlibStream.End.DAMAGED)
                .mapToObj(i -> WORDS.say("isntWhatWasPacked", i)).findFirst();
    }

    /** What the first directory says. @param data of a file whose structure was found whole */
    static Map<Integer, long[]> tags(byte[] data) {
        ByteBuffer buffer = ByteBuffer.wrap(data).order(data[0] == 'I' ? ByteOrder.LITTLE_ENDIAN : ByteOrder.BIG_ENDIAN);
        boolean big = buffer.getShort(2) == BIG_TIFF;
        return new TiffEntry(buffer, big).all(big ? (int) buffer.getLong(SMALL_HEADER) : buffer.getInt(4));
    }

    /** What about the samples is neither grey nor RGB in whole or floating numbers, or null. */
    private static String foreign(Map<Integer, long[]> tags) {
        if (!tags.containsKey(PHOTOMETRIC)) {
            return WORDS.say("thatDoesntSayWhatItsSamples");
        }
        long numbers = first(tags, SAMPLE_FORMAT, UNSIGNED);
        if (numbers != UNSIGNED && numbers != FLOATING && numbers != UNTOLD) {
            return numbers == 2 ? WORDS.say("ofSignedNumbers") : WORDS.say("ofComplexNumbers");
        }
        return switch ((int) first(tags, PHOTOMETRIC, 1)) {
            case 0, 1, 2 -> null;
            case YCBCR -> isOfJpegRange(tags) ? null : WORDS.say("inYCbCrOfAnotherRangeOr");
            case PALETTE -> first(tags, SAMPLES, 1) > 1 ? WORDS.say("withMoreSamplesBesideIts") : null;
            case 4 -> WORDS.say("thatIsAMask");
            case 5 -> WORDS.say("inCMYK");
            case 8, 9, 10 -> WORDS.say("inCIELAB");
            case 32803 -> WORDS.say("ofASensorsColourFilterArray");
            case 32844, 32845 -> WORDS.say("inLogLuv");
            default -> WORDS.say("inColoursOfTheKind", first(tags, PHOTOMETRIC, 1));
        };
    }

    /** Packed as JPEG, the samples are taken as JPEG has them: values from 0 to 255, and weights that add up to one. */
    private static boolean isOfJpegRange(Map<Integer, long[]> tags) {
        if (first(tags, COMPRESSION, 1) != 6 && first(tags, COMPRESSION, 1) != 7) {
            return true;
        }
        double weights = Arrays.stream(fractions(tags, WEIGHTS)).sum();
        // Old files have whole numbers here.
        long[] whole = tags.getOrDefault(BLACK_AND_WHITE, new long[0]);
        double[] range = whole.length == 6 ? Arrays.stream(whole).asDoubleStream().toArray() : fractions(tags, BLACK_AND_WHITE);
        return (weights == 0 || Math.abs(weights - 1) < .002)
                && (range.length < 6 || range[0] == 0 && range[1] == 255 && range[2] == 128 && range[3] == 255);
    }

    private static double[] fractions(Map<Integer, long[]> tags, int tag) {
        long[] parts = tags.getOrDefault(tag, new long[0]);
        return IntStream.range(0, parts.length / 2).mapToDouble(i -> (double) parts[2 * i] / parts[2 * i + 1]).toArray();
    }

    private static PictureFormat format(Map<Integer, long[]> tags) {
        long width = first(tags, WIDTH, 0);
        long height = first(tags, HEIGHT, 0);
        long bits = first(tags, BITS, 1);
        if (width < 1 || height < 1 || width > Size.MAX || height > Size.MAX || bits < 1 || bits > 64) {
            return null;
        }
        AlphaKind alpha = AlphaKind.NONE;
        long extra = first(tags, SAMPLES, 1) - (first(tags, PHOTOMETRIC, 1) == 2 || first(tags, PHOTOMETRIC, 1) == 6 ? 3 : 1);
        long meaning = first(tags, EXTRA_SAMPLES, extra == 1 ? STRAIGHT : 0);
        if (extra == 1 || extra > 1 && (meaning == ASSOCIATED || meaning == STRAIGHT)) {
            // A single sample beside the colour is taken as straight alpha even where nothing says so.
            alpha = meaning == ASSOCIATED ? AlphaKind.PREMULTIPLIED : AlphaKind.STRAIGHT;
        }
        boolean floating = first(tags, SAMPLE_FORMAT, 1) == FLOATING;
        Depth depth = floating ? Depth.floating((int) Math.min(32, bits))
                : Depth.integer(TiffPalette.of(tags).map(TiffPalette::bits).orElse((int) Math.max(8, bits)));
        return new PictureFormat("TIFF", Size.of((int) width, (int) height), depth, alpha, pixelAspect(tags), floating, List.of())
                .withStated(stated(tags));
    }

    /** An embedded profile counts before single statements. */
    private static Stated stated(Map<Integer, long[]> tags) {
        long[] profile = tags.get(ICC_PROFILE);
        if (profile != null) {
            byte[] bytes = new byte[profile.length];
            for (int i = 0; i < bytes.length; i++) {
                bytes[i] = (byte) profile[i];
            }
            return IccProfile.stated(bytes, null);
        }
        long[] primaries = tags.getOrDefault(PRIMARIES, new long[0]);
        long[] white = tags.getOrDefault(WHITE, new long[0]);
        if (primaries.length < 12 || white.length < 4) {
            return Stated.NOTHING;
        }
        double[] xy = new double[8];
        for (int i = 0; i < 6; i++) {
            xy[i] = (double) primaries[2 * i] / primaries[2 * i + 1];
        }
        xy[6] = (double) white[0] / white[1];
        xy[7] = (double) white[2] / white[3];
        return new Chromaticities(xy).with(Stated.NOTHING);
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

    static long first(Map<Integer, long[]> tags, int tag, long otherwise) {
        long[] values = tags.get(tag);
        return values == null || values.length == 0 ? otherwise : values[0];
    }
}
