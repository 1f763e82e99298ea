package dev.vat.core.source;

import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;

/** How many frames to drop at the start, typed as frames ({@code 12}) or seconds ({@code 0.5 s}; a comma will do). */
public final class LeadIn {

    private static final Words WORDS = Words.of(LeadIn.class);

    private LeadIn() {}

    /** @param rate null while none is known: seconds can't be said then */
    public static long parse(String text, Rate rate) {
        String plain = text.strip().replace(',', '.');
        boolean seconds = plain.endsWith("s");
        try {
            Rational value = Rational.parse(seconds ? plain.substring(0, plain.length() - 1).strip() : plain);
            if (seconds && rate == null) {
                throw new IllegalArgumentException(WORDS.say("chooseTheRateFirstWithout"));
            }
            long frames = (seconds ? value.times(rate.perSecond()) : value).round();
            if (frames < 0 || !seconds && !value.isWhole()) {
                throw new IllegalArgumentException(
                        WORDS.say("cantBeSkippedAtTheStart", text));
            }
            return frames;
        } catch (ArithmeticException e) {
            throw new IllegalArgumentException(WORDS.say("cantBeSkippedAtTheStart2", text, e.getMessage()), e);
        }
    }
}
