package dev.vat.core.handover;

import dev.vat.core.words.Words;
import java.math.BigInteger;

/** A fingerprint as SMPTE ST 2114 writes it: {@code c4} and the SHA-512 of the bytes in 88 figures of base 58. */
final class C4Id {

    private static final Words WORDS = Words.of(C4Id.class);

    private static final String FIGURES = "123456789ABCDEFGHJKLMNPQRSTUVWXYZabcdefghijkmnopqrstuvwxyz";
    private static final BigInteger BASE = BigInteger.valueOf(FIGURES.length());
    private static final int LENGTH = 88;
    private static final int BYTES = 64;

    private C4Id() {}

    /** @param sha512 of what is identified */
    static String of(byte[] sha512) {
        if (sha512.length != BYTES) {
            throw new IllegalArgumentException(WORDS.say("aSHA512HasBytesNot", BYTES, sha512.length));
        }
        StringBuilder figures = new StringBuilder();
        for (BigInteger left = new BigInteger(1, sha512); left.signum() > 0; left = left.divide(BASE)) {
            figures.append(FIGURES.charAt(left.mod(BASE).intValue()));
        }
        while (figures.length() < LENGTH) {
            figures.append(FIGURES.charAt(0));
        }
        return "c4" + figures.reverse();
    }
}
