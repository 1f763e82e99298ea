package dev.vat.media.decode;

import static org.bytedeco.ffmpeg.global.avcodec.AV_CODEC_ID_AV1;
import static org.bytedeco.ffmpeg.global.avcodec.AV_CODEC_ID_BMP;
import static org.bytedeco.ffmpeg.global.avcodec.AV_CODEC_ID_EXR;
import static org.bytedeco.ffmpeg.global.avcodec.AV_CODEC_ID_HEVC;
import static org.bytedeco.ffmpeg.global.avcodec.AV_CODEC_ID_MJPEG;
import static org.bytedeco.ffmpeg.global.avcodec.AV_CODEC_ID_PNG;
import static org.bytedeco.ffmpeg.global.avcodec.AV_CODEC_ID_TARGA;
import static org.bytedeco.ffmpeg.global.avcodec.AV_CODEC_ID_TIFF;
import static org.bytedeco.ffmpeg.global.avcodec.AV_CODEC_ID_JPEG2000;
import static org.bytedeco.ffmpeg.global.avcodec.AV_CODEC_ID_PAM;
import static org.bytedeco.ffmpeg.global.avcodec.AV_CODEC_ID_PBM;
import static org.bytedeco.ffmpeg.global.avcodec.AV_CODEC_ID_PFM;
import static org.bytedeco.ffmpeg.global.avcodec.AV_CODEC_ID_PGM;
import static org.bytedeco.ffmpeg.global.avcodec.AV_CODEC_ID_PPM;
import static org.bytedeco.ffmpeg.global.avcodec.AV_CODEC_ID_RADIANCE_HDR;
import static org.bytedeco.ffmpeg.global.avcodec.AV_CODEC_ID_SGI;
import static org.bytedeco.ffmpeg.global.avcodec.AV_CODEC_ID_WEBP;
import static org.bytedeco.ffmpeg.global.avcodec.AV_INPUT_BUFFER_PADDING_SIZE;
import static org.bytedeco.ffmpeg.global.avcodec.av_new_packet;
import static org.bytedeco.ffmpeg.global.avcodec.av_packet_alloc;
import static org.bytedeco.ffmpeg.global.avcodec.av_packet_free;
import static org.bytedeco.ffmpeg.global.avcodec.av_packet_unref;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_alloc_context3;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_find_decoder;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_free_context;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_open2;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_receive_frame;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_send_packet;
import static org.bytedeco.ffmpeg.global.avutil.av_frame_alloc;
import static org.bytedeco.ffmpeg.global.avutil.av_frame_free;
import static org.bytedeco.ffmpeg.global.avutil.av_mallocz;

import dev.vat.core.source.FileKind;
import dev.vat.core.words.Words;
import dev.vat.media.lib.Av;
import dev.vat.media.lib.MediaException;
import dev.vat.media.lib.OneAtATime;
import dev.vat.media.picture.Picture;
import java.util.HashMap;
import java.util.Map;
import java.util.Set;
import org.bytedeco.ffmpeg.avcodec.AVCodecContext;
import org.bytedeco.ffmpeg.avcodec.AVPacket;
import org.bytedeco.ffmpeg.avutil.AVDictionary;
import org.bytedeco.ffmpeg.avutil.AVFrame;
import org.bytedeco.javacpp.BytePointer;

/**
 * Decodes still files from their bytes, strictly. Each file gets a decoder that has seen no other: some keep the palette or the packing of
 * the file before. An instance belongs to one thread.
 */
public final class StillDecoder implements AutoCloseable {

    private static final Words WORDS = Words.of(StillDecoder.class);

    private static final Map<String, String> STRICT = Map.of("err_detect", "crccheck+bitstream+buffer+explode");

    /** Strict decoders of files that were found whole; EXR leaves chunks that it can't unpack as they are. */
    private static final Set<Integer> WRITE_EVERY_SAMPLE = Set.of(AV_CODEC_ID_PNG, AV_CODEC_ID_MJPEG, AV_CODEC_ID_TARGA);

    private final PictureMemory memory = new PictureMemory();
    private final AVPacket packet = av_packet_alloc();
    private final OneAtATime use = new OneAtATime(WORDS.say("aDecoderOfStills"));

