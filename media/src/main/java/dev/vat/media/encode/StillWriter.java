package dev.vat.media.encode;

import static org.bytedeco.ffmpeg.global.avcodec.av_packet_alloc;
import static org.bytedeco.ffmpeg.global.avcodec.av_packet_free;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_alloc_context3;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_find_encoder_by_name;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_free_context;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_open2;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_receive_packet;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_send_frame;
import static org.bytedeco.ffmpeg.global.avutil.AVCOL_RANGE_JPEG;

import dev.vat.core.time.Rational;
import dev.vat.media.filter.Filtering;
import dev.vat.media.lib.Av;
import dev.vat.media.picture.Picture;
import dev.vat.media.picture.Samples;
import java.lang.foreign.MemorySegment;
import java.lang.foreign.ValueLayout;
import java.nio.ByteOrder;
import java.util.Map;
import java.util.TreeMap;
import org.bytedeco.ffmpeg.avcodec.AVCodec;
import org.bytedeco.ffmpeg.avcodec.AVCodecContext;
import org.bytedeco.ffmpeg.avcodec.AVPacket;
import org.bytedeco.ffmpeg.avutil.AVDictionary;

/** Codes one still picture into the bytes of a file. */
public enum StillWriter {
    PNG8("png", false), PNG16("png", true), TGA8("targa", false), TIFF8("tiff", false), TIFF16("tiff", true),
    JPEG8("mjpeg", false);

    private static final ValueLayout.OfShort BIG = ValueLayout.JAVA_SHORT_UNALIGNED.withOrder(ByteOrder.BIG_ENDIAN);
    private static final ValueLayout.OfShort LITTLE = ValueLayout.JAVA_SHORT_UNALIGNED.withOrder(ByteOrder.LITTLE_ENDIAN);

    private final String encoder;
    private final boolean deep;

    StillWriter(String encoder, boolean deep) {
        this.encoder = encoder;
        this.deep = deep;
    }

    /** The file's bytes; values beyond 0 to 1 are clamped, alpha is written straight. */
    public byte[] write(Samples samples) {
        try (Picture picture = pack(samples)) {
            if (this != JPEG8) {
                return encode(picture);
            }
            try (Filtering toJpeg = new Filtering(_ -> "setparams=range=pc:colorspace=gbr,format=gbrp,"
                    + "zscale=matrixin=gbr:matrix=470bg:rangein=full:range=full,format=yuvj444p");
                    Picture converted = toJpeg.apply(picture)) {
                return encode(converted);
            }
        }
    }

    private String packedFormat(boolean alpha) {
        return switch (this) {
            case PNG8 -> alpha ? "rgba" : "rgb24";
            case PNG16 -> alpha ? "rgba64be" : "rgb48be";
            case TGA8 -> alpha ? "bgra" : "bgr24";
            case TIFF8, JPEG8 -> alpha && this == TIFF8 ? "rgba" : "rgb24";
            case TIFF16 -> alpha ? "rgba64le" : "rgb48le";
        };
    }

    private Picture pack(Samples s) {
        boolean alpha = s.alpha() != null && this != JPEG8;
        Picture picture = Picture.allocate(packedFormat(alpha), s.width(), s.height());
        picture.frame().color_range(AVCOL_RANGE_JPEG);
        MemorySegment plane = picture.plane(0);
        float[][] channels = this == TGA8 ? new float[][] {s.blue(), s.green(), s.red(), s.alpha()}
                : new float[][] {s.red(), s.green(), s.blue(), s.alpha()};
        int used = alpha ? 4 : 3;
        ValueLayout.OfShort order = this == PNG16 ? BIG : LITTLE;
        for (int y = 0; y < s.height(); y++) {
            long at = (long) y * picture.stride(0);
            for (int x = 0; x < s.width(); x++) {
                for (int c = 0; c < used; c++) {
                    float value = Math.clamp(channels[c][y * s.width() + x], 0f, 1f);
                    if (deep) {
                        plane.set(order, at, (short) Math.round(value * 65535));
                        at += 2;
                    } else {
                        plane.set(ValueLayout.JAVA_BYTE, at, (byte) Math.round(value * 255));
                        at++;
                    }
                }
            }
        }
        return picture;
    }

    private byte[] encode(Picture picture) {
        AVCodec codec = avcodec_find_encoder_by_name(encoder);
        AVCodecContext context = avcodec_alloc_context3(codec);
        AVPacket packet = av_packet_alloc();
        try {
            context.width(picture.width()).height(picture.height()).pix_fmt(picture.frame().format())
                    .time_base(Av.fraction(Rational.of(1, 25))).thread_count(1).sample_aspect_ratio(Av.fraction(Rational.ONE))
                    .color_range(AVCOL_RANGE_JPEG);
            Map<String, String> settings = new TreeMap<>();
            if (encoder.equals("png")) {
                settings.put("pred", "up");
                settings.put("compression_level", "2");
            }
            if (encoder.equals("tiff")) {
                settings.put("compression_algo", "packbits");
            }
            if (this == JPEG8) {
                settings.put("flags", "+qscale");
                settings.put("global_quality", Integer.toString(118 * 3));
                picture.frame().quality(118 * 3);
            }
            AVDictionary options = Av.options(settings);
            Av.check(avcodec_open2(context, codec, options), encoder);
            Av.requireAllTaken(options, encoder);
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
