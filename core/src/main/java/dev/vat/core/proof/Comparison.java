package dev.vat.core.proof;

import com.fasterxml.jackson.annotation.JsonProperty;
import dev.vat.core.delivery.CodecLevel;
import dev.vat.core.delivery.ColourCoding;
import dev.vat.core.delivery.Container;
import dev.vat.core.delivery.RoughForecast;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.source.CodecName;
import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.BiPredicate;
import java.util.stream.Stream;

/** Planned against found, line by line. */
public record Comparison(List<Line> lines) {

    private static final Words WORDS = Words.of(Comparison.class);

    /** FLAC's, at 48 kHz. */
    private static final Rational LONGEST_BLOCK = Rational.of(4608, 48_000);
    /** In LU, what EBU R 128 allows. */
    private static final double LOUDNESS_TOLERANCE = .5;
    /** In dB: as far as meters may read apart, EBU Tech 3341. */
    private static final double PEAK_TOLERANCE = .3;
    private static final String NOT_CARRIED = WORDS.say("notCarried");

    /** One property of a file; {@code agrees} is the verdict. */
    public record Line(String name, String planned, String found, @JsonProperty("agrees") boolean agrees) {}

    public Comparison {
        lines = List.copyOf(lines);
    }

    /** With how loud it is, where that was planned. @param loudness of the programme in the file, or null */
    public static Comparison of(Expectation planned, FileFacts found, Loudness loudness) {
        Comparison facts = of(planned, found);
        // Some of the channels by themselves are as loud as they are.
        boolean some = planned.container().isSoundAlone() && !planned.shared().isEmpty();
        if (planned.level() == null || loudness == null || some) {
            return facts;
        }
        List<Line> lines = new ArrayList<>(facts.lines);
        Expectation.Level level = planned.level();
        Double integrated = loudness.integrated();
        lines.add(new Line("loudness", decimal(level.integrated()) + " LUFS",
                integrated == null ? WORDS.say("belowTheGate") : decimal(integrated) + " LUFS",
                integrated != null && Math.abs(integrated - level.integrated()) <= LOUDNESS_TOLERANCE));
        Double peak = loudness.truePeak();
        lines.add(new Line(WORDS.say("truePeak"), WORDS.say("atMostDBTP", decimal(level.mostPeak())),
                peak == null ? WORDS.say("none") : decimal(peak) + " dBTP",
                peak == null || peak <= level.mostPeak() + PEAK_TOLERANCE));
        return new Comparison(lines);
    }

    private static String decimal(double value) {
        return String.format(Locale.ROOT, "%.1f", value);
    }

    /** Holds each field that was planned against what stands in the file; what a format can't state isn't compared. */
    public static Comparison of(Expectation planned, FileFacts found) {
        return planned.container().isSoundAlone() ? soundAlone(planned, found)
                : planned.stills() == null ? file(planned, found) : stills(planned, found);
    }

    /** Every sample is there, so its length is exact. */
    private static Comparison soundAlone(Expectation planned, FileFacts found) {
        List<Line> lines = new ArrayList<>();
        line(lines, WORDS.say("container"), planned.container().title(), found.container());
        line(lines, WORDS.say("soundTracks"), planned.soundTracks(), found.soundTracks());
        sound(lines, "", planned.sound(), found.sound());
        line(lines, WORDS.say("samples"), planned.sound().seconds().times(planned.sound().rate()),
                found.sound().seconds().times(found.sound().rate()));
        line(lines, WORDS.say("timecode"), planned.timecode() == null ? WORDS.say("none") : planned.timecode(),
                found.timecode() == null ? WORDS.say("none") : found.timecode());
        lines.add(new Line(WORDS.say("bytes"), WORDS.say("moreThan0"), RoughForecast.bytes(found.bytes()), found.bytes() > 0));
        return new Comparison(lines);
    }

    /** Stills say nothing of time, and of colour only what their own format has a place for. */
    private static Comparison stills(Expectation planned, FileFacts found) {
        List<Line> lines = new ArrayList<>();
        line(lines, WORDS.say("frames"), planned.frames(), found.frames());
        line(lines, WORDS.say("size"), planned.size(), found.size());
        line(lines, WORDS.say("container"), planned.container().title(), found.container());
        codec(lines, WORDS.say("codec"), planned.codec(), "", found.codec(), "");
        line(lines, WORDS.say("depth"), planned.readBits() + "-bit", found.bits() + "-bit");
        line(lines, WORDS.say("chroma"), planned.chroma().label(), found.chroma());
        line(lines, WORDS.say("alpha"), alpha(planned.alphaBits()), alpha(found.alphaBits()));
        lines.add(new Line(WORDS.say("bytes"), WORDS.say("moreThan0"), RoughForecast.bytes(found.bytes()), found.bytes() > 0));
        return new Comparison(lines);
    }

