package dev.vat.core.picture;

/** Bits of one stored sample, and whether they form a floating-point number. */
public record Depth(int bits, boolean floating) {

    public Depth {
        if (bits < 1 || bits > 32) {
            throw new IllegalArgumentException("Samples have from 1 to 32 bits, not " + bits);
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
