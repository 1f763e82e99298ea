package dev.vat.media.decode.still;

import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.Depth;
import dev.vat.core.picture.PictureFormat;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.source.FileKind;
import dev.vat.core.words.Words;
import java.nio.ByteBuffer;
import java.util.List;

/** SGI image (version 1.00): planes from the bottom row up, plain or in runs whose places stand in a table. */
final class SgiFile {

    private static final Words WORDS = Words.of(SgiFile.class);

    private static final int HEADER = 512;

    private SgiFile() {}

    static Inspection inspect(byte[] data) {
        if (data.length < HEADER) {
            return Inspection.cut(FileKind.SGI, WORDS.say("itEndsInsideItsHeader"), null);
        }
        ByteBuffer buffer = ByteBuffer.wrap(data);
        int packing = data[2];
        int bytes = data[3];
        int dimensions = buffer.getShort(4);
        int width = buffer.getShort(6) & 0xffff;
        int height = dimensions < 2 ? 1 : buffer.getShort(8) & 0xffff;
        int channels = dimensions < 3 ? 1 : buffer.getShort(10) & 0xffff;
        if (packing < 0 || packing > 1 || bytes < 1 || bytes > 2 || width < 1 || height < 1 || channels < 1 || channels > 4
                || buffer.getInt(104) != 0) {
            return Inspection.unreadable(FileKind.SGI, WORDS.say("itsHeaderStatesAPicture"));
        }
        if (channels == 2) {
            return Inspection.unreadable(FileKind.SGI, WORDS.say("itIsGreyWithAlphaWhichVat"));
        }
        PictureFormat format = new PictureFormat("SGI", Size.of(width, height), Depth.integer(8 * bytes),
                channels == 4 ? AlphaKind.STRAIGHT : AlphaKind.NONE, PixelAspect.SQUARE, false, List.of());
        long end = HEADER + (long) width * height * channels * bytes;
        if (packing == 1) {
            int rows = height * channels;
            if (HEADER + 8L * rows > data.length) {
                return Inspection.cut(FileKind.SGI, WORDS.say("itEndsInsideItsTableOfRows"), format);
            }
            end = 0;
            for (int i = 0; i < rows; i++) {
                long start = buffer.getInt(HEADER + 4 * i) & 0xffff_ffffL;
                long length = buffer.getInt(HEADER + 4 * (rows + i)) & 0xffff_ffffL;
                end = Math.max(end, start + length);
            }
        }
        return end > data.length
                ? Inspection.cut(FileKind.SGI, WORDS.say("theFileEndsAtByteItsPicture", data.length, end), format)
                : Inspection.whole(FileKind.SGI, format, data);
    }
}
