package dev.vat.core.opinion;

import dev.vat.core.container.Bytes;
import dev.vat.core.container.EbmlElement;
import dev.vat.core.container.Malformed;
import dev.vat.core.container.Matroska;
import dev.vat.core.delivery.Container;
import dev.vat.core.delivery.MasteringDisplay;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.proof.Comparison;
import dev.vat.core.proof.ContentLight;
import dev.vat.core.proof.Expectation;
import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiPredicate;
import java.util.function.IntFunction;

/** What a Matroska or WebM file says, held against what was planned. Element numbers are those of RFC 9559. */
final class MatroskaOpinion {

    private static final Words WORDS = Words.of(MatroskaOpinion.class);

    private static final Map<String, String> CODECS = Map.of("V_MPEG4/ISO/AVC", "h264", "V_MPEGH/ISO/HEVC", "hevc", "V_PRORES", "prores",
            "V_AV1", "av1", "V_VP9", "vp9", "V_MPEG2", "mpeg2video", "V_FFV1", "ffv1");
    private static final int NANOS = 1_000_000_000;
    private static final int WIDTH = 0xB0;
    private static final int HEIGHT = 0xBA;
    private static final int DISPLAY_WIDTH = 0x54B0;
    private static final int DISPLAY_HEIGHT = 0x54BA;
    private static final int ALPHA = 0x53C0;
    private static final int INTERLACED = 0x9A;
    private static final int COLOUR = 0x55B0;
    private static final int MATRIX = 0x55B1;
    private static final int RANGE = 0x55B9;
    private static final int TRANSFER = 0x55BA;
    private static final int PRIMARIES = 0x55BB;
    private static final int MOST_LIGHT = 0x55BC;
    private static final int AVERAGE_LIGHT = 0x55BD;
    private static final int MASTERING = 0x55D0;
    private static final int FIRST_OF_MASTERING = 0x55D1;
    private static final int CHANNELS = 0x9F;
    private static final int BIT_DEPTH = 0x6264;
    /** Sound packed with loss has no depth. */
    private static final Set<String> LOSSY = Set.of("aac", "mp3", "opus", "ac3", "eac3", "vorbis");

    private MatroskaOpinion() {}

    static List<Comparison.Line> of(Expectation planned, Bytes bytes) throws IOException {
        Matroska file = Matroska.of(bytes);
        Matroska.Track track = file.first(1).orElseThrow(() -> new Malformed(WORDS.say("noPictures")));
        Opinion opinion = new Opinion("RFC 9559");
        opinion.line(WORDS.say("container"), planned.container().title(),
                file.kind().equals("webm") ? Container.WEBM.title() : Container.MKV.title());
        opinion.line(WORDS.say("codec"), planned.codec(), CODECS.get(track.codec()));
        opinion.line(WORDS.say("frames"), planned.frames(), (long) file.times().size());
        times(opinion, planned, file);
        if (track.duration() > 0) {
            long nanos = planned.rate().perSecond().inverse().times(NANOS).round();
            opinion.verdict(WORDS.say("frameLasts"), nanos + " ns", track.duration() + " ns", Math.abs(nanos - track.duration()) <= 1);
        }
        opinion.verdict(WORDS.say("byDefault"), WORDS.say("yes"), WORDS.say(track.byDefault() ? "yes" : "no"), track.byDefault());
        picture(opinion, planned, track);
        sound(opinion, planned, file);
        if (planned.container().carriesTimecode()) {
            String label = file.tags().stream().filter(t -> t.startsWith("TIMECODE=")).map(t -> t.substring(9)).findFirst().orElse(null);
            opinion.verdict(WORDS.say("timecode"), planned.timecode() == null ? WORDS.say("none") : planned.timecode(),
                    label == null ? WORDS.say("none") : label,
                    planned.timecode() == null ? label == null : planned.timecode().equals(label));
        }
        List<Comparison.Line> lines = new ArrayList<>(opinion.lines());
        if (file.first() != null) {
            lines.addAll(StreamOpinion.of(planned, file.first(), track.configuration().length == 0 ? null : track.configuration()));
        }
        return lines;
    }

    /** Each block at its frame's own time, as near as a tick can say. */
    private static void times(Opinion opinion, Expectation planned, Matroska file) {
        Rational tick = Rational.of(file.ticks(), NANOS);
        boolean even = true;
        for (int i = 0; i < file.times().size(); i++) {
            Rational off = tick.times(file.times().get(i)).minus(planned.rate().seconds(i));
            even &= off.abs().compareTo(tick) <= 0;
        }
        opinion.verdict(WORDS.say("spacing"), WORDS.say("even"), (even ? WORDS.say("even") : WORDS.say("uneven")), even);
    }

