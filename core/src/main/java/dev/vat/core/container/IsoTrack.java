package dev.vat.core.container;

import dev.vat.core.words.Words;
import dev.vat.core.time.Rational;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * A track of an ISO base media file or a QuickTime movie.
 *
 * @param handler what it is: {@code vide}, {@code soun}, {@code tmcd}
 * @param timescale ticks a second (mdhd)
 * @param duration ticks of its media (mdhd)
 * @param shown how long it is shown, in ticks of the movie (tkhd)
 * @param repeats whether the edits begin again for as long as the track is shown
 * @param edits what of the media is shown when; empty for all of it
 */
public record IsoTrack(long id, String handler, long timescale, long duration, long shown, boolean repeats, List<Edit> edits,
        SampleEntry entry,
        SampleTable samples) {

    private static final Words WORDS = Words.of(IsoTrack.class);

    /** Tracks of sequences of images. */
    public static final String IMAGES = "pict";

    /** A length that isn't known, in 32 bits. */
    private static final long UNKNOWN = 0xffffffffL;
    private static final int REST_OF_FLAGS = 3;
    private static final int REPEATS = 1;

    /** @param length in ticks of the movie @param from in ticks of the media, or -1 for nothing @param rate 65536 for as it is */
    public record Edit(long length, long from, int rate) {}

    static IsoTrack of(IsoBox trak) throws Malformed {
        Cursor t = trak.child("tkhd").orElseThrow(() -> new Malformed(WORDS.say("noHead"))).cursor();
        boolean wide = t.u8() == 1;
        t.skip(3 + (wide ? 16 : 8));
        long id = t.u32();
        t.skip(4);
        long shown = wide ? t.s64() : t.u32();
        IsoBox mdia = trak.child("mdia").orElseThrow(() -> new Malformed(WORDS.say("lacks", id, "mdia")));
        Cursor m = mdia.child("mdhd").orElseThrow(() -> new Malformed(WORDS.say("lacks", id, "mdhd"))).cursor();
        boolean wideMedia = m.u8() == 1;
        m.skip(3 + (wideMedia ? 16 : 8));
        long timescale = m.u32();
        long duration = wideMedia ? m.s64() : m.u32();
        String handler = mdia.child("hdlr").map(h -> h.cursor().skip(8).fourcc()).orElse("");
        IsoBox stbl = mdia.inside("minf", "stbl").orElseThrow(() -> new Malformed(WORDS.say("lacks", id, "stbl")));
        List<IsoBox> entries = stbl.child("stsd").orElseThrow(() -> new Malformed(WORDS.say("lacks", id, "stsd")))
                .children(8);
        if (entries.isEmpty()) {
            throw new Malformed(WORDS.say("empty", id));
        }
        return new IsoTrack(id, handler, timescale, duration, shown, repeats(trak), edits(trak),
                SampleEntry.of(entries.getFirst(), handler),
                SampleTable.of(stbl));
    }

    private static boolean repeats(IsoBox trak) throws Malformed {
        IsoBox elst = trak.inside("edts", "elst").orElse(null);
        return elst != null && (elst.cursor().skip(REST_OF_FLAGS).u8() & REPEATS) != 0;
    }

    private static List<Edit> edits(IsoBox trak) throws Malformed {
        List<Edit> edits = new ArrayList<>();
        IsoBox elst = trak.inside("edts", "elst").orElse(null);
        if (elst != null) {
            Cursor c = elst.cursor();
            boolean wide = c.u8() == 1;
            c.skip(3);
            long count = c.u32();
            for (long i = 0; i < count; i++) {
                long length = wide ? c.s64() : c.u32();
                long from = wide ? c.s64() : c.s32();
                edits.add(new Edit(length, from, c.s32()));
            }
        }
        return List.copyOf(edits);
    }

    /** How often it is played, 0 for ever. */
    public int loops() {
        long once = edits.stream().mapToLong(Edit::length).sum();
        return !repeats || once == 0 ? 1
                : shown < 0 || shown == Long.MAX_VALUE || shown == UNKNOWN ? 0 : (int) Math.min(Integer.MAX_VALUE, shown / once);
    }

    /** Frames a second, where all samples last alike. */
    public Optional<Rational> rate() {
        return samples.isEven() && !samples.durations().isEmpty() && samples.durations().getFirst().value() > 0
                ? Optional.of(Rational.of(timescale, samples.durations().getFirst().value())) : Optional.empty();
    }

    /** How long its samples last, in seconds. */
    public Rational seconds() {
        return Rational.of(samples.ticks(), timescale);
    }

    /** When its first sample is shown, in seconds: edits taken into account. @param movie ticks a second of the movie's own clock */
    public Rational start(long movie) {
        long waits = 0;
        for (Edit edit : edits) {
            if (edit.from >= 0) {
                return Rational.of(waits, movie).plus(Rational.of(samples.firstShown() - edit.from, timescale));
            }
            waits += edit.length;
        }
        return Rational.of(samples.firstShown(), timescale);
    }
}
