package dev.vat.core.picture;

import com.fasterxml.jackson.annotation.JsonIgnore;
import com.fasterxml.jackson.annotation.JsonInclude;
import dev.vat.core.time.Rate;
import dev.vat.core.words.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/**
 * What a file says about itself beside size and depth; every field may be null, since most files say little.
 *
 * @param rate frames a second (DPX, EXR, movies)
 * @param timecode of this very frame, HH:MM:SS:FF (DPX, EXR), or of the first one (movies)
 * @param colour the colour hints in words: {@code sRGB}, {@code gamma 1/2.2}, {@code BT.2020, PQ}
 * @param primaries and {@code transfer}: code points of ITU-T H.273; null where nothing is stated
 * @param own colours that no code point stands for, where they can be converted all the same; it goes before the code points
 * @param foreign what of the colour hints no conversion knows, in words: {@code ICC profile Marram display}, {@code logarithmic}
 * @param turned in words, how the stored picture is turned or mirrored: {@code turned right}; null for one that is upright
 * @param window in words, where the stored window isn't the shown one (EXR)
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record Stated(Rate rate, String timecode, String colour, Integer primaries, Integer transfer, OwnColour own, String foreign,
        String window, String turned) {

    private static final Words WORDS = Words.of(Stated.class);

    /** Curves whose values are kept as they are: those of Rec.709, Rec.601 and Rec.2020, sRGB's and a power of 2.2. */
    private static final Set<Integer> SHOWN_ALIKE = Set.of(1, 4, 6, 13, 14, 15);

    public static final Stated NOTHING = new Stated(null, null, null, null, null, null, null, null, null);

    public static Stated ofColour(String colour, Integer primaries, Integer transfer) {
        return new Stated(null, null, colour, primaries, transfer, null, null, null, null);
    }

    public Stated withTime(Rate otherRate, String otherTimecode) {
        return new Stated(otherRate, otherTimecode, colour, primaries, transfer, own, foreign, window, turned);
    }

    /** The same with each field a frame. */
    public Stated atTwiceTheRate() {
        return rate == null ? this : withTime(new Rate(rate.perSecond().times(2)), timecode);
    }

    public Stated withForeign(String words) {
        return new Stated(rate, timecode, colour, primaries, transfer, own, words, window, turned);
    }

    /** The same with a way from its values to light. */
    public Stated withOwn(OwnColour other) {
        return new Stated(rate, timecode, colour, primaries, transfer, other, foreign, window, turned);
    }

    /** Whether the colours are other than those of Rec.709, with its curve or one that is shown alike. */
    @JsonIgnore
    public boolean isOfOtherColour() {
        boolean other = primaries != null && primaries != 1;
        boolean curve = transfer != null && !SHOWN_ALIKE.contains(transfer);
        return foreign != null || own != null || other || curve;
    }

    public Stated withWindow(String other) {
        return new Stated(rate, timecode, colour, primaries, transfer, own, foreign, other, turned);
    }

    public Stated withTurned(String words) {
        return new Stated(rate, timecode, colour, primaries, transfer, own, foreign, window, words);
    }

    @JsonIgnore
    public boolean isNothing() {
        return equals(NOTHING);
    }

    /** In words, empty if nothing is stated: {@code 24 a second, timecode 01:00:00:00, sRGB}. */
    public String describe() {
        List<String> words = new ArrayList<>();
        if (rate != null) {
            words.add(WORDS.say("aSecond", rate.label()));
        }
        if (timecode != null) {
            words.add(WORDS.say("timecode", timecode));
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
