package dev.vat.core.container;

import dev.vat.core.words.Words;
import java.util.ArrayList;
import java.util.List;

/**
 * Where the samples of a track lie and when they are shown: stts, ctts, stsz, stsc, stco and co64 of ISO/IEC 14496-12, 8.6 and 8.7.
 *
 * @param durations stretches of samples that last alike, in ticks of the track
 * @param shifts stretches of samples that are shown as much later than they are decoded; empty for none
 * @param sizes bytes of each sample, or of all where there is one
 * @param chunks first byte of each chunk
 * @param perChunk stretches of chunks that hold as many samples
 * @param count samples
 */
public record SampleTable(List<Run> durations, List<Run> shifts, int[] sizes, long[] chunks, List<Run> perChunk, long count) {

    private static final Words WORDS = Words.of(SampleTable.class);

    /** As many in a row, each with this value. */
    public record Run(long count, long value) {}

    /** @param at first byte in the file */
    public record Place(long at, int size) {}

    static SampleTable of(IsoBox stbl) throws Malformed {
        List<Run> durations = runs(stbl, "stts", false);
        List<Run> shifts = runs(stbl, "ctts", true);
        IsoBox stsz = stbl.child("stsz").orElseThrow(() -> new Malformed(WORDS.say("noSizes")));
        Cursor c = stsz.cursor().skip(4);
        long each = c.u32();
        long count = c.u32();
        int[] sizes;
        if (each != 0) {
            sizes = new int[] {Math.toIntExact(each)};
        } else {
            if (c.left() < 4 * count) {
                throw new Malformed(WORDS.say("fewSizes", count, c.left() / 4));
            }
            sizes = new int[Math.toIntExact(count)];
            for (int i = 0; i < count; i++) {
                sizes[i] = c.s32();
            }
        }
        boolean wide = stbl.child("co64").isPresent();
        IsoBox offsets = stbl.child(wide ? "co64" : "stco")
                .orElseThrow(() -> new Malformed(WORDS.say("noPlaces")));
        Cursor o = offsets.cursor().skip(4);
        long[] chunks = new long[Math.toIntExact(o.u32())];
        for (int i = 0; i < chunks.length; i++) {
            chunks[i] = wide ? o.s64() : o.u32();
        }
        return new SampleTable(durations, shifts, sizes, chunks, perChunk(stbl, chunks.length), count);
    }

    private static List<Run> runs(IsoBox stbl, String type, boolean signed) throws Malformed {
        List<Run> runs = new ArrayList<>();
        IsoBox box = stbl.child(type).orElse(null);
        if (box != null) {
            Cursor c = box.cursor().skip(4);
            long entries = c.u32();
            for (long i = 0; i < entries; i++) {
                long count = c.u32();
                runs.add(new Run(count, signed ? c.s32() : c.u32()));
            }
        }
        return List.copyOf(runs);
    }

    private static List<Run> perChunk(IsoBox stbl, int chunks) throws Malformed {
        List<Run> runs = new ArrayList<>();
        IsoBox box = stbl.child("stsc").orElse(null);
        if (box == null) {
            return List.of();
        }
        Cursor c = box.cursor().skip(4);
        long entries = c.u32();
        long first = entries == 0 ? 1 : c.u32();
        for (long i = 0; i < entries; i++) {
            long samples = c.u32();
            c.skip(4);
            long next = i + 1 < entries ? c.u32() : chunks + 1L;
            runs.add(new Run(next - first, samples));
            first = next;
        }
        return List.copyOf(runs);
    }

    /** How long all samples last together, in ticks of the track. */
    public long ticks() {
        return durations.stream().mapToLong(r -> r.count * r.value).sum();
    }

    /** How many samples have a duration. */
    public long timed() {
        return durations.stream().mapToLong(Run::count).sum();
    }

    public boolean isEven() {
        return durations.stream().map(Run::value).distinct().count() <= 1;
    }

    /** When the sample that is shown first is shown, in ticks of the track before any edit. */
    public long firstShown() {
        long earliest = Long.MAX_VALUE;
        long at = 0;
        int d = 0;
        long inDuration = 0;
        for (Run shift : shifts) {
            for (long i = 0; i < shift.count && d < durations.size(); i++) {
                earliest = Math.min(earliest, at + shift.value);
                at += durations.get(d).value;
                if (++inDuration == durations.get(d).count) {
                    d++;
                    inDuration = 0;
                }
            }
        }
        return shifts.isEmpty() ? 0 : earliest;
    }

    /** Bytes of all samples. */
    public long bytes() {
        long sum = 0;
        for (int size : sizes) {
            sum += size;
        }
        return sizes.length == 1 ? sum * count : sum;
    }

    private int size(long sample) {
        return sizes.length == 1 ? sizes[0] : sizes[(int) sample];
    }

    /** Where a sample lies. @param sample from 0 @throws Malformed if no chunk holds it */
    public Place place(long sample) throws Malformed {
        long before = 0;
        int chunk = 0;
        for (Run run : perChunk) {
            long inRun = run.count * run.value;
            if (sample < before + inRun) {
                long into = (sample - before) / run.value;
                long first = before + into * run.value;
                int index = Math.toIntExact(chunk + into);
                if (index >= chunks.length) {
                    break;
                }
                long at = chunks[index];
                for (long s = first; s < sample; s++) {
                    at += size(s);
                }
                return new Place(at, size(sample));
            }
            before += inRun;
            chunk += (int) run.count;
        }
        throw new Malformed(WORDS.say("noChunk", sample));
    }
}
