package dev.vat.media.decode;

import static org.bytedeco.ffmpeg.global.avcodec.AV_CODEC_FLAG_FRAME_DURATION;
import static org.bytedeco.ffmpeg.global.avcodec.AV_CODEC_FLAG_GLOBAL_HEADER;
import static org.bytedeco.ffmpeg.global.avcodec.AV_CODEC_ID_PCM_S16LE;
import static org.bytedeco.ffmpeg.global.avcodec.av_new_packet;
import static org.bytedeco.ffmpeg.global.avcodec.av_packet_alloc;
import static org.bytedeco.ffmpeg.global.avcodec.av_packet_free;
import static org.bytedeco.ffmpeg.global.avcodec.av_packet_rescale_ts;
import static org.bytedeco.ffmpeg.global.avcodec.av_packet_side_data_new;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_alloc_context3;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_find_encoder_by_name;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_free_context;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_open2;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_parameters_from_context;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_receive_packet;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_send_frame;
import static org.bytedeco.ffmpeg.global.avformat.AVIO_FLAG_WRITE;
import static org.bytedeco.ffmpeg.global.avformat.av_interleaved_write_frame;
import static org.bytedeco.ffmpeg.global.avformat.av_write_trailer;
import static org.bytedeco.ffmpeg.global.avformat.avformat_alloc_output_context2;
import static org.bytedeco.ffmpeg.global.avformat.avformat_free_context;
import static org.bytedeco.ffmpeg.global.avformat.avformat_new_stream;
import static org.bytedeco.ffmpeg.global.avformat.avformat_write_header;
import static org.bytedeco.ffmpeg.global.avformat.avio_closep;
import static org.bytedeco.ffmpeg.global.avformat.avio_open;
import static org.bytedeco.ffmpeg.global.avutil.AVMEDIA_TYPE_AUDIO;
import static org.bytedeco.ffmpeg.global.avutil.AV_SAMPLE_FMT_S16;
import static org.bytedeco.ffmpeg.global.avutil.av_channel_layout_default;

import dev.vat.core.time.Rational;
import dev.vat.media.lib.Av;
import dev.vat.media.lib.MediaLibrary;
import dev.vat.media.picture.Picture;
import java.lang.foreign.ValueLayout;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Path;
import java.util.Map;
import java.util.stream.LongStream;
import org.bytedeco.ffmpeg.avcodec.AVCodecContext;
import org.bytedeco.ffmpeg.avcodec.AVPacket;
import org.bytedeco.ffmpeg.avcodec.AVPacketSideData;
import org.bytedeco.ffmpeg.avformat.AVFormatContext;
import org.bytedeco.ffmpeg.avformat.AVIOContext;
import org.bytedeco.ffmpeg.avformat.AVStream;
import org.bytedeco.ffmpeg.avutil.AVDictionary;
import org.bytedeco.javacpp.IntPointer;

/**
 * Movies as other programs write them and Vat doesn't: frames at any times, grouped and boxed in any way. Frame n has brightness
 * {@code 20 + 2 n} everywhere but in a brighter corner at the upper left, so that each can be told and how it stands.
 *
 * @param encoder with its options, by the library's names
 * @param container options of the file, by the library's names
 * @param tick seconds
 * @param times of the frames, in ticks
 * @param beside what the track's header says beside its codec: side data by the library's kinds, in whole numbers
 * @param stroke whether a bright stroke four wide moves three columns from field to field
 * @param click the sample of a sound at 48 kHz that is loud, all others being zero; negative for no sound
 */
