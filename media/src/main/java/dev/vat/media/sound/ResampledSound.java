package dev.vat.media.sound;

import static org.bytedeco.ffmpeg.global.avcodec.AVDISCARD_ALL;
import static org.bytedeco.ffmpeg.global.avcodec.AVDISCARD_DEFAULT;
import static org.bytedeco.ffmpeg.global.avcodec.av_packet_alloc;
import static org.bytedeco.ffmpeg.global.avcodec.av_packet_free;
import static org.bytedeco.ffmpeg.global.avcodec.av_packet_unref;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_free_context;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_receive_frame;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_send_packet;
import static org.bytedeco.ffmpeg.global.avformat.AV_DISPOSITION_ATTACHED_PIC;
import static org.bytedeco.ffmpeg.global.avformat.av_find_best_stream;
import static org.bytedeco.ffmpeg.global.avformat.av_read_frame;
import static org.bytedeco.ffmpeg.global.avformat.avformat_close_input;
import static org.bytedeco.ffmpeg.global.avutil.AVMEDIA_TYPE_AUDIO;
import static org.bytedeco.ffmpeg.global.avutil.AVMEDIA_TYPE_VIDEO;
import static org.bytedeco.ffmpeg.global.avutil.AV_NOPTS_VALUE;
import static org.bytedeco.ffmpeg.global.avutil.AV_SAMPLE_FMT_FLT;
import static org.bytedeco.ffmpeg.global.avutil.av_channel_layout_copy;
import static org.bytedeco.ffmpeg.global.avutil.av_channel_layout_default;
import static org.bytedeco.ffmpeg.global.avutil.av_frame_alloc;
import static org.bytedeco.ffmpeg.global.avutil.av_frame_free;
import static org.bytedeco.ffmpeg.global.avutil.av_get_bytes_per_sample;
import static org.bytedeco.ffmpeg.global.avutil.av_opt_set_double;
import static org.bytedeco.ffmpeg.global.avutil.av_opt_set_int;
import static org.bytedeco.ffmpeg.global.swresample.swr_alloc_set_opts2;
import static org.bytedeco.ffmpeg.global.swresample.swr_convert;
import static org.bytedeco.ffmpeg.global.swresample.swr_free;
import static org.bytedeco.ffmpeg.global.swresample.swr_get_out_samples;
import static org.bytedeco.ffmpeg.global.swresample.swr_init;

import dev.vat.core.delivery.SoundCodec;
import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;
import dev.vat.media.lib.Av;
import dev.vat.media.lib.MediaException;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Path;
import java.util.function.BooleanSupplier;
import org.bytedeco.ffmpeg.avcodec.AVCodec;
import org.bytedeco.ffmpeg.avcodec.AVCodecContext;
import org.bytedeco.ffmpeg.avcodec.AVPacket;
import org.bytedeco.ffmpeg.avformat.AVFormatContext;
import org.bytedeco.ffmpeg.avutil.AVChannelLayout;
import org.bytedeco.ffmpeg.avutil.AVDictionary;
import org.bytedeco.ffmpeg.avutil.AVFrame;
import org.bytedeco.ffmpeg.swresample.SwrContext;
import org.bytedeco.javacpp.BytePointer;
import org.bytedeco.javacpp.PointerPointer;

/**
 * The first sound track of a file, decoded and brought to 48 kHz and a number of channels, interleaved. Sample 0 is the time at which the
 * file's first picture is shown, or of a file without pictures the time at which it begins: a track that starts later has silence in front,
 * and of one that starts earlier that much is left out. Belongs to one thread.
 */
final class ResampledSound implements AutoCloseable {

    private static final Words WORDS = Words.of(ResampledSound.class);

    /** In place of a number of channels: as many as the file has, each by itself. */
    static final int OWN_CHANNELS = 0;
    /** In place of a track's number. */
    private static final int BEST = -1;

    /** More silence than this in front is a broken time stamp. */
    private static final long MOST_SILENCE = 3600L * SoundCodec.RATE;

    private static final int FILTER_TAPS = 128;
    private static final double PASSED = .97;

    private final AVFormatContext context = new AVFormatContext(null);
    private final AVPacket packet = av_packet_alloc();
    private final AVFrame frame = av_frame_alloc();
    private final SwrContext resampler = new SwrContext(null);
    private AVCodecContext decoder;
    private int stream;
    private boolean started;
    private boolean ownChannels;
    /** Samples to come that lie before sample 0. */
    private long early;

    private final int format;
    private int channels;
    private int frameBytes;
    private final Rational stretch;

    /** Samples of a kind: {@code AV_SAMPLE_FMT_S16} or {@code AV_SAMPLE_FMT_FLT}. */
    ResampledSound(Path file, int channels, int format) {
        this(file, channels, format, Rational.ONE);
    }

    /** One of several tracks, each of its channels by itself, in single precision. @param track of sound, from 0 */
    ResampledSound(Path file, int track) {
        this(file, OWN_CHANNELS, AV_SAMPLE_FMT_FLT, Rational.ONE, track);
    }

    /** @param stretch how many times as long it lasts, in small whole numbers: pitch goes along */
    ResampledSound(Path file, int channels, int format, Rational stretch) {
        this(file, channels, format, stretch, BEST);
    }

    private ResampledSound(Path file, int channels, int format, Rational stretch, int track) {
        this.stretch = stretch;
        this.channels = channels;
        this.format = format;
        try {
            open(file, track);
        } catch (MediaException e) {
            close();
            throw e;
        }
    }

