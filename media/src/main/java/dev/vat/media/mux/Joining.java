package dev.vat.media.mux;

import static org.bytedeco.ffmpeg.global.avutil.AV_NOPTS_VALUE;
import static org.bytedeco.ffmpeg.global.avutil.av_rescale_q;

import dev.vat.core.delivery.Container;
import dev.vat.core.delivery.MasteringDisplay;
import dev.vat.core.delivery.SoundCodec;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.proof.ContentLight;
import dev.vat.core.source.FrameNumbers;
import dev.vat.core.time.Rate;
import dev.vat.core.words.Words;
import dev.vat.media.decode.Demuxer;
import dev.vat.media.decode.MovingStill;
import dev.vat.media.lib.Av;
import dev.vat.media.lib.MediaException;
import dev.vat.media.sound.WovenSound;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.bytedeco.ffmpeg.avutil.AVRational;

/** Joins closed parts into one file by copying packets; nothing is encoded again. */
public final class Joining {

    private static final Words WORDS = Words.of(Joining.class);

    /** A part's file and the output frame that it begins with. */
    public record Part(Path file, Container container, long first, long frames) {}

    /** Rates below this are whole ones: their clock counts milliseconds as well. */
    private static final long WHOLE_MILLISECONDS = 1000;

    /** In milliseconds: twice as often as ETSI TR 101 290 asks of a transport stream's clock. */
    private static final String CLOCK_TOLD_EVERY = "20";

    private Joining() {}

    /**
     * What the joined file is to be.
     *
     * @param timecode label of the first frame, or null for none
     * @param numbers what its frames are numbered, where it is to say so; null else
     * @param light of its frames in PQ, or null for nothing to be said of it
     * @param mastering the display on which its pictures were judged, or null for nothing to be said of it
     * @param streamBits a second of a transport stream that has a constant rate, or null for as many as it takes
     * @param origin who made it and when, or null for nothing to be said of that
     * @param loops how often it is played, 0 for ever; null for what nothing is said of
     */
    public record Target(Path file, Container container, boolean indexInFront, Rate rate, PixelAspect pixelAspect, String timecode,
            FrameNumbers numbers, ContentLight light, MasteringDisplay mastering, Origin origin, Long streamBits, Integer loops) {
        public Target(Path file, Container container, boolean indexInFront, Rate rate, PixelAspect pixelAspect, String timecode) {
            this(file, container, indexInFront, rate, pixelAspect, timecode, null, null, null, null, null, null);
        }

        public Target withNumbers(FrameNumbers other) {
            return new Target(file, container, indexInFront, rate, pixelAspect, timecode, other, light, mastering, origin, streamBits,
                    loops);
        }

        public Target withLight(ContentLight other, MasteringDisplay display) {
            return new Target(file, container, indexInFront, rate, pixelAspect, timecode, numbers, other, display, origin, streamBits,
                    loops);
        }

        public Target withOrigin(Origin other) {
            return new Target(file, container, indexInFront, rate, pixelAspect, timecode, numbers, light, mastering, other, streamBits,
                    loops);
        }

        public Target withStreamBits(Long other) {
            return new Target(file, container, indexInFront, rate, pixelAspect, timecode, numbers, light, mastering, origin, other, loops);
        }

        /** How often a moving still is played, 0 for ever. */
        public Target withLoops(Integer other) {
            return new Target(file, container, indexInFront, rate, pixelAspect, timecode, numbers, light, mastering, origin, streamBits,
                    other);
        }
    }

    /** Without a timecode, as {@link #join(List, Target, WovenSound)}. */
    public static void join(List<Part> parts, Path target, Container container, boolean indexInFront, Rate rate, PixelAspect pixelAspect,
            WovenSound sound) throws IOException {
        join(parts, new Target(target, container, indexInFront, rate, pixelAspect, null), sound);
    }

