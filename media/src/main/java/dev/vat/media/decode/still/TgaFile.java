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
import java.util.List;

/** Truevision TGA 1.0 and 2.0: a header of 18 bytes, pixels plain or run-length coded, at the end perhaps a footer. */
final class TgaFile {

    private static final Words WORDS = Words.of(TgaFile.class);

    private static final int HEADER = 18;
    private static final int FOOTER = 26;
    private static final byte[] SIGNATURE = "TRUEVISION-XFILE.\0".getBytes(StandardCharsets.US_ASCII);
    private static final int RUN_LENGTH = 8;
    private static final int UNWRITTEN = 8;

    private TgaFile() {}

    static Inspection inspect(byte[] data) {
        if (data.length < HEADER) {
            return Inspection.cut(FileKind.TGA, WORDS.say("itEndsInsideItsHeader"), null);
        }
        ByteBuffer buffer = ByteBuffer.wrap(data).order(ByteOrder.LITTLE_ENDIAN);
        int type = data[2] & 0xff;
        int width = buffer.getShort(12) & 0xffff;
        int height = buffer.getShort(14) & 0xffff;
        int pixelBits = data[16] & 0xff;
        int attributeBits = data[17] & 15;
        int kind = type & ~RUN_LENGTH;
        boolean known = kind >= 1 && kind <= 3 && (data[1] & 0xff) <= 1
                && List.of(8, 15, 16, 24, 32).contains(pixelBits);
        if (!known || width < 1 || height < 1 || width > Size.MAX || height > Size.MAX) {
            return Inspection.unreadable(FileKind.TGA, WORDS.say("itsHeaderStatesNoTGAPicture"));
        }
        int mapBytes = (buffer.getShort(5) & 0xffff) * (((data[7] & 0xff) + 7) / 8);
        int start = HEADER + (data[0] & 0xff) + ((data[1] & 0xff) == 1 ? mapBytes : 0);
        boolean footer = endsWithSignature(data);
        boolean greyAlpha = TgaGreyAlpha.isOne(data);
        AlphaKind alpha = alpha(buffer, greyAlpha ? 32 : pixelBits, greyAlpha ? 8 : attributeBits, footer);
        PictureFormat format = new PictureFormat("TGA", Size.of(width, height), Depth.integer(8), alpha,
                pixelAspect(buffer, footer), false, List.of()).withStated(gamma(buffer, footer));
        long end = (type & RUN_LENGTH) == 0 ? start + (long) width * height * ((pixelBits + 7) / 8)
                : endOfRuns(data, start, (long) width * height, (pixelBits + 7) / 8);
        if (end < 0 || end > data.length - (footer ? FOOTER : 0)) {
            return Inspection.cut(FileKind.TGA, WORDS.say("theFileEndsAtByteBefore", data.length), format);
        }
        Inspection whole = Inspection.whole(FileKind.TGA, format, data);
        if (!footer && isZero(data, data.length - 64, 64)) {
            return whole.withNote(WORDS.say("hasNoFooterAndEndsInZeros"));
        }
        return footer ? whole : whole.withNote(end == data.length
                ? WORDS.say("hasNoFooterAnOlderFileOr")
                : WORDS.say("theFooterIsDamagedOrCut"));
    }

    private static boolean endsWithSignature(byte[] data) {
        for (int i = 0; i < SIGNATURE.length; i++) {
            if (data.length < FOOTER || data[data.length - SIGNATURE.length + i] != SIGNATURE[i]) {
                return false;
            }
        }
        return true;
    }

    /** Where the extension area of TGA 2.0 begins, or 0 if there is none. */
    private static int extension(ByteBuffer buffer, boolean footer) {
        int at = footer ? buffer.getInt(buffer.limit() - FOOTER) : 0;
        return at > 0 && at <= buffer.limit() - 495 ? at : 0;
    }

    private static PixelAspect pixelAspect(ByteBuffer buffer, boolean footer) {
        int at = extension(buffer, footer);
        int width = at == 0 ? 0 : buffer.getShort(at + 474) & 0xffff;
        int height = at == 0 ? 0 : buffer.getShort(at + 476) & 0xffff;
        return width == 0 || height == 0 ? PixelAspect.SQUARE : ColourHints.pixelAspect((double) width / height);
    }

    private static Stated gamma(ByteBuffer buffer, boolean footer) {
        int at = extension(buffer, footer);
        int numerator = at == 0 ? 0 : buffer.getShort(at + 478) & 0xffff;
        int denominator = at == 0 ? 0 : buffer.getShort(at + 480) & 0xffff;
        return numerator == 0 || denominator == 0 ? Stated.NOTHING
                : Stated.ofColour(WORDS.say("gamma", Words.decimal((double) numerator / denominator, 2)), null, null);
    }

    /** The extension area's attributes type says what alpha means: 3 straight, 4 premultiplied. */
    private static AlphaKind alpha(ByteBuffer buffer, int pixelBits, int attributeBits, boolean footer) {
        if (pixelBits != 32) {
            return AlphaKind.NONE;
        }
        int extension = extension(buffer, footer);
        if (extension > 0) {
            return switch (buffer.get(extension + 494)) {
                case 0, 1, 2 -> AlphaKind.NONE;
                case 4 -> AlphaKind.PREMULTIPLIED;
                default -> AlphaKind.STRAIGHT;
            };
        }
        return attributeBits == 0 ? AlphaKind.NONE : AlphaKind.STRAIGHT;
    }

    /**
     * Walks the run-length packets; the place after the last pixel, or -1 if the data ends before it. Room that was
     * reserved with zeros and never written looks like single black pixels, one after the other, where any writer would
     * have put a run: that counts as the end.
     */
    private static long endOfRuns(byte[] data, int start, long pixels, int pixelBytes) {
        long at = start;
        long left = pixels;
        int unwritten = 0;
        while (left > 0) {
            if (at >= data.length) {
                return -1;
            }
            int head = data[(int) at] & 0xff;
            int count = (head & 127) + 1;
            unwritten = isZero(data, at, pixelBytes + 1) ? unwritten + 1 : 0;
            if (unwritten == UNWRITTEN) {
                return -1;
            }
            at += 1 + (head >= 128 ? pixelBytes : (long) count * pixelBytes);
            left -= count;
        }
        return at;
    }

    private static boolean isZero(byte[] data, long at, int count) {
        for (long i = Math.max(0, at); i < at + count; i++) {
            if (i >= data.length || data[(int) i] != 0) {
                return false;
            }
        }
        return true;
    }
}
