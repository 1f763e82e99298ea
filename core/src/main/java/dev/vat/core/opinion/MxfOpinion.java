package dev.vat.core.opinion;

import dev.vat.core.container.Bytes;
import dev.vat.core.container.Malformed;
import dev.vat.core.container.MxfFile;
import dev.vat.core.container.MxfSet;
import dev.vat.core.container.Umid;
import dev.vat.core.delivery.Scan;
import dev.vat.core.picture.Size;
import dev.vat.core.proof.Comparison;
import dev.vat.core.proof.Expectation;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;
import dev.vat.core.time.Timecode;
import dev.vat.core.words.Words;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;

/** What an MXF file's partitions and metadata say, held against what was planned. Tags are those of SMPTE ST 377-1, annex A. */
final class MxfOpinion {

    private static final Words WORDS = Words.of(MxfOpinion.class);

    private static final int CLOSED_AND_COMPLETE = 4;
    private static final int PACKAGE_UID = 0x4401;
    private static final int SAMPLE_RATE = 0x3001;
    private static final int DURATION = 0x3002;
    private static final int STORED_HEIGHT = 0x3202;
    private static final int STORED_WIDTH = 0x3203;
    private static final int DISPLAY_HEIGHT = 0x3208;
    private static final int DISPLAY_WIDTH = 0x3209;
    private static final int LAYOUT = 0x320c;
    private static final int ASPECT = 0x320e;
    private static final int COMPONENT_DEPTH = 0x3301;
    private static final int ACROSS = 0x3302;
    private static final int DOWN = 0x3308;
    private static final int START = 0x1501;
    private static final int BASE = 0x1502;
    private static final int DROP = 0x1503;
    private static final int CHANNELS = 0x3d07;
    private static final int SOUND_RATE = 0x3d03;
    private static final int SEPARATE_FIELDS = 1;
    private static final int MIXED_FIELDS = 3;

    private MxfOpinion() {}

    static List<Comparison.Line> of(Expectation planned, Bytes bytes) throws IOException {
        MxfFile file = MxfFile.of(bytes);
        Opinion opinion = new Opinion("SMPTE ST 377-1");
        opinion.line(WORDS.say("frames"), planned.frames(), file.pictures());
        int status = file.partitions().getFirst().status();
        opinion.verdict(WORDS.say("header"), WORDS.say("complete"), status == CLOSED_AND_COMPLETE ? WORDS.say("complete")
                : WORDS.say("incomplete"), status == CLOSED_AND_COMPLETE);
        identity(opinion, file);
        MxfSet pictures = file.first(MxfSet.MPEG_PICTURES).or(() -> file.first(MxfSet.CDCI_PICTURES))
                .or(() -> file.first(MxfSet.RGBA_PICTURES)).orElseThrow(() -> new Malformed(WORDS.say("noPictures")));
        picture(opinion, planned, pictures);
        timecode(opinion, planned, file);
        sound(opinion, planned, file);
        List<Comparison.Line> lines = new ArrayList<>(opinion.lines());
        if (file.first() != null) {
            lines.addAll(StreamOpinion.of(planned, bytes.read(file.first().at(), file.first().size()), null));
        }
        return lines;
    }

    /** Every package has an identifier of its own, by which asset systems know it. */
    private static void identity(Opinion opinion, MxfFile file) {
        List<Umid> all = new ArrayList<>();
        for (int kind : new int[] {MxfSet.MATERIAL_PACKAGE, MxfSet.FILE_PACKAGE}) {
            file.first(kind).flatMap(s -> s.value(PACKAGE_UID)).filter(v -> v.length == 32).map(Umid::of).ifPresent(all::add);
        }
        boolean unique = all.size() == 2 && !all.getFirst().equals(all.getLast()) && all.stream().allMatch(Umid::isNumbered);
        opinion.verdict(WORDS.say("identifiers"), WORDS.say("numbered"), unique ? WORDS.say("numbered") : WORDS.say("notNumbered"), unique);
    }

