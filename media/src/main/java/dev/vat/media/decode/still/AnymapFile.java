package dev.vat.media.decode.still;

import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.Depth;
import dev.vat.core.picture.PictureFormat;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.source.FileKind;
import java.nio.charset.StandardCharsets;
import java.util.List;

/**
 * The portable maps of bits, grey, colour (P1 to P6), any channels (P7) and floating point (PF, Pf): a header in text, then samples without
 * packing, so that their length is known. Floating-point values are taken as light.
 */
final class AnymapFile {

    private static final int MOST_HEADER = 4096;

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
            return Inspection.unreadable(FileKind.PPM, "its samples stand in text (P" + kind + "), which Vat doesn't read: "
                    + "save it with binary samples");
        }
        long row = bits ? (width + 7L) / 8 : (long) width * channels * (highest > 255 ? 2 : 1);
        return judged(FileKind.PPM, width, height, highest, channels, row);
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
                    return judged(FileKind.PPM, width, height, highest, channels, (long) width * channels * (highest > 255 ? 2 : 1));
                }
                default -> throw new IllegalArgumentException("'" + word + "' in its header");
            }
        }
    }

    private Inspection floating(int channels) {
        int width = number();
        int height = number();
        double scale = Double.parseDouble(word());
        Inspection inspection = judged(FileKind.PFM, width, height, -1, channels, 4L * width * channels);
        return inspection.isWhole() && Math.abs(Math.abs(scale) - 1) > 1e-6
                ? inspection.withNote("its scale of " + Math.abs(scale) + " is passed over")
                : inspection;
    }

    private Inspection judged(FileKind kind, int width, int height, int highest, int channels, long row) {
        if (width < 1 || height < 1 || width > Size.MAX || height > Size.MAX || highest == 0 || highest > 65_535 || channels < 1
                || channels > 4) {
            return Inspection.unreadable(kind, "its header states an impossible picture");
        }
        int bits = highest < 0 ? 32 : highest > 255 ? 16 : 8;
        PictureFormat format = new PictureFormat(kind.title(), Size.of(width, height), new Depth(bits, highest < 0),
                channels == 2 || channels == 4 ? AlphaKind.STRAIGHT : AlphaKind.NONE, PixelAspect.SQUARE, highest < 0, List.of());
        long end = at + 1 + row * height;
        return end > data.length
                ? Inspection.cut(kind, "the file ends at byte " + data.length + ", its picture reaches to " + end, format)
                : Inspection.whole(kind, format, data);
    }

    private int number() {
        return Integer.parseInt(word());
    }

    /** The next word of the header; from a # to the end of its line is a remark. */
    private String word() {
        while (at < data.length && (Character.isWhitespace(data[at]) || data[at] == '#')) {
            if (data[at] == '#') {
                while (at < data.length && data[at] != '\n') {
                    at++;
                }
            } else {
                at++;
            }
        }
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
