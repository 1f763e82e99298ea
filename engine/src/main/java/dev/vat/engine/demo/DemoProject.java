package dev.vat.engine.demo;

import dev.vat.core.delivery.Catalogue;
import dev.vat.core.project.DeliverableEdits;
import dev.vat.core.project.Place;
import dev.vat.core.project.Project;
import dev.vat.core.project.Source;
import dev.vat.core.project.SourceEdits;
import dev.vat.core.reel.Item;
import dev.vat.core.reel.Reel;
import dev.vat.core.source.GapPolicy;
import dev.vat.core.source.Location;
import dev.vat.core.source.Reading;
import dev.vat.core.time.Rate;
import dev.vat.protocol.demo.DemoFolder;
import dev.vat.protocol.demo.DemoShot;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;

/** The demo's project, the opening of Kite Week, over frames that a worker draws into its folder. */
public final class DemoProject {

    private DemoProject() {}

    /** The demo's project: the opening in four shots, other material beside it, three targets, the hole of shot 020 filled by holding. */
    public static Project in(Path folder) {
        DemoFolder demo = new DemoFolder(folder);
        List<Source> sources = new ArrayList<>();
        List<Item> items = new ArrayList<>();
        for (DemoShot shot : DemoShot.values()) {
            String id = "s" + (sources.size() + 1);
            Reading reading = Reading.PLAIN.withRate(Rate.FPS_25)
                    .withGap(shot == DemoShot.KITE ? GapPolicy.HOLD : GapPolicy.REFUSE);
            sources.add(new Source(id, Place.of(demo.shot(shot)), shot.pattern(), reading, Map.of()));
            items.add(Item.of(id));
        }
        for (Location beside : demo.besideTheOpening()) {
            Reading reading = beside.isMovie() || beside.isSound() ? Reading.PLAIN : Reading.PLAIN.withRate(Rate.FPS_25);
            sources.add(new Source("s" + (sources.size() + 1), Place.of(beside.folder()), beside.pattern(), reading, Map.of()));
        }
        Project project = Project.EMPTY.withName("Kite Week").withSources(sources)
                .withReels(List.of(Reel.of("r1", "opening", items)), "r1")
                .withFolder(Place.of(folder.resolve("delivered")));
        for (var target : List.of(Catalogue.WEB_H264, Catalogue.EDIT_PRORES_HQ, Catalogue.ALPHA_PRORES_4444)) {
            project = DeliverableEdits.addTarget(target).apply(project);
        }
        return project;
    }

    /** The faulty shot alone in a reel that refuses gaps: what a broken render looks like. */
    public static Project faulty(Path folder) {
        return SourceEdits.setGap("s2", GapPolicy.REFUSE).apply(
                in(folder).withReels(List.of(Reel.of("r1", "sh020", List.of(Item.of("s2")))), "r1"));
    }

    /** The sources alone that a predicate takes, in no reel: for looking at them. */
    public static Project only(Path folder, Predicate<Source> wanted) {
        Project project = in(folder);
        List<Source> sources = project.sources().stream().filter(wanted).toList();
        return project.withSources(sources).withReels(List.of(Reel.of("r1", "opening", List.of(Item.of(sources.getFirst().id())))), "r1");
    }
}