    private static void picture(Opinion opinion, Expectation planned, MxfSet pictures) {
        pictures.fraction(SAMPLE_RATE)
                .ifPresent(rate -> opinion.line(WORDS.say("rate"), planned.rate(), rate, (p, f) -> p.perSecond().equals(f)));
        pictures.number(DURATION).ifPresent(frames -> opinion.line(WORDS.say("length"), planned.frames(), frames));
        long layout = pictures.number(LAYOUT).orElse(0L);
        opinion.verdict(WORDS.say("layout"), planned.scan().title(), layout == 0 ? Scan.PROGRESSIVE.title() : WORDS.say("fields"),
                planned.scan().isInterlaced() == (layout == SEPARATE_FIELDS || layout == MIXED_FIELDS));
        long rows = layout == SEPARATE_FIELDS ? 2 : 1;
        long width = pictures.number(DISPLAY_WIDTH).or(() -> pictures.number(STORED_WIDTH)).orElse(0L);
        long height = rows * pictures.number(DISPLAY_HEIGHT).or(() -> pictures.number(STORED_HEIGHT)).orElse(0L);
        if (width > 0 && height > 0) {
            opinion.line(WORDS.say("size"), planned.size(), Size.of((int) width, (int) height));
        }
        pictures.fraction(ASPECT).filter(a -> a.signum() > 0).ifPresent(aspect -> {
            Rational shape = planned.pixelAspect().displayAspect(planned.size());
            opinion.verdict(WORDS.say("aspect"), shape, aspect, isNear(shape, aspect, planned.size()));
        });
        pictures.number(COMPONENT_DEPTH).filter(d -> d > 0).ifPresent(depth -> opinion.line(WORDS.say("depth"), (long) planned.codedBits(),
                depth));
        pictures.number(ACROSS).ifPresent(across -> {
            long down = pictures.number(DOWN).orElse(1L);
            String chroma = across == 1 ? "4:4:4" : down == 2 ? "4:2:0" : across == 4 ? "4:1:1" : "4:2:2";
            opinion.line(WORDS.say("chroma"), planned.chroma().label(), chroma, (p, f) -> p.equals(f) || p.equals("RGB"));
        });
    }

    private static boolean isNear(Rational planned, Rational found, Size size) {
        return planned.times(size.height()).round() == found.times(size.height()).round();
    }

    private static void timecode(Opinion opinion, Expectation planned, MxfFile file) {
        for (MxfSet set : file.all(MxfSet.TIMECODE)) {
            long start = set.number(START).orElse(0L);
            boolean drop = set.number(DROP).orElse(0L) == 1;
            Rate rate = planned.rate();
            opinion.line(WORDS.say("labelsASecond"), (long) rate.timecodeBase(), set.number(BASE).orElse(0L));
            String label = (drop ? Timecode.ofDropFrame(start, rate) : Timecode.of(start, rate)).toString();
            opinion.line(WORDS.say("timecode"), planned.timecode() == null ? WORDS.say("none") : planned.timecode(), label);
        }
    }

    private static void sound(Opinion opinion, Expectation planned, MxfFile file) {
        List<MxfSet> tracks = new ArrayList<>();
        for (int kind : new int[] {MxfSet.SOUND, MxfSet.WAVE_SOUND, MxfSet.AES3_SOUND}) {
            tracks.addAll(file.all(kind));
        }
        if (planned.sound() == null) {
            opinion.verdict(WORDS.say("sound"), WORDS.say("none"), tracks.isEmpty() ? WORDS.say("none") : tracks.size(), tracks.isEmpty());
            return;
        }
        if (tracks.isEmpty()) {
            opinion.verdict(WORDS.say("sound"), planned.sound().channels(), WORDS.say("none"), false);
            return;
        }
        opinion.line(WORDS.say("channels"), planned.channels(),
                tracks.stream().map(t -> t.number(CHANNELS).map(Object::toString).orElse("?")).collect(Collectors.joining(" + ")));
        tracks.getFirst().fraction(SOUND_RATE)
                .ifPresent(r -> opinion.line(WORDS.say("soundRate"), Rational.of(planned.sound().rate()), r));
    }
}
