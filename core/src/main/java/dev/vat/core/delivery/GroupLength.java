package dev.vat.core.delivery;

import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** From one self-contained frame to the next (a group of pictures), as people type it: {@code 2 s}, {@code 0.5 s}, {@code 48 frames}. */
public final class GroupLength {

    private static final Words WORDS = Words.of(GroupLength.class);

    private static final Pattern TEXT = Pattern.compile("(\\d{1,4}(?:[.,]\\d{1,3})?)\\s*(s|seconds?|frames?)?");
    private static final Rational LONGEST = Rational.of(10);

    private GroupLength() {}

    /**
     * @param rate of the file, or null while it isn't known; then only seconds can be typed
     * @return seconds, exactly
     * @throws IllegalArgumentException naming what was typed
     */
    public static Rational parse(String text, Rate rate) {
        Matcher m = TEXT.matcher(text.strip());
        if (!m.matches()) {
            throw new IllegalArgumentException(WORDS.say("isNoLengthOfAGroupWrite", text));
        }
        Rational number = Rational.parse(m.group(1).replace(',', '.'));
        boolean frames = m.group(2) != null && m.group(2).startsWith("frame");
        if (frames && (rate == null || !number.isWhole())) {
            throw new IllegalArgumentException(
                    "'" + text + "': " + (rate == null ? WORDS.say("framesNeedARateWhichIsnt") : WORDS.say("framesAreWhole")));
        }
        Rational seconds = frames ? number.dividedBy(rate.perSecond()) : number;
        if (seconds.signum() <= 0 || seconds.compareTo(LONGEST) > 0) {
            throw new IllegalArgumentException(WORDS.say("aGroupLastsFromOneFrame", text.strip()));
        }
        return seconds;
    }

    /** Whole frames from one self-contained frame to the next, at least one. */
    public static long frames(Rational seconds, Rate rate) {
        return Math.max(1, rate.perSecond().times(seconds).round());
    }
}
