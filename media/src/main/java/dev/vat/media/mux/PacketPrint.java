package dev.vat.media.mux;

import dev.vat.media.decode.Demuxer;
import dev.vat.media.lib.MediaException;
import java.nio.file.Path;
import java.util.zip.CRC32C;
import org.bytedeco.ffmpeg.avcodec.AVPacket;

/** A fingerprint of packets in their order: of how many bytes each has, and which. */
final class PacketPrint {

    private final CRC32C print = new CRC32C();
    private long count;

    /** That of a file's pictures. @throws MediaException if it can't be read */
    static PacketPrint of(Path file) {
        PacketPrint found = new PacketPrint();
        try (Demuxer demuxer = new Demuxer(file)) {
            while (demuxer.next(found::add)) {
                // each is added above
            }
        }
        return found;
    }

    void add(AVPacket packet) {
        count++;
        print.update(packet.size());
        print.update(packet.data().capacity(packet.size()).asByteBuffer());
    }

    long count() {
        return count;
    }

    /** In letters: how many packets, and their CRC32C in hexadecimal. */
    String text() {
        return "%d %08x".formatted(count, print.getValue());
    }

    boolean isAs(PacketPrint other) {
        return count == other.count && print.getValue() == other.print.getValue();
    }
}
