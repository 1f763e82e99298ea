package dev.vat.core.delivery;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;
import dev.vat.core.words.Words;
import java.math.BigDecimal;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/**
 * The display on which HDR pictures were judged, as SMPTE ST 2086 states it: its primaries with white at D65, and its darkest and brightest
 * light.
 *
 * @param least black, in ten-thousandths of a cd/m2, from 1 to 50,000
 * @param most white, in whole cd/m2, from 5 to 10,000
 */
public record MasteringDisplay(Primaries primaries, int least, int most) {

    private static final Words WORDS = Words.of(MasteringDisplay.class);

    /** Chromaticities are counted in fifty-thousandths. */
    public static final int POINT_UNIT = 50_000;
    /** Light is counted in ten-thousandths of a cd/m2. */
    public static final int LIGHT_UNIT = 10_000;
    private static final Pattern TEXT = Pattern.compile("(?<primaries>[a-z0-9.]+)[, ]\\s*(?:(?<least>\\d+(?:[.,]\\d{1,4})?)\\s*to\\s+)?"
            + "(?<most>\\d{1,5})\\s*(?:cd/m(?:2|\u00b2)|nits?)?", Pattern.CASE_INSENSITIVE);

    /** Red, green and blue as x and y, in fifty-thousandths as ST 2086 counts them. */
    public enum Primaries {
        P3("P3", 34_000, 16_000, 13_250, 34_500, 7_500, 3_000),
        REC2020("Rec.2020", 35_400, 14_600, 8_500, 39_850, 6_550, 2_300),
        REC709("Rec.709", 32_000, 16_500, 15_000, 30_000, 7_500, 3_000);

        private final String title;
        private final List<Integer> points;

        Primaries(String title, Integer... points) {
            this.title = title;
            this.points = List.of(points);
        }

        static Primaries parse(String text) {
            String plain = text.toLowerCase(Locale.ROOT).replace(".", "");
            for (Primaries one : values()) {
                if (one.name().toLowerCase(Locale.ROOT).equals(plain)) {
                    return one;
                }
            }
            throw new IllegalArgumentException(WORDS.say("noSuchPrimaries", text));
        }
    }

    /** D65, in the same units. */
    private static final List<Integer> WHITE = List.of(15_635, 16_450);

    public MasteringDisplay {
        if (least < 1 || least > 50_000 || most < 5 || most > 10_000) {
            throw new IllegalArgumentException(WORDS.say("lightIsFromTo", BigDecimal.valueOf(least, 4).toPlainString(), most));
        }
    }

    /** {@code P3, 1000 cd/m2}, {@code Rec.2020, 0.005 to 4000}; black is 0.0001 where nobody says. */
    @JsonCreator
    public static MasteringDisplay parse(String text) {
        Matcher m = TEXT.matcher(text.strip());
        if (!m.matches()) {
            throw new IllegalArgumentException(WORDS.say("isNoDisplay", text));
        }
        int least = m.group("least") == null ? 1
                : new BigDecimal(m.group("least").replace(',', '.')).movePointRight(4).min(BigDecimal.valueOf(Integer.MAX_VALUE))
                        .intValue();
        return new MasteringDisplay(Primaries.parse(m.group("primaries")), least, Integer.parseInt(m.group("most")));
    }

    /**
     * As the standard counts it: x and y of red, green, blue and white in fifty-thousandths, then its most and its least light in
     * ten-thousandths of a cd/m2.
     */
    public List<Long> units() {
        List<Integer> p = primaries.points;
        return Stream
                .of(p.get(0), p.get(1), p.get(2), p.get(3), p.get(4), p.get(5), WHITE.getFirst(), WHITE.getLast(), most * LIGHT_UNIT, least)
                .map(Integer::longValue).toList();
    }

    @Override
    @JsonValue
    public String toString() {
        // What is stored and typed, and so the same in every language.
        return primaries.title + ", " + BigDecimal.valueOf(least, 4).stripTrailingZeros().toPlainString() + " to " + most + " cd/m2";
    }
}
