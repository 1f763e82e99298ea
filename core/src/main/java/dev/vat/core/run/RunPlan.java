package dev.vat.core.run;

import com.fasterxml.jackson.annotation.JsonIgnore;
import com.fasterxml.jackson.annotation.JsonInclude;
import dev.vat.core.delivery.Catalogue;
import dev.vat.core.delivery.Codec;
import dev.vat.core.delivery.RoughForecast;
import dev.vat.core.delivery.Treatment;
import dev.vat.core.picture.PictureReading;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.reel.ReelFrame;
import dev.vat.core.source.FileKind;
import dev.vat.core.source.SequencePattern;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;
import java.util.Collections;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;

/**
 * Everything that can change a bit of what a run makes, fixed before it starts.
 *
 * @param run id: UTC time and six random characters
 * @param made UTC time of the plan, ISO 8601
 * @param vat version of Vat
 * @param library version of the media library
 * @param rateOrigin where the rate comes from, in words: {@code chosen by the user}
 * @param folder where deliverables go, absolute
 * @param working of files of ordinary range; those of high range have their own, see {@link #workingFor}
 * @param sound what is heard, or null
 * @param typeface fingerprint of the face that cards are set in
 * @param remade what is made anew of a file that was delivered, or null where all is made for the first time
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record RunPlan(int version, String run, String made, String vat, String library, String project, String reel,
                      Rate rate, String rateOrigin, Size size, PixelAspect pixelAspect, WorkingFormat working,
                      List<RunSource> sources, List<RunSpan> spans, String folder, String typeface,
                      ReelSound sound, List<RunFile> files, Remade remade) {

    public static final int VERSION = 4;

    /** Where a rate comes from that no file states. */
    public static final String CHOSEN = "chosen by the user";

    public RunPlan {
        sources = List.copyOf(sources);
        spans = List.copyOf(spans);
        files = List.copyOf(files);
    }

    /**
     * A delivered file of which some frames are made anew; the rest is taken over.
     *
     * @param file where it lies, absolute
     * @param sha256 of the whole file
     * @param frames of the file that changed, as text: {@code 118-120, 131}
     * @param taken numbers of the parts that are taken over
     */
    public record Remade(String file, String sha256, String frames, List<Integer> taken) {
        public Remade {
            taken = List.copyOf(taken);
        }
    }

    /** A source as the run reads it. @param lossyPasses how often its pictures were packed with loss before */
    public record RunSource(String name, String folder, SequencePattern pattern, FileKind kind, PictureReading picture,
                            int bits, int lossyPasses, List<FrameStamp> stamps) {
        public RunSource {
            stamps = stamps == null ? List.of() : List.copyOf(stamps);
        }
    }

    /**
     * A frame's file as it was when it was checked.
     *
     * @param bytes its length
     * @param modified milliseconds of Unix time
     * @param print fingerprint of its decoded samples, or null where it wasn't decoded by itself
     */
    public record FrameStamp(long number, long bytes, long modified, Integer print) { }

    /**
     * Consecutive reel frames from one source: frames from {@code first} on, {@code step} apart, each shown {@code hold}
     * times, {@code count} reel frames altogether.
     */
    public record RunSpan(int source, long start, long first, long step, long hold, long count, List<RunFill> fills) {
        public RunSpan {
            hold = Math.max(1, hold);
            fills = List.copyOf(fills);
        }

        public long wanted(long reelFrame) {
            return first + (reelFrame - start) / hold * step;
        }
    }

    /**
     * A reel frame where something stands in: the frame {@code held}, or that mixed with {@code after}, or else a card.
     *
     * @param share how much of {@code after} there is
     * @param card the reason on the card
     */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record RunFill(long reelFrame, long wanted, Long held, Long after, Rational share, String card) {

        public static RunFill of(long reelFrame, long wanted, ReelFrame.Content content) {
            return switch (content) {
                case ReelFrame.SourceFrame(long number) -> new RunFill(reelFrame, wanted, number, null, null, null);
                case ReelFrame.Blend(long low, long high, Rational part) -> new RunFill(reelFrame, wanted, low, high, part, null);
                case ReelFrame.Card(String reason) -> new RunFill(reelFrame, wanted, null, null, null, reason);
            };
        }

        ReelFrame.Content content() {
            if (held == null) {
                return new ReelFrame.Card(card);
            }
            return after == null ? new ReelFrame.SourceFrame(held) : new ReelFrame.Blend(held, after, share);
        }
    }

    /**
     * One file.
     *
     * @param target id of the deliverable
     * @param title what the deliverable is called
     * @param codec id in the catalogue
     * @param fileName the name it is to get
     * @param treatment what becomes of the reel's pictures
     * @param options every encoder setting, by the library's names
     * @param threads of the encoder
     * @param passes how often its frames are read and encoded
     * @param accepted ids of findings that stood in the way and were said yes to
     * @param forecast what it may weigh, before anything was tried; null where nobody said
     */
    public record RunFile(String target, String title, String codec, String fileName, Treatment treatment, int threads, int passes, Map<String, String> options,
                          List<Part> parts, Expectation expected, Set<String> accepted, RoughForecast forecast) {
        public RunFile {
            passes = Math.max(1, passes);
            options = Collections.unmodifiableSortedMap(new TreeMap<>(options));
            parts = List.copyOf(parts);
            accepted = accepted == null ? Set.of() : Set.copyOf(accepted);
        }

        public RunFile withExpected(Expectation other) {
            return new RunFile(target, title, codec, fileName, treatment, threads, passes, options, parts, other, accepted, forecast);
        }

        /** The file that ends early: its parts up to there, the last one cut short. @param frames of the file that are left, at least one */
        public RunFile shortened(long frames) {
            if (frames < 1 || frames > expected.frames()) {
                throw new IllegalArgumentException(frames + " of " + expected.frames() + " frames are no shorter file");
            }
            List<Part> left = parts.stream().filter(p -> p.first() < frames).map(p -> new Part(p.index(), p.first(), Math.min(p.count(), frames - p.first()))).toList();
            return new RunFile(target, title, codec, fileName, treatment, threads, passes, options, left, expected.withFrames(frames), accepted, forecast == null ? null : forecast.of(frames, expected.frames()));
        }

        /** The reel frame at which one of the file's frames begins. */
        public long reelFrame(long frame) {
            return treatment.scan().isInterlaced() ? 2 * frame : frame;
        }

        /** Whether it is a folder of stills. */
        @JsonIgnore
        public boolean isFolder() {
            return expected.stills() != null;
        }

        /** Whether all of it is one still, which is delivered as a file and not as a folder. */
        @JsonIgnore
        public boolean isSingleStill() {
            return isFolder() && expected.frames() == 1;
        }

        /** The name under which it is delivered, if that is free. */
        @JsonIgnore
        public String deliveredName() {
            return isSingleStill() ? expected.stills().names().fileName(expected.stills().first()) : fileName;
        }

        @JsonIgnore
        public Codec codecInCatalogue() {
            return Catalogue.codec(codec);
        }
    }

    /** A stretch of output frames that is closed by itself. */
    public record Part(int index, long first, long count) {
        @JsonIgnore
        public long end() {
            return first + count;
        }
    }

    /** The same without what its frames' files were when they were checked. */
    public RunPlan withoutStamps() {
        List<RunSource> plain = sources.stream().map(s -> new RunSource(s.name(), s.folder(), s.pattern(), s.kind(), s.picture(), s.bits(), s.lossyPasses(), List.of())).toList();
        return new RunPlan(version, run, made, vat, library, project, reel, rate, rateOrigin, size, pixelAspect, working, plain, spans, folder,
                typeface, sound, files, remade);
    }

    /** The same once more, under another id. @param id of the new run @param when UTC, ISO 8601 @param where its files go, absolute */
    public RunPlan again(String id, String when, String where, Remade what) {
        return new RunPlan(version, id, when, vat, library, project, reel, rate, rateOrigin, size, pixelAspect, working, sources, spans, where,
                typeface, sound, files, what);
    }

    /** The same with other places of its reel. */
    public RunPlan withSpans(List<RunSpan> others) {
        return new RunPlan(version, run, made, vat, library, project, reel, rate, rateOrigin, size, pixelAspect, working, sources, others, folder,
                typeface, sound, files, remade);
    }

    /** The same run for other files. */
    public RunPlan withFiles(List<RunFile> others) {
        return new RunPlan(version, run, made, vat, library, project, reel, rate, rateOrigin, size, pixelAspect, working, sources, spans, folder,
                typeface, sound, others, remade);
    }

    /** The kinds of working pictures that its files are made of. */
    @JsonIgnore
    public Set<WorkingFormat> workingFormats() {
        return files.stream().map(this::workingFor).collect(Collectors.toCollection(() -> EnumSet.noneOf(WorkingFormat.class)));
    }

    /** The working pictures that a file is made of. */
    public WorkingFormat workingFor(RunFile file) {
        return file.treatment().colour().isHighRange() ? WorkingFormat.HIGH : working;
    }

    @JsonIgnore
    public long frames() {
        return spans.isEmpty() ? 0 : spans.getLast().start() + spans.getLast().count();
    }

    /** What stands at a reel frame; the item number is the span's place. */
    public ReelFrame frameAt(long reelFrame) {
        int low = 0;
        int high = spans.size() - 1;
        while (low < high) {
            int middle = (low + high + 1) >>> 1;
            if (spans.get(middle).start <= reelFrame) {
                low = middle;
            } else {
                high = middle - 1;
            }
        }
        RunSpan span = spans.get(low);
        long wanted = span.wanted(reelFrame);
        for (RunFill fill : span.fills) {
            if (fill.reelFrame == reelFrame) {
                return new ReelFrame(low, wanted, fill.content());
            }
        }
        return new ReelFrame(low, wanted, new ReelFrame.SourceFrame(wanted));
    }

    public RunSource sourceOf(ReelFrame frame) {
        return sources.get(spans.get(frame.item()).source());
    }
}