    /**
     * @param layer the EXR layer to take, or empty for the unnamed one
     * @throws MediaException if anything in the data is wrong
     */
    public Picture decode(FileKind kind, String layer, byte[] data) {
        if (data.length == 0) {
            throw new MediaException(WORDS.say("theFileHasNoBytes"), 0);
        }
        use.enter();
        try {
            return decoded(open(kind, layer, data), kind.title(), data);
        } finally {
            use.leave();
        }
    }

    /**
     * One coded picture of a HEIF file.
     *
     * @param configuration what stands before it in a movie of its kind
     * @throws MediaException if anything in the data is wrong
     */
    public Picture decode(boolean av1, byte[] configuration, byte[] data) {
        use.enter();
        try {
            AVCodecContext context = open(av1 ? AV_CODEC_ID_AV1 : AV_CODEC_ID_HEVC, av1 ? "AV1" : "HEVC", STRICT, configuration);
            return decoded(context, av1 ? "AV1" : "HEVC", data);
        } finally {
            use.leave();
        }
    }

    private Picture decoded(AVCodecContext context, String title, byte[] data) {
        AVFrame frame = av_frame_alloc();
        try {
            Av.check(av_new_packet(packet, data.length), WORDS.say("noMemoryForBytes", data.length));
            packet.data().put(data, 0, data.length);
            // The PNG decoder takes what has no such mark for a change to a picture before it.
            packet.flags(Av.PACKET_KEY);
            Av.check(avcodec_send_packet(context, packet), title);
            // One picture and no more: some wait for a next one before they give it.
            Av.check(avcodec_send_packet(context, null), title);
            Av.check(avcodec_receive_frame(context, frame), title);
            return Picture.owning(frame);
        } catch (RuntimeException | Error e) {
            av_frame_free(frame);
            throw e;
        } finally {
            av_packet_unref(packet);
            avcodec_free_context(context);
        }
    }

    private static int anymap(byte[] data) {
        return switch (data[1]) {
            case '4' -> AV_CODEC_ID_PBM;
            case '5' -> AV_CODEC_ID_PGM;
            case '6' -> AV_CODEC_ID_PPM;
            default -> AV_CODEC_ID_PAM;
        };
    }

    private AVCodecContext open(FileKind kind, String layer, byte[] data) {
        int id = switch (kind) {
            case PNG -> AV_CODEC_ID_PNG;
            case JPEG -> AV_CODEC_ID_MJPEG;
            case TGA -> AV_CODEC_ID_TARGA;
            case EXR -> AV_CODEC_ID_EXR;
            case BMP -> AV_CODEC_ID_BMP;
            case WEBP -> AV_CODEC_ID_WEBP;
            case JP2 -> AV_CODEC_ID_JPEG2000;
            case HDR -> AV_CODEC_ID_RADIANCE_HDR;
            case PFM -> AV_CODEC_ID_PFM;
            case PPM -> anymap(data);
            case SGI -> AV_CODEC_ID_SGI;
            case TIFF -> AV_CODEC_ID_TIFF;
            case DPX, CINEON, PSD, AVIF, HEIF, JXL -> throw new IllegalArgumentException(WORDS.say("hasAReaderOfItsOwn", kind.title()));
            case MOVIE -> throw new IllegalArgumentException(WORDS.say("aMovieIsNoStillPicture"));
        };
        Map<String, String> options = new HashMap<>(STRICT);
        if (!layer.isEmpty()) {
            options.put("layer", layer);
        }
        return open(id, kind.title(), options, new byte[0]);
    }

    private AVCodecContext open(int id, String title, Map<String, String> options, byte[] configuration) {
        var codec = avcodec_find_decoder(id);
        AVCodecContext context = avcodec_alloc_context3(codec);
        context.thread_count(1);
        if (WRITE_EVERY_SAMPLE.contains(id)) {
            memory.serve(context);
        }
        if (configuration.length > 0) {
            // The context gives it back to the library.
            BytePointer kept = new BytePointer(av_mallocz(configuration.length + AV_INPUT_BUFFER_PADDING_SIZE));
            kept.put(configuration, 0, configuration.length);
            context.extradata(kept).extradata_size(configuration.length);
        }
        AVDictionary dictionary = Av.options(options);
        try {
            Av.check(avcodec_open2(context, codec, dictionary), WORDS.say("decoder", title));
            Av.requireAllTaken(dictionary, WORDS.say("decoder", title));
        } catch (MediaException e) {
            avcodec_free_context(context);
            throw e;
        }
        return context;
    }

    @Override
    public void close() {
        use.enter();
        av_packet_free(packet);
        memory.close();
        use.leave();
    }
}
