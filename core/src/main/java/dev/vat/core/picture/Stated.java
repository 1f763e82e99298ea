package dev.vat.core.picture;

import com.fasterxml.jackson.annotation.JsonIgnore;
import com.fasterxml.jackson.annotation.JsonInclude;
import dev.vat.core.time.Rate;
import java.util.ArrayList;
import java.util.List;

/**
 * What a file says about itself beside size and depth; every field may be null, since most files say little.
 *
 * @param rate frames a second (DPX, EXR, movies)
 * @param timecode of this very frame, HH:MM:SS:FF (DPX, EXR), or of the first one (movies)
 * @param colour the colour hints in words: {@code sRGB}, {@code gamma 1/2.2}, {@code BT.2020, PQ}
 * @param primaries and {@code transfer}: code points of ITU-T H.273; null where nothing is stated
 * @param window in words, where the stored window isn't the shown one (EXR)
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record Stated(Rate rate, String timecode, String colour, Integer primaries, Integer transfer, String window) {

    public static final Stated NOTHING = new Stated(null, null, null, null, null, null);

    public static Stated ofColour(String colour, Integer primaries, Integer transfer) {
        return new Stated(null, null, colour, primaries, transfer, null);
    }

    public Stated withTime(Rate otherRate, String otherTimecode) {
        return new Stated(otherRate, otherTimecode, colour, primaries, transfer, window);
    }

    public Stated withWindow(String other) {
        return new Stated(rate, timecode, colour, primaries, transfer, other);
    }

    @JsonIgnore
    public boolean isNothing() {
        return equals(NOTHING);
    }

    /** In words, empty if nothing is stated: {@code 24 a second, timecode 01:00:00:00, sRGB}. */
    public String describe() {
        List<String> words = new ArrayList<>();
        if (rate != null) {
            words.add(rate.label() + " a second");
        }
        if (timecode != null) {
            words.add("timecode " + timecode);
        }
        if (colour != null) {
            words.add(colour);
        }
        if (window != null) {
            words.add(window);
        }
        return String.join(", ", words);
    }
}
