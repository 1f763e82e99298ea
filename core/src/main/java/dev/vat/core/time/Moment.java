package dev.vat.core.time;

import dev.vat.core.words.Words;

/** A time as people type it: frames, seconds, samples at 48 kHz, or timecode; it may be below 0. */
public final class Moment {

    private static final Words WORDS = Words.of(Moment.class);

    private static final String FORMS = WORDS.say("writeFramesSuchAs12Seconds");

    private static final int SAMPLES = 48_000;

    private Moment() {}

    /**
     * In seconds, exact.
     *
     * @param rate in which frames and timecode count
     * @throws IllegalArgumentException naming what was typed
     */
    public static Rational parse(String text, Rate rate) {
        String plain = text.strip().replace(',', '.');
        boolean below = plain.startsWith("-");
        String size = below ? plain.substring(1).strip() : plain;
        Rational seconds = seconds(text, size, rate);
        return below ? Rational.ZERO.minus(seconds) : seconds;
    }

    private static Rational seconds(String text, String size, Rate rate) {
        try {
            if (size.endsWith("smp")) {
                return Rational.parse(size.substring(0, size.length() - 3)).dividedBy(Rational.of(SAMPLES));
            }
            if (size.endsWith("s")) {
                return Rational.parse(size.substring(0, size.length() - 1));
            }
            if (size.indexOf(':') >= 0 || size.indexOf(';') >= 0) {
                return rate.seconds(Timecode.parse(size, rate).frame());
            }
            return Rational.parse(size).dividedBy(rate.perSecond());
        } catch (IllegalArgumentException | ArithmeticException e) {
            throw new IllegalArgumentException(WORDS.say("isNoTime", text, FORMS), e);
        }
    }

    /** As it is typed: whole frames as a number, whole samples, or else seconds. */
    public static String words(Rational seconds, Rate rate) {
        Rational frames = seconds.times(rate.perSecond());
        if (frames.isWhole()) {
            return frames.toString();
        }
        Rational samples = seconds.times(SAMPLES);
        return samples.isWhole() ? WORDS.say("smp", samples) : seconds.toDecimal(6) + " s";
    }
}
