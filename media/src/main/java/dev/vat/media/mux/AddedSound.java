package dev.vat.media.mux;

import static org.bytedeco.ffmpeg.global.avcodec.av_packet_alloc;
import static org.bytedeco.ffmpeg.global.avcodec.av_packet_free;
import static org.bytedeco.ffmpeg.global.avcodec.av_packet_unref;

import dev.vat.core.time.Rational;
import dev.vat.media.lib.Av;
import dev.vat.media.sound.SoundPackets;
import java.nio.file.Path;
import org.bytedeco.ffmpeg.avcodec.AVPacket;

/** Sound of another file that goes along with the pictures of a copy, beside what is seen when it is heard. */
final class AddedSound implements AutoCloseable {

    private final SoundPackets packets;
    private final AVPacket waiting = av_packet_alloc();
    private final boolean empty;

    AddedSound(Path file) {
        packets = new SoundPackets(file);
        empty = !packets.next(waiting);
    }

    /** Whether the file has none. */
    boolean isEmpty() {
        return empty;
    }

    /** Whether something is left over. */
    boolean isWaiting() {
        return waiting.size() > 0;
    }

    /** Writes what is heard before a time, in seconds, so that pictures and sound lie beside each other in the file. */
    void weave(Rational until, OutputTracks out) {
        while (isWaiting() && Av.rational(packets.timeBase()).times(Cutting.time(waiting, 0)).compareTo(until) < 0) {
            out.sound(waiting, packets.timeBase(), OutputTracks.OTHER);
            av_packet_unref(waiting);
            packets.next(waiting);
        }
    }

    @Override
    public void close() {
        packets.close();
        av_packet_free(waiting);
    }
}
