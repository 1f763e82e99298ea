package dev.vat.core.project;

import dev.vat.core.burnin.BurnIn;
import dev.vat.core.delivery.Catalogue;
import dev.vat.core.delivery.Deliverable;
import dev.vat.core.delivery.Target;
import dev.vat.core.reel.Item;
import dev.vat.core.source.Approved;
import dev.vat.core.source.Location;
import dev.vat.core.source.Reading;
import dev.vat.core.words.Words;
import java.util.ArrayList;
import java.util.List;

/** What previews of a scene do to a project, each as a named edit. */
public final class PreviewEdits {

    private static final Words WORDS = Words.of(PreviewEdits.class);

    private PreviewEdits() {}

    /**
     * A preview: it takes the place of the one of the same camera that is there, wherever that is used, or comes in beside the other
     * sources, into no reel.
     */
    public static Edit take(Location movie) {
        return new Edit(WORDS.say("aPreview"), project -> {
            Source before = project.sources().stream().filter(s -> s.location().folder().equals(movie.folder())).findFirst().orElse(null);
            if (before != null) {
                return project.withSource(before.id(),
                        s -> s.withLocation(Place.of(movie.folder()), movie.pattern()).withReading(s.reading().withRange(null)));
            }
            List<Source> more = new ArrayList<>(project.sources());
            more.add(Source.of(project.freshId("s"), Place.of(movie.folder()), movie.pattern(), Reading.PLAIN));
            return (project.isEmpty() ? project.withName(movie.pattern().baseName()) : project).withSources(more);
        });
    }

    /** A reel of its own of sources in their order, with a copy to look at in which each frame says what it is. @param sources ids */
    public static Edit reelToShow(String name, List<String> sources) {
        return new Edit(WORDS.say("aReelToShow"), project -> {
            Project result = Edits.withReel(project, name, sources.stream().map(Item::of).toList(), true);
            Target look = Catalogue.target("review-h264");
            if (result.deliverables().stream().noneMatch(d -> d.target().equals(look.id()))) {
                result = DeliverableEdits.withColumn(result, result.deliverables().size(),
                        Deliverable.of(look).withBurnIn(BurnIn.forReview()));
            }
            return result;
        });
    }

    /** Holds a source to a preview that was approved. @param approved the preview that its frames are the final ones of, or null */
    public static Edit hold(String source, Approved approved) {
        return new Edit(approved == null ? WORDS.say("noApprovedPreview") : WORDS.say("expectingWhatWasApproved"),
                project -> project.withSource(source, s -> s.withReading(s.reading().withApproved(approved))));
    }
}
