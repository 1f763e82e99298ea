package dev.vat.core.time;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;
import dev.vat.core.words.Words;
import java.math.BigDecimal;
import java.math.BigInteger;
import java.math.MathContext;

/**
 * An exact fraction of two whole numbers, always in lowest terms with a positive denominator.
 *
 * <p>Every rate, time and aspect in Vat is one of these. Results that don't fit into {@code long} throw
 * {@link ArithmeticException} instead of losing digits.
 */
public record Rational(long numerator, long denominator) implements Comparable<Rational> {

    private static final Words WORDS = Words.of(Rational.class);

    public static final Rational ZERO = new Rational(0, 1);
    public static final Rational ONE = new Rational(1, 1);

    public Rational {
        if (denominator == 0) {
            throw new IllegalArgumentException(WORDS.say("aFractionCantHaveTheDenominator", numerator));
        }
        if (denominator < 0) {
            numerator = Math.negateExact(numerator);
            denominator = Math.negateExact(denominator);
        }
        long divisor = gcd(Math.absExact(numerator), denominator);
        numerator /= divisor;
        denominator /= divisor;
    }

    /** In lowest terms. @throws IllegalArgumentException if the denominator is 0 */
    public static Rational of(long numerator, long denominator) {
        return new Rational(numerator, denominator);
    }

    public static Rational of(long whole) {
        return new Rational(whole, 1);
    }

    /** Reads {@code 25}, {@code 24000/1001}, {@code 16:15} or a decimal such as {@code 12.5}, each taken exactly. */
    @JsonCreator
    public static Rational parse(String text) {
        String trimmed = text.strip();
        try {
            String[] halves = trimmed.split("[/:]", -1);
            if (halves.length == 2) {
                return of(Long.parseLong(halves[0].strip()), Long.parseLong(halves[1].strip()));
            }
            if (halves.length == 1 && trimmed.matches("[+-]?\\d+(\\.\\d+)?")) {
                BigDecimal decimal = new BigDecimal(trimmed);
                return of(decimal.unscaledValue(), BigInteger.TEN.pow(decimal.scale()));
            }
        } catch (NumberFormatException | ArithmeticException _) {
            // falls through to the one message below
        }
        throw new IllegalArgumentException(WORDS.say("notANumberOrAFraction", text));
    }

    private static Rational of(BigInteger numerator, BigInteger denominator) {
        BigInteger divisor = numerator.gcd(denominator).max(BigInteger.ONE);
        return new Rational(numerator.divide(divisor).longValueExact(), denominator.divide(divisor).longValueExact());
    }

    private static BigInteger big(long value) {
        return BigInteger.valueOf(value);
    }

    private static long gcd(long a, long b) {
        while (b != 0) {
            long rest = a % b;
            a = b;
            b = rest;
        }
        return a == 0 ? 1 : a;
    }

    /** @throws ArithmeticException if the exact sum doesn't fit */
    public Rational plus(Rational other) {
        return of(big(numerator).multiply(big(other.denominator)).add(big(other.numerator).multiply(big(denominator))),
                big(denominator).multiply(big(other.denominator)));
    }

    /** @throws ArithmeticException if the exact difference doesn't fit */
    public Rational minus(Rational other) {
        return plus(new Rational(Math.negateExact(other.numerator), other.denominator));
    }

    /** @throws ArithmeticException if the exact product doesn't fit */
    public Rational times(Rational other) {
        return of(big(numerator).multiply(big(other.numerator)), big(denominator).multiply(big(other.denominator)));
    }

    /** @throws ArithmeticException if the exact product doesn't fit */
    public Rational times(long factor) {
        return times(of(factor));
    }

    /** @throws IllegalArgumentException if the other one is 0 @throws ArithmeticException if the exact quotient doesn't fit */
    public Rational dividedBy(Rational other) {
        return times(other.inverse());
    }

    /** One divided by this. @throws IllegalArgumentException if this is 0 */
    public Rational inverse() {
        return new Rational(denominator, numerator);
    }

    public Rational abs() {
        return signum() < 0 ? ZERO.minus(this) : this;
    }

    /** -1, 0 or 1. */
    public int signum() {
        return Long.signum(numerator);
    }

    public boolean isWhole() {
        return denominator == 1;
    }

    /** The greatest whole number that isn't above this. */
    public long floor() {
        return Math.floorDiv(numerator, denominator);
    }

    /** The nearest whole number; a half goes up. */
    public long round() {
        return times(2).plus(ONE).dividedBy(of(2)).floor();
    }

    /** For display only: no time is ever kept in this form. */
    public double toDouble() {
        return (double) numerator / denominator;
    }

    /** Decimal text with at most {@code places} places, without trailing zeros. */
    public String toDecimal(int places) {
        return BigDecimal.valueOf(numerator).divide(BigDecimal.valueOf(denominator), MathContext.DECIMAL128)
                .setScale(places, java.math.RoundingMode.HALF_UP).stripTrailingZeros().toPlainString();
    }

    /** Decimal text with exactly {@code places} places. */
    public String toFixed(int places) {
        return BigDecimal.valueOf(numerator).divide(BigDecimal.valueOf(denominator), MathContext.DECIMAL128)
                .setScale(places, java.math.RoundingMode.HALF_UP).toPlainString();
    }

    @Override
    public int compareTo(Rational other) {
        return big(numerator).multiply(big(other.denominator)).compareTo(big(other.numerator).multiply(big(denominator)));
    }

    @JsonValue
    @Override
    public String toString() {
        return denominator == 1 ? Long.toString(numerator) : numerator + "/" + denominator;
    }
}
