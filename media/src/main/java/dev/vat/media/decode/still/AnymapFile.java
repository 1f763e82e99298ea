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

/**
 * The portable maps of bits, grey, colour (P1 to P6), any channels (P7) and floating point (PF, Pf): a header in text, then samples without
 * packing, so that their length is known. Floating-point values are taken as light.
 */
final class AnymapFile {

    private static final Words WORDS = Words.of(AnymapFile.class);

    private static final int MOST_HEADER = 4096;
    private static final int MOST_VALUE = 65_536;
    private static final int FULL_BYTE = 255;

    private final byte[] data;
    private int at = 2;

    private AnymapFile(byte[] data) {
        this.data = data;
    }

    static Inspection inspect(byte[] data) {
        char kind = (char) data[1];
        AnymapFile file = new AnymapFile(data);
        return kind == 'F' || kind == 'f' ? file.floating(kind == 'F' ? 3 : 1) : kind == '7' ? file.anyChannels() : file.plain(kind);
    }

    private Inspection plain(char kind) {
        int width = number();
        int height = number();
        boolean bits = kind == '1' || kind == '4';
        int highest = bits ? 1 : number();
        int channels = kind == '3' || kind == '6' ? 3 : 1;
        if (kind < '4') {
            return text(kind, width, height, highest, channels);
        }
        long row = bits ? (width + 7L) / 8 : (long) width * channels * (highest > 255 ? 2 : 1);
        return judged(FileKind.PPM, width, height, highest, channels, row);
    }

    /** Samples in text, as the same picture without: bits may stand together, numbers don't. */
    private Inspection text(char kind, int width, int height, int highest, int channels) {
        boolean bits = kind == '1';
        if ((long) width * height * channels > data.length) {
            return Inspection.cut(FileKind.PPM,
                    WORDS.say("theFileEndsAtByteBefore", data.length, width, height),
                    null);
        }
        int sample = highest > 255 ? 2 : 1;
        byte[] header = ("P" + (channels == 3 ? '6' : '5') + "\n" + width + " " + height + "\n" + (bits ? 255 : highest) + "\n")
                .getBytes(StandardCharsets.US_ASCII);
        ByteBuffer plain = ByteBuffer.allocate(header.length + width * height * channels * sample).put(header);
        while (plain.hasRemaining()) {
            int value = bits ? bit() : sample();
            if (value < 0 || value > highest) {
                return Inspection.cut(FileKind.PPM, WORDS.say("whereASampleWasExpected", at), null);
            }
            if (sample == 2) {
                plain.putShort((short) value);
            } else {
                plain.put((byte) (bits ? 255 - 255 * value : value));
            }
        }
        // The last number may have lost digits; bits have none to lose.
        return !bits && at >= data.length
                ? Inspection.cut(FileKind.PPM, WORDS.say("theFileEndsAtByteInItsLast", data.length), null)
                : inspect(plain.array());
    }

    /** The next bit, 1 for black, or -1. */
    private int bit() {
        skip();
        return at < data.length && (data[at] == '0' || data[at] == '1') ? data[at++] - '0' : -1;
    }

    /** The next number, or -1. */
    private int sample() {
        skip();
        int value = -1;
        while (at < data.length && data[at] >= '0' && data[at] <= '9' && value < MOST_VALUE) {
            value = Math.max(0, value) * 10 + data[at++] - '0';
        }
        return value;
    }

    private Inspection anyChannels() {
        int width = 0;
        int height = 0;
        int channels = 0;
        int highest = 0;
        while (true) {
            String word = word();
            switch (word) {
                case "WIDTH" -> width = number();
                case "HEIGHT" -> height = number();
                case "DEPTH" -> channels = number();
                case "MAXVAL" -> highest = number();
                case "TUPLTYPE" -> word();
                case "ENDHDR" -> {
                    if ((channels == 2 || channels == 4) && highest > 0 && highest != FULL_BYTE && highest < MOST_VALUE - 1) {
                        return scaled(width, height, channels, highest);
                    }
                    return judged(FileKind.PPM, width, height, highest, channels, (long) width * channels * (highest > 255 ? 2 : 1));
                }
                default -> throw new IllegalArgumentException(WORDS.say("inItsHeader", word));
            }
        }
    }

