package dev.vat.core.resolved;

import dev.vat.core.delivery.Chroma;
import dev.vat.core.delivery.Placement;
import dev.vat.core.layout.Area;
import dev.vat.core.layout.InStep;
import dev.vat.core.pass.Pass;
import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.ColourReading;
import dev.vat.core.picture.Depth;
import dev.vat.core.picture.PictureFormat;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.project.Project;
import dev.vat.core.project.Source;
import dev.vat.core.reel.Assembly;
import dev.vat.core.reel.Conform;
import dev.vat.core.reel.GeneratedItem;
import dev.vat.core.reel.Item;
import dev.vat.core.reel.Layout;
import dev.vat.core.reel.Reel;
import dev.vat.core.reel.ReelPart;
import dev.vat.core.reel.View;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.GapPolicy;
import dev.vat.core.source.Reading;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;
import dev.vat.core.time.Timecode;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;

/** A reel's items as parts of a plan, with what is known of their sources: what several views and passes come to is worked out here. */
final class ReelParts {

    private static final Rational MIDDLE = Rational.of(1, 2);

    private final Map<String, Source> sources;
    private final Map<String, FrameTable> tables;
    private final Reel reel;
    /** Places of the reel of which something is known. */
    private final List<Integer> known = new ArrayList<>();
    private final List<ReelEntry> entries = new ArrayList<>();
    private final List<ReelPart> parts = new ArrayList<>();
    private int unknown;
    private int nextCell;
    private Rate rate;
    private PictureFormat shape;

    private ReelParts(Project project, Reel reel, Map<String, FrameTable> tables) {
        this.sources = project.sources().stream().collect(Collectors.toMap(Source::id, Function.identity()));
        this.reel = reel;
        this.tables = tables;
    }

    static ReelParts of(Project project, Reel reel, Map<String, FrameTable> tables) {
        ReelParts made = new ReelParts(project, reel, tables);
        made.look();
        made.known.forEach(made::lay);
        return made;
    }

    /** What each item is, the first rate and the first shape. */
    private void look() {
        for (int place = 0; place < reel.items().size(); place++) {
            Item item = reel.items().get(place);
            boolean there = item.drawn() != null || item.layout() != null || table(item.source()) != null;
            unknown += there ? 0 : 1;
            if (there) {
                known.add(place);
                unknown += (int) item.sources().stream().filter(s -> !s.equals(item.source()) && table(s) == null).count();
            }
        }
        nextCell = known.size();
        List<Item> items = known.stream().map(reel.items()::get).toList();
        rate = reel.rate() != null ? reel.rate()
                : items.stream().flatMap(i -> i.sources().stream()).filter(s -> table(s) != null).findFirst()
                        .flatMap(s -> sources.get(s).reading().rateOf(table(s))).orElse(null);
        shape = items.stream().filter(i -> i.drawn() == null && i.sources().stream().anyMatch(s -> table(s) != null)).findFirst()
                .flatMap(this::shape).orElse(null);
    }

    private FrameTable table(String source) {
        return source == null || !sources.containsKey(source) ? null : tables.get(source);
    }

    private Optional<PictureFormat> shape(Item item) {
        if (item.layout() == null) {
            return format(item.source());
        }
        List<PictureFormat> formats = item.sources().stream().filter(s -> table(s) != null).flatMap(s -> format(s).stream()).toList();
        if (formats.isEmpty()) {
            return Optional.empty();
        }
        PictureFormat first = formats.getFirst();
        Size size = item.layout().size() != null ? item.layout().size() : first.pixelAspect().seen(first.size());
        Depth deepest = formats.stream().map(PictureFormat::depth).max((a, b) -> Integer.compare(a.bits(), b.bits())).orElseThrow();
        return Optional.of(new PictureFormat("views", size, deepest, AlphaKind.NONE, PixelAspect.SQUARE, false, List.of()));
    }

    /** What a source's frames hold, with the pixel aspect as it is read. */
    private Optional<PictureFormat> format(String source) {
        Reading reading = sources.get(source).reading();
        return table(source).format().map(f -> f.withPixelAspect(reading.picture().pixelAspectOf(f)));
    }

    private void lay(int place) {
        Item item = reel.items().get(place);
        int number = parts.size();
        if (item.layout() != null) {
            layout(place, item);
            return;
        }
        if (item.source() == null) {
            parts.add(ReelPart.of(place, item));
            return;
        }
        ReelEntry entry = entry(number, place, item, false, null);
        entries.add(entry);
        ReelPart part = new ReelPart(place, item, entry.table(), entry.source().reading(), ratio(entry));
        parts.add(item.passes() == null ? part : passes(place, item, part, entry));
    }

    private ReelEntry entry(int number, int place, Item item, boolean cell, Pass pass) {
        return new ReelEntry(number, place, item, sources.get(item.source()), table(item.source()), cell, pass);
    }

    /** A source's rate over the reel's. */
    private Rational ratio(ReelEntry entry) {
        return rate == null ? Rational.ONE : entry.rate().map(own -> own.perSecond().dividedBy(rate.perSecond())).orElse(Rational.ONE);
    }

    // ---- passes

