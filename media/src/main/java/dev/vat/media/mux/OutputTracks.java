package dev.vat.media.mux;

import static org.bytedeco.ffmpeg.global.avcodec.av_packet_rescale_ts;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_parameters_copy;
import static org.bytedeco.ffmpeg.global.avformat.AVIO_FLAG_WRITE;
import static org.bytedeco.ffmpeg.global.avformat.av_interleaved_write_frame;
import static org.bytedeco.ffmpeg.global.avformat.av_write_trailer;
import static org.bytedeco.ffmpeg.global.avformat.avformat_alloc_output_context2;
import static org.bytedeco.ffmpeg.global.avformat.avformat_free_context;
import static org.bytedeco.ffmpeg.global.avformat.avformat_new_stream;
import static org.bytedeco.ffmpeg.global.avformat.avformat_write_header;
import static org.bytedeco.ffmpeg.global.avformat.avio_closep;
import static org.bytedeco.ffmpeg.global.avformat.avio_open;
import static org.bytedeco.ffmpeg.global.avutil.AV_NOPTS_VALUE;
import static org.bytedeco.ffmpeg.global.avutil.av_dict_set;

import dev.vat.core.delivery.Container;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Timecode;
import dev.vat.core.words.Words;
import dev.vat.media.decode.TrackDecoder;
import dev.vat.media.lib.Av;
import dev.vat.media.sound.SoundPackets;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.Map;
import java.util.TreeMap;
import org.bytedeco.ffmpeg.avcodec.AVCodecParameters;
import org.bytedeco.ffmpeg.avcodec.AVPacket;
import org.bytedeco.ffmpeg.avformat.AVFormatContext;
import org.bytedeco.ffmpeg.avformat.AVIOContext;
import org.bytedeco.ffmpeg.avformat.AVStream;
import org.bytedeco.ffmpeg.avutil.AVDictionary;
import org.bytedeco.ffmpeg.avutil.AVRational;

/** Tracks that are copied into one file as they are, with the times of their own clocks. Belongs to one thread. */
final class OutputTracks implements AutoCloseable {

    private static final Words WORDS = Words.of(OutputTracks.class);

    /** In place of a sound's number: the sound of another file. */
    static final int OTHER = -1;

    private final Path file;
    private final Container container;
    private final AVFormatContext context = new AVFormatContext(null);
    /** By their number among the sounds of a file, or {@link #OTHER}. */
    private final Map<Integer, AVStream> sounds = new HashMap<>();
    private final Map<Integer, Long> ends = new HashMap<>();
    private AVStream picture;

    OutputTracks(Path file, Container container) {
        this.file = file;
        this.container = container;
        Av.check(avformat_alloc_output_context2(context, null, Muxer.nameOf(container), file.toString()), container.title());
        context.flags(context.flags() | AVFormatContext.AVFMT_FLAG_BITEXACT);
    }

    AVStream picture(AVStream original, AVCodecParameters parameters) {
        picture = added(original, parameters);
        TrackTag.set(picture.codecpar(), original, container, null);
        picture.avg_frame_rate(original.avg_frame_rate());
        picture.r_frame_rate(original.r_frame_rate());
        picture.sample_aspect_ratio(original.sample_aspect_ratio());
        if (TrackDecoder.hasHiddenAlpha(original)) {
            AVDictionary metadata = new AVDictionary(null);
            Av.check(av_dict_set(metadata, "alpha_mode", "1", 0), WORDS.say("track"));
            picture.metadata(metadata);
        }
        return picture;
    }

    void sound(AVStream original) {
        AVStream made = added(original, original.codecpar());
        made.codecpar().codec_tag(0);
        sounds.put(sounds.size(), made);
    }

    /** The first track of a sound file or movie. */
    void soundOf(Path sound) {
        try (SoundPackets packets = new SoundPackets(sound)) {
            Repacking.requireLegal(container, packets.stream().codecpar(), WORDS.say("theSoundOf", sound.getFileName()));
            AVStream made = added(packets.stream(), packets.stream().codecpar());
            made.codecpar().codec_tag(0);
            sounds.put(OTHER, made);
        }
    }

    private AVStream added(AVStream original, AVCodecParameters parameters) {
        AVStream made = avformat_new_stream(context, null);
        Av.check(avcodec_parameters_copy(made.codecpar(), parameters), WORDS.say("track"));
        made.time_base(original.time_base());
        made.disposition(original.disposition());
        return made;
    }

    /** The label of the first picture, of a file whose first one has this label. @param frames that are left out before it */
    void timecode(String label, AVStream pictures, long frames) {
        try {
            Rate rate = new Rate(Av.rational(pictures.avg_frame_rate())).toNanosecond();
            timecode(Timecode.parse(label, rate).plusFrames(frames).toString());
        } catch (IllegalArgumentException _) {
            // What is no label of its rate isn't written anew.
        }
    }

    private void timecode(String label) {
        AVDictionary metadata = new AVDictionary(null);
        Av.check(av_dict_set(metadata, "timecode", label, 0), WORDS.say("timecode"));
        context.metadata(metadata);
    }

    void start() {
        AVIOContext io = new AVIOContext(null);
        Av.check(avio_open(io, file.toString(), AVIO_FLAG_WRITE), WORDS.say("openingForWriting", file.getFileName()));
        context.pb(io);
        Map<String, String> options = new TreeMap<>();
        if (container.mayHaveIndexInFront()) {
            options.put("movflags", "+faststart");
        }
        AVDictionary dictionary = Av.options(options);
        Origin maker = Origin.ofThisVat(file.getFileName().toString());
        maker.sign(context, container);
        Av.check(avformat_write_header(context, dictionary), WORDS.say("cantHoldTheseTracks", container.title()));
        maker.signStarted(context, container);
        Av.requireAllTaken(dictionary, WORDS.say("theContainer"));
    }

    void picture(AVPacket packet, AVRational base) {
        write(packet, base, picture);
    }

    /** @param from its number among the sounds of the file it came from, or {@link #OTHER} */
    void sound(AVPacket packet, AVRational base, int from) {
        AVStream stream = sounds.get(from);
        av_packet_rescale_ts(packet, base, stream.time_base());
        // Where one piece goes over into the next, packets may overlap by less than one of them: the clock only goes forward.
        long earliest = ends.getOrDefault(from, Long.MIN_VALUE);
        if (packet.dts() != AV_NOPTS_VALUE && packet.dts() < earliest) {
            long by = earliest - packet.dts();
            packet.dts(earliest);
            packet.pts(packet.pts() + by);
        }
        ends.put(from, packet.dts() + Math.max(1, packet.duration()));
        put(packet, stream);
    }

    private void write(AVPacket packet, AVRational base, AVStream stream) {
        av_packet_rescale_ts(packet, base, stream.time_base());
        put(packet, stream);
    }

    private void put(AVPacket packet, AVStream stream) {
        packet.stream_index(stream.index());
        packet.pos(-1);
        Av.check(av_interleaved_write_frame(context, packet), WORDS.say("writing", file.getFileName()));
    }

    void finish() {
        Av.check(av_write_trailer(context), WORDS.say("finishing", file.getFileName()));
        AVIOContext io = context.pb();
        context.pb(null);
        Av.check(avio_closep(io), WORDS.say("closing", file.getFileName()));
    }

    @Override
    public void close() {
        AVIOContext io = context.pb();
        if (io != null && !io.isNull()) {
            context.pb(null);
            avio_closep(io);
        }
        avformat_free_context(context);
        context.setNull();
    }
}
