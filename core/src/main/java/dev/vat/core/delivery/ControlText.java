package dev.vat.core.delivery;

import dev.vat.core.time.Rational;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Rate controls as they are read and typed; what is said can be typed again. */
final class ControlText {

    private static final Pattern CONTROL = Pattern.compile("(?:(?:[a-z ]*\\()?(?<number>\\d{1,3})\\)?(?:\\s*,?\\s*at "
            + "most\\s+(?<cap>.+?)(?:\\s+over\\s+(?<over>\\d{1,2}(?:[.,]\\d{1,2})?)\\s*s)?)?"
            + "|(?:file of )?(?<bytes>[\\d.,]+\\s*[kmgKMG]B)"
            + "|(?:(?<word>average|constant)\\s+)?(?<rate>[\\d.,]+\\s*[kmgKMG](?:bit/s)?)(?<twice>,? (?:in )?two passes)?)");

    private ControlText() {}

    static String words(Codec codec, RateControl control) {
        return switch (control) {
            case RateControl.ByProfile _ -> "set by the profile";
            case RateControl.Lossless _ -> "without loss";
            case RateControl.Constant(int number) -> quality(codec, number);
            case RateControl.Average(long bits) -> "average " + BitRate.format(bits);
            case RateControl.TwoPass(long bits) -> "average " + BitRate.format(bits) + " in two passes";
            case RateControl.FileSize(long bytes) -> "file of " + RoughForecast.bytes(bytes);
            case RateControl.Steady(long bits) -> "constant " + BitRate.format(bits);
            case RateControl.Capped(int number, long bits, long buffer) -> quality(codec, number) + ", at most " + BitRate.format(bits)
                    + (buffer == bits ? "" : " over " + Rational.of(buffer, bits).toDecimal(2) + " s");
        };
    }

    private static String quality(Codec codec, int number) {
        return codec.quality().words(number) + " (" + number + ")";
    }

    static RateControl parse(Codec codec, String text) {
        Matcher m = CONTROL.matcher(text.strip());
        if (!m.matches()) {
            throw new IllegalArgumentException("'" + text + "' is neither a quality, a bit rate nor a size: write 17, average 8 "
                    + "Mbit/s, constant 8 Mbit/s, "
                    + "8 Mbit/s in two passes, 25 MB, or 20, at most 12 Mbit/s");
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
                throw new IllegalArgumentException("A constant bit rate is the same everywhere: a first pass would find nothing");
            }
            return new RateControl.TwoPass(bits);
        }
        return "constant".equals(m.group("word")) ? new RateControl.Steady(bits) : new RateControl.Average(bits);
    }

    static RateControl.FileSize fileSize(String text) {
        Matcher m = CONTROL.matcher(text.strip());
        if (!m.matches() || m.group("bytes") == null) {
            throw new IllegalArgumentException("'" + text + "' is no size of a file: write 25 MB, or 1.4 GB");
        }
        return ofBytes(m.group("bytes"));
    }

    /** Decimal units, as everywhere. */
    private static RateControl.FileSize ofBytes(String text) {
        return new RateControl.FileSize(BitRate.parse(text.substring(0, text.length() - 1)));
    }
}