    /** Samples with alpha whose highest value fills no byte and no word, as the same picture in whole ones. */
    private Inspection scaled(int width, int height, int channels, int highest) {
        int from = highest > FULL_BYTE ? 2 : 1;
        Inspection judged = judged(FileKind.PPM, width, height, highest, channels, (long) width * channels * from);
        if (!judged.isWhole()) {
            return judged;
        }
        int full = from == 2 ? MOST_VALUE - 1 : FULL_BYTE;
        byte[] header = ("P7\nWIDTH " + width + "\nHEIGHT " + height + "\nDEPTH " + channels + "\nMAXVAL " + full + "\nTUPLTYPE "
                + (channels == 2 ? "GRAYSCALE_ALPHA" : "RGB_ALPHA") + "\nENDHDR\n").getBytes(StandardCharsets.US_ASCII);
        int samples = width * height * channels;
        ByteBuffer plain = ByteBuffer.allocate(header.length + samples * from).put(header);
        ByteBuffer stored = ByteBuffer.wrap(data, at + 1, samples * from);
        for (int i = 0; i < samples; i++) {
            long value = from == 2 ? stored.getShort() & 0xffff : stored.get() & 0xff;
            if (value > highest) {
                return Inspection.unreadable(FileKind.PPM, WORDS.say("itHasASampleOfAboveItsHighest", value, highest));
            }
            long wide = (value * full + highest / 2) / highest;
            if (from == 2) {
                plain.putShort((short) wide);
            } else {
                plain.put((byte) wide);
            }
        }
        return inspect(plain.array());
    }

    private Inspection floating(int channels) {
        int width = number();
        int height = number();
        double scale = Double.parseDouble(word());
        Inspection inspection = judged(FileKind.PFM, width, height, -1, channels, 4L * width * channels);
        return inspection.isWhole() && Math.abs(Math.abs(scale) - 1) > 1e-6
                ? inspection.withNote(WORDS.say("itsScaleOfIsPassedOver", Math.abs(scale)))
                : inspection;
    }

    private Inspection judged(FileKind kind, int width, int height, int highest, int channels, long row) {
        if (width < 1 || height < 1 || width > Size.MAX || height > Size.MAX || highest == 0 || highest > 65_535 || channels < 1
                || channels > 4) {
            return Inspection.unreadable(kind, WORDS.say("itsHeaderStatesAnImpossible"));
        }
        int bits = highest < 0 ? 32 : highest > 255 ? 16 : 8;
        PictureFormat format = new PictureFormat(kind.title(), Size.of(width, height), new Depth(bits, highest < 0),
                channels == 2 || channels == 4 ? AlphaKind.STRAIGHT : AlphaKind.NONE, PixelAspect.SQUARE, highest < 0, List.of());
        long end = at + 1 + row * height;
        return end > data.length
                ? Inspection.cut(kind, WORDS.say("theFileEndsAtByteItsPicture", data.length, end), format)
                : Inspection.whole(kind, format, data);
    }

    private int number() {
        return Integer.parseInt(word());
    }

    private void skip() {
        while (at < data.length && (Character.isWhitespace(data[at]) || data[at] == '#')) {
            if (data[at] == '#') {
                while (at < data.length && data[at] != '\n') {
                    at++;
                }
            } else {
                at++;
            }
        }
    }

    /** The next word of the header; from a # to the end of its line is a remark. */
    private String word() {
        skip();
        int start = at;
        while (at < data.length && !Character.isWhitespace(data[at])) {
            at++;
        }
        if (at >= data.length || at > MOST_HEADER) {
            throw new IndexOutOfBoundsException(at);
        }
        return new String(data, start, at - start, StandardCharsets.ISO_8859_1);
    }
}
