package dev.vat.media.proof;

import static org.bytedeco.ffmpeg.global.avcodec.avcodec_get_name;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_profile_name;
import static org.bytedeco.ffmpeg.global.avutil.AVCOL_RANGE_JPEG;
import static org.bytedeco.ffmpeg.global.avutil.AVCOL_RANGE_MPEG;
import static org.bytedeco.ffmpeg.global.avutil.AV_PIX_FMT_FLAG_ALPHA;
import static org.bytedeco.ffmpeg.global.avutil.AV_PIX_FMT_FLAG_RGB;
import static org.bytedeco.ffmpeg.global.avutil.av_color_primaries_name;
import static org.bytedeco.ffmpeg.global.avutil.av_color_space_name;
import static org.bytedeco.ffmpeg.global.avutil.av_color_transfer_name;
import static org.bytedeco.ffmpeg.global.avutil.av_pix_fmt_desc_get;

import dev.vat.core.delivery.Container;
import dev.vat.core.delivery.Scan;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.proof.Expectation;
import dev.vat.core.proof.FileFacts;
import dev.vat.core.proof.Loudness;
import dev.vat.core.proof.PictureBits;
import dev.vat.core.proof.Spacing;
import dev.vat.core.source.ClipFacts;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;
import dev.vat.media.decode.ContainerScan;
import dev.vat.media.decode.Demuxer;
import dev.vat.media.decode.MovingStill;
import dev.vat.media.decode.ProResHeader;
import dev.vat.media.decode.TrackDecoder;
import dev.vat.media.lib.Av;
import dev.vat.media.lib.MediaException;
import dev.vat.media.measure.AlphaScan;
import dev.vat.media.picture.Picture;
import dev.vat.media.sound.LoudnessMeter;
import dev.vat.media.sound.SoundReader;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.OptionalInt;
import java.util.Set;
import java.util.concurrent.CancellationException;
import java.util.function.LongPredicate;
import java.util.stream.LongStream;
import org.bytedeco.ffmpeg.avcodec.AVCodecParameters;
import org.bytedeco.ffmpeg.avformat.AVStream;
import org.bytedeco.ffmpeg.avutil.AVPixFmtDescriptor;
import org.bytedeco.ffmpeg.avutil.AVRational;

/** Opens a finished file anew, as any reader would, decodes every frame of it and writes down what it finds. */
public final class MovieProof {

    private static final Words WORDS = Words.of(MovieProof.class);

    /**
     * What was found, with the CRC32C of every decoded frame in the order in which they are shown.
     *
     * @param loudness null where there is no sound
     * @param soundSeconds fingerprints of the sound, one for each second; empty where there is none
     * @param packed fingerprints of the sound tracks as they are packed, one for each
     * @param bits of every coded picture, or null where pictures aren't coded one after the other
     */
    public record Result(FileFacts facts, int[] crcs, List<Spacing> spacing, Loudness loudness, List<String> soundSeconds,
            List<String> packed, PictureBits bits) {
        Result(FileFacts facts, int[] crcs, List<Spacing> spacing) {
            this(facts, crcs, spacing, null, List.of(), List.of(), null);
        }
    }

    private final List<Long> times = new ArrayList<>();
    private final List<Integer> crcs = new ArrayList<>();
    private final LongStream.Builder coded = LongStream.builder();
    private boolean transparent;
    private long end;
    private OptionalInt proResAlphaBits = OptionalInt.empty();
    private final Set<Scan> scans = EnumSet.noneOf(Scan.class);

    private MovieProof() {}

    /**
     * @param goOn is told after each frame how many were decoded; false stops the proof
     * @throws MediaException if the file can't be opened or a frame of it can't be decoded
     * @throws CancellationException if {@code goOn} said so
     */
    public static Result prove(Path file, LongPredicate goOn) throws IOException {
        return prove(file, null, goOn);
    }

    /** @param planned which part of the sound is measured, and how its channels are shared out; null for all of it, in one track */
    public static Result prove(Path file, Expectation planned, LongPredicate goOn) throws IOException {
        boolean webp = ContainerScan.of(file).container().equals(Container.WEBP.title());
        return webp ? WebpProof.prove(file, goOn) : new MovieProof().run(file, planned, goOn);
    }

