package dev.vat.media.decode.still;

import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.Depth;
import dev.vat.core.picture.PictureFormat;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.source.FileKind;
import dev.vat.core.words.Words;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Radiance HDR: lines of text, then rows of red, green and blue that share an exponent, in runs or plain. Values are light. */
final class RadianceFile {

    private static final Words WORDS = Words.of(RadianceFile.class);

    private static final Pattern SIZE = Pattern.compile("([-+])([XY]) (\\d+) ([-+])([XY]) (\\d+)");
    private static final int MOST_HEADER = 1 << 16;
    private static final int BYTES = 4;
    private static final int SHORTEST_RUNS = 8;
    private static final int LONGEST_RUNS = 32_767;
    private static final int RUN = 128;

    private RadianceFile() {}

    static Inspection inspect(byte[] data) {
        int at = 0;
        boolean header = true;
        while (at < Math.min(data.length, MOST_HEADER)) {
            int end = at;
            while (end < data.length && data[end] != '\n') {
                end++;
            }
            String line = new String(data, at, end - at, StandardCharsets.ISO_8859_1).strip();
            at = end + 1;
            if (header && line.startsWith("FORMAT=") && !line.equals("FORMAT=32-bit_rle_rgbe")) {
                return Inspection.unreadable(FileKind.HDR, WORDS.say("itsSamplesAreWhichVatDoesnt", line.substring(7)));
            }
            Matcher size = SIZE.matcher(line);
            if (size.matches()) {
                return judged(data, at, size);
            }
            header &= !line.isEmpty();
        }
        return Inspection.cut(FileKind.HDR, WORDS.say("itEndsInsideItsHeader"), null);
    }

    private static Inspection judged(byte[] data, int start, Matcher size) {
        if (!size.group(1).equals("-") || !size.group(2).equals("Y") || !size.group(4).equals("+") || !size.group(5).equals("X")) {
            return Inspection.unreadable(FileKind.HDR, WORDS.say("itsRowsRunWhichVatDoesnt", size.group()));
        }
        long height = Long.parseLong(size.group(3));
        long width = Long.parseLong(size.group(6));
        if (width < 1 || height < 1 || width > Size.MAX || height > Size.MAX) {
            return Inspection.unreadable(FileKind.HDR, WORDS.say("itsHeaderStatesAnImpossible"));
        }
        PictureFormat format = new PictureFormat("Radiance HDR", Size.of((int) width, (int) height), Depth.floating(32), AlphaKind.NONE,
                PixelAspect.SQUARE, true, List.of());
        int at = start;
        for (int row = 0; row < height; row++) {
            at = afterRow(data, at, (int) width);
            if (at < 0 || at > data.length) {
                return Inspection.cut(FileKind.HDR, WORDS.say("theFileEndsAtByteInRowOf", data.length, row, height), format);
            }
        }
        return Inspection.whole(FileKind.HDR, format, data);
    }

    /** Where a row ends, or a negative number if the file ends before. @throws IllegalArgumentException if runs go beyond the row */
    private static int afterRow(byte[] data, int start, int width) {
        boolean runs = width >= SHORTEST_RUNS && width <= LONGEST_RUNS && start + BYTES <= data.length && data[start] == 2
                && data[start + 1] == 2 && ((data[start + 2] & 0xff) << 8 | data[start + 3] & 0xff) == width;
        if (!runs) {
            return plainRow(data, start, width);
        }
        int at = start + BYTES;
        for (int channel = 0; channel < BYTES; channel++) {
            for (int x = 0; x < width;) {
                if (at >= data.length) {
                    return -1;
                }
                int count = data[at] & 0xff;
                boolean run = count > RUN;
                x += run ? count - RUN : count;
                at += run ? 2 : 1 + count;
                if (x > width || count == 0) {
                    throw new IllegalArgumentException(WORDS.say("runsThatGoBeyondTheirRow"));
                }
            }
        }
        return at;
    }

    /** Pixels of four bytes; 1, 1, 1 and a count repeats the one before. */
    private static int plainRow(byte[] data, int start, int width) {
        int at = start;
        int shift = 0;
        for (int x = 0; x < width; at += BYTES) {
            if (at + BYTES > data.length) {
                return -1;
            }
            boolean repeat = data[at] == 1 && data[at + 1] == 1 && data[at + 2] == 1;
            x += repeat ? (data[at + 3] & 0xff) << shift : 1;
            shift = repeat ? Math.min(24, shift + 8) : 0;
        }
        return at;
    }
}
