package dev.vat.core.opinion;

import dev.vat.core.container.Bytes;
import dev.vat.core.container.Cursor;
import dev.vat.core.container.IsoMovie;
import dev.vat.core.container.IsoTrack;
import dev.vat.core.container.Malformed;
import dev.vat.core.container.SampleEntry;
import dev.vat.core.container.SampleTable;
import dev.vat.core.delivery.Container;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.proof.Comparison;
import dev.vat.core.proof.ContentLight;
import dev.vat.core.proof.Expectation;
import dev.vat.core.time.Rational;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Timecode;
import dev.vat.core.words.Words;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;

/** What the index of an MP4 or MOV file says, held against what was planned. */
final class IsoOpinion {

    private static final Words WORDS = Words.of(IsoOpinion.class);

    /** Sample entries by the codings that they may name; those of others say themselves what they are. */
    private static final Map<String, Set<String>> FORMATS = Map.of("h264", Set.of("avc1", "avc3", "ai12", "ai13", "ai15", "ai16", "ai22",
            "ai23", "ai25", "ai26", "AVin"), "hevc", Set.of("hvc1"), "prores", Set.of("apco", "apcs", "apcn", "apch", "ap4h", "ap4x"),
            "dnxhd", Set.of("AVdn", "AVdh"), "av1", Set.of("av01"), "vp9", Set.of("vp09"), "cfhd", Set.of("CFHD"), "png", Set.of("png "),
            "qtrle", Set.of("rle "));
    private static final Map<String, String> PRORES = Map.of("apco", "Proxy", "apcs", "LT", "apcn", "Standard", "apch", "HQ", "ap4h",
            "4444", "ap4x", "XQ");
    private static final Set<String> PLAIN_SOUND = Set.of("lpcm", "sowt", "twos", "in24", "in32", "fl32", "ipcm");
    private static final List<String> CONFIGURATIONS = List.of("avcC", "hvcC", "av1C");
    private static final int COLOUR_AND_ALPHA = 32;

    private IsoOpinion() {}

    static List<Comparison.Line> of(Expectation planned, Bytes file) throws IOException {
        IsoMovie movie = IsoMovie.of(file);
        IsoTrack track = movie.first("vide").orElseThrow(() -> new Malformed(WORDS.say("noPictures")));
        Opinion opinion = new Opinion("ISO/IEC 14496-12");
        opinion.line(WORDS.say("container"), planned.container().title(),
                movie.brand().equals("qt  ") ? Container.MOV.title() : Container.MP4.title());
        opinion.line(WORDS.say("frames"), planned.frames(), track.samples().count());
        opinion.verdict(WORDS.say("spacing"), WORDS.say("even"), track.samples().isEven() ? WORDS.say("even") : WORDS.say("uneven"),
                track.samples().isEven() && track.samples().timed() == track.samples().count());
        track.rate().ifPresent(rate -> opinion.line(WORDS.say("rate"), planned.rate(), rate, (p, f) -> p.perSecond().equals(f)));
        opinion.verdict(WORDS.say("start"), "0 s", track.start(movie.timescale()) + " s", track.start(movie.timescale()).signum() == 0);
        opinion.verdict(WORDS.say("length"), planned.seconds() + " s", Rational.of(track.duration(), track.timescale()) + " s",
                track.duration() == track.samples().ticks() && isLength(planned, track));
        Rational tick = Rational.of(1, movie.timescale());
        Rational shown = Rational.of(track.shown(), movie.timescale());
        opinion.verdict(WORDS.say("shown"), planned.seconds() + " s", shown + " s",
                shown.minus(planned.seconds()).abs().compareTo(tick) <= 0);
        picture(opinion, planned, movie, track);
        if (planned.indexInFront()) {
            opinion.verdict(WORDS.say("index"), WORDS.say("inFront"), movie.indexInFront() ? WORDS.say("inFront") : WORDS.say("atTheEnd"),
                    movie.indexInFront());
        }
        opinion.line(WORDS.say("bytes"), file.size(), movie.bytes());
        timecode(opinion, planned, movie, track, file);
        sound(opinion, planned, movie);
        List<Comparison.Line> lines = new ArrayList<>(opinion.lines());
        if (track.samples().count() > 0) {
            SampleTable.Place first = track.samples().place(0);
            byte[] configuration = CONFIGURATIONS.stream().map(track.entry().boxes()::get).filter(b -> b != null).findFirst().orElse(null);
            lines.addAll(StreamOpinion.of(planned, file.read(first.at(), first.size()), configuration));
        }
        return lines;
    }

    private static boolean isLength(Expectation planned, IsoTrack track) {
        return track.seconds().minus(planned.seconds()).abs().compareTo(Rational.of(1, track.timescale())) <= 0;
    }

