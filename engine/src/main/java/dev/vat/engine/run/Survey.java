package dev.vat.engine.run;

import dev.vat.core.picture.PictureChoice;
import dev.vat.core.project.Project;
import dev.vat.core.project.Source;
import dev.vat.core.reel.Item;
import dev.vat.core.reel.Reel;
import dev.vat.core.reel.SoundUse;
import dev.vat.core.source.ClipFacts;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.Interpretation;
import dev.vat.core.source.Sequence;
import dev.vat.core.words.Words;
import dev.vat.engine.viewer.Listing;
import dev.vat.engine.viewer.Viewer;
import java.io.IOException;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;

/** The sources that a project's reel takes something of, listed and checked whole; by their ids. */
public record Survey(Map<String, FrameTable> tables, Map<String, ClipFacts> clips) {

    private static final Words WORDS = Words.of(Survey.class);

    /** Looks into every frame of a sequence. */
    public interface Check {
        FrameTable of(Sequence sequence, PictureChoice choice) throws IOException;
    }

    /** @throws IOException with the reason in words, if a source can't be read */
    public static Survey of(Project project, Viewer viewer, Check check) throws IOException {
        Map<String, FrameTable> tables = new HashMap<>();
        Map<String, ClipFacts> clips = new HashMap<>();
        Reel reel = project.currentReel().orElseThrow(() -> new IOException(WORDS.say("theProjectHasNoReelToMake")));
        List<String> used = Stream
                .concat(reel.items().stream().map(Item::sources).flatMap(Set::stream), reel.sounds().stream().map(SoundUse::source))
                .distinct().toList();
        for (String id : used) {
            Source source = project.source(id).orElseThrow(() -> new IOException(WORDS.say("theProjectHasNoSource", id)));
            Listing listing = Listing.of(viewer, source.location());
            listing.clip().ifPresent(clip -> clips.put(source.id(), clip));
            if (listing.sequence().isPresent()) {
                Interpretation picture = source.reading().picture();
                tables.put(source.id(), picture.asRead(check.of(listing.sequence().get(), picture.choice())));
            }
        }
        return new Survey(tables, clips);
    }
}
