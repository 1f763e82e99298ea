package dev.vat.core.picture;

import dev.vat.core.words.Words;

/** Bits of one stored sample, and whether they form a floating-point number. */
public record Depth(int bits, boolean floating) {

    private static final Words WORDS = Words.of(Depth.class);

    public Depth {
        if (bits < 1 || bits > 32) {
            throw new IllegalArgumentException(WORDS.say("samplesHaveFrom1To32Bits", bits));
        }
    }

    public static Depth integer(int bits) {
        return new Depth(bits, false);
    }

    public static Depth floating(int bits) {
        return new Depth(bits, true);
    }

    @Override
    public String toString() {
        return bits + "-bit" + (floating ? " float" : "");
    }
}
