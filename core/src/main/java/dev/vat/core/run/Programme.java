package dev.vat.core.run;

import dev.vat.core.delivery.Deliverable;
import dev.vat.core.delivery.Frame;
import dev.vat.core.delivery.RoughForecast;
import dev.vat.core.delivery.Scan;
import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.ColourReading;
import dev.vat.core.picture.PictureFormat;
import dev.vat.core.picture.PictureReading;
import dev.vat.core.picture.Size;
import dev.vat.core.project.Project;
import dev.vat.core.project.Source;
import dev.vat.core.reel.Item;
import dev.vat.core.reel.Reel;
import dev.vat.core.reel.ReelPlan;
import dev.vat.core.source.ClipFacts;
import dev.vat.core.source.FileKind;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.GapPolicy;
import dev.vat.core.source.Reading;
import dev.vat.core.source.ResumeAdvice;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * A reel with everything that is known of its sources: what a run would make and what findings are about. Size, pixel
 * aspect and rate are the first item's.
 */
public final class Programme {

    /** One item of the reel with its source and its frame table. */
    public record Entry(int item, Source source, FrameTable table) {
        /** What its frames hold, with the pixel aspect as it is read. */
        public Optional<PictureFormat> format() {
            return table.format().map(f -> f.withPixelAspect(source.reading().picture().pixelAspectOf(f)));
        }

        public Optional<Rate> rate() {
            return source.reading().rateOf(table);
        }

        /** How often its pictures were packed with loss before, as far as anybody knows. @param clips by source id */
        public int lossyPasses(Map<String, ClipFacts> clips) {
            ClipFacts clip = clips.get(source.id());
            return clip != null ? clip.lossyPasses() : table.sequence().kind() == FileKind.JPEG ? 1 : 0;
        }

        /** Whether it is a file that Vat made as a draft. @param clips by source id */
        public boolean isDraft(Map<String, ClipFacts> clips) {
            return clips.containsKey(source.id()) && clips.get(source.id()).draft();
        }

        public PictureReading picture() {
            return source.reading().picture().resolve(table);
        }
    }

    private final Reel reel;
    private final List<Entry> entries;
    private final ReelPlan plan;
    private final int unknownItems;

    private Programme(Reel reel, List<Entry> entries, ReelPlan plan, int unknownItems) {
        this.reel = reel;
        this.entries = entries;
        this.plan = plan;
        this.unknownItems = unknownItems;
    }

    /** The current reel of a project, or empty if it has none. */
    public static Optional<Programme> of(Project project, Map<String, FrameTable> tables) {
        return project.currentReel().map(reel -> of(project, reel, tables));
    }

    public static Programme of(Project project, Reel reel, Map<String, FrameTable> tables) {
        List<Entry> entries = new ArrayList<>();
        int unknown = 0;
        for (Item item : reel.items()) {
            Optional<Source> source = project.source(item.source());
            FrameTable table = tables.get(item.source());
            if (source.isPresent() && table != null) {
                entries.add(new Entry(entries.size(), source.get(), table));
            } else {
                unknown++;
            }
        }
        ReelPlan plan = ReelPlan.of(entries.stream()
                .map(e -> new ReelPlan.Part(e.source.id(), e.table, e.source.reading())).toList());
        return new Programme(reel, List.copyOf(entries), plan, unknown);
    }

    public Reel reel() {
        return reel;
    }

    public List<Entry> entries() {
        return entries;
    }

    public ReelPlan plan() {
        return plan;
    }

    /** Items whose files haven't been found. */
    public int unknownItems() {
        return unknownItems;
    }

    public Optional<Rate> rate() {
        return entries.isEmpty() ? Optional.empty() : entries.getFirst().rate();
    }

    public Optional<PictureFormat> shape() {
        return entries.isEmpty() ? Optional.empty() : entries.getFirst().format();
    }

    public Optional<Size> size() {
        return shape().map(PictureFormat::size);
    }

    /** A file's picture, once the reel's is known. */
    public Optional<Frame> frame(Deliverable deliverable) {
        return shape().map(f -> deliverable.frameFor(f.size(), f.pixelAspect()));
    }

    /** Whether any item can be seen through. */
    public boolean transparent() {
        return entries.stream().anyMatch(e -> e.picture().alpha().carriesTransparency());
    }

    public boolean linear() {
        return entries.stream().anyMatch(e -> e.format().isPresent() && e.picture().colour().isLinear());
    }

    /** Bits of the deepest item, 0 if nothing has been decoded yet. */
    public int deepest() {
        return entries.stream().flatMap(e -> e.format().stream()).mapToInt(f -> f.depth().bits()).max().orElse(0);
    }

    /**
     * The arithmetic in which pictures are composed: eight bits only where every item has eight display-coded bits and
     * nothing has to be blended or scaled.
     *
     * @param scaled whether a file has another size
     */
    public WorkingFormat working(boolean scaled) {
        boolean eight = entries.stream().flatMap(e -> e.format().stream())
                .allMatch(f -> f.depth().bits() <= 8 && !f.linear());
        boolean kept = entries.stream().allMatch(e -> e.picture().colour().kind() == ColourReading.Kind.DISPLAY);
        boolean alpha = entries.stream().anyMatch(e -> e.table.alpha() != AlphaKind.NONE);
        boolean blended = entries.stream().anyMatch(e -> e.source.reading().gap() == GapPolicy.BLEND);
        return eight && kept && !alpha && !blended && !scaled ? WorkingFormat.W8 : WorkingFormat.W16;
    }

    /** Source frame numbers if the reel has one item, else reel frames from 0. */
    public FrameRange range() {
        if (entries.size() == 1) {
            return plan.spans().getFirst().range();
        }
        return FrameRange.of(0, Math.max(0, plan.count() - 1));
    }

    /** What will be made, in words: {@code whole reel, 432 frames} or {@code only 1021-1332, 312 frames}. */
    public String describe() {
        boolean whole = entries.stream().allMatch(Programme::takesAll);
        String frames = plan.count() == 1 ? "1 frame" : plan.count() + " frames";
        if (whole || entries.size() != 1) {
            return (whole ? "whole reel, " : "ranges as set, ") + frames;
        }
        return "only " + plan.spans().getFirst().range() + ", " + frames;
    }

    private static boolean takesAll(Entry entry) {
        Reading reading = entry.source.reading();
        return (reading.range() == null || reading.range().equals(entry.table.sequence().range()))
                && reading.cadence().leadIn() == 0;
    }

    /** What a deliverable's file may weigh, before anything was tried; empty while its size isn't known. */
    public Optional<RoughForecast> forecast(Deliverable deliverable) {
        Scan scan = deliverable.settings().framing().scanInUse();
        return frame(deliverable).map(f -> RoughForecast.of(deliverable.settings(), f.size(), scan.frames(plan.count()), rate().map(scan::rate).orElse(null), transparent()));
    }

    /** Whether each frame that is expected is there, good, and looked into. */
    public boolean isComplete() {
        return entries.stream().allMatch(e -> e.table().isChecked()
                && ResumeAdvice.of(e.table(), e.source().reading().rangeIn(e.table().sequence())).wanted().isEmpty());
    }
}
