package dev.vat.media.proof;

import static org.bytedeco.ffmpeg.global.avcodec.av_packet_alloc;
import static org.bytedeco.ffmpeg.global.avcodec.av_packet_free;
import static org.bytedeco.ffmpeg.global.avcodec.av_packet_unref;
import static org.bytedeco.ffmpeg.global.avutil.AV_NOPTS_VALUE;

import dev.vat.media.lib.Av;
import dev.vat.media.sound.SoundPackets;
import java.nio.ByteBuffer;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.SequencedMap;
import java.util.TreeMap;
import java.util.zip.CRC32C;
import org.bytedeco.ffmpeg.avcodec.AVPacket;

/**
 * Fingerprints of a file's sound as it is packed: CRC32C, in hexadecimal.
 *
 * @param seconds one for the packets of all tracks that begin in each second
 * @param tracks one for all packets of each track, in their order
 */
record SoundPrint(List<String> seconds, List<String> tracks) {

    static final SoundPrint NONE = new SoundPrint(List.of(), List.of());

    /** @throws dev.vat.media.lib.MediaException if the file can't be read, or holds no sound */
    static SoundPrint of(Path file) {
        List<CRC32C> seconds = new ArrayList<>();
        SequencedMap<Integer, CRC32C> tracks = new TreeMap<>();
        AVPacket packet = av_packet_alloc();
        try (SoundPackets packets = new SoundPackets(file, true)) {
            while (packets.next(packet)) {
                long at = packet.pts() == AV_NOPTS_VALUE ? packet.dts() : packet.pts();
                int second = (int) Math.max(0, Av.rational(packets.timeBase(packet)).times(at).floor());
                while (seconds.size() <= second) {
                    seconds.add(new CRC32C());
                }
                ByteBuffer bytes = packet.data().capacity(packet.size()).asByteBuffer();
                seconds.get(second).update(bytes.duplicate());
                tracks.computeIfAbsent(packet.stream_index(), _ -> new CRC32C()).update(bytes);
                av_packet_unref(packet);
            }
        } finally {
            av_packet_free(packet);
        }
        return new SoundPrint(texts(seconds), texts(tracks.values().stream().toList()));
    }

    private static List<String> texts(List<CRC32C> prints) {
        return prints.stream().map(p -> "%08x".formatted(p.getValue())).toList();
    }
}
