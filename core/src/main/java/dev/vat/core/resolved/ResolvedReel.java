package dev.vat.core.resolved;

import dev.vat.core.burnin.BurnIn;
import dev.vat.core.burnin.FrameFacts;
import dev.vat.core.burnin.Lettering;
import dev.vat.core.delivery.Chroma;
import dev.vat.core.delivery.Deliverable;
import dev.vat.core.delivery.Frame;
import dev.vat.core.delivery.Placement;
import dev.vat.core.delivery.RoughForecast;
import dev.vat.core.delivery.Scan;
import dev.vat.core.delivery.Treatment;
import dev.vat.core.picture.PictureFormat;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.project.Project;
import dev.vat.core.project.Source;
import dev.vat.core.recipe.PictureKind;
import dev.vat.core.recipe.Recipe;
import dev.vat.core.recipe.Recipes;
import dev.vat.core.recipe.WorkingFormat;
import dev.vat.core.reel.GeneratedItem;
import dev.vat.core.reel.Item;
import dev.vat.core.reel.Reel;
import dev.vat.core.reel.ReelFrame;
import dev.vat.core.reel.ReelPart;
import dev.vat.core.reel.ReelPlan;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.Reading;
import dev.vat.core.source.ResumeAdvice;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;
import dev.vat.core.time.Timecode;
import dev.vat.core.words.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;

/**
 * A reel with everything that is known of its sources: what a run would make and what findings are about. Size and pixel
 * aspect are the first source's, and so is the rate, unless the reel has its own.
 */
public final class ResolvedReel {

    private static final Words WORDS = Words.of(ResolvedReel.class);

    /** Where the frames begin in a timecode's text. */
    private static final int FRAMES_AT = 9;
    private static final Rational MIDDLE = Rational.of(1, 2);

    private final Reel reel;
    private final Rate rate;
    private final PictureFormat shape;
    private final List<ReelEntry> entries;
    private final Map<Integer, ReelEntry> byItem;
    private final ReelPlan plan;
    private final List<Sounding> sounds;
    private final int unknownItems;
    private final boolean transparent;

    private ResolvedReel(Reel reel, ReelParts parts, ReelPlan plan, List<Sounding> sounds) {
        this.reel = reel;
        this.rate = parts.rate();
        this.shape = parts.shape();
        this.entries = parts.entries();
        this.byItem = entries.stream().collect(Collectors.toMap(ReelEntry::item, Function.identity()));
        this.plan = plan;
        this.sounds = sounds;
        this.transparent = entries.stream().anyMatch(e -> e.pass() == null && e.picture().alpha().carriesTransparency());
        this.unknownItems = parts.unknown();
    }

    /** The current reel of a project, or empty if it has none. */
    public static Optional<ResolvedReel> of(Project project, Map<String, FrameTable> tables) {
        return project.currentReel().map(reel -> of(project, reel, tables));
    }

    public static ResolvedReel of(Project project, Reel reel, Map<String, FrameTable> tables) {
        ReelParts made = ReelParts.of(project, reel, tables);
        List<Sounding> sounds = new ArrayList<>();
        for (int i = 0; i < reel.sounds().size(); i++) {
            int place = i;
            project.source(reel.sounds().get(i).source())
                    .ifPresent(source -> sounds.add(new Sounding(place, reel.sounds().get(place), source)));
        }
        return new ResolvedReel(reel, made, planned(reel, made.rate(), made.parts()), List.copyOf(sounds));
    }

    /** With the slates' fields filled in, which tell of the programme's length. */
    private static ReelPlan planned(Reel reel, Rate rate, List<ReelPart> parts) {
        ReelPlan plan = ReelPlan.of(parts);
        if (parts.stream().noneMatch(p -> p.item().drawn() instanceof GeneratedItem.Slate)) {
            return plan;
        }
        FrameFacts facts = PictureWords.ofSlate(reel, rate, start(reel, rate).orElse(null), plan, parts);
        return ReelPlan.of(parts.stream().map(p -> p.item().drawn() instanceof GeneratedItem.Slate slate
                ? ReelPart.of(p.place(), p.item().withDrawn(slate.filled(facts))) : p).toList());
    }

