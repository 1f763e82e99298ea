package dev.vat.media.mux;

import static org.bytedeco.ffmpeg.global.avcodec.AV_CODEC_ID_FLAC;
import static org.bytedeco.ffmpeg.global.avcodec.AV_CODEC_ID_OPUS;
import static org.bytedeco.ffmpeg.global.avcodec.AV_PKT_DATA_CONTENT_LIGHT_LEVEL;
import static org.bytedeco.ffmpeg.global.avcodec.AV_PKT_DATA_MASTERING_DISPLAY_METADATA;
import static org.bytedeco.ffmpeg.global.avcodec.av_get_exact_bits_per_sample;
import static org.bytedeco.ffmpeg.global.avcodec.av_packet_side_data_new;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_parameters_copy;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_parameters_from_context;
import static org.bytedeco.ffmpeg.global.avformat.AVIO_FLAG_WRITE;
import static org.bytedeco.ffmpeg.global.avformat.av_interleaved_write_frame;
import static org.bytedeco.ffmpeg.global.avformat.av_write_trailer;
import static org.bytedeco.ffmpeg.global.avformat.avformat_alloc_output_context2;
import static org.bytedeco.ffmpeg.global.avformat.avformat_free_context;
import static org.bytedeco.ffmpeg.global.avformat.avformat_new_stream;
import static org.bytedeco.ffmpeg.global.avformat.avformat_write_header;
import static org.bytedeco.ffmpeg.global.avformat.avio_closep;
import static org.bytedeco.ffmpeg.global.avformat.avio_open;
import static org.bytedeco.ffmpeg.global.avutil.AV_SAMPLE_FMT_NONE;
import static org.bytedeco.ffmpeg.global.avutil.av_dict_set;

import dev.vat.core.delivery.Container;
import dev.vat.core.delivery.MasteringDisplay;
import dev.vat.core.delivery.SoundCodec;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.proof.ContentLight;
import dev.vat.core.source.FrameNumbers;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;
import dev.vat.media.decode.TrackDecoder;
import dev.vat.media.lib.Av;
import dev.vat.media.lib.MediaException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.bytedeco.ffmpeg.avcodec.AVCodecContext;
import org.bytedeco.ffmpeg.avcodec.AVCodecParameters;
import org.bytedeco.ffmpeg.avcodec.AVPacket;
import org.bytedeco.ffmpeg.avcodec.AVPacketSideData;
import org.bytedeco.ffmpeg.avformat.AVFormatContext;
import org.bytedeco.ffmpeg.avformat.AVIOContext;
import org.bytedeco.ffmpeg.avformat.AVStream;
import org.bytedeco.ffmpeg.avutil.AVContentLightMetadata;
import org.bytedeco.ffmpeg.avutil.AVMasteringDisplayMetadata;
import org.bytedeco.ffmpeg.avutil.AVDictionary;
import org.bytedeco.ffmpeg.avutil.AVRational;
import org.bytedeco.ffmpeg.global.avcodec;
import org.bytedeco.javacpp.BytePointer;
import org.bytedeco.javacpp.IntPointer;
import org.bytedeco.javacpp.PointerPointer;

/** Writes one picture track into one file. Times are given in frames. Belongs to one thread. */
public final class Muxer implements AutoCloseable {

    private static final Words WORDS = Words.of(Muxer.class);

    /** A player shows it where nobody chooses. */
    private static final int BY_DEFAULT = 1;
    /** Where an Opus header says what is skipped, little-endian (RFC 7845, 5.1). */
    private static final int OPUS_PRE_SKIP = 10;
    private static final int LIGHT_BYTES = new AVContentLightMetadata().sizeof();
    private static final int DISPLAY_BYTES = new AVMasteringDisplayMetadata().sizeof();

    /** By how much the clock of a transport stream is ahead of what is decoded, in millionths of a second: a whole buffer. */
    private static final int AHEAD = 1_000_000;

    private final Container container;
    private Origin origin;
    private final Path file;
    private final AVFormatContext context = new AVFormatContext(null);
    private final AVRational frameTime;
    private AVStream stream;
    private final List<AVStream> sounds = new ArrayList<>();

