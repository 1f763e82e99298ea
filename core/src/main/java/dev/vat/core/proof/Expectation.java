package dev.vat.core.proof;

import com.fasterxml.jackson.annotation.JsonIgnore;
import com.fasterxml.jackson.annotation.JsonInclude;
import dev.vat.core.delivery.Chroma;
import dev.vat.core.delivery.Codec;
import dev.vat.core.delivery.Compression;
import dev.vat.core.delivery.ColourCoding;
import dev.vat.core.delivery.Container;
import dev.vat.core.delivery.MasteringDisplay;
import dev.vat.core.delivery.RateControl;
import dev.vat.core.delivery.Scan;
import dev.vat.core.delivery.Settings;
import dev.vat.core.delivery.SoundCodec;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.resolved.ReelSound;
import dev.vat.core.source.SequencePattern;
import dev.vat.core.sound.ChannelMap;
import dev.vat.core.sound.SoundTracks;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;
import dev.vat.core.time.Timecode;
import java.util.List;
import java.util.stream.Collectors;

/**
 * What a deliverable must turn out to be, fixed before the first frame is read.
 *
 * @param stills names and numbers where it is a folder of stills, else null
 * @param mostBytes what the file may weigh, or null where nobody said
 * @param scan how lines follow each other, as readers will take it
 * @param loops how often it is played, 0 for ever, or null where it is no moving still
 * @param timecode label of the first frame, or null for none; MXF always has one
 * @param level how loud its sound is to be, or null where nobody said
 * @param mastering the display on which its pictures were judged, or null for nothing to be said of it
 * @param light how bright its frames in PQ are, once they are measured and where its container has a place for it; else null
 * @param bits what was asked of its pictures' bits, or null where quality or profile decides
 * @param tracks how the channels of its sound are shared out among its tracks
 * @param sound the first sound track, or null for none
 * @param matrix tag by the library's name, or null where codec and container have no place for it; likewise the three others
 */
