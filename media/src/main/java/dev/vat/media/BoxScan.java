package dev.vat.media;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;

/**
 * The outermost boxes of an ISO base media file (ISO/IEC 14496-12) or its QuickTime relative.
 *
 * @param container {@code MP4}, {@code MOV} or {@code unknown}, by the brand
 * @param indexInFront whether the index stands before the pictures
 */
record BoxScan(String container, boolean indexInFront) {

    private static final int HEADER = 16;

    static BoxScan of(Path file) throws IOException {
        String brand = "";
        long index = -1;
        long pictures = -1;
        try (FileChannel channel = FileChannel.open(file)) {
            long at = 0;
            while (at + 8 <= channel.size()) {
                ByteBuffer head = ByteBuffer.allocate(HEADER);
                channel.read(head, at);
                head.flip();
                long size = head.getInt(0) & 0xffffffffL;
                String type = new String(head.array(), 4, 4, StandardCharsets.ISO_8859_1);
                if (size == 1 && head.limit() == HEADER) {
                    size = head.getLong(8);
                }
                switch (type) {
                    case "ftyp" -> brand = new String(head.array(), 8, 4, StandardCharsets.ISO_8859_1);
                    case "moov" -> index = at;
                    case "mdat" -> pictures = pictures < 0 ? at : pictures;
                    default -> { }
                }
                if (size < 8) {
                    break;
                }
                at += size;
            }
        }
        String container = brand.equals("qt  ") ? "MOV" : brand.isEmpty() ? "unknown" : "MP4";
        return new BoxScan(container, index >= 0 && index < pictures);
    }
}