    private static Comparison file(Expectation planned, FileFacts found) {
        List<Line> lines = new ArrayList<>();
        line(lines, WORDS.say("frames"), planned.frames(), found.frames());
        line(lines, WORDS.say("spacing"), WORDS.say("everyFrameAlike"),
                found.evenSpacing() ? WORDS.say("everyFrameAlike") : WORDS.say("uneven"));
        rate(lines, planned, found);
        line(lines, WORDS.say("start"), "0 s", found.startSeconds() + " s");
        duration(lines, planned.seconds(), found);
        line(lines, WORDS.say("size"), planned.size(), found.size());
        line(lines, WORDS.say("scan"), planned.scan().title(), found.scan());
        pixelAspect(lines, WORDS.say("pixelAspect"), planned, found.pixelAspect());
        if (found.codedPixelAspect() != null) {
            pixelAspect(lines, WORDS.say("pixelAspectInThePictures"), planned, found.codedPixelAspect());
        }
        line(lines, WORDS.say("container"), planned.container().title(), found.container());
        codec(lines, WORDS.say("codec"), planned.codec(), "", found.codec(), "");
        line(lines, WORDS.say("profile"), planned.profile(), found.profile());
        CodecLevel.needed(planned.codec(), planned.size(), planned.rate()).filter(_ -> found.level() > 0)
                .ifPresent(needed -> lines.add(new Line(WORDS.say("level"),
                        WORDS.say("orAbove", needed.name()), CodecLevel.name(planned.codec(), found.level()),
                        needed.isMetBy(found.level()))));
        String depth = planned.codedBits() == planned.readBits() ? planned.codedBits() + "-bit"
                : WORDS.say("codedReadAs", planned.codedBits(), planned.readBits());
        lines.add(new Line(WORDS.say("depth"), depth, found.bits() == planned.readBits() ? depth : found.bits() + "-bit",
                found.bits() == planned.readBits()));
        line(lines, WORDS.say("chroma"), planned.chroma().label(), found.chroma());
        tag(lines, WORDS.say("matrix"), planned.matrix(), found.matrix(), ColourCoding::sameMatrix);
        tag(lines, WORDS.say("primaries"), planned.primaries(), found.primaries(), String::equals);
        tag(lines, WORDS.say("transfer"), planned.transfer(), found.transfer(), ColourCoding::sameTransfer);
        tag(lines, WORDS.say("range"), planned.range(), found.range(), String::equals);
        alpha(lines, planned, found);
        if (planned.loops() != null) {
            line(lines, "played", times(planned.loops()), found.loops() == null ? WORDS.say("notSaid") : times(found.loops()));
        }
        if (planned.container().carriesTimecode()) {
            line(lines, WORDS.say("timecode"), planned.timecode() == null ? WORDS.say("none") : planned.timecode(),
                    found.timecode() == null ? WORDS.say("none") : found.timecode());
        }
        line(lines, WORDS.say("soundTracks"), planned.soundTracks() == 0 ? WORDS.say("none") : planned.soundTracks(),
                found.soundTracks() == 0 ? WORDS.say("none") : found.soundTracks());
        if (planned.sound() != null && found.sound() != null) {
            sound(lines, "", planned.sound(), found.sound());
            for (int i = 1; i < Math.min(planned.shared().size(), found.otherSounds().size() + 1); i++) {
                Expectation.SoundTrack first = planned.sound();
                Expectation.SoundTrack track = new Expectation.SoundTrack(first.codec(), planned.shared().get(i).from().size(),
                        first.rate(),
                        first.seconds());
                sound(lines, " " + (i + 1), track, found.otherSounds().get(i - 1));
            }
        }
        if (planned.indexInFront()) {
            line(lines, WORDS.say("index"), WORDS.say("inFront"), found.indexInFront() ? WORDS.say("inFront") : WORDS.say("atTheEnd"));
        }
        boolean small = planned.mostBytes() == null || found.bytes() <= planned.mostBytes();
        lines.add(new Line(WORDS.say("bytes"),
                planned.mostBytes() == null ? WORDS.say("moreThan0") : WORDS.say("atMost", RoughForecast.bytes(planned.mostBytes())),
                RoughForecast.bytes(found.bytes()), found.bytes() > 0 && small));
        return new Comparison(lines);
    }

