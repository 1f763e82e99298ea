package dev.vat.core.project;

import dev.vat.core.delivery.Catalogue;
import dev.vat.core.delivery.Codec;
import dev.vat.core.delivery.ColourCoding;
import dev.vat.core.delivery.Deliverable;
import dev.vat.core.delivery.Effort;
import dev.vat.core.delivery.Framing;
import dev.vat.core.delivery.Ground;
import dev.vat.core.delivery.Look;
import dev.vat.core.delivery.Preset;
import dev.vat.core.delivery.RateControl;
import dev.vat.core.delivery.SoundCodec;
import dev.vat.core.delivery.Target;
import dev.vat.core.reel.Item;
import dev.vat.core.reel.Reel;
import dev.vat.core.source.Cadence;
import dev.vat.core.source.GapPolicy;
import dev.vat.core.source.Interpretation;
import dev.vat.core.source.Kin;
import dev.vat.core.source.Location;
import dev.vat.core.source.Reading;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.FrameSet;
import dev.vat.core.time.Rate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.UnaryOperator;

/** All that can be done to a project, each as a named edit. */
public final class Edits {

    private static final long STILL_SECONDS = 5;

    private Edits() {}

    /** How several sequences brought in at once are laid out. */
    public enum Layout {
        ONE_PROGRAMME, ONE_REEL_EACH
    }