    private void open(Path file, int track) {
        SoundFile.open(context, file);
        stream = track == BEST ? av_find_best_stream(context, AVMEDIA_TYPE_AUDIO, -1, -1, new AVCodec(null), 0) : sound(track);
        if (stream < 0) {
            throw new MediaException(WORDS.say("hasNoSound", file.getFileName()), 0);
        }
        decoder = SoundReader.open(context.streams(stream));
        ownChannels = channels == OWN_CHANNELS;
        channels = ownChannels ? context.streams(stream).codecpar().ch_layout().nb_channels() : channels;
        frameBytes = channels * av_get_bytes_per_sample(format);
    }

    /** The number of a track among all streams, or -1; the others are passed over where the container allows that. */
    private int sound(int track) {
        int found = -1;
        int sounds = 0;
        for (int i = 0; i < context.nb_streams(); i++) {
            boolean wanted = context.streams(i).codecpar().codec_type() == AVMEDIA_TYPE_AUDIO && sounds++ == track;
            found = wanted ? i : found;
            context.streams(i).discard(wanted ? AVDISCARD_DEFAULT : AVDISCARD_ALL);
        }
        return found;
    }

    /** How many are interleaved. */
    int channels() {
        return channels;
    }

    /** Writes all of it, or until {@code enough} says so. */
    void copyTo(OutputStream out, BooleanSupplier enough) throws IOException {
        while (!enough.getAsBoolean() && read(out)) {
            // a packet has gone
        }
        end(out);
    }

    /** Writes what the next packet holds, which may be nothing, and at the end all that is left; false once nothing more comes. */
    boolean more(OutputStream out) throws IOException {
        if (read(out)) {
            return true;
        }
        end(out);
        return false;
    }

    private boolean read(OutputStream out) throws IOException {
        if (av_read_frame(context, packet) < 0) {
            return false;
        }
        if (packet.stream_index() == stream && avcodec_send_packet(decoder, packet) >= 0) {
            drain(out);
        }
        av_packet_unref(packet);
        return true;
    }

    private void end(OutputStream out) throws IOException {
        avcodec_send_packet(decoder, null);
        drain(out);
        if (started) {
            convert(null, 0, out);
        }
    }

    private void drain(OutputStream out) throws IOException {
        while (avcodec_receive_frame(decoder, frame) >= 0) {
            if (!started) {
                start(out);
            }
            convert(frame.extended_data(), frame.nb_samples(), out);
        }
    }

    private void start(OutputStream out) throws IOException {
        started = true;
        try (AVChannelLayout wanted = new AVChannelLayout()) {
            if (ownChannels) {
                Av.check(av_channel_layout_copy(wanted, frame.ch_layout()), WORDS.say("resampling"));
            } else {
                av_channel_layout_default(wanted, channels);
            }
            Av.check(swr_alloc_set_opts2(resampler, wanted, format, rate(SoundCodec.RATE, stretch.numerator()), frame.ch_layout(),
                    frame.format(),
                    rate(frame.sample_rate(), stretch.denominator()), 0, null), WORDS.say("resampling"));
            // Four times as many taps as usual, and less of the top cut off: 0.97 of half the lower rate passes.
            Av.check(av_opt_set_int(resampler, "filter_size", FILTER_TAPS, 0), WORDS.say("resampling"));
            Av.check(av_opt_set_double(resampler, "cutoff", PASSED, 0), WORDS.say("resampling"));
            Av.check(swr_init(resampler), WORDS.say("resampling"));
        }
        long at = frame.pts() != AV_NOPTS_VALUE ? frame.pts() : frame.best_effort_timestamp();
        if (at != AV_NOPTS_VALUE) {
            Rational time = Av.rational(context.streams(stream).time_base()).times(at);
            Rational picture = firstPicture();
            // By itself a sound begins with its first sample: what its coder put in front is gone, whatever its times say.
            Rational late = picture == null ? time.minus(Rational.of(fileStart(), 1_000_000)) : time.minus(picture);
            long samples = Math.clamp(late.times(stretch).times(SoundCodec.RATE).round(), picture == null ? 0 : -MOST_SILENCE,
                    MOST_SILENCE);
            for (long i = 0; i < samples; i++) {
                out.write(new byte[frameBytes]);
            }
            early = Math.max(0, -samples);
        }
    }

    /** In millionths of a second. */
    private long fileStart() {
        return context.start_time() == AV_NOPTS_VALUE ? 0 : context.start_time();
    }

    /** When the first picture is shown, in seconds; null where there is none. */
    private Rational firstPicture() {
        int index = av_find_best_stream(context, AVMEDIA_TYPE_VIDEO, -1, -1, new AVCodec(null), 0);
        return index >= 0 && (context.streams(index).disposition() & AV_DISPOSITION_ATTACHED_PIC) == 0
                && context.streams(index).start_time() != AV_NOPTS_VALUE
                        ? Av.rational(context.streams(index).time_base()).times(context.streams(index).start_time()) : null;
    }

    private static int rate(int samples, long times) {
        return Math.toIntExact(samples * times);
    }

    private void convert(PointerPointer<?> samples, int count, OutputStream out) throws IOException {
        int room = Math.max(1, swr_get_out_samples(resampler, count));
        try (BytePointer buffer = new BytePointer((long) room * frameBytes);
                PointerPointer<BytePointer> planes = new PointerPointer<BytePointer>(1).put(buffer)) {
            int made = Av.check(swr_convert(resampler, planes, room, samples, count), WORDS.say("resampling"));
            byte[] bytes = new byte[made * frameBytes];
            buffer.get(bytes);
            int left = (int) Math.min(early, made);
            early -= left;
            out.write(bytes, left * frameBytes, bytes.length - left * frameBytes);
        }
    }

    @Override
    public void close() {
        if (decoder != null) {
            avcodec_free_context(decoder);
        }
        swr_free(resampler);
        avformat_close_input(context);
        av_packet_free(packet);
        av_frame_free(frame);
    }
}