    /** Moving stills say no rate: it is their frames over their length, which is as exact as their clock. */
    private static void rate(List<Line> lines, Expectation planned, FileFacts found) {
        Rational off = planned.rate().seconds(found.frames()).minus(found.rate().seconds(found.frames()));
        boolean agrees = planned.container().isMovingStill() ? off.abs().compareTo(found.clock()) <= 0
                : planned.rate().equals(found.rate());
        lines.add(new Line(WORDS.say("rate"), WORDS.say("aSecond", planned.rate()),
                agrees && !planned.rate().equals(found.rate()) ? WORDS.say("aSecondAsNearAsItsClock", planned.rate())
                        : WORDS.say("aSecond", found.rate()),
                agrees));
    }

    /** In GIF and WebP nothing but a transparent place says that there may be one. */
    private static void alpha(List<Line> lines, Expectation planned, FileFacts found) {
        boolean opaque = (planned.container() == Container.GIF || planned.container() == Container.WEBP)
                && found.alphaBits() <= planned.alphaBits();
        lines.add(new Line(WORDS.say("alpha"), alpha(planned.alphaBits()), alpha(found.alphaBits()),
                opaque || planned.alphaBits() == found.alphaBits()));
    }

    private static String times(int loops) {
        return loops == 0 ? WORDS.say("forEver") : loops == 1 ? WORDS.say("once") : WORDS.say("times", loops);
    }

    /** Matroska and WebM say it as a width in whole pixels: it must lead to the same picture. */
    private static void pixelAspect(List<Line> lines, String name, Expectation planned, PixelAspect found) {
        boolean agrees = found.equals(planned.pixelAspect())
                || found.seen(planned.size()).equals(planned.pixelAspect().seen(planned.size()));
        lines.add(new Line(name, planned.pixelAspect().toString(), found.toString(), agrees));
    }

    /**
     * Containers that count in milliseconds can't say every length; Matroska says that of the whole file, the last block of sound
     * included.
     */
    private static void duration(List<Line> lines, Rational planned, FileFacts found) {
        Rational off = planned.minus(found.durationSeconds());
        boolean wholeFile = found.sound() != null
                && (found.container().equals(Container.MKV.title()) || found.container().equals(Container.WEBM.title()));
        Rational allowed = wholeFile ? found.clock().plus(LONGEST_BLOCK) : found.clock();
        boolean agrees = off.abs().compareTo(allowed) < 0;
        lines.add(new Line(WORDS.say("duration"), planned + " s", found.durationSeconds() + " s", agrees));
    }

    /** Compared by the library's names, which tell more apart than the trade's; these are shown, unless they would look the same. */
    private static void codec(List<Line> lines, String name, String planned, String more, String found, String foundMore) {
        boolean agrees = planned.equals(found) && more.equals(foundMore);
        boolean alike = !planned.equals(found) && CodecName.of(planned).equals(CodecName.of(found));
        lines.add(new Line(name, (alike ? planned : CodecName.of(planned)) + more, (alike ? found : CodecName.of(found)) + foundMore,
                agrees));
    }

    /** Codecs that pack sound in blocks fill the last one up. */
    private static void sound(List<Line> lines, String number, Expectation.SoundTrack planned, Expectation.SoundTrack found) {
        codec(lines, WORDS.say("sound") + number, planned.codec(), WORDS.say("channelsHz", planned.channels(), planned.rate()),
                found.codec(),
                WORDS.say("channelsHz", found.channels(), found.rate()));
        Rational off = found.seconds().minus(planned.seconds());
        boolean agrees = off.abs().compareTo(LONGEST_BLOCK) <= 0;
        lines.add(new Line(WORDS.say("soundLength") + number, planned.seconds().toFixed(4) + " s", found.seconds().toFixed(4) + " s",
                agrees));
    }

    /** A tag that codec and container have no place for is planned as null, and must not turn up. */
    private static void tag(List<Line> lines, String name, String planned, String found, BiPredicate<String, String> same) {
        String carried = found.equals("unknown") ? NOT_CARRIED : found;
        String wanted = planned == null ? NOT_CARRIED : planned;
        lines.add(new Line(name, wanted, carried, same.test(wanted, carried)));
    }

    private static String alpha(int bits) {
        return bits == 0 ? WORDS.say("none") : WORDS.say("bitStraight", bits);
    }

    private static void line(List<Line> lines, String name, Object planned, Object found) {
        lines.add(new Line(name, planned.toString(), found.toString(), planned.toString().equals(found.toString())));
    }

    /** With what other readers found. */
    public Comparison with(List<Line> more) {
        return new Comparison(Stream.concat(lines.stream(), more.stream()).toList());
    }

    public boolean allAgree() {
        return lines.stream().allMatch(Line::agrees);
    }

    public List<Line> disagreements() {
        return lines.stream().filter(l -> !l.agrees()).toList();
    }
}
