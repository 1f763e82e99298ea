package dev.vat.engine.run;

import dev.vat.core.content.ContentReview;
import dev.vat.core.finding.Findings;
import dev.vat.core.finding.Observed;
import dev.vat.core.finding.WrittenWords;
import dev.vat.core.project.Project;
import dev.vat.core.project.Source;
import dev.vat.core.reel.Item;
import dev.vat.core.reel.Reel;
import dev.vat.core.reel.SoundUse;
import dev.vat.core.run.Programme;
import dev.vat.core.run.RunPlan;
import dev.vat.core.source.ClipFacts;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.Sequence;
import dev.vat.engine.viewer.Listing;
import dev.vat.engine.viewer.Viewer;
import java.io.IOException;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Stream;

/** From a project to a plan without a window: its sources are listed and checked whole, then it is judged. */
public sealed interface Preparation {

    /** All that is known of the project now. */
    Findings findings();

    /** @param complete whether every frame that is expected is there and good */
    record Ready(Findings findings, RunPlan plan, boolean complete) implements Preparation { }

    /** Something stands in the way. */
    record Blocked(Findings findings) implements Preparation { }

    /** Looks into every frame of a sequence. */
    interface Check {
        FrameTable of(Sequence sequence, String layer) throws IOException;
    }

    /** @throws IOException with the reason in words, if a source can't be read */
    static Preparation of(Project project, Viewer viewer, Check check) throws IOException {
        Map<String, FrameTable> tables = new HashMap<>();
        Map<String, ClipFacts> clips = new HashMap<>();
        Reel reel = project.currentReel().orElseThrow(() -> new IOException("The project has no reel to make"));
        List<String> used = Stream.concat(reel.items().stream().map(Item::source).filter(Objects::nonNull), reel.sounds().stream().map(SoundUse::source)).distinct().toList();
        for (String id : used) {
            Source source = project.source(id).orElseThrow(() -> new IOException("The project has no source " + id));
            Listing listing = Listing.of(viewer, source.location());
            listing.clip().ifPresent(clip -> clips.put(source.id(), clip));
            if (listing.sequence().isPresent()) {
                tables.put(source.id(), check.of(listing.sequence().get(), source.reading().picture().layer()));
            }
        }
        Map<String, ContentReview> reviews = new HashMap<>();
        tables.forEach((source, table) -> reviews.put(source, ContentReview.of(table)));
        Path folder = DestinationProbe.folderOf(project);
        Findings findings = Findings.of(project, new Observed(tables, reviews, clips, DestinationProbe.probe(folder), Set.of(),
                BesideProbe.unusable(BesideProbe.files(project)), BesideProbe.lacking(WrittenWords.byFace(project))));
        if (!findings.mayRun()) {
            return new Blocked(findings);
        }
        Programme programme = Programme.of(project, tables).orElseThrow();
        return new Ready(findings, RunPlanner.ofSystem().plan(project, programme, folder, clips, RunPlan.CHOSEN, viewer.library()), programme.isComplete());
    }
}
