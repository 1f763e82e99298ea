package dev.vat.engine.queue;

import dev.vat.core.words.Words;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.ZonedDateTime;
import java.time.format.DateTimeParseException;

/** When something is to start, as people write it. */
public final class StartTime {

    private static final Words WORDS = Words.of(StartTime.class);

    private StartTime() {}

    /**
     * {@code 18:30}, today or else tomorrow, or {@code 2031-05-04T18:30}, where {@code now} is.
     *
     * @throws IllegalArgumentException naming the text, if it is neither
     */
    public static Instant parse(String text, ZonedDateTime now) {
        String plain = text.strip();
        try {
            if (plain.contains("T")) {
                return LocalDateTime.parse(plain).atZone(now.getZone()).toInstant();
            }
            LocalTime time = LocalTime.parse(plain.length() == 4 ? "0" + plain : plain);
            LocalDate day = time.isAfter(now.toLocalTime()) ? now.toLocalDate() : now.toLocalDate().plusDays(1);
            return day.atTime(time).atZone(now.getZone()).toInstant();
        } catch (DateTimeParseException e) {
            throw new IllegalArgumentException(WORDS.say("isNoTimeWrite1830Or2031", text), e);
        }
    }
}
