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
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;

/** WebP (RFC 9649): RIFF chunks around one coded picture. There is no checksum. */
final class WebpFile {

    private static final Words WORDS = Words.of(WebpFile.class);

    /** Room that was reserved and never written is a block of storage, or a good part of the picture; coded data ends in fewer zeros. */
    private static final int BLOCK = 4096;
    private static final int FEW = 32;
    private static final int SHARE = 64;

    private WebpFile() {}

    static Inspection inspect(byte[] data) {
        ByteBuffer buffer = ByteBuffer.wrap(data).order(ByteOrder.LITTLE_ENDIAN);
        PictureFormat format = null;
        boolean picture = false;
        Orientation orientation = Orientation.UPRIGHT;
        Stated colour = Stated.NOTHING;
        int at = 12;
        while (at + 8 <= data.length) {
            String type = new String(data, at, 4, StandardCharsets.ISO_8859_1);
            long length = buffer.getInt(at + 4) & 0xffffffffL;
            long end = at + 8 + length;
            PictureFormat stated = format(type, buffer, at + 8);
            format = format == null ? stated : format;
            if (end > data.length) {
                return Inspection.cut(FileKind.WEBP, WORDS.say("theFileEndsAtByteItsPicture", data.length, end), format);
            }
            if (type.equals("ANIM")) {
                return Inspection.unreadable(FileKind.WEBP, WORDS.say("itIsAnAnimationNotASingle"));
            }
            if (type.startsWith("VP8") && !type.equals("VP8X") || type.equals("ALPH")) {
                picture |= !type.equals("ALPH");
                long zeros = zeros(data, at + 8, (int) end);
                if (zeros > FEW && (zeros * SHARE >= length || zeros >= BLOCK)) {
                    return Inspection.cut(FileKind.WEBP, WORDS.say("itsCodedPictureEndsInZeros"), format);
                }
            }
            if (type.equals("ICCP")) {
                colour = IccProfile.stated(Arrays.copyOfRange(data, at + 8, (int) end), null);
            }
            if (type.equals("EXIF")) {
                orientation = Orientation.ofExif(data, at + 8, (int) length);
            }
            at = (int) (end + (length & 1));
        }
        long whole = (buffer.getInt(4) & 0xffffffffL) + 8;
        if (format == null || !picture || whole > data.length) {
            return Inspection.cut(FileKind.WEBP, WORDS.say("theFileEndsAtByteOf", data.length, whole), format);
        }
        return Inspection.whole(FileKind.WEBP, format.withStated(colour), data).standing(orientation);
    }

    /** How many zeros stand at the end of a stretch. */
    private static long zeros(byte[] data, int from, int to) {
        int at = to;
        while (at > from && data[at - 1] == 0) {
            at--;
        }
        return to - at;
    }

    private static PictureFormat format(String type, ByteBuffer buffer, int at) {
        if (at + 10 > buffer.limit()) {
            return null;
        }
        return switch (type) {
            case "VP8X" -> of((buffer.getInt(at + 4) & 0xffffff) + 1, (buffer.getInt(at + 6) >>> 8) + 1,
                    (buffer.get(at) & 0x10) != 0);
            case "VP8L" -> {
                int bits = buffer.getInt(at + 1);
                yield of((bits & 0x3fff) + 1, (bits >> 14 & 0x3fff) + 1, (bits >> 28 & 1) != 0);
            }
            case "VP8 " -> of(buffer.getShort(at + 6) & 0x3fff, buffer.getShort(at + 8) & 0x3fff, false);
            default -> null;
        };
    }

    private static PictureFormat of(int width, int height, boolean alpha) {
        if (width < 1 || height < 1 || width > Size.MAX || height > Size.MAX) {
            return null;
        }
        return new PictureFormat("WebP", Size.of(width, height), Depth.integer(8),
                alpha ? AlphaKind.STRAIGHT : AlphaKind.NONE, PixelAspect.SQUARE, false, List.of());
    }
}