    private static void picture(Opinion opinion, Expectation planned, Matroska.Track track) throws Malformed {
        Size size = Size.of((int) track.number(WIDTH, 0), (int) track.number(HEIGHT, 0));
        opinion.line(WORDS.say("size"), planned.size(), size);
        Size seen = Size.of((int) track.number(DISPLAY_WIDTH, size.width()), (int) track.number(DISPLAY_HEIGHT, size.height()));
        PixelAspect aspect = PixelAspect.of((long) seen.width() * size.height(), (long) seen.height() * size.width());
        opinion.verdict(WORDS.say("pixelAspect"), planned.pixelAspect(), aspect, planned.pixelAspect().equals(aspect)
                || aspect.seen(planned.size()).equals(planned.pixelAspect().seen(planned.size())));
        if (planned.codec().equals("vp9")) {
            opinion.verdict(WORDS.say("alpha"), WORDS.say(planned.alphaBits() > 0 ? "yes" : "no"),
                    WORDS.say(track.number(ALPHA, 0) == 1 ? "yes" : "no"), planned.alphaBits() > 0 == (track.number(ALPHA, 0) == 1));
        }
        long interlaced = track.number(INTERLACED, 0);
        if (interlaced != 0) {
            opinion.verdict(WORDS.say("scan"), planned.scan().title(),
                    (interlaced == 1 ? WORDS.say("interlaced") : WORDS.say("progressive")),
                    planned.scan().isInterlaced() == (interlaced == 1));
        }
        Optional<EbmlElement> colour = track.settings() == null ? Optional.empty() : track.settings().child(COLOUR);
        // What was planned and isn't there is a finding, too.
        opinion.mastering(planned, colour.isEmpty() ? null : mastering(colour.get()));
        opinion.light(planned, colour.isEmpty() ? null : light(colour.get()));
        if (colour.isPresent()) {
            EbmlElement tags = colour.get();
            tag(opinion, WORDS.say("primaries"), planned.primaries(), code(tags, PRIMARIES), CodePoints::primaries, String::equals);
            tag(opinion, WORDS.say("transfer"), planned.transfer(), code(tags, TRANSFER), CodePoints::transfer, CodePoints::sameTransfer);
            tag(opinion, WORDS.say("matrix"), planned.matrix(), code(tags, MATRIX), CodePoints::matrix, CodePoints::sameMatrix);
            long range = tags.child(RANGE).map(EbmlElement::number).orElse(0L);
            if (planned.range() != null && range != 0) {
                opinion.line(WORDS.say("range"), planned.range(), range == 2 ? "full" : "limited");
            }
        }
    }

    private static ContentLight light(EbmlElement colour) throws Malformed {
        Optional<EbmlElement> most = colour.child(MOST_LIGHT);
        Optional<EbmlElement> average = colour.child(AVERAGE_LIGHT);
        return most.isEmpty() || average.isEmpty() ? null
                : new ContentLight((int) most.get().number(), (int) average.get().number());
    }

    /** Red, green, blue, white, each as x and y, then most and least light. */
    private static List<Long> mastering(EbmlElement colour) throws Malformed {
        EbmlElement display = colour.child(MASTERING).orElse(null);
        if (display == null) {
            return null;
        }
        List<Long> found = new ArrayList<>();
        for (int i = 0; i < 10; i++) {
            double value = display.child(FIRST_OF_MASTERING + i).map(EbmlElement::decimal).orElse(0.0);
            found.add(Math.round(value * (i < 8 ? MasteringDisplay.POINT_UNIT : MasteringDisplay.LIGHT_UNIT)));
        }
        return found;
    }

    private static int code(EbmlElement colour, long id) throws Malformed {
        return colour.child(id).map(e -> (int) e.number()).orElse(CodePoints.UNSPECIFIED);
    }

    private static void tag(Opinion opinion, String field, String planned, int code, IntFunction<String> name,
            BiPredicate<String, String> same) {
        if (planned != null && code != CodePoints.UNSPECIFIED) {
            opinion.line(field, planned, name.apply(code), same);
        }
    }

    private static void sound(Opinion opinion, Expectation planned, Matroska file) throws Malformed {
        long count = file.tracks().stream().filter(t -> t.type() == 2).count();
        opinion.line(WORDS.say("soundTracks"), (long) planned.soundTracks(), count);
        Matroska.Track track = file.first(2).orElse(null);
        if (planned.sound() != null && track != null) {
            opinion.line(WORDS.say("channels"), planned.channels(), channels(file));
            if (LOSSY.contains(planned.sound().codec())) {
                long bits = track.number(BIT_DEPTH, 0);
                opinion.verdict(WORDS.say("soundBits"), WORDS.say("none"), bits == 0 ? WORDS.say("none") : bits, bits == 0);
            }
            opinion.verdict(WORDS.say("soundByDefault"), WORDS.say("yes"), WORDS.say(track.byDefault() ? "yes" : "no"), track.byDefault());
        }
    }

    private static String channels(Matroska file) throws Malformed {
        List<String> all = new ArrayList<>();
        for (Matroska.Track track : file.tracks()) {
            if (track.type() == 2) {
                all.add(Long.toString(track.number(CHANNELS, 1)));
            }
        }
        return String.join(" + ", all);
    }
}
