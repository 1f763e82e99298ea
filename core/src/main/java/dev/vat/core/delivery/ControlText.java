package dev.vat.core.delivery;

import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Rate controls as they are read and typed; what is said can be typed again. */
final class ControlText {

    private static final Pattern CONTROL = Pattern.compile("(?:(?:[a-z ]*\\()?(?<number>\\d{1,3})\\)?(?:\\s*,?\\s*at most\\s+(?<cap>.+))?"
            + "|(?:(?<word>average|constant)\\s+)?(?<rate>[\\d.,]+\\s*[kmgKMG](?:bit/s)?))");

    private ControlText() { }

    static String words(Codec codec, RateControl control) {
        return switch (control) {
            case RateControl.ByProfile _ -> "set by the profile";
            case RateControl.Lossless _ -> "without loss";
            case RateControl.Constant(int number) -> quality(codec, number);
            case RateControl.Average(long bits) -> "average " + BitRate.format(bits);
            case RateControl.Steady(long bits) -> "constant " + BitRate.format(bits);
            case RateControl.Capped(int number, long bits, long _) -> quality(codec, number) + ", at most " + BitRate.format(bits);
        };
    }

    private static String quality(Codec codec, int number) {
        return codec.quality().words(number) + " (" + number + ")";
    }

    static RateControl parse(Codec codec, String text) {
        Matcher m = CONTROL.matcher(text.strip());
        if (!m.matches()) {
            throw new IllegalArgumentException("'" + text + "' is neither a quality nor a bit rate: write 17, average 8 Mbit/s, constant 8 Mbit/s, or 20, at most 12 Mbit/s");
        }
        RateControl typed = m.group("number") != null ? ofQuality(m) : ofRate(m);
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
        return new RateControl.Capped(number, cap, cap);
    }

    private static RateControl ofRate(Matcher m) {
        long bits = BitRate.parse(m.group("rate"));
        return "constant".equals(m.group("word")) ? new RateControl.Steady(bits) : new RateControl.Average(bits);
    }
}
