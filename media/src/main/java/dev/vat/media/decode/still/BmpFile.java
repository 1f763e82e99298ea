package dev.vat.media.decode.still;

import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.Depth;
import dev.vat.core.picture.PictureFormat;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.source.FileKind;
import dev.vat.core.words.Words;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.List;
import java.util.Set;

/** Windows bitmap: a header that states size and place of a picture that is plain as a rule, without any checksum. */
final class BmpFile {

    private static final Words WORDS = Words.of(BmpFile.class);

    private static final int CORE_HEADER = 12;
    /** Those of Windows from its first edition to version 5, and the long one of OS/2. */
    private static final Set<Integer> HEADERS = Set.of(CORE_HEADER, 40, 52, 56, 64, 108, 124);

    private BmpFile() {}

    static Inspection inspect(byte[] data) {
        if (data.length < 26) {
            return Inspection.cut(FileKind.BMP, WORDS.say("itEndsInsideItsHeader"), null);
        }
        ByteBuffer buffer = ByteBuffer.wrap(data).order(ByteOrder.LITTLE_ENDIAN);
        int header = buffer.getInt(14);
        boolean core = header == CORE_HEADER;
        if (!core && data.length < 14 + Math.min(40, header)) {
            return Inspection.cut(FileKind.BMP, WORDS.say("itEndsInsideItsHeader"), null);
        }
        int width = core ? buffer.getShort(18) & 0xffff : buffer.getInt(18);
        long height = core ? buffer.getShort(20) & 0xffff : Math.abs((long) buffer.getInt(22));
        int bits = buffer.getShort(core ? 24 : 28) & 0xffff;
        int packing = core ? 0 : buffer.getInt(30);
        if (!HEADERS.contains(header)) {
            return Inspection.unreadable(FileKind.BMP, WORDS.say("bmpWithAHeaderOfBytesWhich", header));
        }
        if (packing == 4 || packing == 5 || bits == 2) {
            return Inspection.unreadable(FileKind.BMP,
                    WORDS.say("bmpWhichVatDoesntRead", (bits == 2 ? WORDS.say("of2BitsAPixel") : packing == 4 ? WORDS.say("thatHoldsAJPEG")
                            : WORDS.say("thatHoldsAPNG"))));
        }
        if (width < 1 || height < 1 || width > Size.MAX || height > Size.MAX
                || !List.of(1, 4, 8, 16, 24, 32).contains(bits) || packing < 0 || packing > 6) {
            return Inspection.unreadable(FileKind.BMP, WORDS.say("itsHeaderStatesNoBitmap"));
        }
        boolean masks = BmpMasks.isOne(data);
        boolean alpha = masks ? BmpMasks.hasAlpha(data) : bits == 32 && header >= 56 && data.length > 70 && buffer.getInt(66) != 0;
        PictureFormat format = new PictureFormat("BMP", Size.of(width, (int) height), Depth.integer(8),
                alpha ? AlphaKind.STRAIGHT : AlphaKind.NONE, PixelAspect.SQUARE, false, List.of());
        long start = buffer.getInt(10) & 0xffffffffL;
        boolean runs = packing == 1 || packing == 2;
        long end = runs ? start + Math.max(2, buffer.getInt(34) & 0xffffffffL)
                : start + height * (((long) width * bits + 31) / 32 * 4);
        if (end > data.length) {
            return Inspection.cut(FileKind.BMP, WORDS.say("theFileEndsAtByteItsPicture", data.length, end), format);
        }
        if (runs && !endsWithMark(data, (int) start, (int) end)) {
            return Inspection.cut(FileKind.BMP, WORDS.say("theEndMarkOfItsRunsIsMissing"), format);
        }
        if (packing == 0 && bits <= 8 && hasColourBeyond(buffer, (int) start, width, (int) height, bits, core)) {
            return Inspection.unreadable(FileKind.BMP, WORDS.say("aPixelHasAColourThatIts"));
        }
        String runsFault = runs ? BmpRuns.fault(data, (int) start, (int) end, width, (int) height, packing == 2) : null;
        return runsFault != null ? Inspection.unreadable(FileKind.BMP, runsFault) : Inspection.whole(FileKind.BMP, format, data);
    }

    private static boolean hasColourBeyond(ByteBuffer file, int start, int width, int height, int bits, boolean core) {
        int told = core ? 0 : file.getInt(46);
        int colours = told <= 0 || told > 1 << bits ? 1 << bits : told;
        int row = (width * bits + 31) / 32 * 4;
        for (int y = 0; y < height && colours < 1 << bits; y++) {
            for (int x = 0; x < width; x++) {
                int bit = x * bits;
                int pixel = file.get(start + y * row + bit / 8) >> 8 - bits - bit % 8 & (1 << bits) - 1;
                if (pixel >= colours) {
                    return true;
                }
            }
        }
        return false;
    }

    /** Run-length data ends with the bytes 00 01, perhaps with a filler behind. */
    private static boolean endsWithMark(byte[] data, int start, int end) {
        for (int i = end - 2; i >= Math.max(start, end - 6); i--) {
            if (data[i] == 0 && data[i + 1] == 1) {
                return true;
            }
        }
        return false;
    }
}
