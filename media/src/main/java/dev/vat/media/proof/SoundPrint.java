package dev.vat.media.proof;

import static org.bytedeco.ffmpeg.global.avcodec.av_packet_alloc;
import static org.bytedeco.ffmpeg.global.avcodec.av_packet_free;
import static org.bytedeco.ffmpeg.global.avcodec.av_packet_unref;
import static org.bytedeco.ffmpeg.global.avutil.AV_NOPTS_VALUE;

import dev.vat.core.time.Rational;
import dev.vat.media.lib.Av;
import dev.vat.media.sound.SoundPackets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.zip.CRC32C;
import org.bytedeco.ffmpeg.avcodec.AVPacket;

/** Fingerprints of a file's first sound track as it is packed: one for the packets that begin in each second. */
final class SoundPrint {

    private SoundPrint() {}

    /** CRC32C of each second, in hexadecimal. @throws dev.vat.media.lib.MediaException if the file can't be read, or holds no sound */
    static List<String> of(Path file) {
        List<CRC32C> seconds = new ArrayList<>();
        AVPacket packet = av_packet_alloc();
        try (SoundPackets packets = new SoundPackets(file)) {
            Rational base = Av.rational(packets.timeBase());
            while (packets.next(packet)) {
                long at = packet.pts() == AV_NOPTS_VALUE ? packet.dts() : packet.pts();
                int second = (int) Math.max(0, base.times(at).floor());
                while (seconds.size() <= second) {
                    seconds.add(new CRC32C());
                }
                seconds.get(second).update(packet.data().capacity(packet.size()).asByteBuffer());
                av_packet_unref(packet);
            }
        } finally {
            av_packet_free(packet);
        }
        return seconds.stream().map(s -> "%08x".formatted(s.getValue())).toList();
    }
}