    private Result run(Path file, Expectation planned, LongPredicate goOn) throws IOException {
        try (Demuxer demuxer = new Demuxer(file);
                TrackDecoder decoder = new TrackDecoder(demuxer.stream(), 2)) {
            var format = new Object() {
                int value = -1;
            };
            while (demuxer.next(packet -> {
                if (crcs.isEmpty()) {
                    proResAlphaBits = ProResHeader.alphaBits(packet);
                }
                coded.add(packet.size());
                end = Math.max(end, packet.pts() + packet.duration());
                decoder.decode(packet, picture -> format.value = take(picture));
            })) {
                if (!goOn.test(crcs.size())) {
                    throw new CancellationException(WORDS.say("theProofWasStopped"));
                }
            }
            decoder.flush(picture -> format.value = take(picture));
            FileFacts facts = facts(file, demuxer, format.value);
            SoundPrint sound = facts.sound() == null ? SoundPrint.NONE : SoundPrint.of(file);
            return new Result(facts, crcs.stream().mapToInt(Integer::intValue).toArray(), spacing(file, demuxer, facts),
                    facts.sound() == null ? null : loudness(file, planned, facts), sound.seconds(), sound.tracks(),
                    PictureBits.ofBytes(coded.build().toArray(), facts.rate()));
        }
    }

    /** Null where tracks are lost, so that nobody can say what they were together. */
    private static Loudness loudness(Path file, Expectation planned, FileFacts facts) throws IOException {
        Expectation.Level level = planned == null ? null : planned.level();
        long from = level == null ? 0 : level.from();
        long to = level == null ? Long.MAX_VALUE : level.to();
        if (planned == null || planned.shared().isEmpty()) {
            return LoudnessMeter.of(file, facts.sound().channels(), from, to);
        }
        return planned.shared().size() == facts.soundTracks()
                ? LoudnessMeter.of(file, planned.shared(), level == null ? 0 : level.channels(), from, to) : null;
    }

    private List<Spacing> spacing(Path file, Demuxer demuxer, FileFacts facts) throws IOException {
        if (facts.container().equals(Container.APNG.title())) {
            return Spacing.ofDistances(MovingStill.delaysOfApng(file));
        }
        Rational base = Av.rational(demuxer.stream().time_base());
        return Spacing.of(times.stream().map(base::times).toList());
    }

    private int take(Picture picture) {
        try (picture) {
            times.add(picture.frame().best_effort_timestamp());
            crcs.add(picture.crc32c());
            // Only GIF gives its samples so; it says nowhere else whether anything can be seen through.
            transparent |= picture.formatName().equals("bgra") && !transparent && !AlphaScan.isOpaque(picture);
            scans.add(scan(picture.frame().flags()));
            return picture.frame().format();
        }
    }

    private static Scan scan(int flags) {
        return (flags & Av.FRAME_INTERLACED) == 0 ? Scan.PROGRESSIVE
                : (flags & Av.FRAME_TOP_FIRST) == 0 ? Scan.BOTTOM_FIRST : Scan.TOP_FIRST;
    }

