package dev.vat.core.delivery;

import dev.vat.core.words.Words;
import java.math.BigDecimal;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Bit rates as people write them: {@code 8 Mbit/s}, {@code 800k}; decimal units. */
public final class BitRate {

    private static final Words WORDS = Words.of(BitRate.class);

    private static final Pattern TEXT = Pattern.compile("(\\d+(?:\\.\\d+)?)\\s*([kmg]?)(?:bit/s|bps|b/s)?", Pattern.CASE_INSENSITIVE);

    private BitRate() {}

    /** A bare number is taken as Mbit/s; a comma is a decimal point too. @throws IllegalArgumentException naming the text */
    public static long parse(String text) {
        Matcher m = TEXT.matcher(text.strip().replace(',', '.'));
        if (!m.matches()) {
            throw new IllegalArgumentException(WORDS.say("isNotABitRateWrite8Mbit", text));
        }
        long unit = switch (m.group(2).toLowerCase(Locale.ROOT)) {
            case "k" -> 1_000L;
            case "g" -> 1_000_000_000L;
            default -> 1_000_000L;
        };
        return new BigDecimal(m.group(1)).multiply(BigDecimal.valueOf(unit)).longValue();
    }

    public static String format(long bitsPerSecond) {
        boolean mega = bitsPerSecond >= 1_000_000;
        BigDecimal value = BigDecimal.valueOf(bitsPerSecond).divide(BigDecimal.valueOf(mega ? 1_000_000 : 1_000)).stripTrailingZeros();
        return value.toPlainString() + (mega ? " Mbit/s" : " kbit/s");
    }
}
