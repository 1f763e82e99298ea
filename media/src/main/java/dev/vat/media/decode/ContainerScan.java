package dev.vat.media.decode;

import dev.vat.core.delivery.Container;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;

/**
 * What kind of file something is by its own first bytes, read by us and not by the library that wrote it: the boxes of ISO
 * base media files (ISO/IEC 14496-12) and their QuickTime relatives, the EBML header (RFC 8794), RIFF, and the partition key
 * of MXF (SMPTE ST 377-1).
 *
 * @param container its title, or {@code unknown}
 * @param loops how often a moving still is played, 0 for ever; null elsewhere
 * @param indexInFront whether the index stands before the pictures
 */
public record ContainerScan(String container, boolean indexInFront, Integer loops) {

    ContainerScan(String container, boolean indexInFront) {
        this(container, indexInFront, null);
    }

    private static final int HEADER = 16;
    private static final int HEAD = 192;
    /** Of a transport stream, and what each begins with. */
    private static final int PACKET = 188;
    private static final byte SYNC = 0x47;
    private static final byte[] MXF_KEY = {0x06, 0x0e, 0x2b, 0x34, 0x02, 0x05, 0x01, 0x01, 0x0d, 0x01, 0x02, 0x01, 0x01, 0x02};
    private static final byte[] EBML = {0x1a, 0x45, (byte) 0xdf, (byte) 0xa3};

    private static final byte[] PNG = {(byte) 0x89, 'P', 'N', 'G', 0x0d, 0x0a, 0x1a, 0x0a};

    public static ContainerScan of(Path file) throws IOException {
        try (FileChannel channel = FileChannel.open(file)) {
            ByteBuffer start = ByteBuffer.allocate(HEAD);
            channel.read(start, 0);
            byte[] head = start.array();
            String text = new String(head, StandardCharsets.ISO_8859_1);
            if (begins(head, EBML)) {
                return new ContainerScan(
                        text.contains("webm") ? Container.WEBM.title() : text.contains("matroska") ? Container.MKV.title() : "unknown",
                        false);
            }
            if (begins(head, MXF_KEY)) {
                return new ContainerScan(Container.MXF.title(), false);
            }
            if (text.startsWith("RIFF") && text.startsWith("AVI ", 8)) {
                return new ContainerScan(Container.AVI.title(), false);
            }
            if (head[0] == SYNC && (head[PACKET] == SYNC || channel.size() == PACKET)) {
                return new ContainerScan(Container.TS.title(), false);
            }
            if (text.startsWith("GIF89a")) {
                return new ContainerScan(Container.GIF.title(), false, MovingStill.loopsOfGif(channel));
            }
            if (begins(head, PNG)) {
                return new ContainerScan(Container.APNG.title(), false, MovingStill.loopsOfApng(channel));
            }
            if (text.startsWith("RIFF") && text.startsWith("WEBP", 8)) {
                return new ContainerScan(Container.WEBP.title(), false, MovingStill.loopsOfWebp(channel));
            }
            return boxes(channel, file);
        }
    }

    private static boolean begins(byte[] head, byte[] mark) {
        for (int i = 0; i < mark.length; i++) {
            if (head[i] != mark[i]) {
                return false;
            }
        }
        return true;
    }

    private static ContainerScan boxes(FileChannel channel, Path file) throws IOException {
        String brand = "";
        long index = -1;
        long pictures = -1;
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
                default -> {}
            }
            if (size < 8) {
                break;
            }
            at += size;
        }
        if (brand.equals("avis") || brand.equals("avif")) {
            return new ContainerScan(Container.AVIF.title(), false, MovingStill.loopsOfAvif(file));
        }
        String container = brand.equals("qt  ") ? Container.MOV.title() : brand.isEmpty() ? "unknown" : Container.MP4.title();
        return new ContainerScan(container, index >= 0 && index < pictures);
    }
}
