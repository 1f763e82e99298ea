package dev.vat.media.decode.still;

import dev.vat.core.words.Words;
import dev.vat.media.decode.still.ExrHeader.Part;
import dev.vat.media.picture.Picture;
import java.lang.foreign.MemorySegment;
import java.lang.foreign.ValueLayout;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;

/**
 * Chunks that the decoder left black without a word, as it does with whatever it can't unpack: true black packs to next to nothing, so
 * that a chunk with more in it than that can't have come out black all over. Where a chunk also holds what isn't shown, other layers or
 * depth, its length tells nothing of what is; only what is known not to be unpacked is judged there.
 */
public final class ExrGaps {

    private static final Words WORDS = Words.of(ExrGaps.class);

    private static final int NEXT_TO_NOTHING = 512;
    private static final int BLACK_PACKS_TO = 50;
    private static final int DWAA = 8;
    private static final String[] PACKINGS = {"none", "RLE", "ZIPS", "ZIP", "PIZ", "PXR24", "B44", "B44A", "DWAA", "DWAB"};

    private ExrGaps() {}

    /** @return what is wrong with the decoded picture, in words, or null */
    public static String in(byte[] data, Picture picture) {
        ByteBuffer buffer = ByteBuffer.wrap(data).order(ByteOrder.LITTLE_ENDIAN);
        ExrHeader header = ExrHeader.read(buffer);
        Part part = header.parts().getFirst();
        boolean unknownPacking = part.compression() == 0 || part.compression() >= PACKINGS.length;
        boolean shownWhole = part.channels().size() == picture.descriptor().nb_components();
        if (header.multiPart() || unknownPacking || !shownWhole && !isOddDwa(part)) {
            return null;
        }
        boolean tiled = part.isTiled(header);
        long[] offsets = ExrFile.tables(buffer, header).getFirst();
        int left = part.dataWindow()[0] - part.displayWindow()[0];
        int top = part.dataWindow()[1] - part.displayWindow()[1];
        ByteBuffer tile = tiled ? ExrHeader.little(part.attributes().get("tiles")) : null;
        int wide = tiled ? tile.getInt(0) : part.width();
        int high = tiled ? tile.getInt(4) : part.linesPerChunk();
        long black = NEXT_TO_NOTHING + part.bytes(wide, high) / BLACK_PACKS_TO;
        for (long offset : offsets) {
            int at = (int) offset;
            boolean detail = tiled && (buffer.getInt(at + 8) != 0 || buffer.getInt(at + 12) != 0);
            if (detail || buffer.getInt(at + (tiled ? 16 : 4)) <= black) {
                continue;
            }
            int x = left + (tiled ? buffer.getInt(at) * wide : 0);
            int y = tiled ? top + buffer.getInt(at + 4) * high : buffer.getInt(at) - part.displayWindow()[1];
            if (isBlack(picture, x, y, Math.min(wide, left + part.width() - x), Math.min(high, top + part.height() - y))) {
                return WORDS.say("linesFromOnCantBeUnpacked", y, PACKINGS[part.compression()]);
            }
        }
        return null;
    }

    /** The decoder unpacks blocks of eight pixels and gives up on some pictures that end inside of one. */
    private static boolean isOddDwa(Part part) {
        return part.compression() >= DWAA && part.width() % 8 != 0;
    }

    private static boolean isBlack(Picture picture, int left, int top, int width, int height) {
        int from = Math.max(0, left);
        int to = Math.min(picture.width(), left + width);
        if (from >= to || top + height <= 0 || top >= picture.height()) {
            return false;
        }
        for (int p = 0; p < picture.planes(); p++) {
            int bytes = picture.descriptor().comp(0).step();
            for (int y = Math.max(0, top); y < Math.min(picture.height(), top + height); y++) {
                MemorySegment line = picture.plane(p).asSlice((long) y * picture.stride(p) + (long) from * bytes,
                        (long) (to - from) * bytes);
                for (long i = 0; i < line.byteSize(); i++) {
                    if (line.get(ValueLayout.JAVA_BYTE, i) != 0) {
                        return false;
                    }
                }
            }
        }
        return true;
    }
}
