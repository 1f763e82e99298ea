package dev.vat.media.decode;

import static org.bytedeco.ffmpeg.global.avcodec.AV_PKT_DATA_MATROSKA_BLOCKADDITIONAL;
import static org.bytedeco.ffmpeg.global.avcodec.av_packet_get_side_data;
import static org.bytedeco.ffmpeg.global.avutil.AV_NOPTS_VALUE;

import dev.vat.media.lib.Av;
import dev.vat.media.lib.MediaException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.bytedeco.ffmpeg.avcodec.AVPacket;
import org.bytedeco.javacpp.SizeTPointer;

/** The bytes of each frame of a movie file, in the order of showing. */
public final class PackedFrames {

    /** @param bytes of the frame's packet, alpha beside it included @param key whether it stands alone */
    public record Frame(int bytes, boolean key) {}

    private record At(long time, Frame frame) {}

    private PackedFrames() {}

    /** @throws MediaException if it can't be read */
    public static List<Frame> of(Path file) {
        List<At> found = new ArrayList<>();
        try (Demuxer demuxer = new Demuxer(file)) {
            while (demuxer.next(packet -> found.add(new At(packet.pts() == AV_NOPTS_VALUE ? packet.dts() : packet.pts(),
                    new Frame(packet.size() + beside(packet), (packet.flags() & Av.PACKET_KEY) != 0))))) {
                // each packet adds itself
            }
        }
        found.sort(Comparator.comparingLong(At::time));
        return found.stream().map(At::frame).toList();
    }

    private static int beside(AVPacket packet) {
        try (SizeTPointer size = new SizeTPointer(1)) {
            var data = av_packet_get_side_data(packet, AV_PKT_DATA_MATROSKA_BLOCKADDITIONAL, size);
            return data == null || data.isNull() ? 0 : Math.toIntExact(size.get());
        }
    }
}
