package dev.vat.core.source;

import com.fasterxml.jackson.annotation.JsonIgnore;
import com.fasterxml.jackson.annotation.JsonInclude;
import dev.vat.core.words.Words;

/**
 * Which of a source's frames are taken, and for how long each is shown.
 *
 * @param every 1 for each frame that is there, 5 for every fifth, by their numbers
 * @param keepLength whether each taken frame is shown for as long as the frames left out would have been
 * @param leadIn frames to drop at the start of the range, before anything is taken
 * @param length how many frames a single still picture is shown, or null
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record Cadence(long every, boolean keepLength, long leadIn, Long length) {

    private static final Words WORDS = Words.of(Cadence.class);

    public static final Cadence PLAIN = new Cadence(1, false, 0, null);

    public Cadence {
        every = every == 0 ? 1 : every;
        if (every < 1 || every > 10_000) {
            throw new IllegalArgumentException(WORDS.say("aStepGoesFrom1To10000Not", every));
        }
        if (leadIn < 0) {
            throw new IllegalArgumentException(WORDS.say("from0OnCanBeSkippedAtThe", leadIn));
        }
        if (length != null && (length < 1 || length > 10_000_000)) {
            throw new IllegalArgumentException(WORDS.say("aStillLastsFrom1To10000000", length));
        }
    }

    public Cadence withEvery(long other) {
        return new Cadence(other, keepLength, leadIn, length);
    }

    public Cadence withKeepLength(boolean other) {
        return new Cadence(every, other, leadIn, length);
    }

    public Cadence withLeadIn(long frames) {
        return new Cadence(every, keepLength, frames, length);
    }

    public Cadence withLength(Long frames) {
        return new Cadence(every, keepLength, leadIn, frames);
    }

    @JsonIgnore
    public boolean isPlain() {
        return equals(PLAIN);
    }
}
