package dev.vat.desktop.look;

import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.Locale;

/** Moments as people say them, where they are. */
public final class Moments {

    private static final DateTimeFormatter SAID = DateTimeFormatter.ofPattern("d MMM, HH:mm", Locale.ENGLISH);
    private static final DateTimeFormatter DATED = DateTimeFormatter.ofPattern("uuuu-MM-dd HH:mm z", Locale.ROOT);

    private Moments() {}

    /** {@code 4 May, 12:30}. @param instant ISO 8601 in UTC */
    public static String said(String instant) {
        return in(instant, SAID);
    }

    /** {@code 2031-05-04 12:30 CEST}. @param instant ISO 8601 in UTC */
    public static String dated(String instant) {
        return in(instant, DATED);
    }

    private static String in(String instant, DateTimeFormatter format) {
        return format.format(Instant.parse(instant).atZone(ZoneId.systemDefault()));
    }
}
