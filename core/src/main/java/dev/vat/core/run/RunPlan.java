package dev.vat.core.run;

import com.fasterxml.jackson.annotation.JsonIgnore;
import com.fasterxml.jackson.annotation.JsonInclude;
import dev.vat.core.burnin.BurnIn;
import dev.vat.core.burnin.Lettering;
import dev.vat.core.delivery.Catalogue;
import dev.vat.core.delivery.Codec;
import dev.vat.core.delivery.Placement;
import dev.vat.core.delivery.RoughForecast;
import dev.vat.core.delivery.Treatment;
import dev.vat.core.picture.PictureReading;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.proof.Expectation;
import dev.vat.core.recipe.FrameStamp;
import dev.vat.core.recipe.PictureKind;
import dev.vat.core.recipe.Recipe;
import dev.vat.core.recipe.Recipes;
import dev.vat.core.recipe.WorkingFormat;
import dev.vat.core.reel.Assembly;
import dev.vat.core.reel.ReelFrame;
import dev.vat.core.resolved.PictureWords;
import dev.vat.core.resolved.ReelSound;
import dev.vat.core.source.FileKind;
import dev.vat.core.source.Location;
import dev.vat.core.source.SequencePattern;
import dev.vat.core.time.Rate;
import java.nio.file.Path;
import java.util.Collections;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * Everything that can change a bit of what a run makes, fixed before it starts.
 *
 * @param run id: UTC time and six random characters
 * @param made UTC time of the plan, ISO 8601
 * @param vat version of Vat
 * @param library version of the media library
 * @param rateOrigin where the rate comes from, in words: {@code chosen by the user}
 * @param folder where deliverables go, absolute
 * @param working of files that take the pictures as they are, see {@link #workingFor}
 * @param sound what is heard, or null
 * @param typeface fingerprint of the face that cards are set in
 * @param remade what is made anew of a file that was delivered, or null where all is made for the first time
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record RunPlan(int version, String run, String made, String vat, String library, String project, String reel,
        Rate rate, String rateOrigin, Size size, PixelAspect pixelAspect, WorkingFormat working,
        List<RunSource> sources, List<RunSpan> spans, String folder, String typeface,
        ReelSound sound, List<RunFile> files, Remade remade) {

    public static final int VERSION = 7;

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
     * @param frames of the file that changed, as text: {@code 118-120, 131}; empty where only its sound is another
     * @param taken numbers of the parts that are taken over
     */
    public record Remade(String file, String sha256, String frames, List<Integer> taken) {
        public Remade {
            taken = List.copyOf(taken);
        }
    }

    /**
     * A source as the run reads it.
     *
     * @param size of its frames, in stored pixels
     * @param placement where its picture lies in the reel's, or null where it is the reel's
     * @param lossyPasses how often its pictures were packed with loss before
     * @param pass whether it is a pass of a shot, of which none is shown by itself
     */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record RunSource(String name, String folder, SequencePattern pattern, FileKind kind, PictureReading picture,
            int bits, Size size, Placement placement, int lossyPasses, boolean pass, List<FrameStamp> stamps)
            implements Recipes.Source {
        public RunSource {
            stamps = stamps == null ? List.of() : List.copyOf(stamps);
        }

        @Override
        public Location location() {
            return new Location(Path.of(folder), pattern);
        }

        /** All that are planned were there. */
        @Override
        public boolean has(long number) {
            return true;
        }

        /** Of a movie that of its one file; of a numbered frame its own; null where none was written down. */
        @Override
        public FrameStamp stamp(long number) {
            if (kind.isMovie()) {
                return stamps.isEmpty() ? null : stamps.getFirst();
            }
            int low = 0;
            int high = stamps.size() - 1;
            while (low <= high) {
                int middle = (low + high) >>> 1;
                int order = Long.compare(stamps.get(middle).number(), number);
                if (order == 0) {
                    return stamps.get(middle);
                }
                if (order < 0) {
                    low = middle + 1;
                } else {
                    high = middle - 1;
                }
            }
            return null;
        }

        RunSource withoutStamps() {
            return new RunSource(name, folder, pattern, kind, picture, bits, size, placement, lossyPasses, pass, List.of());
        }
    }

    /**
     * Consecutive reel frames from one source: frames from {@code first} on, {@code step} apart, each shown {@code hold}
     * times, {@code count} reel frames altogether.
     *
     * @param source number of the source, or {@link #DRAWN}
     * @param step may be negative: they are played backwards
     * @param fills what stands there otherwise; the item of such a frame is the number of its source
     * @param drawn what stands at each place where there is no source; null where there is one
     * @param burnIn what the item has written into its pictures alone, or null
     * @param how the pictures of its cells become one, or null where it has none
     * @param cells what stands in each of those, at the same reel frames; empty where there are none
     */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record RunSpan(int source, long start, long first, long step, long hold, long count, List<RunFill> fills,
            ReelFrame.Content drawn, BurnIn burnIn, Assembly how,
            @JsonInclude(JsonInclude.Include.NON_EMPTY) List<List<RunSpan>> cells) {

        /** In place of a source's number: Vat draws it. */
        public static final int DRAWN = -1;

        public RunSpan {
            hold = Math.max(1, hold);
            fills = List.copyOf(fills);
            cells = cells == null ? List.of() : List.copyOf(cells);
        }

        public RunSpan(int source, long start, long first, long step, long hold, long count, List<RunFill> fills, ReelFrame.Content drawn,
                BurnIn burnIn) {
            this(source, start, first, step, hold, count, fills, drawn, burnIn, null, List.of());
        }

        public RunSpan(int source, long start, long first, long step, long hold, long count, List<RunFill> fills) {
            this(source, start, first, step, hold, count, fills, null, null);
        }

        public RunSpan withFills(List<RunFill> others) {
            return new RunSpan(source, start, first, step, hold, count, others, drawn, burnIn, how, cells);
        }

        public RunSpan withBurnIn(BurnIn other) {
            return new RunSpan(source, start, first, step, hold, count, fills, drawn, other, how, cells);
        }

        /** The same with pictures that are made of several. */
        public RunSpan of(Assembly assembly, List<List<RunSpan>> parts) {
            return new RunSpan(source, start, first, step, hold, count, fills, drawn, burnIn, assembly, parts);
        }

        /** Whether it is several views, of which none is its own. */
        @JsonIgnore
        public boolean isViews() {
            return source == DRAWN && how != null;
        }

        /** Whether Vat draws it. */
        @JsonIgnore
        public boolean isOfNoSource() {
            return source == DRAWN;
        }

        /** Those of it that each take frames of one source: itself, or its cells. */
        public Stream<RunSpan> ofSources() {
            return cells.isEmpty() ? Stream.of(this).filter(s -> !s.isOfNoSource())
                    : cells.stream().flatMap(List::stream).flatMap(RunSpan::ofSources);
        }

        public long wanted(long reelFrame) {
            return first + (reelFrame - start) / hold * step;
        }

        private ReelFrame plain(long reelFrame) {
            long wanted = wanted(reelFrame);
            ReelFrame.Content content = how != null ? new ReelFrame.Together(how, cells.stream().map(c -> frameAt(c, reelFrame)).toList())
                    : drawn != null ? drawn : new ReelFrame.SourceFrame(wanted);
            return new ReelFrame(source, wanted, content, false);
        }
    }

    /** A reel frame at which something else stands than its span says; its item is the number of a source. */
    public record RunFill(long reelFrame, ReelFrame frame) {}

    /**
     * One file.
     *
     * @param target id of the deliverable
     * @param title what the deliverable is called
     * @param codec id in the catalogue
     * @param fileName the name it is to get
     * @param treatment what becomes of the reel's pictures
     * @param words what is written into them, or null where they are clean
     * @param options every encoder setting, by the library's names
     * @param threads of the encoder
     * @param passes how often its frames are read and encoded
     * @param accepted ids of findings that stood in the way and were said yes to
     * @param forecast what it may weigh, before anything was tried; null where nobody said
     */
    public record RunFile(String target, String title, String codec, String fileName, Treatment treatment, PictureWords words, int threads,
            int passes, Map<String, String> options,
            List<Part> parts, Expectation expected, Set<String> accepted, RoughForecast forecast) {
        public RunFile {
            passes = Math.max(1, passes);
            options = Collections.unmodifiableSortedMap(new TreeMap<>(options));
            parts = List.copyOf(parts);
            accepted = accepted == null ? Set.of() : Set.copyOf(accepted);
        }

        public RunFile withExpected(Expectation other) {
            return new RunFile(target, title, codec, fileName, treatment, words, threads, passes, options, parts, other, accepted,
                    forecast);
        }

        /** The same with other stretches of it made. */
        public RunFile withParts(List<Part> others) {
            return new RunFile(target, title, codec, fileName, treatment, words, threads, passes, options, others, expected, accepted,
                    forecast);
        }

        /**
         * The file that ends early: its parts up to there, the last one cut short.
         *
         * @param frames of the file that are left, at least one
         */
        public RunFile shortened(long frames) {
            if (frames < 1 || frames > expected.frames()) {
                throw new IllegalArgumentException(frames + " of " + expected.frames() + " frames are no shorter file");
            }
            List<Part> left = parts.stream().filter(p -> p.first() < frames)
                    .map(p -> new Part(p.index(), p.first(), Math.min(p.count(), frames - p.first()))).toList();
            return new RunFile(target, title, codec, fileName, treatment, words, threads, passes, options, left,
                    expected.withFrames(frames), accepted,
                    forecast == null ? null : forecast.of(frames, expected.frames()));
        }

        /** The reel frame at which one of the file's frames begins. */
        public long reelFrame(long frame) {
            return reelFrames() * frame;
        }

        /** How many reel frames one of the file's is made of: two where it is interlaced. */
        public int reelFrames() {
            return treatment.scan().isInterlaced() ? 2 : 1;
        }

        /** What the closed file of one of its parts is called. */
        public String partName(int index) {
            return "%05d.%s".formatted(index, codecInCatalogue().partContainer().extension());
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
        List<RunSource> plain = sources.stream().map(RunSource::withoutStamps).toList();
        return new RunPlan(version, run, made, vat, library, project, reel, rate, rateOrigin, size, pixelAspect, working, plain, spans,
                folder,
                typeface, sound, files, remade);
    }

    /** The same once more, under another id. @param id of the new run @param when UTC, ISO 8601 @param where its files go, absolute */
    public RunPlan again(String id, String when, String where, Remade what) {
        return new RunPlan(version, id, when, vat, library, project, reel, rate, rateOrigin, size, pixelAspect, working, sources, spans,
                where,
                typeface, sound, files, what);
    }

    /** The same with other places of its reel. */
    public RunPlan withSpans(List<RunSpan> others) {
        return new RunPlan(version, run, made, vat, library, project, reel, rate, rateOrigin, size, pixelAspect, working, sources, others,
                folder,
                typeface, sound, files, remade);
    }

    /** The same with another sound. @param other null for none */
    public RunPlan withSound(ReelSound other) {
        return new RunPlan(version, run, made, vat, library, project, reel, rate, rateOrigin, size, pixelAspect, working, sources, spans,
                folder,
                typeface, other, files, remade);
    }

    /** The same run for other files. */
    public RunPlan withFiles(List<RunFile> others) {
        return new RunPlan(version, run, made, vat, library, project, reel, rate, rateOrigin, size, pixelAspect, working, sources, spans,
                folder,
                typeface, sound, others, remade);
    }

    /** The pictures of each frame that its files are made of. */
    @JsonIgnore
    public Set<PictureKind> pictureKinds() {
        return files.stream().map(this::pictureFor).collect(Collectors.toCollection(LinkedHashSet::new));
    }

    /** The pictures that a file is made of. */
    public PictureKind pictureFor(RunFile file) {
        return new PictureKind(workingFor(file), isTransparent(), file.treatment().pass());
    }

    /** Whether any source can be seen through. */
    @JsonIgnore
    public boolean isTransparent() {
        return sources.stream().anyMatch(s -> !s.pass() && s.picture().alpha().carriesTransparency());
    }

    /** The samples of the working pictures that a file is made of. */
    public WorkingFormat workingFor(RunFile file) {
        return working.with(file.treatment());
    }

    /** How the picture of a reel frame is made. */
    public Recipe recipe(long reelFrame) {
        return new Recipes(size, pixelAspect, item -> item == RunSpan.DRAWN ? null : sources.get(item)).of(frameAt(reelFrame))
                .orElseThrow(() -> new IllegalStateException("Nothing stands at reel frame " + reelFrame + " of " + reel));
    }

    @JsonIgnore
    public long frames() {
        return spans.isEmpty() ? 0 : spans.getLast().start() + spans.getLast().count();
    }

    /** What stands at a reel frame; its item is the number of a source, or {@link RunSpan#DRAWN}. */
    public ReelFrame frameAt(long reelFrame) {
        return frameAt(spans, reelFrame);
    }

    private static ReelFrame frameAt(List<RunSpan> spans, long reelFrame) {
        RunSpan span = spanAt(spans, reelFrame);
        int low = 0;
        int high = span.fills.size() - 1;
        while (low <= high) {
            int middle = (low + high) >>> 1;
            RunFill fill = span.fills.get(middle);
            if (fill.reelFrame == reelFrame) {
                return fill.frame;
            }
            if (fill.reelFrame < reelFrame) {
                low = middle + 1;
            } else {
                high = middle - 1;
            }
        }
        return span.plain(reelFrame);
    }

    /** What is written into a file's frame, apart from the mark of a draft. @param frame of the file */
    public Lettering letteringAt(RunFile file, long frame) {
        if (file.words() == null) {
            return Lettering.NOTHING;
        }
        long reelFrame = file.reelFrame(frame);
        ReelFrame shown = frameAt(reelFrame);
        return file.words().at(reelFrame, spanAt(spans, reelFrame).burnIn, shown, isDrawn(shown) ? null : sourceOf(shown).location());
    }

    private static RunSpan spanAt(List<RunSpan> spans, long reelFrame) {
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
        return spans.get(low);
    }

    /** The source that a frame is of; not of what is drawn. */
    public RunSource sourceOf(ReelFrame frame) {
        return sources.get(frame.item());
    }

    /** Whether a frame is of no source. */
    public static boolean isDrawn(ReelFrame frame) {
        return frame.item() == RunSpan.DRAWN;
    }
}
