package dev.vat.media.lib;

import static org.bytedeco.ffmpeg.global.avcodec.av_packet_alloc;
import static org.bytedeco.ffmpeg.global.avcodec.av_packet_free;
import static org.bytedeco.ffmpeg.global.avcodec.av_packet_unref;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_receive_packet;

import java.util.function.Consumer;
import org.bytedeco.ffmpeg.avcodec.AVCodecContext;
import org.bytedeco.ffmpeg.avcodec.AVPacket;

/** Takes from an encoder what it has ready. Belongs to one thread. */
public final class PacketDrain implements AutoCloseable {

    private final AVPacket packet = av_packet_alloc();

    /** Hands on every packet that is ready; it is valid during that call only. @param doing what an error is told of */
    public void drain(AVCodecContext encoder, String doing, Consumer<AVPacket> sink) {
        while (true) {
            int result = avcodec_receive_packet(encoder, packet);
            if (result == Av.EAGAIN || result == Av.EOF) {
                return;
            }
            Av.check(result, doing);
            try {
                sink.accept(packet);
            } finally {
                av_packet_unref(packet);
            }
        }
    }

    @Override
    public void close() {
        av_packet_free(packet);
    }
}