    /** They take the frames that the item takes of its source, by their numbers. */
    private ReelPart passes(int place, Item item, ReelPart part, ReelEntry main) {
        List<ReelPart> cells = new ArrayList<>();
        List<Pass> used = new ArrayList<>();
        FrameRange range = main.reading().rangeIn(main.table().sequence());
        for (Pass pass : item.passes().on().passes()) {
            String id = pass.source() == null ? item.source() : pass.source();
            if (table(id) == null) {
                continue;
            }
            Item own = Item.of(id).withRange(range);
            ReelEntry entry = entry(nextCell++, place, own, true, pass);
            entries.add(entry);
            Reading reading = entry.source().reading();
            // Light of two moments isn't mixed pass by pass.
            cells.add(new ReelPart(place, own, entry.table(),
                    reading.gap() == GapPolicy.BLEND ? reading.withGap(GapPolicy.NEAREST) : reading, Rational.ONE));
            used.add(pass);
        }
        ColourReading colour = main.picture().colour();
        return part.with(new Assembly.Passes(used, colour.isLinear() ? colour : ColourReading.LINEAR), cells);
    }

    // ---- views

    private void layout(int place, Item item) {
        Layout layout = item.layout();
        List<ReelPart> cells = new ArrayList<>();
        List<Rational> labels = new ArrayList<>();
        for (View view : layout.views()) {
            Item own = view.item().source() != null && table(view.item().source()) == null
                    ? Item.of(new GeneratedItem.Plain(layout.groundInUse(), 1)) : view.item();
            int number = nextCell++;
            if (own.source() == null) {
                cells.add(ReelPart.of(place, own));
                labels.add(null);
                continue;
            }
            boolean byFrames = layout.stepInUse() == InStep.FRAMES;
            Item played = byFrames || own.playingInUse().conformInUse() != Conform.EVERY ? own
                    : own.withPlaying(own.playingInUse().withConform(Conform.NEAREST));
            ReelEntry entry = entry(number, place, played, true, null);
            entries.add(entry);
            cells.add(new ReelPart(place, played, entry.table(), entry.source().reading(), byFrames ? Rational.ONE : ratio(entry)));
            labels.add(layout.stepInUse() == InStep.TIMECODE ? label(entry) : null);
        }
        parts.add(new ReelPart(place, item, null, null, Rational.ONE, views(layout), waiting(cells, labels), 0));
    }

    /** In seconds from the label 0: where a source's first taken frame stands. */
    private Rational label(ReelEntry entry) {
        Rate own = entry.rate().orElse(rate);
        if (own == null) {
            return null;
        }
        String stated = entry.source().reading().timecode() != null ? entry.source().reading().timecode()
                : entry.table().format().map(f -> f.stated().timecode()).orElse(null);
        try {
            return own.seconds(
                    stated == null ? entry.reading().rangeIn(entry.table().sequence()).first() : Timecode.parse(stated, own).frame());
        } catch (IllegalArgumentException _) {
            // A label that its rate can't count to is told by the findings on the source.
            return own.seconds(entry.reading().rangeIn(entry.table().sequence()).first());
        }
    }

    private List<ReelPart> waiting(List<ReelPart> cells, List<Rational> labels) {
        Optional<Rational> first = labels.stream().filter(l -> l != null).min(Rational::compareTo);
        if (first.isEmpty() || rate == null) {
            return cells;
        }
        List<ReelPart> waiting = new ArrayList<>();
        for (int i = 0; i < cells.size(); i++) {
            waiting.add(labels.get(i) == null ? cells.get(i)
                    : cells.get(i).waiting(labels.get(i).minus(first.get()).times(rate.perSecond()).round()));
        }
        return waiting;
    }

    private Assembly views(Layout layout) {
        Size size = shape == null ? Size.of(16, 9) : shape.size();
        List<Placement.Box> boxes = layout.boxes(size);
        List<Assembly.Views.Laid> laid = new ArrayList<>();
        for (int i = 0; i < boxes.size(); i++) {
            View view = layout.views().get(i);
            Placement.Box box = boxes.get(i);
            laid.add(new Assembly.Views.Laid(box, placement(view, box).orElse(null),
                    view.border() == null ? 0 : view.border().pixels(size.height()),
                    view.border() == null ? null : view.border().colour(), view.caption()));
        }
        return new Assembly.Views(size, layout.groundInUse(), laid, layout.days(), rate);
    }

    private Optional<Placement> placement(View view, Placement.Box box) {
        if (table(view.item().source()) == null || shape == null) {
            return Optional.empty();
        }
        return format(view.item().source()).map(f -> {
            Placement.Box part = (view.crop() == null ? Area.ALL : view.crop()).in(f.size());
            Placement inPart = Placement.of(part.size(), f.pixelAspect(), box.size(), shape.pixelAspect(), view.item().fitInUse(), MIDDLE,
                    MIDDLE, Chroma.RGB);
            Placement.Box from = inPart.from();
            return new Placement(new Placement.Box(part.x() + from.x(), part.y() + from.y(), from.width(), from.height()), inPart.to());
        });
    }

    List<ReelEntry> entries() {
        return List.copyOf(entries);
    }

    List<ReelPart> parts() {
        return parts;
    }

    int unknown() {
        return unknown;
    }

    /** At which the reel plays, or null while nothing says so. */
    Rate rate() {
        return rate;
    }

    /** The reel's picture, or null while nothing was looked into. */
    PictureFormat shape() {
        return shape;
    }
}
