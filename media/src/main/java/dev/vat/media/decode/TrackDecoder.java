package dev.vat.media.decode;

import static org.bytedeco.ffmpeg.global.avcodec.AV_CODEC_ID_MPEG2VIDEO;
import static org.bytedeco.ffmpeg.global.avcodec.AV_CODEC_ID_TIFF;
import static org.bytedeco.ffmpeg.global.avcodec.AV_CODEC_ID_VP9;
import static org.bytedeco.ffmpeg.global.avcodec.AV_PKT_FLAG_KEY;
import static org.bytedeco.ffmpeg.global.avcodec.av_new_packet;
import static org.bytedeco.ffmpeg.global.avcodec.av_packet_alloc;
import static org.bytedeco.ffmpeg.global.avcodec.av_packet_free;
import static org.bytedeco.ffmpeg.global.avcodec.av_packet_unref;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_alloc_context3;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_find_decoder;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_find_decoder_by_name;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_flush_buffers;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_free_context;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_open2;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_parameters_to_context;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_receive_frame;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_send_packet;
import static org.bytedeco.ffmpeg.global.avutil.av_dict_get;
import static org.bytedeco.ffmpeg.global.avutil.av_frame_alloc;
import static org.bytedeco.ffmpeg.global.avutil.av_frame_free;

import dev.vat.core.words.Words;
import dev.vat.media.lib.Av;
import dev.vat.media.lib.MediaException;
import dev.vat.media.lib.OneAtATime;
import dev.vat.media.picture.Picture;
import java.util.Map;
import java.util.function.Consumer;
import org.bytedeco.ffmpeg.avcodec.AVCodec;
import org.bytedeco.ffmpeg.avcodec.AVCodecContext;
import org.bytedeco.ffmpeg.avcodec.AVCodecParameters;
import org.bytedeco.ffmpeg.avcodec.AVPacket;
import org.bytedeco.ffmpeg.avformat.AVStream;
import org.bytedeco.ffmpeg.avutil.AVDictionary;
import org.bytedeco.ffmpeg.avutil.AVDictionaryEntry;
import org.bytedeco.ffmpeg.avutil.AVFrame;
import org.bytedeco.ffmpeg.avutil.AVRational;

/** Decodes the packets of one picture track, in the order in which pictures are shown. Belongs to one thread. */
public final class TrackDecoder implements AutoCloseable {

    private static final Words WORDS = Words.of(TrackDecoder.class);

    private final AVCodecContext context;
    private final OneAtATime use = new OneAtATime(WORDS.say("aDecoderOfMovies"));

    public TrackDecoder(AVCodecParameters parameters, boolean hiddenAlpha, AVRational timeBase, int threads) {
        this(hiddenAlpha ? avcodec_find_decoder_by_name("libvpx-vp9") : avcodec_find_decoder(parameters.codec_id()), parameters, timeBase,
                threads);
    }

    /** For a track of a file, alpha included. */
    public TrackDecoder(AVStream stream, int threads) {
        // The library's own VP9 decoder passes over alpha without a word.
        this(hasHiddenAlpha(stream) ? avcodec_find_decoder_by_name("libvpx-vp9") : avcodec_find_decoder(stream.codecpar().codec_id()),
                stream.codecpar(), stream.time_base(), threads);
    }

    /** Whether a WebM or Matroska file carries alpha beside its VP9 picture: nothing but a field of the file says so. */
    public static boolean hasHiddenAlpha(AVStream stream) {
        AVDictionaryEntry entry = av_dict_get(stream.metadata(), "alpha_mode", null, 0);
        return stream.codecpar().codec_id() == AV_CODEC_ID_VP9 && entry != null && !entry.isNull()
                && Av.string(entry.value(), "").equals("1");
    }

    private TrackDecoder(AVCodec codec, AVCodecParameters parameters, AVRational timeBase, int threads) {
        if (codec == null || codec.isNull()) {
            throw new MediaException(WORDS.say("noDecoderForThisPicture"), 0);
        }
        context = avcodec_alloc_context3(codec);
        AVDictionary options = Av.options(Map.of("err_detect", strictness(parameters.codec_id())));
        try {
            Av.check(avcodec_parameters_to_context(context, parameters), WORDS.say("decoder"));
            context.pkt_timebase(timeBase);
            context.thread_count(threads);
            Av.check(avcodec_open2(context, codec, options), WORDS.say("decoder"));
            Av.requireAllTaken(options, WORDS.say("decoder"));
        } catch (MediaException e) {
            close();
            throw e;
        }
    }

    /**
     * As strict as can be. Of MPEG-2 at a constant rate the encoder fills slices up with zeros, which the strictest look calls an
     * error; of TIFF it trips over fields that say nothing of the picture.
     */
    private static String strictness(int codec) {
        return codec == AV_CODEC_ID_MPEG2VIDEO ? "crccheck+buffer+explode" : codec == AV_CODEC_ID_TIFF ? "crccheck+bitstream+buffer"
                : "crccheck+bitstream+buffer+explode";
    }

    /** Each picture belongs to {@code sink}, which closes it. */
    public void decode(AVPacket packet, Consumer<Picture> sink) {
        use.enter();
        try {
            Av.check(avcodec_send_packet(context, packet), WORDS.say("decoding"));
            drain(sink);
        } finally {
            use.leave();
        }
    }

    /** One coded still; without its flag it would be added to the one before it. */
    public void decodeStill(byte[] data, Consumer<Picture> sink) {
        AVPacket packet = av_packet_alloc();
        try {
            Av.check(av_new_packet(packet, data.length), WORDS.say("decoding"));
            packet.data().put(data, 0, data.length);
            packet.flags(AV_PKT_FLAG_KEY);
            decode(packet, sink);
        } finally {
            av_packet_unref(packet);
            av_packet_free(packet);
        }
    }

    public void flush(Consumer<Picture> sink) {
        use.enter();
        try {
            Av.check(avcodec_send_packet(context, null), WORDS.say("decodingTheLastFrames"));
            drain(sink);
        } finally {
            use.leave();
        }
    }

    /** Forgets everything, for going on at another place. */
    void reset() {
        avcodec_flush_buffers(context);
    }

    private void drain(Consumer<Picture> sink) {
        while (true) {
            AVFrame frame = av_frame_alloc();
            int result = avcodec_receive_frame(context, frame);
            if (result < 0) {
                av_frame_free(frame);
                if (result == Av.EAGAIN || result == Av.EOF) {
                    return;
                }
                Av.check(result, WORDS.say("decoding"));
            }
            sink.accept(Picture.owning(frame));
        }
    }

    @Override
    public void close() {
        use.enter();
        avcodec_free_context(context);
        use.leave();
    }
}
