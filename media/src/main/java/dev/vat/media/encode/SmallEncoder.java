package dev.vat.media.encode;

import static org.bytedeco.ffmpeg.global.avcodec.avcodec_alloc_context3;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_find_encoder_by_name;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_free_context;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_open2;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_send_frame;
import static org.bytedeco.ffmpeg.global.avutil.AVCOL_RANGE_JPEG;
import static org.bytedeco.ffmpeg.global.avutil.AV_PICTURE_TYPE_NONE;
import static org.bytedeco.ffmpeg.global.avutil.av_make_q;

import dev.vat.core.words.Words;
import dev.vat.media.lib.Av;
import dev.vat.media.lib.MediaException;
import dev.vat.media.lib.PacketDrain;
import dev.vat.media.picture.Picture;
import java.util.Map;
import java.util.function.Consumer;
import org.bytedeco.ffmpeg.avcodec.AVCodec;
import org.bytedeco.ffmpeg.avcodec.AVCodecContext;
import org.bytedeco.ffmpeg.avcodec.AVPacket;
import org.bytedeco.ffmpeg.avutil.AVDictionary;

/** Encodes small pictures of {@code yuvj420p} for nothing but the length of their packets. Belongs to one thread. */
final class SmallEncoder implements AutoCloseable {

    private static final Words WORDS = Words.of(SmallEncoder.class);

    private final AVCodecContext context;
    private final PacketDrain packets = new PacketDrain();
    private long frames;

    /** @param name of the encoder, by the library's names @param options likewise */
    SmallEncoder(String name, int width, int height, Map<String, String> options) {
        AVCodec codec = avcodec_find_encoder_by_name(name);
        context = avcodec_alloc_context3(codec);
        context.width(width).height(height).pix_fmt(Av.format("yuvj420p")).color_range(AVCOL_RANGE_JPEG).time_base(av_make_q(1, 25))
                .framerate(av_make_q(25, 1)).thread_count(1);
        AVDictionary dictionary = Av.options(options);
        try {
            Av.check(avcodec_open2(context, codec, dictionary), name);
            Av.requireAllTaken(dictionary, name);
        } catch (MediaException e) {
            close();
            throw e;
        }
    }

    void encode(Picture picture, Consumer<AVPacket> sink) {
        picture.frame().pts(frames++);
        picture.frame().pict_type(AV_PICTURE_TYPE_NONE);
        picture.frame().flags(picture.frame().flags() & ~Av.FRAME_KEY);
        picture.frame().quality(context.global_quality());
        Av.check(avcodec_send_frame(context, picture.frame()), WORDS.say("aQuickLook"));
        packets.drain(context, WORDS.say("aQuickLook"), sink);
    }

    void flush(Consumer<AVPacket> sink) {
        Av.check(avcodec_send_frame(context, null), WORDS.say("aQuickLook"));
        packets.drain(context, WORDS.say("aQuickLook"), sink);
    }

    @Override
    public void close() {
        avcodec_free_context(context);
        packets.close();
    }
}