    private FileFacts facts(Path file, Demuxer demuxer, int format) throws IOException {
        AVStream stream = demuxer.stream();
        AVCodecParameters track = stream.codecpar();
        Rational base = Av.rational(stream.time_base());
        ContainerScan boxes = ContainerScan.of(file);
        boolean moving = boxes.loops() != null;
        Rational seconds = moving ? base.times(end) : demuxer.seconds();
        // Moving stills say no rate: it is what their frames come to.
        Rate rate = moving && end > 0 ? new Rate(Rational.of(crcs.size()).dividedBy(seconds)) : rate(stream, base);
        PixelAspect coded = aspect(track.sample_aspect_ratio());
        PixelAspect stated = aspect(stream.sample_aspect_ratio());
        AVPixFmtDescriptor samples = av_pix_fmt_desc_get(format < 0 ? track.format() : format);
        boolean alpha = (samples.flags() & AV_PIX_FMT_FLAG_ALPHA) != 0;
        boolean even = evenlySpaced(rate, base, moving ? base : base.dividedBy(Rational.of(2)));
        if (boxes.container().equals(Container.APNG.title())) {
            List<Rational> delays = MovingStill.delaysOfApng(file);
            seconds = delays.stream().reduce(Rational.ZERO, Rational::plus);
            rate = new Rate(Rational.of(delays.size()).dividedBy(seconds));
            even = Set.copyOf(delays).size() == 1 && delays.size() == crcs.size();
        }
        boolean gif = boxes.container().equals(Container.GIF.title());
        List<Expectation.SoundTrack> sounds = demuxer.soundTracks() == 0 ? List.of() : sounds(file);
        // The clock of a transport stream begins anywhere: its first picture is the beginning.
        Rational start = boxes.container().equals(Container.TS.title()) ? Rational.ZERO : start(base);
        return new FileFacts(crcs.size(), rate, even, start,
                seconds, base, Size.of(track.width(), track.height()),
                stated != null ? stated : coded != null ? coded : PixelAspect.SQUARE, coded, boxes.container(),
                Av.string(avcodec_get_name(track.codec_id()), "unknown"),
                Av.string(avcodec_profile_name(track.codec_id(), track.profile()), "unknown"), track.level(),
                samples.comp(0).depth(), chroma(samples),
                gif ? transparent ? 1 : 0 : alpha ? proResAlphaBits.orElse(samples.comp(3).depth()) : 0,
                Av.string(av_color_space_name(track.color_space()), "unknown"),
                Av.string(av_color_primaries_name(track.color_primaries()), "unknown"),
                Av.string(av_color_transfer_name(track.color_trc()), "unknown"), range(track.color_range()),
                sounds.size(), sounds.isEmpty() ? null : sounds.getFirst(), boxes.indexInFront(),
                scans.size() == 1 ? scans.iterator().next().title() : WORDS.say("differsFromFrameToFrame"), boxes.loops(), Files.size(file),
                demuxer.metadata("timecode").orElse(null), sounds.stream().skip(1).toList());
    }

    /** The sound tracks, decoded to their end. */
    private static List<Expectation.SoundTrack> sounds(Path file) {
        try (SoundReader reader = new SoundReader(file)) {
            return reader.measure().stream().map(track -> new Expectation.SoundTrack(track.codec(), track.channels(), track.rate(),
                    Rational.of(track.samples(), track.rate()))).toList();
        }
    }

    /** MXF states the rate as the track's clock alone. */
    private static Rate rate(AVStream stream, Rational base) {
        Rational mean = Av.rational(stream.avg_frame_rate());
        return new Rate(mean.signum() > 0 ? mean : base.inverse()).toNanosecond();
    }

    private static PixelAspect aspect(AVRational ratio) {
        Rational sample = Av.rational(ratio);
        return sample.signum() > 0 ? new PixelAspect(sample) : null;
    }

    private Rational start(Rational base) {
        return times.isEmpty() ? Rational.ZERO : base.times(times.getFirst());
    }

    /** Each frame at its own time, to the nearest that the container's clock can say. @param within how far off a time may be */
    private boolean evenlySpaced(Rate rate, Rational base, Rational within) {
        for (int i = 0; i < times.size(); i++) {
            Rational off = base.times(times.get(i) - times.getFirst()).minus(rate.seconds(i));
            if (off.abs().compareTo(within) > 0) {
                return false;
            }
        }
        return true;
    }

    private static String chroma(AVPixFmtDescriptor samples) {
        if ((samples.flags() & AV_PIX_FMT_FLAG_RGB) != 0) {
            return "RGB";
        }
        if (samples.nb_components() < 3) {
            return "grey";
        }
        return samples.log2_chroma_w() == 2 ? "4:1:1"
                : samples.log2_chroma_w() == 0 ? "4:4:4" : samples.log2_chroma_h() == 0 ? "4:2:2" : "4:2:0";
    }

    private static String range(int range) {
        return range == AVCOL_RANGE_MPEG ? "limited" : range == AVCOL_RANGE_JPEG ? "full" : "unknown";
    }
}
