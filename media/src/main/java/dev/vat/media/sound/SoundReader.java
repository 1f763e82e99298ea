package dev.vat.media.sound;

import static org.bytedeco.ffmpeg.global.avcodec.av_packet_alloc;
import static org.bytedeco.ffmpeg.global.avcodec.av_packet_free;
import static org.bytedeco.ffmpeg.global.avcodec.av_packet_unref;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_alloc_context3;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_find_decoder;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_free_context;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_get_name;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_open2;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_parameters_to_context;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_receive_frame;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_send_packet;
import static org.bytedeco.ffmpeg.global.avformat.av_read_frame;
import static org.bytedeco.ffmpeg.global.avformat.avformat_close_input;
import static org.bytedeco.ffmpeg.global.avutil.AVMEDIA_TYPE_AUDIO;
import static org.bytedeco.ffmpeg.global.avutil.AVMEDIA_TYPE_VIDEO;
import static org.bytedeco.ffmpeg.global.avutil.AV_SAMPLE_FMT_DBL;
import static org.bytedeco.ffmpeg.global.avutil.AV_SAMPLE_FMT_FLT;
import static org.bytedeco.ffmpeg.global.avutil.AV_SAMPLE_FMT_S16;
import static org.bytedeco.ffmpeg.global.avutil.AV_SAMPLE_FMT_S32;
import static org.bytedeco.ffmpeg.global.avutil.AV_SAMPLE_FMT_U8;
import static org.bytedeco.ffmpeg.global.avutil.av_frame_alloc;
import static org.bytedeco.ffmpeg.global.avutil.av_frame_free;
import static org.bytedeco.ffmpeg.global.avutil.av_get_bytes_per_sample;
import static org.bytedeco.ffmpeg.global.avutil.av_get_packed_sample_fmt;
import static org.bytedeco.ffmpeg.global.avutil.av_sample_fmt_is_planar;

import dev.vat.core.source.ClipFacts;
import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;
import dev.vat.media.lib.Av;
import dev.vat.media.lib.MediaException;
import java.lang.foreign.MemorySegment;
import java.lang.foreign.ValueLayout;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.bytedeco.ffmpeg.avcodec.AVCodec;
import org.bytedeco.ffmpeg.avcodec.AVCodecContext;
import org.bytedeco.ffmpeg.avcodec.AVCodecParameters;
import org.bytedeco.ffmpeg.avcodec.AVPacket;
import org.bytedeco.ffmpeg.avformat.AVFormatContext;
import org.bytedeco.ffmpeg.avformat.AVStream;
import org.bytedeco.ffmpeg.avutil.AVDictionary;
import org.bytedeco.ffmpeg.avutil.AVFrame;

/** The sound tracks of a file: layout, rate and highest sample, found by decoding all of it. Belongs to one thread. */
public final class SoundReader implements AutoCloseable {

    private static final Words WORDS = Words.of(SoundReader.class);

    /** Seconds by which a header may be wrong. */
    private static final Rational LITTLE = Rational.of(1, 100);

    /** One track on its way through the decoder. */
    private static final class Track {
        private final AVCodecContext decoder;
        private double highest;
        private long samples;
        private long damaged;

        Track(AVCodecContext decoder) {
            this.decoder = decoder;
        }
    }

    private final AVFormatContext context = new AVFormatContext(null);
    private final SoundFile opened;
    private final AVPacket packet = av_packet_alloc();
    private final AVFrame frame = av_frame_alloc();

    public SoundReader(Path file) {
        try {
            opened = SoundFile.open(context, file);
        } catch (MediaException e) {
            close();
            throw e;
        }
    }

    public String container() {
        return opened.container(context);
    }

    public boolean hasPicture() {
        for (int i = 0; i < context.nb_streams(); i++) {
            boolean cover = (context.streams(i).disposition() & org.bytedeco.ffmpeg.global.avformat.AV_DISPOSITION_ATTACHED_PIC) != 0;
            if (context.streams(i).codecpar().codec_type() == AVMEDIA_TYPE_VIDEO && !cover) {
                return true;
            }
        }
        return false;
    }