    public Muxer(Container container, Path file, Rate rate) {
        String format = nameOf(container);
        this.container = container;
        this.file = file;
        this.frameTime = Av.fraction(rate.perSecond().inverse());
        Av.check(avformat_alloc_output_context2(context, null, format, file.toString()), format);
        // No version strings and dates in the file: the same plan makes the same bytes.
        context.flags(context.flags() | AVFormatContext.AVFMT_FLAG_BITEXACT);
        if (container == Container.TS) {
            context.max_delay(AHEAD);
        }
        stream = avformat_new_stream(context, null);
        stream.time_base(frameTime);
        stream.disposition(BY_DEFAULT);
        stream.avg_frame_rate(Av.fraction(rate.perSecond()));
        stream.r_frame_rate(Av.fraction(rate.perSecond()));
    }

    /** @param hiddenAlpha whether alpha goes beside the pictures: nothing else of the file would say so */
    public Muxer track(AVCodecContext encoder, boolean hiddenAlpha) {
        markAlpha(hiddenAlpha);
        Av.check(avcodec_parameters_from_context(stream.codecpar(), encoder), WORDS.say("track"));
        stream.sample_aspect_ratio(encoder.sample_aspect_ratio());
        return this;
    }

    private void markAlpha(boolean hidden) {
        if (hidden) {
            AVDictionary metadata = new AVDictionary(null);
            Av.check(av_dict_set(metadata, "alpha_mode", "1", 0), WORDS.say("track"));
            stream.metadata(metadata);
        }
    }

    /** The label of the first picture, before the file is started; null for none. */
    public Muxer timecode(String label) {
        if (label != null) {
            AVDictionary metadata = new AVDictionary(null);
            Av.check(av_dict_set(metadata, "timecode", label, 0), WORDS.say("timecode"));
            context.metadata(metadata);
        }
        return this;
    }

    /** What the frames are numbered, in a field of our own; null for nothing. */
    public Muxer numbers(FrameNumbers numbers) {
        if (numbers != null) {
            AVDictionary metadata = new AVDictionary(context.metadata());
            Av.check(av_dict_set(metadata, FrameNumbers.TAG, numbers.toString(), 0), WORDS.say("numbersOfFrames"));
            context.metadata(metadata);
        }
        return this;
    }

    /** How bright its frames in PQ are, and on which display they were judged; null for nothing to be said of that. */
    Muxer light(ContentLight light, MasteringDisplay display) {
        if (light != null) {
            new AVContentLightMetadata(beside(AV_PKT_DATA_CONTENT_LIGHT_LEVEL, LIGHT_BYTES)).MaxCLL(light.most()).MaxFALL(light.average());
        }
        if (display != null) {
            List<Long> units = display.units();
            AVMasteringDisplayMetadata data = new AVMasteringDisplayMetadata(beside(AV_PKT_DATA_MASTERING_DISPLAY_METADATA, DISPLAY_BYTES));
            for (int i = 0; i < 6; i++) {
                data.display_primaries(i / 2, i % 2, Av.fraction(Rational.of(units.get(i), MasteringDisplay.POINT_UNIT)));
            }
            data.white_point(0, Av.fraction(Rational.of(units.get(6), MasteringDisplay.POINT_UNIT)))
                    .white_point(1, Av.fraction(Rational.of(units.get(7), MasteringDisplay.POINT_UNIT)))
                    .max_luminance(Av.fraction(Rational.of(units.get(8), MasteringDisplay.LIGHT_UNIT)))
                    .min_luminance(Av.fraction(Rational.of(units.get(9), MasteringDisplay.LIGHT_UNIT))).has_primaries(1).has_luminance(1);
        }
        return this;
    }

    /** Room for what is said of the whole track. */
    private BytePointer beside(int kind, int bytes) {
        AVCodecParameters track = stream.codecpar();
        try (IntPointer count = new IntPointer(1).put(track.nb_coded_side_data());
                PointerPointer<AVPacketSideData> all = new PointerPointer<AVPacketSideData>(1).put(track.coded_side_data())) {
            AVPacketSideData added = av_packet_side_data_new(all, count, kind, bytes, 0);
            if (added == null || added.isNull()) {
                throw new MediaException(WORDS.say("track"), 0);
            }
            track.coded_side_data(all.get(AVPacketSideData.class)).nb_coded_side_data(count.get());
            return added.data().fill(0);
        }
    }

    /** Who made it, where the container has a field for that; null for nothing. */
    Muxer origin(Origin maker) {
        origin = maker;
        return this;
    }

    public static String nameOf(Container container) {
        return switch (container) {
            case MKV -> "matroska";
            case TS -> "mpegts";
            case FRAMES -> throw new IllegalArgumentException(WORDS.say("numberedFramesHaveNoContainer"));
            default -> container.extension();
        };
    }

