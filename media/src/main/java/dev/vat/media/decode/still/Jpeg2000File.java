package dev.vat.media.decode.still;

import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.Depth;
import dev.vat.core.picture.PictureFormat;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.source.FileKind;
import dev.vat.core.words.Words;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.List;

/** JPEG 2000 (ITU-T T.800): a codestream by itself, or boxes around it. */
final class Jpeg2000File {

    private static final Words WORDS = Words.of(Jpeg2000File.class);

    private static final int SIGNATURE = 0x0000000c;
    private static final int START = 0xff4f;
    private static final int SIZE = 0xff51;
    private static final int END = 0xffd9;

    private Jpeg2000File() {}

    private static String name(byte[] data, int at) {
        return new String(data, at, 4, StandardCharsets.ISO_8859_1);
    }

    static Inspection inspect(byte[] data) {
        ByteBuffer buffer = ByteBuffer.wrap(data);
        if ((buffer.getShort(0) & 0xffff) == START) {
            return codestream(data, 0, data.length);
        }
        for (long at = 0; at + 8 <= data.length;) {
            long length = buffer.getInt((int) at) & 0xffff_ffffL;
            int header = 8;
            if (length == 1 && at + 16 <= data.length) {
                length = buffer.getLong((int) at + 8);
                header = 16;
            }
            long end = length == 0 ? data.length : at + length;
            if (name(data, (int) at + 4).equals("jp2c")) {
                if (end > data.length) {
                    return Inspection.cut(FileKind.JP2, WORDS.say("theFileEndsAtByteItsPicture", data.length, end), null);
                }
                return codestream(data, (int) at + header, (int) end);
            }
            if (length != 0 && length < 8) {
                break;
            }
            at = end;
        }
        return Inspection.cut(FileKind.JP2, WORDS.say("itEndsBeforeItsPictureBegins"), null);
    }

    private static Inspection codestream(byte[] data, int start, int end) {
        ByteBuffer buffer = ByteBuffer.wrap(data);
        int at = start + 6;
        long width = buffer.getInt(at + 2) - (long) buffer.getInt(at + 10);
        long height = buffer.getInt(at + 6) - (long) buffer.getInt(at + 14);
        int channels = buffer.getShort(at + 34);
        int bits = 0;
        for (int i = 0; i < channels; i++) {
            int own = (data[at + 36 + 3 * i] & 0x7f) + 1;
            bits = bits == 0 ? own : bits;
            if (own != bits || data[at + 36 + 3 * i] < 0) {
                return Inspection.unreadable(FileKind.JP2, WORDS.say("itsChannelsHaveSeveralDepths"));
            }
        }
        if (width < 1 || height < 1 || width > Size.MAX || height > Size.MAX || channels < 1 || channels > 4 || bits > 16) {
            return Inspection.unreadable(FileKind.JP2, WORDS.say("itHoldsChannelsOfBitsWhich", channels, bits));
        }
        PictureFormat format = new PictureFormat("JPEG 2000", Size.of((int) width, (int) height), Depth.integer(Math.max(8, bits)),
                channels % 2 == 0 ? AlphaKind.STRAIGHT : AlphaKind.NONE, PixelAspect.SQUARE, false, List.of());
        // Coded data never holds the end mark; behind it there may be a filler.
        for (int i = end - 2; i >= Math.max(start, end - 64); i--) {
            if ((buffer.getShort(i) & 0xffff) == END) {
                return Inspection.whole(FileKind.JP2, format, data);
            }
        }
        return Inspection.cut(FileKind.JP2, WORDS.say("itsEndMarkIsMissingTheFile", data.length),
                format);
    }
}
