package dev.vat.desktop.preview;

import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.Locale;

/** Moments as people say them, where they are. */
final class Moments {

    private static final DateTimeFormatter SAID = DateTimeFormatter.ofPattern("d MMM, HH:mm", Locale.ENGLISH);

    private Moments() {}

    /** @param instant ISO 8601 in UTC */
    static String said(String instant) {
        return SAID.format(Instant.parse(instant).atZone(ZoneId.systemDefault()));
    }
}
