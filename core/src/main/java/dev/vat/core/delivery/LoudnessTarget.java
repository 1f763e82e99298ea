package dev.vat.core.delivery;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;
import dev.vat.core.words.Words;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * How loud a file's sound is to be, after EBU R 128 and ITU-R BS.1770: brought there by one gain for all of it, and by less where
 * its peaks are in the way.
 *
 * @param integrated loudness of the whole, in LUFS, from -60 to -5
 * @param mostPeak true peak that isn't passed, in dBTP, from -20 to 0
 */
public record LoudnessTarget(double integrated, double mostPeak) {

    private static final Words WORDS = Words.of(LoudnessTarget.class);

    /** Of broadcast in Europe. */
    public static final LoudnessTarget EBU_R128 = new LoudnessTarget(-23, -1);
    /** Usual on the web. */
    public static final LoudnessTarget WEB = new LoudnessTarget(-14, -1);

    private static final String NUMBER = "([-\u2212]?\\d+(?:[.,]\\d+)?)";
    private static final Pattern TEXT = Pattern.compile(NUMBER + "\\s*(?:LUFS)?\\s*(?:,?\\s*at most\\s*" + NUMBER + "\\s*(?:dBTP)?)?",
            Pattern.CASE_INSENSITIVE);

    public LoudnessTarget {
        if (!(integrated >= -60 && integrated <= -5)) {
            throw new IllegalArgumentException(WORDS.say("soundIsSetToALoudnessFrom", integrated));
        }
        if (!(mostPeak >= -20 && mostPeak <= 0)) {
            throw new IllegalArgumentException(WORDS.say("theHighestTruePeakIsFrom", mostPeak));
        }
    }

    /** {@code -23}, {@code -16 LUFS, at most -2 dBTP}. */
    @JsonCreator
    public static LoudnessTarget parse(String text) {
        Matcher match = TEXT.matcher(text.strip());
        if (!match.matches()) {
            throw new IllegalArgumentException(WORDS.say("isNoLoudnessWrite23Or16", text));
        }
        return new LoudnessTarget(number(match.group(1)), match.group(2) == null ? EBU_R128.mostPeak : number(match.group(2)));
    }

    private static double number(String text) {
        return Double.parseDouble(text.replace(',', '.').replace('\u2212', '-'));
    }

    @Override
    @JsonValue
    public String toString() {
        // What is stored and typed, and so the same in every language.
        return Words.decimal(integrated, 1) + " LUFS, at most " + Words.decimal(mostPeak, 1) + " dBTP";
    }
}
