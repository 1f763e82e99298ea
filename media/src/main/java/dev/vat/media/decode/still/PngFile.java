package dev.vat.media.decode.still;

import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.Depth;
import dev.vat.core.picture.PictureFormat;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.picture.Stated;
import dev.vat.core.source.FileKind;
import dev.vat.core.words.Words;
import java.io.ByteArrayOutputStream;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.zip.CRC32;
import java.util.zip.DataFormatException;
import java.util.zip.Inflater;

/** PNG (ISO/IEC 15948): chunks from the signature to IEND. */
final class PngFile {

    private static final Words WORDS = Words.of(PngFile.class);

    private static final int SIGNATURE = 8;
    /** What an embedded profile is unpacked to at most. */
    private static final int MOST_PROFILE = 1 << 16;
    private static final byte[] END_CHUNK = {0, 0, 0, 0, 'I', 'E', 'N', 'D', (byte) 0xae, 0x42, 0x60, (byte) 0x82};

    /** Where the header says the kind of colour; the byte before it says the bits of a sample. */
    private static final int GREY = 25;
    private static final int PALETTE = 3;
    private static final int NO_GREY = -1;

    private PngFile() {}

    static Inspection inspect(byte[] data) {
        ByteBuffer buffer = ByteBuffer.wrap(data);
        PictureFormat format = null;
        boolean transparency = false;
        int clear = NO_GREY;
        Hints hints = new Hints();
        int at = SIGNATURE;
        int endOfWhole = SIGNATURE;
        boolean pictureData = false;
        while (at + 8 <= data.length) {
            int length = buffer.getInt(at);
            String type = new String(data, at + 4, 4, StandardCharsets.ISO_8859_1);
            if (length < 0) {
                return Inspection.unreadable(FileKind.PNG, WORDS.say("aChunkClaimsALengthBelow"));
            }
            if (!type.matches("[A-Za-z]{4}")) {
                return format == null ? Inspection.unreadable(FileKind.PNG, WORDS.say("itsHeaderIsDamaged"))
                        : Inspection.cut(FileKind.PNG, WORDS.say("whatFollowsByteIsNoPNGData", at), format);
            }
            long end = at + 12L + length;
            if (end > data.length) {
                break;
            }
            switch (type) {
                case "IHDR" -> {
                    format = header(buffer, at + 8, length);
                    if (format == null) {
                        return Inspection.unreadable(FileKind.PNG, WORDS.say("itsHeaderStatesAnImpossible"));
                    }
                }
                case "acTL" -> {
                    if (!pictureData && length >= 8 && buffer.getInt(at + 8) > 1) {
                        return Inspection.unreadable(FileKind.PNG, WORDS.say("itIsAnAnimationOfFrames", buffer.getInt(at + 8)));
                    }
                }
                case "tRNS" -> {
                    transparency = true;
                    clear = length == 2 && buffer.get(GREY) == 0 && buffer.get(GREY - 1) < 8 ? buffer.getShort(at + 8) : clear;
                }
                case "IDAT" -> pictureData = true;
                case "IEND" -> {
                    if (format == null || !pictureData) {
                        return Inspection.unreadable(FileKind.PNG, WORDS.say("itHoldsNoPicture"));
                    }
                    return Inspection.whole(FileKind.PNG, hints.put(withTransparency(format, transparency)), asPalette(data, clear))
                            .standing(hints.orientation);
                }
                default -> hints.take(type, buffer, data, at + 8, length);
            }
            at = (int) end;
            endOfWhole = at;
        }
        if (format == null) {
            return Inspection.cut(FileKind.PNG, WORDS.say("itEndsInsideItsHeader"), null);
        }
        if (pictureData && pictureIsComplete(data)) {
            byte[] mended = Arrays.copyOf(data, endOfWhole + END_CHUNK.length);
            System.arraycopy(END_CHUNK, 0, mended, endOfWhole, END_CHUNK.length);
            return Inspection.whole(FileKind.PNG, hints.put(withTransparency(format, transparency)), asPalette(mended, clear))
                    .withNote(WORDS.say("theEndMarkIsMissingThePicture")).standing(hints.orientation);
        }
        return Inspection.cut(FileKind.PNG, WORDS.say("theFileEndsAtByteBefore", data.length), format);
    }

    /**
     * Grey of fewer than eight bits of which one is transparent, which the media library forgets: the same picture by a palette.
     *
     * @param clear the grey, or {@code NO_GREY}
     */
    private static byte[] asPalette(byte[] data, int clear) {
        if (clear == NO_GREY) {
            return data;
        }
        int greys = 1 << data[GREY - 1];
        byte[] colours = new byte[3 * greys];
        byte[] alpha = new byte[greys];
        for (int i = 0; i < greys; i++) {
            Arrays.fill(colours, 3 * i, 3 * i + 3, (byte) (i * 255 / (greys - 1)));
            alpha[i] = (byte) (i == clear ? 0 : 255);
        }
        ByteArrayOutputStream file = new ByteArrayOutputStream();
        byte[] header = Arrays.copyOfRange(data, SIGNATURE + 8, SIGNATURE + 21);
        header[9] = PALETTE;
        file.write(data, 0, SIGNATURE);
        file.writeBytes(chunk("IHDR", header));
        file.writeBytes(chunk("PLTE", colours));
        file.writeBytes(chunk("tRNS", alpha));
        ByteBuffer buffer = ByteBuffer.wrap(data);
        for (int at = SIGNATURE + 25; at + 12 <= data.length; at += 12 + buffer.getInt(at)) {
            String type = new String(data, at + 4, 4, StandardCharsets.ISO_8859_1);
            if (!type.equals("tRNS") && !type.equals("PLTE")) {
                file.write(data, at, 12 + buffer.getInt(at));
            }
        }
        return file.toByteArray();
    }

