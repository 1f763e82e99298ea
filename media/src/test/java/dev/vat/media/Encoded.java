package dev.vat.media;

import static org.bytedeco.ffmpeg.global.avcodec.av_packet_alloc;
import static org.bytedeco.ffmpeg.global.avcodec.av_packet_free;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_alloc_context3;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_find_encoder_by_name;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_free_context;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_open2;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_receive_packet;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_send_frame;

import dev.vat.core.source.FileKind;
import dev.vat.core.time.Rational;
import dev.vat.media.decode.StillDecoder;
import dev.vat.media.encode.StillWriter;
import dev.vat.media.filter.Filtering;
import dev.vat.media.lib.Av;
import dev.vat.media.picture.Picture;
import dev.vat.media.picture.Samples;
import java.util.HashMap;
import java.util.Map;
import org.bytedeco.ffmpeg.avcodec.AVCodecContext;
import org.bytedeco.ffmpeg.avcodec.AVPacket;
import org.bytedeco.ffmpeg.avutil.AVDictionary;

/** Still files in kinds and depths that Vat itself doesn't write, from the library's own encoders. */
public final class Encoded {

    private Encoded() {}

    /**
     * @param format the library's name of the stored samples
     * @param settings of the encoder, as pairs {@code key=value}
     */
    public static byte[] file(Samples samples, String encoder, String format, String... settings) {
        boolean floating = format.contains("f32") || format.contains("f16");
        byte[] png = StillWriter.PNG16.write(samples);
        try (StillDecoder decoder = new StillDecoder(); Picture decoded = decoder.decode(FileKind.PNG, "", png);
                Filtering to = new Filtering(_ -> chain(samples.alpha() != null, format, floating)); Picture picture = to.apply(decoded)) {
            return encode(picture, encoder, settings);
        }
    }

    private static String chain(boolean alpha, String format, boolean floating) {
        String planar = "setparams=range=pc:colorspace=gbr,format=" + (alpha ? "gbrap16le" : "gbrp16le");
        if (format.equals("grayf32le")) {
            return planar + ",format=gray16le,format=grayf32le";
        }
        if (floating) {
            return planar + ",setparams=alpha_mode=premultiplied,zscale=matrixin=gbr:matrix=gbr:rangein=full:range=full,format=" + format;
        }
        return format.startsWith("yuv") ? planar + ",zscale=matrixin=gbr:matrix=470bg:rangein=full:range=full,format=" + format
                : planar + ",format=" + format;
    }

    private static byte[] encode(Picture picture, String encoder, String... settings) {
        var codec = avcodec_find_encoder_by_name(encoder);
        AVCodecContext context = avcodec_alloc_context3(codec);
        AVPacket packet = av_packet_alloc();
        try {
            context.width(picture.width()).height(picture.height()).pix_fmt(picture.frame().format())
                    .time_base(Av.fraction(Rational.of(1, 25))).thread_count(1).color_range(picture.frame().color_range());
            context.sample_aspect_ratio(Av.fraction(Rational.ONE));
            Map<String, String> options = new HashMap<>();
            for (String setting : settings) {
                options.put(setting.substring(0, setting.indexOf('=')), setting.substring(setting.indexOf('=') + 1));
            }
            AVDictionary dictionary = Av.options(options);
            Av.check(avcodec_open2(context, codec, dictionary), encoder);
            Av.requireAllTaken(dictionary, encoder);
            Av.check(avcodec_send_frame(context, picture.frame()), encoder);
            Av.check(avcodec_send_frame(context, null), encoder);
            Av.check(avcodec_receive_packet(context, packet), encoder);
            byte[] data = new byte[packet.size()];
            packet.data().get(data, 0, data.length);
            return data;
        } finally {
            av_packet_free(packet);
            avcodec_free_context(context);
        }
    }
}