    /** Decodes every track to its end. */
    public List<ClipFacts.Track> measure() {
        Map<Integer, Track> tracks = new HashMap<>();
        try {
            for (int i = 0; i < context.nb_streams(); i++) {
                if (context.streams(i).codecpar().codec_type() == AVMEDIA_TYPE_AUDIO) {
                    tracks.put(i, new Track(open(context.streams(i))));
                }
            }
            while (!tracks.isEmpty() && av_read_frame(context, packet) >= 0) {
                Track track = tracks.get(packet.stream_index());
                if (track != null) {
                    track.damaged += avcodec_send_packet(track.decoder, packet) < 0 ? 1 : 0;
                    drain(track);
                }
                av_packet_unref(packet);
            }
            List<ClipFacts.Track> found = new ArrayList<>();
            tracks.keySet().stream().sorted().forEach(i -> {
                avcodec_send_packet(tracks.get(i).decoder, null);
                drain(tracks.get(i));
                found.add(describe(context.streams(i).codecpar(), tracks.get(i)));
            });
            return found;
        } finally {
            tracks.values().forEach(t -> avcodec_free_context(t.decoder));
        }
    }

    /** The whole length where a header promises more than there is: the file is cut. Lengths of coded sound are only near. */
    private Rational promised(AVCodecParameters p, long samples) {
        String codec = Av.string(avcodec_get_name(p.codec_id()), "unknown");
        boolean exact = context.nb_streams() == 1 && (codec.startsWith("pcm_") || codec.equals("flac"));
        return opened.stated(context).filter(_ -> exact)
                .filter(s -> s.compareTo(Rational.of(samples, p.sample_rate()).plus(LITTLE)) > 0).orElse(null);
    }

    private ClipFacts.Track describe(AVCodecParameters p, Track track) {
        double highest = track.highest;
        return new ClipFacts.Track(Av.string(avcodec_get_name(p.codec_id()), "unknown"), ChannelNames.of(p.ch_layout()),
                p.ch_layout().nb_channels(), p.sample_rate(), highest == 0 ? null : 20 * Math.log10(highest), highest == 0, track.samples,
                promised(p, track.samples), track.damaged);
    }

    static AVCodecContext open(AVStream track) {
        AVCodecParameters parameters = track.codecpar();
        AVCodec codec = avcodec_find_decoder(parameters.codec_id());
        if (codec == null || codec.isNull()) {
            throw new MediaException(WORDS.say("noDecoderForThisSoundTrack"), 0);
        }
        AVCodecContext decoder = avcodec_alloc_context3(codec);
        try {
            Av.check(avcodec_parameters_to_context(decoder, parameters), WORDS.say("soundDecoder"));
            // Times of frames move on by what is skipped at the start only where the decoder knows what they are counted in.
            decoder.pkt_timebase(track.time_base());
            Av.check(avcodec_open2(decoder, codec, (AVDictionary) null), WORDS.say("soundDecoder"));
        } catch (MediaException e) {
            avcodec_free_context(decoder);
            throw e;
        }
        return decoder;
    }

    @SuppressWarnings("restricted")
    private void drain(Track track) {
        while (avcodec_receive_frame(track.decoder, frame) >= 0) {
            track.samples += frame.nb_samples();
            boolean planar = av_sample_fmt_is_planar(frame.format()) != 0;
            int channels = frame.ch_layout().nb_channels();
            long samples = (long) frame.nb_samples() * (planar ? 1 : channels);
            for (int plane = 0; plane < (planar ? channels : 1); plane++) {
                MemorySegment data = MemorySegment.ofAddress(frame.extended_data(plane).address())
                        .reinterpret(samples * av_get_bytes_per_sample(frame.format()));
                track.highest = Math.max(track.highest, highest(data, av_get_packed_sample_fmt(frame.format()), samples));
            }
        }
    }

    /** The highest sample of a plane, full scale being 1. */
    private static double highest(MemorySegment data, int format, long samples) {
        double highest = 0;
        for (long i = 0; i < samples; i++) {
            double value = 0;
            if (format == AV_SAMPLE_FMT_S16) {
                value = data.getAtIndex(ValueLayout.JAVA_SHORT_UNALIGNED, i) / 32768.0;
            } else if (format == AV_SAMPLE_FMT_S32) {
                value = data.getAtIndex(ValueLayout.JAVA_INT_UNALIGNED, i) / 2147483648.0;
            } else if (format == AV_SAMPLE_FMT_FLT) {
                value = data.getAtIndex(ValueLayout.JAVA_FLOAT_UNALIGNED, i);
            } else if (format == AV_SAMPLE_FMT_DBL) {
                value = data.getAtIndex(ValueLayout.JAVA_DOUBLE_UNALIGNED, i);
            } else if (format == AV_SAMPLE_FMT_U8) {
                value = ((data.get(ValueLayout.JAVA_BYTE, i) & 0xff) - 128) / 128.0;
            }
            highest = Math.max(highest, Math.abs(value));
        }
        return highest;
    }

    @Override
    public void close() {
        avformat_close_input(context);
        av_packet_free(packet);
        av_frame_free(frame);
    }
}
