package dev.vat.core.time;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;
import dev.vat.core.words.Words;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Frame numbers from {@code first} to {@code last}, both included; numbers may be negative. */
public record FrameRange(long first, long last) {

    private static final Words WORDS = Words.of(FrameRange.class);

    private static final Pattern TEXT = Pattern.compile("\\s*(-?\\d+)(?:\\s*(?:-|\\.\\.|\u2013)\\s*(-?\\d+))?\\s*");

    public FrameRange {
        if (last < first) {
            throw new IllegalArgumentException(WORDS.say("aRangeCantEndBeforeItStarts", first, last));
        }
    }

    /** Both included. @throws IllegalArgumentException if the last lies before the first */
    public static FrameRange of(long first, long last) {
        return new FrameRange(first, last);
    }

    /** Reads {@code 118-205}, {@code 118..205}, {@code -10--3} or a single {@code 118}. */
    @JsonCreator
    public static FrameRange parse(String text) {
        Matcher match = TEXT.matcher(text);
        try {
            if (match.matches()) {
                long first = Long.parseLong(match.group(1));
                return of(first, match.group(2) == null ? first : Long.parseLong(match.group(2)));
            }
        } catch (NumberFormatException _) {
            // too many digits: the message below says it
        }
        throw new IllegalArgumentException(WORDS.say("isNotAFrameRangeWrite118", text));
    }

    public long count() {
        return last - first + 1;
    }

    public boolean contains(long frame) {
        return frame >= first && frame <= last;
    }

    @JsonValue
    @Override
    public String toString() {
        return first == last ? Long.toString(first) : first + "-" + last;
    }
}