    /** @param from the container that the track stood in, whose tags may mean nothing in another */
    public Muxer track(AVStream original, PixelAspect pixelAspect, Container from) {
        AVCodecParameters parameters = original.codecpar();
        markAlpha(TrackDecoder.hasHiddenAlpha(original));
        Av.check(avcodec_parameters_copy(stream.codecpar(), parameters), WORDS.say("track"));
        TrackTag.set(stream.codecpar(), original, container, from);
        // Some muxers read the one, some the other.
        stream.codecpar().sample_aspect_ratio(Av.fraction(pixelAspect.ratio()));
        stream.sample_aspect_ratio(Av.fraction(pixelAspect.ratio()));
        return this;
    }

    /** A track of which nothing is known but its parameters. */
    public Muxer track(AVCodecParameters parameters, PixelAspect pixelAspect) {
        Av.check(avcodec_parameters_copy(stream.codecpar(), parameters), WORDS.say("track"));
        stream.codecpar().sample_aspect_ratio(Av.fraction(pixelAspect.ratio()));
        stream.sample_aspect_ratio(Av.fraction(pixelAspect.ratio()));
        return this;
    }

    /**
     * One more sound track beside the picture; before the file is started.
     *
     * @param padding samples of its packets that are dropped before the first one is heard
     */
    public Muxer sound(AVCodecContext encoder, int padding) {
        AVStream sound = avformat_new_stream(context, null);
        sounds.add(sound);
        sound.disposition(BY_DEFAULT);
        Av.check(avcodec_parameters_from_context(sound.codecpar(), encoder), WORDS.say("soundTrack"));
        if (av_get_exact_bits_per_sample(encoder.codec_id()) == 0 && encoder.codec_id() != AV_CODEC_ID_FLAC) {
            // Packed with loss it has no depth; the library would say the depth in which it was packed.
            sound.codecpar().format(AV_SAMPLE_FMT_NONE);
            sound.codecpar().bits_per_coded_sample(0).bits_per_raw_sample(0);
        }
        sound.codecpar().initial_padding(padding);
        if (encoder.codec_id() == AV_CODEC_ID_OPUS) {
            sound.codecpar().extradata().put(OPUS_PRE_SKIP, (byte) padding).put(OPUS_PRE_SKIP + 1L, (byte) (padding >> 8));
        }
        sound.time_base(encoder.time_base());
        return this;
    }

    /** The packet's times are in samples; its content is taken over. @param track of sound, from 0 */
    void writeSound(int track, AVPacket packet) {
        AVStream sound = sounds.get(track);
        avcodec.av_packet_rescale_ts(packet, Av.fraction(Rational.of(1, SoundCodec.RATE)), sound.time_base());
        packet.stream_index(sound.index());
        packet.pos(-1);
        Av.check(av_interleaved_write_frame(context, packet), WORDS.say("writingSoundInto", file.getFileName()));
    }

    public Muxer start(Map<String, String> options) {
        AVIOContext io = new AVIOContext(null);
        Av.check(avio_open(io, file.toString(), AVIO_FLAG_WRITE), WORDS.say("openingForWriting", file.getFileName()));
        context.pb(io);
        AVDictionary dictionary = Av.options(options);
        if (origin != null) {
            origin.sign(context, container);
        }
        Av.check(avformat_write_header(context, dictionary), WORDS.say("starting", file.getFileName()));
        if (origin != null) {
            origin.signStarted(context, container);
        }
        Av.requireAllTaken(dictionary, WORDS.say("theContainer"));
        return this;
    }

    /** The packet's times are in frames; its content is taken over. */
    public void write(AVPacket packet) {
        avcodec.av_packet_rescale_ts(packet, frameTime, stream.time_base());
        packet.stream_index(0);
        packet.pos(-1);
        Av.check(av_interleaved_write_frame(context, packet), WORDS.say("writing", file.getFileName()));
    }

    /** Writes the index and closes the file; only after this returns is the file whole. */
    public void finish() {
        Av.check(av_write_trailer(context), WORDS.say("finishing", file.getFileName()));
        AVIOContext io = context.pb();
        context.pb(null);
        Av.check(avio_closep(io), WORDS.say("closing", file.getFileName()));
    }

    @Override
    public void close() {
        if (context.isNull()) {
            return;
        }
        AVIOContext io = context.pb();
        if (io != null && !io.isNull()) {
            context.pb(null);
            avio_closep(io);
        }
        avformat_free_context(context);
        context.setNull();
    }
}