    private static byte[] chunk(String type, byte[] content) {
        byte[] named = ByteBuffer.allocate(4 + content.length).put(type.getBytes(StandardCharsets.US_ASCII)).put(content).array();
        CRC32 crc = new CRC32();
        crc.update(named);
        return ByteBuffer.allocate(12 + content.length).putInt(content.length).put(named).putInt((int) crc.getValue()).array();
    }

    private static PictureFormat header(ByteBuffer buffer, int at, int length) {
        if (length < 13) {
            return null;
        }
        int width = buffer.getInt(at);
        int height = buffer.getInt(at + 4);
        int bits = buffer.get(at + 8);
        int colour = buffer.get(at + 9);
        if (width < 1 || height < 1 || width > Size.MAX || height > Size.MAX || bits < 1 || bits > 16) {
            return null;
        }
        AlphaKind alpha = colour == 4 || colour == 6 ? AlphaKind.STRAIGHT : AlphaKind.NONE;
        // Palettes and grey of fewer than eight bits stand for eight-bit colours.
        return new PictureFormat("PNG", Size.of(width, height), Depth.integer(Math.max(8, bits)), alpha,
                PixelAspect.SQUARE, false, List.of());
    }

    private static PictureFormat withTransparency(PictureFormat f, boolean transparency) {
        return transparency ? f.withAlpha(AlphaKind.STRAIGHT) : f;
    }

    /** What the chunks beside the picture say. Of several statements on colour the standard has an order: cICP, iCCP, sRGB, gAMA. */
    private static final class Hints {
        private PixelAspect aspect = PixelAspect.SQUARE;
        private Stated colour = Stated.NOTHING;
        private int rank = 5;
        private Chromaticities primaries;
        private Orientation orientation = Orientation.UPRIGHT;

        void take(String type, ByteBuffer buffer, byte[] data, int at, int length) {
            switch (type) {
                case "pHYs" -> {
                    if (length >= 9 && buffer.getInt(at) > 0 && buffer.getInt(at + 4) > 0) {
                        // Pixels per unit: many across mean narrow ones.
                        aspect = ColourHints.pixelAspect((double) buffer.getInt(at + 4) / buffer.getInt(at));
                    }
                }
                case "cICP" -> offer(1, ColourHints.ofCodePoints(data[at] & 0xff, data[at + 1] & 0xff));
                case "iCCP" -> offer(2, IccProfile.stated(profile(data, at, length), name(data, at, length)));
                case "sRGB" -> offer(3, Stated.ofColour("sRGB", 1, 13));
                case "cHRM" -> primaries = length < 32 ? null : chromaticities(buffer, at);
                case "eXIf" -> orientation = Orientation.ofExif(data, at, length);
                case "gAMA" -> {
                    if (length >= 4 && buffer.getInt(at) > 0) {
                        offer(4, ColourHints.ofGamma(100000.0 / buffer.getInt(at)));
                    }
                }
                default -> {}
            }
        }

        private void offer(int order, Stated stated) {
            if (order < rank) {
                rank = order;
                colour = stated;
            }
        }

        private static String name(byte[] data, int at, int length) {
            int end = at;
            while (end < at + Math.min(length, 79) && data[end] != 0) {
                end++;
            }
            return new String(data, at, end - at, StandardCharsets.ISO_8859_1);
        }

        PictureFormat put(PictureFormat format) {
            return format.withPixelAspect(aspect).withStated(primaries == null || rank < 4 ? colour : primaries.with(colour));
        }

        /** White stands first in PNG. */
        private static Chromaticities chromaticities(ByteBuffer buffer, int at) {
            double[] xy = new double[8];
            for (int i = 0; i < 8; i++) {
                xy[(i + 6) % 8] = buffer.getInt(at + 4 * i) / 100_000.0;
            }
            return new Chromaticities(xy);
        }

        private static byte[] profile(byte[] data, int at, int length) {
            int start = at + name(data, at, length).length() + 2;
            if (start >= at + length) {
                return new byte[0];
            }
            try (Inflater inflater = new Inflater()) {
                inflater.setInput(data, start, at + length - start);
                byte[] profile = new byte[MOST_PROFILE];
                return Arrays.copyOf(profile, inflater.inflate(profile));
            } catch (DataFormatException _) {
                return new byte[0];
            }
        }
    }

    /** Whether the compressed stream of all whole data chunks comes to its own end, its checksum included. */
    private static boolean pictureIsComplete(byte[] data) {
        ByteBuffer buffer = ByteBuffer.wrap(data);
        ByteArrayOutputStream stream = new ByteArrayOutputStream();
        for (int at = SIGNATURE; at + 12 <= data.length;) {
            int length = buffer.getInt(at);
            long end = at + 12L + length;
            if (end > data.length) {
                break;
            }
            if (data[at + 4] == 'I' && data[at + 5] == 'D' && data[at + 6] == 'A' && data[at + 7] == 'T') {
                stream.write(data, at + 8, length);
            }
            at = (int) end;
        }
        return ZlibStream.unpack(stream.toByteArray(), 0, stream.size(), Long.MAX_VALUE).end() == ZlibStream.End.WHOLE;
    }
}