    public Reel reel() {
        return reel;
    }

    /** The items that take frames of sources, in their order, each with the cells that its pictures are made of. */
    public List<ReelEntry> entries() {
        return entries;
    }

    /** What an item of the plan, or a cell of it, takes frames of; empty for what is drawn and for several views. */
    public Optional<ReelEntry> entry(int item) {
        return Optional.ofNullable(byItem.get(item));
    }

    public ReelPlan plan() {
        return plan;
    }

    /** What is heard besides the sound of its clips. */
    public List<Sounding> sounds() {
        return sounds;
    }

    /** Items whose files haven't been found. */
    public int unknownItems() {
        return unknownItems;
    }

    public Optional<Rate> rate() {
        return Optional.ofNullable(rate);
    }

    /** The label of the first frame, if the reel has one that its rate can count to. */
    public Optional<Timecode> start() {
        return start(reel, rate);
    }

    private static Optional<Timecode> start(Reel reel, Rate rate) {
        try {
            return rate == null || reel.start() == null ? Optional.empty() : Optional.of(Timecode.parse(reel.start(), rate));
        } catch (IllegalArgumentException _) {
            // Findings say so.
            return Optional.empty();
        }
    }

    /**
     * What is written into a frame of the reel, or of a file of it, apart from the mark of a draft.
     *
     * @param words of that, see {@link PictureWords#of}
     */
    public Lettering letteringAt(PictureWords words, long reelFrame) {
        BurnIn ofItem = plan.part(plan.spanAt(reelFrame).item()).item().burnIn();
        if (words.isNothing(ofItem)) {
            return Lettering.NOTHING;
        }
        ReelFrame shown = plan.at(reelFrame);
        return words.at(reelFrame, ofItem, shown, entry(shown.item()).map(e -> e.table().sequence().location()).orElse(null));
    }

    /** The same moment as a file of another rate counts it. */
    public Optional<Timecode> start(Rate fileRate) {
        Timecode own = start().orElse(null);
        if (own == null || fileRate == null) {
            return Optional.empty();
        }
        if (rate.equals(fileRate)) {
            return Optional.of(own);
        }
        // Two moments of a reel are one interlaced frame: the label up to the seconds is the same.
        long perFrame = rate.timecodeBase() / fileRate.timecodeBase();
        String label = own.toString();
        long frames = Long.parseLong(label.substring(FRAMES_AT)) / perFrame;
        return Optional.of(Timecode.parse(label.substring(0, FRAMES_AT) + "%02d".formatted(frames), fileRate));
    }

    public Optional<PictureFormat> shape() {
        return Optional.ofNullable(shape);
    }

    public Optional<Size> size() {
        return shape().map(PictureFormat::size);
    }

    /** A file's picture, once the reel's is known. */
    public Optional<Frame> frame(Deliverable deliverable) {
        return shape().map(f -> deliverable.frameFor(f.size(), f.pixelAspect()));
    }

    /** Where an item's picture lies in the reel's; empty where it is of the reel's shape. */
    public Optional<Placement> placement(ReelEntry entry) {
        PictureFormat own = entry.format().orElse(null);
        PictureFormat whole = shape().orElse(null);
        if (own == null || whole == null || entry.cell()
                || own.size().equals(whole.size()) && own.pixelAspect().equals(whole.pixelAspect())) {
            return Optional.empty();
        }
        return Optional.of(Placement.of(own.size(), own.pixelAspect(), whole.size(), whole.pixelAspect(), entry.use().fitInUse(), MIDDLE,
                MIDDLE, Chroma.RGB));
    }

    /** Whether any item can be seen through. */
    public boolean transparent() {
        return transparent;
    }

    public boolean linear() {
        return entries.stream().anyMatch(e -> e.format().isPresent() && e.picture().colour().isLinear());
    }

