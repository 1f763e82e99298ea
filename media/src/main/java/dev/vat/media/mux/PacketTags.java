package dev.vat.media.mux;

import static org.bytedeco.ffmpeg.global.avcodec.AV_CODEC_ID_AV1;
import static org.bytedeco.ffmpeg.global.avcodec.AV_CODEC_ID_H264;
import static org.bytedeco.ffmpeg.global.avcodec.AV_CODEC_ID_HEVC;
import static org.bytedeco.ffmpeg.global.avcodec.AV_CODEC_ID_PRORES;
import static org.bytedeco.ffmpeg.global.avcodec.av_bsf_free;
import static org.bytedeco.ffmpeg.global.avcodec.av_bsf_init;
import static org.bytedeco.ffmpeg.global.avcodec.av_bsf_list_parse_str;
import static org.bytedeco.ffmpeg.global.avcodec.av_bsf_receive_packet;
import static org.bytedeco.ffmpeg.global.avcodec.av_bsf_send_packet;
import static org.bytedeco.ffmpeg.global.avcodec.av_packet_unref;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_parameters_copy;

import dev.vat.core.words.Words;
import dev.vat.media.lib.Av;
import dev.vat.media.lib.MediaException;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import org.bytedeco.ffmpeg.avcodec.AVBSFContext;
import org.bytedeco.ffmpeg.avcodec.AVCodecParameters;
import org.bytedeco.ffmpeg.avcodec.AVPacket;
import org.bytedeco.ffmpeg.avformat.AVStream;

/**
 * Writes the shape of pixels and the meaning of colours into packets, as far as their codec has a place for them; pictures stay what they
 * are. Belongs to one thread.
 */
final class PacketTags implements AutoCloseable {

    private static final Words WORDS = Words.of(PacketTags.class);

    private final AVBSFContext filter = new AVBSFContext(null);

    private PacketTags(String filters, AVStream original) {
        try {
            Av.check(av_bsf_list_parse_str(filters, filter), WORDS.say("changingTagsBy", filters));
            Av.check(avcodec_parameters_copy(filter.par_in(), original.codecpar()), WORDS.say("track"));
            filter.time_base_in(original.time_base());
            Av.check(av_bsf_init(filter), WORDS.say("changingTags"));
        } catch (MediaException e) {
            close();
            throw e;
        }
    }

    /** Null where packets have no place for what is to be stated. */
    static PacketTags of(AVStream original, MovieCopy.Target target) {
        String filters = filters(original.codecpar().codec_id(), target);
        return filters == null ? null : new PacketTags(filters, original);
    }

    private static String filters(int codec, MovieCopy.Target target) {
        List<String> wanted = new ArrayList<>();
        MovieCopy.Colour colour = target.colour();
        String name = switch (codec) {
            case AV_CODEC_ID_H264, AV_CODEC_ID_HEVC -> {
                if (target.pixelAspect() != null) {
                    wanted.add("sample_aspect_ratio=" + target.pixelAspect().ratio().numerator() + "/"
                            + target.pixelAspect().ratio().denominator());
                }
                if (colour != null) {
                    wanted.add("colour_primaries=" + colour.primaries() + ":transfer_characteristics=" + colour.transfer()
                            + ":matrix_coefficients=" + colour.matrix() + ":video_full_range_flag=" + (colour.full() ? 1 : 0));
                }
                yield codec == AV_CODEC_ID_H264 ? "h264_metadata" : "hevc_metadata";
            }
            case AV_CODEC_ID_PRORES -> {
                if (colour != null) {
                    wanted.add(
                            "color_primaries=" + colour.primaries() + ":color_trc=" + colour.transfer() + ":colorspace=" + colour.matrix());
                }
                yield "prores_metadata";
            }
            case AV_CODEC_ID_AV1 -> {
                if (colour != null) {
                    wanted.add("color_primaries=" + colour.primaries() + ":transfer_characteristics=" + colour.transfer()
                            + ":matrix_coefficients=" + colour.matrix() + ":color_range=" + (colour.full() ? "pc" : "tv"));
                }
                yield "av1_metadata";
            }
            default -> null;
        };
        return wanted.isEmpty() ? null : name + "=" + String.join(":", wanted);
    }

    /** The track as it is with its new tags. */
    AVCodecParameters track() {
        return filter.par_out();
    }

    /** @param packet that is taken over @param sink gets what comes of it, and leaves it to be let go */
    void change(AVPacket packet, Consumer<AVPacket> sink) {
        Av.check(av_bsf_send_packet(filter, packet), WORDS.say("changingTags"));
        while (av_bsf_receive_packet(filter, packet) >= 0) {
            sink.accept(packet);
            av_packet_unref(packet);
        }
    }

    @Override
    public void close() {
        av_bsf_free(filter);
    }
}
