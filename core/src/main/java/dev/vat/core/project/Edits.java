package dev.vat.core.project;

import dev.vat.core.delivery.Catalogue;
import dev.vat.core.delivery.Deliverable;
import dev.vat.core.delivery.Target;
import dev.vat.core.picture.Rgb;
import dev.vat.core.reel.Item;
import dev.vat.core.reel.Reel;
import dev.vat.core.source.GapPolicy;
import dev.vat.core.source.Reading;
import dev.vat.core.source.Sequence;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rate;
import java.util.ArrayList;
import java.util.List;

/** All that can be done to a project, each as a named edit. */
public final class Edits {

    private Edits() { }

    /** How several sequences brought in at once are laid out. */
    public enum Layout { ONE_PROGRAMME, ONE_REEL_EACH }

    /** Brings sequences in; those that the project knows already aren't added twice. */
    public static Edit bringIn(List<Sequence> sequences, Layout layout) {
        return new Edit(sequences.size() == 1 ? "bringing in " + sequences.getFirst().name()
                : "bringing in " + sequences.size() + " sequences", project -> {
            Project result = project;
            List<Source> added = new ArrayList<>();
            for (Sequence sequence : sequences) {
                if (known(result, sequence)) {
                    continue;
                }
                Source source = Source.of(result.freshId("s"), Place.of(sequence.folder()), sequence.pattern(),
                        Reading.PLAIN.withRate(result.sources().stream().map(s -> s.reading().rate())
                                .filter(r -> r != null).findFirst().orElse(null)));
                added.add(source);
                List<Source> all = new ArrayList<>(result.sources());
                all.add(source);
                result = result.withSources(all);
            }
            if (added.isEmpty()) {
                return project;
            }
            if (project.isEmpty()) {
                result = result.withName(added.getFirst().pattern().baseName());
            }
            return layOut(result, added, layout);
        });
    }

    private static boolean known(Project project, Sequence sequence) {
        return project.sources().stream().anyMatch(
                s -> s.pattern().equals(sequence.pattern()) && s.folder().path().equals(sequence.folder()));
    }

    private static Project layOut(Project project, List<Source> added, Layout layout) {
        if (layout == Layout.ONE_PROGRAMME) {
            List<Item> items = added.stream().map(s -> Item.of(s.id())).toList();
            if (project.currentReel().isPresent()) {
                return project.withCurrentReel(reel -> {
                    Reel longer = reel;
                    for (Item item : items) {
                        longer = longer.with(item);
                    }
                    return longer;
                });
            }
            return withReel(project, added.getFirst().pattern().baseName(), items, true);
        }
        Project result = project;
        for (Source source : added) {
            result = withReel(result, source.pattern().baseName(), List.of(Item.of(source.id())),
                    source == added.getFirst());
        }
        return result;
    }

    private static Project withReel(Project project, String name, List<Item> items, boolean current) {
        List<Reel> reels = new ArrayList<>(project.reels());
        String id = project.freshId("r");
        reels.add(Reel.of(id, name, items));
        return project.withReels(reels, current || project.reel() == null ? id : project.reel());
    }

    /** Forgets a source and its uses; nothing on disk is touched. */
    public static Edit removeSource(String id) {
        return new Edit("removing a source", project -> {
            List<Reel> reels = project.reels().stream()
                    .map(r -> r.withItems(r.items().stream().filter(i -> !i.source().equals(id)).toList()))
                    .filter(r -> !r.items().isEmpty() || r.id().equals(project.reel())).toList();
            return project.withSources(project.sources().stream().filter(s -> !s.id().equals(id)).toList())
                    .withReels(reels, project.reel());
        });
    }

    public static Edit chooseReel(String id) {
        return new Edit("choosing a reel", project -> project.withReels(project.reels(), id));
    }

    public static Edit addItem(String source) {
        return new Edit("adding to the reel", project -> project.currentReel().isPresent()
                ? project.withCurrentReel(r -> r.with(Item.of(source)))
                : withReel(project, project.source(source).orElseThrow().pattern().baseName(),
                        List.of(Item.of(source)), true));
    }

    public static Edit removeItem(int index) {
        return new Edit("taking an item out", project -> project.withCurrentReel(r -> r.without(index)));
    }

    public static Edit moveItem(int from, int to) {
        return new Edit("moving an item", project -> project.withCurrentReel(r -> r.moved(from, to)));
    }

    /** The rate of every item of the current reel: they play at one rate. */
    public static Edit setRate(Rate rate) {
        return new Edit("change of rate to " + rate.label(), project -> {
            Project result = project;
            for (Item item : project.currentReel().map(Reel::items).orElse(List.of())) {
                result = result.withSource(item.source(), s -> s.withReading(s.reading().withRate(rate)));
            }
            return result;
        });
    }

    /** The rate of every source, in whatever reel. */
    public static Edit setRateEverywhere(Rate rate) {
        return new Edit("change of rate to " + rate.label(), project -> project.withSources(
                project.sources().stream().map(s -> s.withReading(s.reading().withRate(rate))).toList()));
    }

    public static Edit setSourceRate(String source, Rate rate) {
        return new Edit("change of rate to " + rate.label(),
                project -> project.withSource(source, s -> s.withReading(s.reading().withRate(rate))));
    }

    /** @param range null for everything there is */
    public static Edit setRange(String source, FrameRange range) {
        return new Edit("change of range",
                project -> project.withSource(source, s -> s.withReading(s.reading().withRange(range))));
    }

    public static Edit setGap(String source, GapPolicy gap) {
        return new Edit("change of gap policy",
                project -> project.withSource(source, s -> s.withReading(s.reading().withGap(gap))));
    }

    public static Edit addTarget(Target target) {
        return new Edit("adding " + target.title(), project -> {
            if (project.deliverables().stream().anyMatch(d -> d.target().equals(target.id()))) {
                return project;
            }
            List<Deliverable> more = new ArrayList<>(project.deliverables());
            more.add(Deliverable.of(target));
            return project.withDeliverables(more);
        });
    }

    public static Edit removeTarget(String target) {
        return new Edit("removing " + Catalogue.target(target).title(), project -> project.withDeliverables(
                project.deliverables().stream().filter(d -> !d.target().equals(target)).toList()));
    }

    public static Edit setFlatten(String target, Rgb colour) {
        return new Edit("change of flatten colour",
                project -> project.withDeliverable(target, d -> d.withFlatten(colour)));
    }

    public static Edit cropToGrid(String target, boolean crop) {
        return new Edit("change of size", project -> project.withDeliverable(target, d -> d.withCropToGrid(crop)));
    }

    public static Edit setFolder(Place folder) {
        return new Edit("change of folder", project -> project.withFolder(folder));
    }

    public static Edit setNaming(String pattern) {
        return new Edit("change of names", project -> project.withNaming(pattern));
    }
}