    private static void picture(Opinion opinion, Expectation planned, IsoMovie movie, IsoTrack track) {
        if (!(track.entry() instanceof SampleEntry.Pictures entry)) {
            opinion.verdict(WORDS.say("codec"), planned.codec(), track.entry().format(), false);
            return;
        }
        Set<String> formats = FORMATS.get(planned.codec());
        if (formats != null) {
            opinion.verdict(WORDS.say("codec"), planned.codec(), entry.format(), formats.contains(entry.format()));
        }
        if (planned.codec().equals("prores")) {
            opinion.line(WORDS.say("profile"), planned.profile(), PRORES.get(entry.format()));
        }
        opinion.line(WORDS.say("size"), planned.size(), Size.of(entry.width(), entry.height()));
        entry.box("pasp").ifPresent(c -> {
            opinion.line(WORDS.say("pixelAspect"), planned.pixelAspect(), PixelAspect.of(c.u32(), c.u32()));
        });
        if (planned.alphaBits() > 0 && movie.brand().equals("qt  ")) {
            opinion.line(WORDS.say("announced"), COLOUR_AND_ALPHA, entry.depth());
        }
        opinion.mastering(planned, entry.box("mdcv").map(IsoOpinion::mastering).orElse(null));
        opinion.light(planned, entry.box("clli").map(c -> new ContentLight(c.u16(), c.u16())).orElse(null));
        entry.box("colr").ifPresentOrElse(c -> colour(opinion, planned, c), () -> {
            // Players ask the container first, whatever the pictures say themselves.
            if (planned.primaries() != null) {
                opinion.verdict(WORDS.say("colours"), planned.primaries(), WORDS.say("none"), false);
            }
        });
    }

    /** ISO/IEC 14496-12, 12.1.6: green, blue, red, white, then most and least light. */
    private static List<Long> mastering(Cursor c) {
        long[] points = new long[8];
        for (int i = 0; i < points.length; i++) {
            points[i] = c.u16();
        }
        return List.of(points[4], points[5], points[0], points[1], points[2], points[3], points[6], points[7], c.u32(), c.u32());
    }

    static void colour(Opinion opinion, Expectation planned, Cursor c) {
        String kind = c.fourcc();
        if (!kind.equals("nclc") && !kind.equals("nclx")) {
            return;
        }
        int primaries = c.u16();
        int transfer = c.u16();
        int matrix = c.u16();
        if (planned.primaries() != null && primaries != CodePoints.UNSPECIFIED) {
            opinion.line(WORDS.say("primaries"), planned.primaries(), CodePoints.primaries(primaries));
        }
        if (planned.transfer() != null && transfer != CodePoints.UNSPECIFIED) {
            opinion.line(WORDS.say("transfer"), planned.transfer(), CodePoints.transfer(transfer), CodePoints::sameTransfer);
        }
        if (planned.matrix() != null && matrix != CodePoints.UNSPECIFIED) {
            opinion.line(WORDS.say("matrix"), planned.matrix(), CodePoints.matrix(matrix), CodePoints::sameMatrix);
        }
        if (kind.equals("nclx") && planned.range() != null) {
            opinion.line(WORDS.say("range"), planned.range(), (c.u8() & 0x80) != 0 ? "full" : "limited");
        }
    }

    private static void timecode(Opinion opinion, Expectation planned, IsoMovie movie, IsoTrack pictures, Bytes file) throws IOException {
        IsoTrack track = movie.first("tmcd").orElse(null);
        String label = null;
        if (track != null && track.entry() instanceof SampleEntry.Labels labels && track.samples().count() > 0) {
            SampleTable.Place place = track.samples().place(0);
            long frame = Cursor.of(file.read(place.at(), 4)).u32();
            Rate rate = new Rate(Rational.of(labels.timescale(), labels.frameDuration()));
            label = (labels.isDropFrame() ? Timecode.ofDropFrame(frame, rate) : Timecode.of(frame, rate)).toString();
            opinion.verdict(WORDS.say("labelsShown"), pictures.shown(), track.shown(), pictures.shown() == track.shown());
            opinion.verdict(WORDS.say("labelsLast"), pictures.seconds() + " s", track.seconds() + " s",
                    track.seconds().minus(pictures.seconds()).abs().compareTo(Rational.of(1, movie.timescale())) <= 0);
        }
        opinion.verdict(WORDS.say("timecode"), planned.timecode() == null ? WORDS.say("none") : planned.timecode(),
                label == null ? WORDS.say("none") : label, Objects.equals(planned.timecode(), label));
    }

    private static void sound(Opinion opinion, Expectation planned, IsoMovie movie) {
        opinion.line(WORDS.say("soundTracks"), (long) planned.soundTracks(), movie.count("soun"));
        IsoTrack track = movie.first("soun").orElse(null);
        if (planned.sound() == null || track == null || !(track.entry() instanceof SampleEntry.Sound entry)) {
            return;
        }
        opinion.verdict(WORDS.say("soundStarts"), "0 s", track.start(movie.timescale()) + " s",
                track.start(movie.timescale()).signum() <= 0);
        Rational shown = Rational.of(track.shown(), movie.timescale());
        opinion.verdict(WORDS.say("soundLength"), planned.sound().seconds().toFixed(3) + " s", shown.toFixed(3) + " s",
                shown.minus(planned.sound().seconds()).abs().compareTo(Rational.of(1, 10)) <= 0);
        // Packed sound says two here, whatever it has.
        if (PLAIN_SOUND.contains(entry.format())) {
            opinion.line(WORDS.say("channels"), planned.channels(), movie.all("soun").map(t -> t.entry() instanceof SampleEntry.Sound s
                    ? Integer.toString(s.channels()) : "?").collect(Collectors.joining(" + ")));
        }
    }
}
