package dev.vat.core.trial;

import dev.vat.core.words.Words;

/**
 * A figure that isn't known yet, and where it lies nine times of ten.
 *
 * @param low not below this
 * @param middle as likely above as below
 * @param high not above this
 */
public record Estimate(double low, double middle, double high) {

    private static final Words WORDS = Words.of(Estimate.class);

    public Estimate {
        if (!(low <= middle && middle <= high)) {
            throw new IllegalArgumentException(WORDS.say("anEstimateAscends", low, middle, high));
        }
    }

    /** What is known as it is. */
    public static Estimate exactly(double value) {
        return new Estimate(value, value, value);
    }

    /** @param share of the middle that it may be off either way, as a factor: 0.1 is from a tenth less to a tenth more */
    public static Estimate within(double middle, double share) {
        return new Estimate(middle / (1 + share), middle, middle * (1 + share));
    }

    public boolean holds(double value) {
        return value >= low && value <= high;
    }

    /** Errors of one side are taken to come together: the sum is never called surer than its parts. */
    public Estimate plus(Estimate other) {
        return new Estimate(low + other.low, middle + other.middle, high + other.high);
    }

    /** With something added that is known for sure, in the same unit. */
    public Estimate plus(double known) {
        return new Estimate(low + known, middle + known, high + known);
    }

    /** All of it so many times; the factor is positive. */
    public Estimate times(double factor) {
        return new Estimate(low * factor, middle * factor, high * factor);
    }

    /** The same where something else sets a bound. */
    public Estimate atMost(double bound) {
        return new Estimate(Math.min(low, bound), Math.min(middle, bound), Math.min(high, bound));
    }
}
