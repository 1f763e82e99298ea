package dev.vat.core.reel;

import dev.vat.core.words.Words;
import java.util.ArrayList;
import java.util.List;

/**
 * What becomes of an item's frames.
 *
 * @param doubled places at which a frame stands that stood at the place before already
 * @param dropped taken frames that are never seen
 * @param mixed places at which two frames are mixed
 */
public record Tally(long doubled, long dropped, long mixed) {

    private static final Words WORDS = Words.of(Tally.class);

    public static final Tally NONE = new Tally(0, 0, 0);

    /** {@code 1 doubled, 4 dropped}, or nothing. */
    public String words() {
        List<String> parts = new ArrayList<>();
        if (doubled > 0) {
            parts.add(WORDS.say("doubled", doubled));
        }
        if (dropped > 0) {
            parts.add(WORDS.say("dropped", dropped));
        }
        if (mixed > 0) {
            parts.add(WORDS.say("mixed", mixed));
        }
        return String.join(", ", parts);
    }
}