    /** Brings sources in; those that the project knows already aren't added twice. A sound goes into no reel. */
    public static Edit bringIn(List<Location> locations, Layout layout) {
        return new Edit(locations.size() == 1 ? "bringing in " + locations.getFirst().name()
                : "bringing in " + locations.size() + " sources", project -> {
                    Project result = project;
                    List<Source> added = new ArrayList<>();
                    for (Location location : locations) {
                        if (known(result, location)) {
                            continue;
                        }
                        Source source = Source.of(result.freshId("s"), Place.of(location.folder()), location.pattern(),
                                readingOf(location, result));
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
                    List<Source> pictures = added.stream().filter(s -> !s.location().isSound()).toList();
                    return pictures.isEmpty() ? result : layOut(result, leading(pictures), layout);
                });
    }

    /** Of kin, only one goes into a reel: the main one, or the latest version. */
    private static List<Source> leading(List<Source> sources) {
        return Kin.group(sources.stream().map(Source::location).toList()).stream().map(k -> sources.get(k.leading().index())).toList();
    }

    /** A clip brings its own rate once it was looked into; a still is shown for five seconds. */
    private static Reading readingOf(Location location, Project project) {
        Rate rate = project.sources().stream().map(s -> s.reading().rate()).filter(Objects::nonNull).findFirst().orElse(null);
        if (location.isMovie() || location.isSound()) {
            return Reading.PLAIN;
        }
        Reading plain = Reading.PLAIN.withRate(rate);
        return !location.isStill() ? plain : plain.withCadence(Cadence.PLAIN.withLength(
                (rate == null ? Rate.FPS_25 : rate).perSecond().times(STILL_SECONDS).round()));
    }

    private static boolean known(Project project, Location location) {
        return project.sources().stream().anyMatch(s -> s.location().equals(location));
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

    static Project withReel(Project project, String name, List<Item> items, boolean current) {
        List<Reel> reels = new ArrayList<>(project.reels());
        String id = project.freshId("r");
        reels.add(Reel.of(id, name, items));
        return project.withReels(reels, current || project.reel() == null ? id : project.reel());
    }

    /** Forgets a source and its uses; nothing on disk is touched. */
    public static Edit removeSource(String id) {
        return new Edit("removing a source", project -> {
            List<Reel> reels = project.reels().stream()
                    .map(r -> r.withItems(r.items().stream().flatMap(i -> i.without(id).stream()).toList())
                            .withSounds(r.sounds().stream().filter(s -> !s.source().equals(id)).toList()))
                    .filter(r -> !r.items().isEmpty() || r.id().equals(project.reel())).toList();
            return project.withSources(project.sources().stream().filter(s -> !s.id().equals(id)).toList())
                    .withReels(reels, project.reel());
        });
    }

    public static Edit chooseReel(String id) {
        return new Edit("choosing a reel", project -> project.withReels(project.reels(), id));
    }

    /**
     * The rate of the current reel. Sequences that state none, or went with the reel, are read at it; what has a rate of its own keeps
     * that and is conformed.
     */
    public static Edit setRate(Rate rate) {
        return new Edit("change of rate to " + rate.label(),
                project -> project.currentReel().map(reel -> atRate(project, reel, rate)).orElse(project));
    }

    /** The rate of every reel, as {@link #setRate}. */
    public static Edit setRateEverywhere(Rate rate) {
        return new Edit("change of rate to " + rate.label(), project -> {
            Project result = project;
            for (Reel reel : project.reels()) {
                result = atRate(result, reel, rate);
            }
            return result;
        });
    }

    private static Project atRate(Project project, Reel reel, Rate rate) {
        Rate before = reel.rate() != null ? reel.rate() : readAt(project, reel);
        Project result = project;
        for (String id : reel.items().stream().flatMap(i -> i.sources().stream()).distinct().toList()) {
            result = result.withSource(id,
                    s -> s.location().isMovie() || s.reading().rate() != null && !s.reading().rate().equals(before) ? s
                            : s.withReading(s.reading().withRate(rate)));
        }
        boolean follows = rate.equals(readAt(result, reel));
        return result.withReels(result.reels().stream().map(r -> r.id().equals(reel.id()) ? r.withRate(follows ? null : rate) : r).toList(),
                result.reel());
    }

    /** The rate at which a reel's first source is read, or null if that isn't said. */
    private static Rate readAt(Project project, Reel reel) {
        return reel.items().stream().flatMap(i -> i.sources().stream()).flatMap(i -> project.source(i).stream()).findFirst()
                .map(s -> s.reading().rate()).orElse(null);
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

    public static Edit setCadence(String source, Cadence cadence) {
        return reading("change of step or lead-in", source, r -> r.withCadence(cadence));
    }

    public static Edit setPicture(String source, Interpretation picture) {
        return reading("change of how pictures are read", source, r -> r.withPicture(picture));
    }

    /** @param timecode of the first frame, or null for what the file states */
    public static Edit setTimecode(String source, String timecode) {
        return reading("change of timecode", source, r -> r.withTimecode(timecode));
    }

    /** @param range the frames that there should be, or null */
    public static Edit setExpected(String source, FrameRange range) {
        return reading("change of the expected range", source, r -> r.withExpected(range));
    }

    public static Edit setNote(String source, String note) {
        return reading("a note", source, r -> r.withNote(note.isBlank() ? null : note));
    }

    /** Other versions of a source beside it, to be chosen from; they are taken as it is. */
    public static Edit bringInVersions(String source, List<Location> versions) {
        return new Edit("bringing in versions", project -> {
            Reading like = project.source(source).orElseThrow().reading();
            List<Source> more = new ArrayList<>(project.sources());
            for (Location location : versions) {
                if (more.stream().noneMatch(s -> s.location().equals(location))) {
                    Reading reading = new Reading(like.rate(), null, like.gap(), like.cadence(), like.picture(), like.timecode(), null,
                            null, null, Map.of(), null, Map.of());
                    more.add(Source.of(project.withSources(more).freshId("s"), Place.of(location.folder()), location.pattern(), reading));
                }
            }
            return project.withSources(more);
        });
    }

    /** Marks frames to be rendered again, or takes the marks away. */
    public static Edit mark(String source, FrameRange frames, boolean on) {
        return reading(on ? "marking frames" : "taking marks away", source,
                r -> r.withMarked(on ? r.marked().plus(new FrameSet(List.of(frames))) : r.marked().minus(frames)));
    }

    private static Edit reading(String name, String source, UnaryOperator<Reading> change) {
        return new Edit(name, project -> project.withSource(source, s -> s.withReading(change.apply(s.reading()))));
    }

    /** The same source elsewhere: a folder that was moved, or another render in its place. */
    public static Edit relink(String source, Location location) {
        return new Edit("finding a source again", project -> project.withSource(source,
                s -> s.withLocation(Place.of(location.folder()), location.pattern())));
    }

    /** Adds a column; a target that stands there already isn't added again. */
    public static Edit addTarget(Target target) {
        return new Edit("adding " + target.title(), project -> project.deliverables().stream().anyMatch(d -> d.target().equals(target.id()))
                ? project : withColumn(project, project.deliverables().size(), Deliverable.of(target).withDraft(project.isDraft())));
    }

    /** A column as a preset has it; a preset's target may stand there already. */
    public static Edit addPreset(Preset preset) {
        return new Edit("adding " + preset.name(), project -> {
            Deliverable column = preset.column();
            return withColumn(project, project.deliverables().size(), isTaken(project, column.target())
                    ? column.withId(freshColumn(project, column.target())) : column.withId(column.target()));
        });
    }

    /** A second column like one that is there, right beside it. */
    public static Edit duplicate(String deliverable) {
        return new Edit("duplicating a column", project -> {
            List<Deliverable> all = project.deliverables();
            for (int i = 0; i < all.size(); i++) {
                if (all.get(i).id().equals(deliverable)) {
                    return withColumn(project, i + 1, all.get(i).withId(freshColumn(project, all.get(i).target())));
                }
            }
            return project;
        });
    }

    /** A pass of the reel's shots as a file of its own, like the first one that is made. @param pass as it is called in the reel */
    public static Edit addPassFile(String pass) {
        return new Edit("a file of " + pass, project -> {
            Deliverable like = project.deliverablesOn().isEmpty() ? Deliverable.of(Catalogue.target("edit-prores-hq"))
                    : project.deliverablesOn().getFirst();
            return withColumn(project, project.deliverables().size(),
                    like.withPass(pass).withId(isTaken(project, like.target()) ? freshColumn(project, like.target()) : like.target()));
        });
    }

    private static String freshColumn(Project project, String target) {
        int number = 2;
        while (isTaken(project, target + "-" + number)) {
            number++;
        }
        return target + "-" + number;
    }

    private static boolean isTaken(Project project, String id) {
        return project.deliverables().stream().anyMatch(d -> d.id().equals(id));
    }

    static Project withColumn(Project project, int place, Deliverable column) {
        List<Deliverable> more = new ArrayList<>(project.deliverables());
        more.add(place, column);
        return project.withDeliverables(more);
    }

    public static Edit removeDeliverable(String id) {
        return new Edit("removing a column", project -> project.withDeliverables(
                project.deliverables().stream().filter(d -> !d.id().equals(id)).toList()));
    }

    /** Removes every column of a target. */
    public static Edit removeTarget(String target) {
        return new Edit("removing " + Catalogue.target(target).title(), project -> project.withDeliverables(
                project.deliverables().stream().filter(d -> !d.target().equals(target)).toList()));
    }

    /** @param by columns to the right, or to the left if negative */
    public static Edit moveDeliverable(String id, int by) {
        return new Edit("moving a column", project -> {
            List<Deliverable> all = new ArrayList<>(project.deliverables());
            for (int i = 0; i < all.size(); i++) {
                if (all.get(i).id().equals(id)) {
                    all.add(Math.clamp(i + by, 0, all.size() - 1), all.remove(i));
                    return project.withDeliverables(all);
                }
            }
            return project;
        });
    }

    /** @param off whether the column is left out for now */
    public static Edit switchOff(String id, boolean off) {
        return new Edit(off ? "switching a column off" : "switching a column on",
                project -> project.withDeliverable(id, d -> d.withOff(off)));
    }

    public static Edit setCodec(String id, Codec codec) {
        return new Edit("change of codec to " + codec.title(), project -> project.withDeliverable(id, d -> d.withCodec(codec)));
    }

    public static Edit setControl(String id, RateControl control) {
        return new Edit("change of quality", project -> project.withDeliverable(id, d -> d.withControl(control)));
    }

    /** A quality and an effort at once, as they were tried together. */
    public static Edit setQuality(String id, RateControl control, Effort effort) {
        return new Edit("quality", project -> project.withDeliverable(id, d -> d.withControl(control).withEffort(effort)));
    }

    /** Lets one thing follow the target again. */
    public static Edit follow(String id, UnaryOperator<Deliverable> back) {
        return new Edit("following the target again", project -> project.withDeliverable(id, back));
    }

    /** One switch for all columns: half size, and a mark in name and picture. */
    public static Edit setDraft(boolean on) {
        return new Edit(on ? "draft" : "no draft any more",
                project -> project.withDeliverables(project.deliverables().stream().map(d -> d.withDraft(on)).toList()));
    }

    /** Says yes to something that stands in a column's way. @param finding its id */
    public static Edit accept(String id, String finding) {
        return new Edit("saying yes to " + finding, project -> project.withDeliverable(id, d -> d.withAccepted(finding)));
    }

    /** @param sound null for what is usual */
    public static Edit setSound(String id, SoundCodec sound) {
        return new Edit("change of sound", project -> project.withDeliverable(id, d -> d.withSound(sound)));
    }

    /** @param framing null for the target's */
    public static Edit setFraming(String id, Framing framing) {
        return new Edit("change of size or shape", project -> project.withDeliverable(id, d -> d.withFraming(framing)));
    }

    public static Edit setAsTarget(String id) {
        return new Edit("taking a column back to its target", project -> project.withDeliverable(id, Deliverable::asTarget));
    }

    public static Edit setFlatten(String id, Ground ground) {
        return new Edit("change of what lies under", project -> project.withDeliverable(id, d -> d.withFlatten(ground)));
    }

    /** @param beside whether alpha goes into a second file */
    public static Edit setMatte(String id, boolean beside) {
        return new Edit(beside ? "matte as a second file" : "no second file",
                project -> project.withDeliverable(id, d -> d.withMatte(beside)));
    }

    /** @param colour null for the target's */
    public static Edit setColour(String id, ColourCoding colour) {
        return new Edit("change of colour", project -> project.withDeliverable(id, d -> d.withColour(colour)));
    }

    /** @param look null for none */
    public static Edit setLook(String id, Look look) {
        return new Edit(look == null ? "taking a look away" : "look " + look.name(),
                project -> project.withDeliverable(id, d -> d.withLook(look)));
    }

    public static Edit cropToGrid(String id, boolean crop) {
        return new Edit("change of size", project -> project.withDeliverable(id, d -> d.withCropToGrid(crop)));
    }

    public static Edit setFolder(Place folder) {
        return new Edit("change of folder", project -> project.withFolder(folder));
    }

    public static Edit setNaming(String pattern) {
        return new Edit("change of names", project -> project.withNaming(pattern));
    }
}
