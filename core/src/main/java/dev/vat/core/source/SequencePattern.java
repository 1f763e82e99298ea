package dev.vat.core.source;

import com.fasterxml.jackson.annotation.JsonIgnore;
import com.fasterxml.jackson.annotation.JsonInclude;
import dev.vat.core.words.Words;
import java.util.Locale;

/**
 * How the file names of a source are made: {@code before}, the number with at least {@code digits} digits, {@code after}.
 *
 * @param digits 1 means that numbers aren't padded with zeros, 0 that there is no number: the one file {@code before}
 *     holds everything
 * @param signCounts whether the minus of a number below zero counts as one of the digits: {@code -003} beside {@code 0003}
 */
@JsonInclude(JsonInclude.Include.NON_DEFAULT)
public record SequencePattern(String before, @JsonInclude int digits, String after, boolean signCounts) {

    private static final Words WORDS = Words.of(SequencePattern.class);

    public SequencePattern {
        if (digits < 0 || digits > 18) {
            throw new IllegalArgumentException(WORDS.say("aNumberHasFrom0To18Digits", digits));
        }
        after = after == null ? "" : after;
    }

    public SequencePattern(String before, int digits, String after) {
        this(before, digits, after, false);
    }

    /** One file that holds all frames, such as a movie clip. */
    public static SequencePattern single(String fileName) {
        return new SequencePattern(fileName, 0, "", false);
    }

    /** Whether all frames lie in one file. */
    @JsonIgnore
    public boolean isSingle() {
        return digits == 0;
    }

    /** With another text after the number, such as {@code .PNG} for {@code .png}; null for its own. */
    public SequencePattern withAfter(String other) {
        return other == null || other.equals(after) ? this : new SequencePattern(before, digits, other, signCounts);
    }

    /** What both stand for is the same, but for upper and lower case of what names end in. */
    public boolean isLike(SequencePattern other) {
        return before.equals(other.before) && endingLowered(after).equals(endingLowered(other.after));
    }

    /** {@code _Beach.exr} for {@code _Beach.EXR}: the case of an ending tells no sequences apart. */
    static String endingLowered(String name) {
        int dot = name.lastIndexOf('.');
        return dot < 0 ? name : name.substring(0, dot) + name.substring(dot).toLowerCase(Locale.ROOT);
    }

    public String fileName(long number) {
        return isSingle() ? before : before + number(number) + after;
    }

    /** The number with this pattern's padding, as it stands in file names: {@code 0412}. */
    public String number(long number) {
        String plain = Long.toString(Math.abs(number));
        int wanted = number < 0 && signCounts ? digits - 1 : digits;
        String padded = plain.length() >= wanted ? plain : "0".repeat(wanted - plain.length()) + plain;
        return number < 0 ? "-" + padded : padded;
    }

    /** For people: the digits as {@code #}, {@code sh010.####.png}. */
    @JsonIgnore
    public String name() {
        return before + "#".repeat(digits) + after;
    }

    /** A short name for a programme made of this: what stands before the number, without the marks that join it. */
    @JsonIgnore
    public String baseName() {
        if (isSingle()) {
            return before.replaceFirst("\\.[^.]*$", "");
        }
        String base = before.replaceFirst("[ ._-]+$", "");
        return base.isBlank() ? after.replaceFirst("\\.[^.]*$", "").replaceFirst("^[ ._-]+", "") : base;
    }
}
