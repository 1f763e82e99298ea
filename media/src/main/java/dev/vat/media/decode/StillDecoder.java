package dev.vat.media.decode;

import static org.bytedeco.ffmpeg.global.avcodec.AV_CODEC_ID_BMP;
import static org.bytedeco.ffmpeg.global.avcodec.AV_CODEC_ID_DPX;
import static org.bytedeco.ffmpeg.global.avcodec.AV_CODEC_ID_EXR;
import static org.bytedeco.ffmpeg.global.avcodec.AV_CODEC_ID_MJPEG;
import static org.bytedeco.ffmpeg.global.avcodec.AV_CODEC_ID_PNG;
import static org.bytedeco.ffmpeg.global.avcodec.AV_CODEC_ID_TARGA;
import static org.bytedeco.ffmpeg.global.avcodec.AV_CODEC_ID_TIFF;
import static org.bytedeco.ffmpeg.global.avcodec.AV_CODEC_ID_WEBP;
import static org.bytedeco.ffmpeg.global.avcodec.av_new_packet;
import static org.bytedeco.ffmpeg.global.avcodec.av_packet_alloc;
import static org.bytedeco.ffmpeg.global.avcodec.av_packet_free;
import static org.bytedeco.ffmpeg.global.avcodec.av_packet_unref;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_alloc_context3;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_find_decoder;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_flush_buffers;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_free_context;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_open2;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_receive_frame;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_send_packet;
import static org.bytedeco.ffmpeg.global.avutil.av_frame_alloc;
import static org.bytedeco.ffmpeg.global.avutil.av_frame_free;

import dev.vat.core.source.FileKind;
import dev.vat.media.lib.Av;
import dev.vat.media.lib.MediaException;
import dev.vat.media.lib.OneAtATime;
import dev.vat.media.picture.Picture;
import java.util.HashMap;
import java.util.Map;
import org.bytedeco.ffmpeg.avcodec.AVCodecContext;
import org.bytedeco.ffmpeg.avcodec.AVPacket;
import org.bytedeco.ffmpeg.avutil.AVDictionary;
import org.bytedeco.ffmpeg.avutil.AVFrame;

/**
 * Decodes still files from their bytes, strictly. Keeps one single-threaded context per kind; an instance belongs to one
 * thread.
 */
public final class StillDecoder implements AutoCloseable {

    private record Key(FileKind kind, int part, String layer) {}

    private final Map<Key, AVCodecContext> contexts = new HashMap<>();
    private final AVPacket packet = av_packet_alloc();
    private final OneAtATime use = new OneAtATime("A decoder of stills");

    /**
     * @param part the part of an EXR file, from 0
     * @param layer the EXR layer to take, or empty for the unnamed one
     * @throws MediaException if anything in the data is wrong
     */
    public Picture decode(FileKind kind, int part, String layer, byte[] data) {
        if (data.length == 0) {
            throw new MediaException("the file has no bytes", 0);
        }
        use.enter();
        try {
            return decoded(kind, part, layer, data);
        } finally {
            use.leave();
        }
    }

    private Picture decoded(FileKind kind, int part, String layer, byte[] data) {
        AVCodecContext context = contexts.computeIfAbsent(new Key(kind, part, layer), StillDecoder::open);
        Av.check(av_new_packet(packet, data.length), "No memory for " + data.length + " bytes");
        AVFrame frame = av_frame_alloc();
        try {
            packet.data().put(data, 0, data.length);
            // Without this mark the PNG decoder adds the picture onto the one before it.
            packet.flags(Av.PACKET_KEY);
            Av.check(avcodec_send_packet(context, packet), kind.title());
            Av.check(avcodec_receive_frame(context, frame), kind.title());
            return Picture.owning(frame);
        } catch (RuntimeException | Error e) {
            av_frame_free(frame);
            avcodec_flush_buffers(context);
            throw e;
        } finally {
            av_packet_unref(packet);
        }
    }

    private static AVCodecContext open(Key key) {
        int id = switch (key.kind) {
            case PNG -> AV_CODEC_ID_PNG;
            case JPEG -> AV_CODEC_ID_MJPEG;
            case TIFF -> AV_CODEC_ID_TIFF;
            case TGA -> AV_CODEC_ID_TARGA;
            case EXR -> AV_CODEC_ID_EXR;
            case BMP -> AV_CODEC_ID_BMP;
            case DPX -> AV_CODEC_ID_DPX;
            case WEBP -> AV_CODEC_ID_WEBP;
            case MOVIE -> throw new IllegalArgumentException("A movie is no still picture");
        };
        Map<String, String> options = new HashMap<>();
        options.put("err_detect", "crccheck+bitstream+buffer+explode");
        if (!key.layer.isEmpty()) {
            options.put("layer", key.layer);
        }
        if (key.part > 0) {
            options.put("part", Integer.toString(key.part));
        }
        var codec = avcodec_find_decoder(id);
        AVCodecContext context = avcodec_alloc_context3(codec);
        context.thread_count(1);
        AVDictionary dictionary = Av.options(options);
        try {
            Av.check(avcodec_open2(context, codec, dictionary), key.kind.title() + " decoder");
            Av.requireAllTaken(dictionary, key.kind.title() + " decoder");
        } catch (MediaException e) {
            avcodec_free_context(context);
            throw e;
        }
        return context;
    }

    @Override
    public void close() {
        use.enter();
        contexts.values().forEach(context -> avcodec_free_context(context));
        contexts.clear();
        av_packet_free(packet);
        use.leave();
    }
}
