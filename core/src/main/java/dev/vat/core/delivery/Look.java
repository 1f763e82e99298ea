package dev.vat.core.delivery;

import java.nio.file.Path;
import java.util.Optional;

/**
 * A table of colours in a {@code .cube} file, applied to display-coded red, green and blue.
 *
 * @param path absolute
 * @param crc fingerprint of its text, so that a run notices another table under the same name; null before a run is planned
 */
public record Look(String path, String crc) {

    public static Look of(Path file) {
        return new Look(file.toAbsolutePath().normalize().toString(), null);
    }

    public Look withCrc(String print) {
        return new Look(path, print);
    }

    public String name() {
        return Optional.ofNullable(Path.of(path).getFileName()).map(Path::toString).orElse(path);
    }
}
