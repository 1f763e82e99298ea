package dev.vat.core.preview;

import com.fasterxml.jackson.annotation.JsonInclude;
import dev.vat.core.picture.Size;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rate;
import dev.vat.core.words.Words;
import java.util.List;
import java.util.Optional;

/**
 * What a scene says of itself.
 *
 * @param revision another number whenever something in it was changed
 * @param timeline all of its frames
 * @param size of the pictures that it is set to
 * @param shadings how much it can work out, the quickest first
 * @param classes kinds of things that can be left out
 * @param notes what it wants known of some frames
 * @param files whether it hands its pictures over as files only
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record SceneFacts(String name, long revision, Rate rate, FrameRange timeline, Size size, List<CameraFacts> cameras,
        List<Choice> shadings, List<Choice> classes, List<Choice> passes,
        List<Note> notes, boolean files) {

    private static final Words WORDS = Words.of(SceneFacts.class);

    /** @param text what is said of a frame */
    public record Note(long frame, String text) {}

    public SceneFacts {
        if (name == null || name.isBlank()) {
            throw new IllegalArgumentException(WORDS.say("theSceneDoesntSayWhatIt"));
        }
        if (rate == null || timeline == null || size == null) {
            throw new IllegalArgumentException(
                    WORDS.say("theSceneDoesntSayIts", name,
                            (rate == null ? WORDS.say("rate") : timeline == null ? WORDS.say("timeline") : WORDS.say("size"))));
        }
        cameras = cameras == null ? List.of() : List.copyOf(cameras);
        shadings = shadings == null ? List.of() : List.copyOf(shadings);
        classes = classes == null ? List.of() : List.copyOf(classes);
        passes = passes == null ? List.of() : List.copyOf(passes);
        notes = notes == null ? List.of() : List.copyOf(notes);
    }

    public Optional<CameraFacts> camera(String id) {
        return cameras.stream().filter(c -> c.id().equals(id)).findFirst();
    }
}
