package dev.vat.core.delivery;

import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Rate controls as they are read and typed; what is said can be typed again. */
final class ControlText {

    private static final Words WORDS = Words.of(ControlText.class);

    private static final Pattern CONTROL = Pattern.compile("(?:(?:[a-z ]*\\()?(?<number>\\d{1,3})\\)?(?:\\s*,?\\s*at "
            + "most\\s+(?<cap>.+?)(?:\\s+over\\s+(?<over>\\d{1,2}(?:[.,]\\d{1,2})?)\\s*s)?)?"
            + "|(?:file of )?(?<bytes>[\\d.,]+\\s*[kmgKMG]B)"
            + "|(?:(?<word>average|constant)\\s+)?(?<rate>[\\d.,]+\\s*[kmgKMG](?:bit/s)?)(?<twice>,? (?:in )?two passes)?)");

    private ControlText() {}

    static String words(Codec codec, RateControl control) {
        return switch (control) {
            case RateControl.ByProfile _ -> WORDS.say("setByTheProfile");
            case RateControl.Lossless _ -> WORDS.say("withoutLoss");
            case RateControl.Constant(int number) -> quality(codec, number);
            case RateControl.Average(long bits) -> WORDS.say("average", BitRate.format(bits));
            case RateControl.TwoPass(long bits) -> WORDS.say("averageInTwoPasses", BitRate.format(bits));
            case RateControl.FileSize(long bytes) -> WORDS.say("fileOf", RoughForecast.bytes(bytes));
            case RateControl.Steady(long bits) -> WORDS.say("constant", BitRate.format(bits));
            case RateControl.Capped(int number, long bits, long buffer) -> WORDS.say("atMost", quality(codec, number), BitRate.format(bits),
                    (buffer == bits ? "" : WORDS.say("overS", Rational.of(buffer, bits).toDecimal(2))));
        };
    }

    private static String quality(Codec codec, int number) {
        return codec.quality().words(number) + " (" + number + ")";
    }

    static RateControl parse(Codec codec, String text) {
        Matcher m = CONTROL.matcher(text.strip());
        if (!m.matches()) {
            throw new IllegalArgumentException(WORDS.say("isNeitherAQualityABitRate", text));
        }
        RateControl typed = m.group("number") != null ? ofQuality(m) : m.group("bytes") != null ? ofBytes(m.group("bytes")) : ofRate(m);
        Legality.against(codec, typed).ifPresent(why -> {
            throw new IllegalArgumentException(why);
        });
        return typed;
    }

    private static RateControl ofQuality(Matcher m) {
        int number = Integer.parseInt(m.group("number"));
        if (m.group("cap") == null) {
            return new RateControl.Constant(number);
        }
        long cap = BitRate.parse(m.group("cap"));
        Rational over = m.group("over") == null ? Rational.ONE : Rational.parse(m.group("over").replace(',', '.'));
        return new RateControl.Capped(number, cap, over.times(cap).round());
    }

    private static RateControl ofRate(Matcher m) {
        long bits = BitRate.parse(m.group("rate"));
        if (m.group("twice") != null) {
            if ("constant".equals(m.group("word"))) {
                throw new IllegalArgumentException(WORDS.say("aConstantBitRateIsTheSame"));
            }
            return new RateControl.TwoPass(bits);
        }
        return "constant".equals(m.group("word")) ? new RateControl.Steady(bits) : new RateControl.Average(bits);
    }

    static RateControl.FileSize fileSize(String text) {
        Matcher m = CONTROL.matcher(text.strip());
        if (!m.matches() || m.group("bytes") == null) {
            throw new IllegalArgumentException(WORDS.say("isNoSizeOfAFileWrite25MB", text));
        }
        return ofBytes(m.group("bytes"));
    }

    /** Decimal units, as everywhere. */
    private static RateControl.FileSize ofBytes(String text) {
        return new RateControl.FileSize(BitRate.parse(text.substring(0, text.length() - 1)));
    }
}