public record OddMovie(String encoder, Map<String, String> options, Map<String, String> container, Rational tick, long[] times,
        Map<Integer, int[]> beside, int click, boolean stroke) {

    public OddMovie(String encoder, Map<String, String> options, Map<String, String> container, Rational tick, long[] times,
            Map<Integer, int[]> beside, int click) {
        this(encoder, options, container, tick, times, beside, click, false);
    }

    public static final int WIDTH = 64;
    public static final int HEIGHT = 48;
    private static final int SOUND_RATE = 48_000;

    /** So many frames evenly, in H.264. */
    public static OddMovie even(int frames, Map<String, String> options, Map<String, String> container) {
        return new OddMovie("libx264", options, container, Rational.of(1, 25), LongStream.range(0, frames).toArray(), Map.of(), -1);
    }

    OddMovie withStroke() {
        return new OddMovie(encoder, options, container, tick, times, beside, click, true);
    }

    public static int brightness(long frame) {
        return (int) (20 + 2 * frame);
    }

    /** The frame that a picture shows, by its middle. */
    public static long shown(Picture picture) {
        int y = picture.plane(0).get(ValueLayout.JAVA_BYTE, (long) picture.height() / 2 * picture.stride(0) + picture.width() / 2) & 0xff;
        return Math.round((y - 20) / 2.0);
    }

    private Picture draw(long frame) {
        return Picture.filled("yuv420p", WIDTH, HEIGHT, picture -> {
            for (int plane = 0; plane < 3; plane++) {
                for (int y = 0; y < picture.planeHeight(plane); y++) {
                    for (int x = 0; x < picture.rowBytes(plane); x++) {
                        long moved = x - 8 - 6 * frame - 3 * (y % 2);
                        int value = plane > 0 ? 128
                                : stroke ? moved >= 0 && moved < 4 ? 235 : 40 : x < 8 && y < 8 ? 230 : brightness(frame);
                        picture.plane(plane).set(ValueLayout.JAVA_BYTE, (long) y * picture.stride(plane) + x, (byte) value);
                    }
                }
            }
        });
    }

    public Path write(Path file) {
        MediaLibrary.version();
        AVFormatContext out = new AVFormatContext(null);
        Av.check(avformat_alloc_output_context2(out, null, null, file.toString()), "Writing");
        AVCodecContext coder = avcodec_alloc_context3(avcodec_find_encoder_by_name(encoder));
        AVPacket packet = av_packet_alloc();
        try {
            coder.width(WIDTH).height(HEIGHT).pix_fmt(Av.format("yuv420p")).time_base(Av.fraction(tick)).thread_count(1);
            coder.sample_aspect_ratio(Av.fraction(Rational.ONE))
                    .flags(coder.flags() | AV_CODEC_FLAG_GLOBAL_HEADER | AV_CODEC_FLAG_FRAME_DURATION);
            AVDictionary how = Av.options(options);
            Av.check(avcodec_open2(coder, coder.codec(), how), encoder);
            Av.requireAllTaken(how, encoder);
            AVStream pictures = avformat_new_stream(out, null);
            Av.check(avcodec_parameters_from_context(pictures.codecpar(), coder), "Writing");
            pictures.time_base(Av.fraction(tick));
            beside.forEach((kind, numbers) -> say(pictures, kind, numbers));
            AVStream sound = click < 0 ? null : sound(out);
            AVIOContext bytes = new AVIOContext(null);
            Av.check(avio_open(bytes, file.toString(), AVIO_FLAG_WRITE), "Writing");
            out.pb(bytes);
            AVDictionary boxed = Av.options(container);
            Av.check(avformat_write_header(out, boxed), "Writing");
            Av.requireAllTaken(boxed, "container");
            if (sound != null) {
                samples(out, sound, packet);
            }
            for (int i = 0; i <= times.length; i++) {
                send(coder, i);
                while (avcodec_receive_packet(coder, packet) >= 0) {
                    packet.stream_index(pictures.index());
                    av_packet_rescale_ts(packet, coder.time_base(), pictures.time_base());
                    Av.check(av_interleaved_write_frame(out, packet), "Writing");
                }
            }
            Av.check(av_write_trailer(out), "Writing");
            avio_closep(out.pb());
            return file;
        } finally {
            av_packet_free(packet);
            avcodec_free_context(coder);
            avformat_free_context(out);
        }
    }

    private void send(AVCodecContext coder, int frame) {
        if (frame == times.length) {
            Av.check(avcodec_send_frame(coder, null), "Encoding");
            return;
        }
        try (Picture picture = draw(frame)) {
            picture.frame().pts(times[frame]).duration(frame + 1 < times.length ? times[frame + 1] - times[frame] : times[1] - times[0]);
            Av.check(avcodec_send_frame(coder, picture.frame()), "Encoding");
        }
    }

    private static void say(AVStream pictures, int kind, int[] values) {
        IntPointer count = new IntPointer(1).put(0);
        AVPacketSideData none = new AVPacketSideData(null);
        AVPacketSideData data = av_packet_side_data_new(none, count, kind, 4L * values.length, 0);
        ByteBuffer numbers = ByteBuffer.allocate(4 * values.length).order(ByteOrder.nativeOrder());
        for (int number : values) {
            numbers.putInt(number);
        }
        data.data().put(numbers.array());
        pictures.codecpar().coded_side_data(data).nb_coded_side_data(1);
    }

    private static AVStream sound(AVFormatContext out) {
        AVStream sound = avformat_new_stream(out, null);
        sound.codecpar().codec_type(AVMEDIA_TYPE_AUDIO).codec_id(AV_CODEC_ID_PCM_S16LE).sample_rate(SOUND_RATE).format(AV_SAMPLE_FMT_S16)
                .block_align(2).bits_per_coded_sample(16);
        av_channel_layout_default(sound.codecpar().ch_layout(), 1);
        sound.time_base(Av.fraction(Rational.of(1, SOUND_RATE)));
        return sound;
    }

    /** From time zero to the end of the pictures. */
    private void samples(AVFormatContext out, AVStream sound, AVPacket packet) {
        int all = (int) tick.times(times[times.length - 1]).times(SOUND_RATE).round() + SOUND_RATE / 25;
        for (int from = 0; from < all; from += SOUND_RATE / 25) {
            byte[] bytes = new byte[SOUND_RATE / 25 * 2];
            if (click >= from && click < from + SOUND_RATE / 25) {
                ByteBuffer.wrap(bytes).order(ByteOrder.LITTLE_ENDIAN).putShort((click - from) * 2, Short.MAX_VALUE);
            }
            Av.check(av_new_packet(packet, bytes.length), "Writing");
            packet.data().put(bytes);
            packet.stream_index(sound.index()).pts(from).dts(from).duration(SOUND_RATE / 25);
            av_packet_rescale_ts(packet, Av.fraction(Rational.of(1, SOUND_RATE)), sound.time_base());
            Av.check(av_interleaved_write_frame(out, packet), "Writing");
        }
    }
}
