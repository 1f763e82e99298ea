package dev.vat.core.preview;

import com.fasterxml.jackson.annotation.JsonInclude;
import dev.vat.core.time.FrameRange;
import dev.vat.core.words.Words;

/**
 * What a scene says of one of its cameras.
 *
 * @param id by which the scene knows it
 * @param keyed from its first key to its last one; null where it has none
 * @param still the last frame after which nothing that it sees moves any more; null if the scene doesn't know
 * @param leadIn frames that the scene says have to be run before its first one
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record CameraFacts(String id, String title, FrameRange keyed, Long still, long leadIn) {

    private static final Words WORDS = Words.of(CameraFacts.class);

    private static final int LONGEST_NAME = 200;

    public CameraFacts {
        if (id == null || id.isBlank() || id.length() > LONGEST_NAME) {
            throw new IllegalArgumentException(WORDS.say("aCameraHasNoNameOrOneOf", LONGEST_NAME));
        }
        title = title == null || title.isBlank() ? id : title;
        if (leadIn < 0) {
            throw new IllegalArgumentException(WORDS.say("cameraWantsALeadInOfFrames", id, leadIn));
        }
    }
}