    /** Bits of the deepest item, 0 if nothing has been decoded yet. */
    public int deepest() {
        return entries.stream().flatMap(e -> e.format().stream()).mapToInt(f -> f.depth().bits()).max().orElse(0);
    }

    /** The samples in which pictures are composed that a file takes as they are. */
    public WorkingFormat working() {
        return WorkingChoice.of(this);
    }

    /** The pictures that a file with such a treatment is made of, as its run's plan will have it. */
    public PictureKind pictureFor(Treatment treatment) {
        return new PictureKind(working().with(treatment), transparent(), treatment.pass());
    }

    private Recipes.Source taken(int item) {
        return entry(item)
                .map(e -> new TakenEntry(e, e.picture(), e.format().map(PictureFormat::size).orElse(null), placement(e).orElse(null)))
                .orElse(null);
    }

    /** How the picture of what stands at some place is made; empty where a file isn't there, or nothing was looked into yet. */
    public Optional<Recipe> recipe(ReelFrame frame) {
        return new Recipes(size().orElse(null), shape().map(PictureFormat::pixelAspect).orElse(PixelAspect.SQUARE), this::taken).of(frame);
    }

    /** The same of a reel frame. */
    public Optional<Recipe> recipe(long reelFrame) {
        return recipe(plan.at(reelFrame));
    }

    /** With what is written into it. @param words of the reel or of a file of it, or null for none */
    public Optional<Recipe> recipe(long reelFrame, PictureWords words) {
        Lettering lettering = words == null ? Lettering.NOTHING : letteringAt(words, reelFrame);
        PixelAspect pixelAspect = shape().map(PictureFormat::pixelAspect).orElse(PixelAspect.SQUARE);
        return recipe(reelFrame).map(r -> lettering.isNothing() ? r : new Recipe.Lettered(r, lettering, pixelAspect));
    }

    /** A source's frame by itself, whatever a reel does with it. */
    public static Recipe.Frame alone(Source source, FrameTable table, long number) {
        ReelEntry entry = new ReelEntry(0, 0, Item.of(source.id()), source, table, true, null);
        return Recipes.alone(new TakenEntry(entry, source.reading().picture().resolve(table), null, null), number);
    }

    /** Source frame numbers if the reel has one item, else reel frames from 0. */
    public FrameRange range() {
        if (isOneSource()) {
            return plan.spans().getFirst().range();
        }
        return FrameRange.of(0, Math.max(0, plan.count() - 1));
    }

    /** What will be made, in words: {@code whole reel, 432 frames} or {@code only 1021-1332, 312 frames}. */
    public String describe() {
        boolean whole = entries.stream().allMatch(ResolvedReel::takesAll);
        String frames = WORDS.say("frames", plan.count());
        if (whole || !isOneSource()) {
            return (whole ? WORDS.say("wholeReel") : WORDS.say("rangesAsSet")) + frames;
        }
        return WORDS.say("only", plan.spans().getFirst().range(), frames);
    }

    /** Whether all of it is one source's frames, each once and in order. */
    public boolean isOneSource() {
        return entries.size() == 1 && plan.spans().size() == 1 && plan.spans().getFirst().even();
    }

    private static boolean takesAll(ReelEntry entry) {
        Reading reading = entry.reading();
        return (reading.range() == null || reading.range().equals(entry.table().sequence().range()))
                && reading.cadence().leadIn() == 0;
    }

    /** What a deliverable's file may weigh, before anything was tried; empty while its size isn't known. */
    public Optional<RoughForecast> forecast(Deliverable deliverable) {
        Scan scan = deliverable.settings().framing().scanInUse();
        return frame(deliverable).map(f -> RoughForecast.of(deliverable.settings(), f.size(), scan.frames(plan.count()),
                rate().map(scan::rate).orElse(null), transparent()));
    }

    /** Whether each frame that is expected is there, good, and looked into. */
    public boolean isComplete() {
        return entries.stream().allMatch(e -> e.table().isChecked() && e.advice().isComplete());
    }
}