    /**
     * Writes a file, which must not exist under a final name: it is whole only when this returns.
     *
     * @param sound null for none
     * @return fingerprints of the sound tracks as they were packed: CRC32C of all their packets, hexadecimal
     * @throws MediaException if a part can't be read, or doesn't hold the frames that it should
     */
    public static List<String> join(List<Part> parts, Target target, WovenSound sound) throws IOException {
        Container container = target.container;
        Rate rate = target.rate;
        AVRational frameTime = Av.fraction(rate.perSecond().inverse());
        if (container.isMovingStill() && parts.getFirst().container == container) {
            // Its one part is the file already.
            Files.copy(parts.getFirst().file, target.file, StandardCopyOption.REPLACE_EXISTING);
            if (container == Container.WEBP) {
                MovingStill.standAlone(target.file);
            }
            return List.of();
        }
        long[][] times = parts.stream().map(part -> times(part, frameTime)).toArray(long[][]::new);
        long delay = 0;
        for (long[] part : times) {
            for (int i = 0; i < part.length; i++) {
                delay = Math.max(delay, i - part[i]);
            }
        }
        Map<String, String> options = options(container, target.indexInFront, rate);
        if (container == Container.AVIF) {
            options.put("loop", Integer.toString(target.loops == null ? 0 : target.loops));
        }
        if (target.streamBits != null) {
            options.put("muxrate", target.streamBits.toString());
        }
        if (target.numbers != null) {
            options.merge("movflags", "+use_metadata_tags", (a, b) -> a + b);
        }
        List<String> packed;
        try (Muxer muxer = new Muxer(container, target.file, rate);
                Voices voices = new Voices(sound, muxer)) {
            boolean started = false;
            long index = 0;
            for (int p = 0; p < parts.size(); p++) {
                Part part = parts.get(p);
                long[] partTimes = times[p];
                try (Demuxer demuxer = new Demuxer(part.file)) {
                    if (!started) {
                        muxer.track(demuxer.stream(), target.pixelAspect, parts.getFirst().container()).timecode(target.timecode)
                                .numbers(target.numbers).light(target.light, target.mastering).origin(target.origin);
                        voices.announce();
                        muxer.start(options);
                        started = true;
                    }
                    for (int i = 0; i < partTimes.length; i++) {
                        long pts = part.first + partTimes[i];
                        voices.until(rate.seconds(index + 1).times(SoundCodec.RATE).round());
                        long dts = index++ - delay;
                        demuxer.next(packet -> {
                            packet.pts(pts);
                            packet.dts(dts);
                            packet.duration(1);
                            muxer.write(packet);
                        });
                    }
                }
            }
            voices.until(Long.MAX_VALUE);
            muxer.finish();
            packed = voices.prints();
        }
        InPlace.mend(target.file, container, target.origin != null || container != Container.MXF ? target.origin
                : Origin.ofContent(PacketPrint.of(target.file)));
        return packed;
    }

    /**
     * MP4 and MOV say lengths of the whole in a clock of their own, by default in thousandths of a second, in which hardly any rate's
     * frames end: here it is one in which they do.
     */
    private static Map<String, String> options(Container container, boolean indexInFront, Rate rate) {
        Map<String, String> options = new TreeMap<>();
        if (container == Container.TS) {
            options.put("pcr_period", CLOCK_TOLD_EVERY);
        }
        if (container.mayHaveIndexInFront() || container == Container.AVIF) {
            long perSecond = rate.perSecond().numerator();
            options.put("movie_timescale", Long.toString(perSecond < WHOLE_MILLISECONDS ? perSecond * 1000 : perSecond));
            if (indexInFront) {
                options.put("movflags", "+faststart");
            }
        }
        return options;
    }

    /** When each packet of a part is shown, in frames from the part's beginning. */
    private static long[] times(Part part, AVRational frameTime) {
        long[] times = new long[Math.toIntExact(part.frames)];
        var count = new Object() {
            int packets;
        };
        try (Demuxer demuxer = new Demuxer(part.file)) {
            AVRational base = demuxer.stream().time_base();
            while (demuxer.next(packet -> {
                if (count.packets < times.length) {
                    times[count.packets] = packet.pts() == AV_NOPTS_VALUE ? count.packets
                            : av_rescale_q(packet.pts(), base, frameTime);
                }
                count.packets++;
            })) {
                // every packet is counted above
            }
        }
        if (count.packets != times.length) {
            throw new MediaException(WORDS.say("partHoldsFramesWhereWere", part.file.getFileName(), count.packets, times.length), 0);
        }
        long earliest = Arrays.stream(times).min().orElse(0);
        return Arrays.stream(times).map(t -> t - earliest).toArray();
    }
}