public record Expectation(long frames, Rate rate, Size size, PixelAspect pixelAspect, Container container, String codec,
        String profile, int codedBits, int readBits, Chroma chroma, int alphaBits, String matrix,
        String primaries, String transfer, String range, int soundTracks, SoundTrack sound, boolean indexInFront, Stills stills,
        Long mostBytes, Scan scan, Integer loops, String timecode, Level level,
        @JsonInclude(JsonInclude.Include.NON_NULL) RatePromise bits,
        @JsonInclude(JsonInclude.Include.NON_NULL) ContentLight light,
        @JsonInclude(JsonInclude.Include.NON_NULL) MasteringDisplay mastering,
        SoundTracks tracks) {

    private static final String ZERO = "00:00:00:00";

    public Expectation {
        scan = scan == null ? Scan.PROGRESSIVE : scan;
        tracks = tracks == null ? SoundTracks.TOGETHER : tracks;
    }

    /**
     * How numbered stills are named, and what each says.
     *
     * @param first the number of the first one
     * @param label of the first one where their format has a place for it, or null
     * @param compression how they are packed, or null where nobody chose
     */
    public record Stills(SequencePattern names, long first, String label,
            @JsonInclude(JsonInclude.Include.NON_NULL) Compression compression) {
        public Stills(SequencePattern names, long first) {
            this(names, first, null, null);
        }
    }

    /** The sound track. @param codec by the library's name @param rate samples a second @param seconds length */
    public record SoundTrack(String codec, int channels, int rate, Rational seconds) {}

    /**
     * How loud the programme in a file is to be.
     *
     * @param wanted in LUFS
     * @param integrated what it is brought to: less than wanted where its peaks allow no more
     * @param mostPeak in dBTP
     * @param from first sample of the programme, at 48 kHz: what is before it isn't measured
     * @param to sample after its last
     * @param channels of the sound before it is shared out among tracks: what is placed where counts for how loud it is; 0 where nobody
     * said
     */
    public record Level(double wanted, double integrated, double mostPeak, long from, long to,
            @JsonInclude(JsonInclude.Include.NON_DEFAULT) int channels) {
        /** Of a file that ends earlier; null if the programme hasn't begun by then. @param end sample after the file's last */
        private Level until(long end) {
            return end <= from ? null : new Level(wanted, integrated, mostPeak, from, Math.min(to, end), channels);
        }

        public Level reaching(double lufs) {
            return new Level(wanted, lufs, mostPeak, from, to, channels);
        }
    }

    /** @param sound what is heard, or null */
    public static Expectation of(Settings settings, long frames, Rate rate, Size size, PixelAspect pixelAspect, ReelSound sound) {
        Codec codec = settings.codec();
        Container container = settings.container();
        ColourCoding colour = settings.colourFor(size);
        boolean silent = sound == null || !container.carriesSound();
        return new Expectation(frames, rate, size, pixelAspect, container, codec.reportedName(),
                codec.reportedProfile(), codec.codedBits(), codec.readBits(), codec.chroma(), codec.alphaBits(),
                codec.statesMatrix(container) ? colour.matrix() : null, codec.statesColour(container) ? colour.primaries() : null,
                codec.statesColour(container) ? colour.transfer() : null, codec.statesRange(container) ? colour.range() : null,
                0, null,
                settings.indexInFront(), null, settings.control() instanceof RateControl.FileSize(long bytes) ? bytes : null,
                codec.scanOf(settings.framing().scanInUse()), container.isMovingStill() ? settings.loops() : null,
                container == Container.MXF ? ZERO : null, null, null, null, null,
                settings.tracks()).withSound(
                        silent ? null
                                : new SoundTrack(settings.sound().reportedName(), sound.channels(), SoundCodec.RATE, sound.seconds()));
    }

    /**
     * Sound alone, as long as pictures are.
     *
     * @param tracks of one track: which channels of the sound it has
     * @param start label of the first picture, or null for none
     */
    public static Expectation ofSound(long frames, Rate rate, Size size, PixelAspect pixelAspect, ReelSound sound, SoundTracks tracks,
            Timecode start) {
        return new Expectation(frames, rate, size, pixelAspect, Container.WAV, "", "", 0, 0, Chroma.RGB, 0, null, null, null, null, 0,
                null, false, null, null, null, null, null, null, null, null, null, tracks)
                .withSound(new SoundTrack(SoundCodec.PCM_24.reportedName(), sound.channels(), SoundCodec.RATE, sound.seconds()))
                .withTimecode(start);
    }

    /**
     * How many samples of a day have passed when the first one is heard: what a sound file says in place of a timecode. Null where nobody
     * said when it begins.
     */
    @JsonIgnore
    public Long timeReference() {
        return timecode == null ? null : ReelSound.samples(rate, Timecode.parse(timecode, rate).frame());
    }

    /** The same as a folder of stills. */
    public Expectation withStills(Stills how) {
        return new Expectation(frames, rate, size, pixelAspect, container, codec, profile, codedBits, readBits, chroma, alphaBits, matrix,
                primaries,
                transfer, range, soundTracks, sound, indexInFront, how, mostBytes, scan, loops, timecode, level, bits, light, mastering,
                tracks);
    }

    /** The same with fewer frames, and sound as long as they are; what is left of the programme is to be as loud as all of it was. */
    public Expectation withFrames(long fewer) {
        SoundTrack shorter = sound == null ? null : new SoundTrack(sound.codec, sound.channels, sound.rate,
                Rational.of(rate.seconds(fewer).times(sound.rate).round(), sound.rate));
        return new Expectation(fewer, rate, size, pixelAspect, container, codec, profile, codedBits, readBits, chroma, alphaBits, matrix,
                primaries,
                transfer, range, soundTracks, shorter, indexInFront, stills, mostBytes, scan, loops, timecode,
                level == null || shorter == null ? null : level.until(shorter.seconds.times(shorter.rate).round()),
                bits == null || fewer >= frames ? bits : bits.capAlone(), light, mastering, tracks);
    }

    /** The same with a label for its first frame, where the container has a place for one. @param label null for none */
    public Expectation withTimecode(Timecode label) {
        return label == null || !container.carriesTimecode() ? this
                : new Expectation(frames, rate, size, pixelAspect, container, codec, profile, codedBits, readBits, chroma, alphaBits,
                        matrix, primaries, transfer, range, soundTracks, sound, indexInFront, stills, mostBytes, scan, loops,
                        label.toString(), level, bits, light, mastering, tracks);
    }

    /** With other sound, shared out as it was wanted. @param all how it is packed, with all its channels; null for none */
    public Expectation withSound(SoundTrack all) {
        List<ChannelMap> shared = all == null ? List.of() : tracks.of(all.channels);
        SoundTrack first = all == null ? null : new SoundTrack(all.codec, shared.getFirst().from().size(), all.rate, all.seconds);
        return new Expectation(frames, rate, size, pixelAspect, container, codec, profile, codedBits, readBits, chroma, alphaBits, matrix,
                primaries,
                transfer, range, shared.size(), first, indexInFront, stills, mostBytes, scan, loops, timecode, null, bits, light,
                mastering, tracks);
    }

    /** @param other null for as it is */
    public Expectation withLevel(Level other) {
        return new Expectation(frames, rate, size, pixelAspect, container, codec, profile, codedBits, readBits, chroma, alphaBits, matrix,
                primaries,
                transfer, range, soundTracks, sound, indexInFront, stills, mostBytes, scan, loops, timecode, other, bits, light, mastering,
                tracks);
    }

    /** @param promise null where quality or profile decides */
    public Expectation withBits(RatePromise promise) {
        return new Expectation(frames, rate, size, pixelAspect, container, codec, profile, codedBits, readBits, chroma, alphaBits, matrix,
                primaries,
                transfer, range, soundTracks, sound, indexInFront, stills, mostBytes, scan, loops, timecode, level, promise, light,
                mastering, tracks);
    }

    /** With how bright its frames are, where its container has a place for it. @param found null where nobody measured it */
    public Expectation withLight(ContentLight found) {
        return new Expectation(frames, rate, size, pixelAspect, container, codec, profile, codedBits, readBits, chroma, alphaBits, matrix,
                primaries,
                transfer, range, soundTracks, sound, indexInFront, stills, mostBytes, scan, loops, timecode, level, bits,
                container.statesLight() ? found : null, mastering, tracks);
    }

    /** @param display null for nothing to be said of it */
    public Expectation withMastering(MasteringDisplay display) {
        return new Expectation(frames, rate, size, pixelAspect, container, codec, profile, codedBits, readBits, chroma, alphaBits, matrix,
                primaries,
                transfer, range, soundTracks, sound, indexInFront, stills, mostBytes, scan, loops, timecode, level, bits, light, display,
                tracks);
    }

    /**
     * Bits a second of a whole transport stream whose pictures have a constant rate: theirs, sound, and what packets, tables and the clock
     * take. Null where the rate follows from what is in it.
     */
    @JsonIgnore
    public Long streamBits() {
        if (container != Container.TS || bits == null || !bits.constant()) {
            return null;
        }
        long heard = sound == null ? 0 : SoundCodec.ofReportedName(sound.codec).bitsPerSecond(sound.channels);
        return bits.most() * 107 / 100 + heard * 130 / 100 + 100_000;
    }

    /** Which channels of the reel's sound each track has; empty where one has them all, or there is none. */
    @JsonIgnore
    public List<ChannelMap> shared() {
        return sound == null || tracks.way() == SoundTracks.Way.TOGETHER ? List.of() : tracks.of(soundTracks);
    }

    /** How many channels each sound track has, in their order: {@code 1 + 1}; empty where there is no sound. */
    @JsonIgnore
    public String channels() {
        return sound == null ? ""
                : shared().isEmpty() ? Integer.toString(sound.channels)
                        : shared().stream().map(t -> Integer.toString(t.from().size())).collect(Collectors.joining(" + "));
    }

    /** Length in seconds, exactly. */
    @JsonIgnore
    public Rational seconds() {
        return rate.seconds(frames);
    }
}
