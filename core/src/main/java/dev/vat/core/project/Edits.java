package dev.vat.core.project;

import dev.vat.core.reel.Item;
import dev.vat.core.reel.Reel;
import dev.vat.core.source.Cadence;
import dev.vat.core.source.Kin;
import dev.vat.core.source.Location;
import dev.vat.core.source.Reading;
import dev.vat.core.time.Rate;
import dev.vat.core.words.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;

/** All that can be done to a project, each as a named edit. */
public final class Edits {

    private static final Words WORDS = Words.of(Edits.class);

    private static final long STILL_SECONDS = 5;

    private Edits() {}

    /** How several sequences brought in at once are laid out. */
    public enum Layout {
        ONE_PROGRAMME, ONE_REEL_EACH
    }

    /** Brings sources in; those that the project knows already aren't added twice. A sound goes into no reel. */
    public static Edit bringIn(List<Location> locations, Layout layout) {
        return new Edit(locations.size() == 1 ? WORDS.say("bringingIn", locations.getFirst().name())
                : WORDS.say("bringingInSources", locations.size()), project -> {
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
        return new Edit(WORDS.say("removingASource"), project -> {
            List<Reel> reels = project.reels().stream()
                    .map(r -> r.withItems(r.items().stream().flatMap(i -> i.without(id).stream()).toList())
                            .withSounds(r.sounds().stream().filter(s -> !s.source().equals(id)).toList()))
                    .filter(r -> !r.items().isEmpty() || r.id().equals(project.reel())).toList();
            return project.withSources(project.sources().stream().filter(s -> !s.id().equals(id)).toList())
                    .withReels(reels, project.reel());
        });
    }

    public static Edit chooseReel(String id) {
        return new Edit(WORDS.say("choosingAReel"), project -> project.withReels(project.reels(), id));
    }

    /**
     * The rate of the current reel. Sequences that state none, or went with the reel, are read at it; what has a rate of its own keeps
     * that and is conformed.
     */
    public static Edit setRate(Rate rate) {
        return new Edit(WORDS.say("changeOfRateTo", rate.label()),
                project -> project.currentReel().map(reel -> atRate(project, reel, rate)).orElse(project));
    }

    /** The rate of every reel, as {@link #setRate}. */
    public static Edit setRateEverywhere(Rate rate) {
        return new Edit(WORDS.say("changeOfRateTo", rate.label()), project -> {
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

    public static Edit setFolder(Place folder) {
        return new Edit(WORDS.say("changeOfFolder"), project -> project.withFolder(folder));
    }

    public static Edit setNaming(String pattern) {
        return new Edit(WORDS.say("changeOfNames"), project -> project.withNaming(pattern));
    }
}
