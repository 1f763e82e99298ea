package dev.vat.core.source;

import com.fasterxml.jackson.annotation.JsonIgnore;

/**
 * How the file names of a sequence are made: {@code before}, the number with at least {@code digits} digits, {@code after}.
 *
 * @param digits 1 means that numbers aren't padded with zeros
 */
public record SequencePattern(String before, int digits, String after) {

    public SequencePattern {
        if (digits < 1 || digits > 18) {
            throw new IllegalArgumentException("A number has from 1 to 18 digits, not " + digits);
        }
    }

    public String fileName(long number) {
        return before + number(number) + after;
    }

    /** The number with this pattern's padding, as it stands in file names: {@code 0412}. */
    public String number(long number) {
        String plain = Long.toString(number);
        return plain.length() >= digits ? plain : "0".repeat(digits - plain.length()) + plain;
    }

    /** For people: the digits as {@code #}, {@code sh010.####.png}. */
    @JsonIgnore
    public String name() {
        return before + "#".repeat(digits) + after;
    }

    /** A short name for a programme made of this: what stands before the number, without the marks that join it. */
    @JsonIgnore
    public String baseName() {
        String base = before.replaceFirst("[ ._-]+$", "");
        return base.isBlank() ? after.replaceFirst("\\.[^.]*$", "").replaceFirst("^[ ._-]+", "") : base;
    }
}
