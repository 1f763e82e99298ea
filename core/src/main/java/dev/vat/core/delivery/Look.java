package dev.vat.core.delivery;

import dev.vat.core.picture.CubeTable;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.Optional;
import java.util.zip.CRC32C;

/**
 * A table of colours in a {@code .cube} file, applied to display-coded red, green and blue.
 *
 * @param path absolute
 * @param crc fingerprint of its text, so that a run notices another table under the same name; null before a run is planned
 */
public record Look(String path, String crc) {

    /** The table of a {@code .cube} file, which isn't read by this. */
    public static Look of(Path file) {
        return new Look(file.toAbsolutePath().normalize().toString(), null);
    }

    /**
     * A table that was read whole, so that nothing that is wrong with it comes up in the middle of a run; with the fingerprint of its text.
     *
     * @param text of the file, in UTF-8
     * @throws IllegalArgumentException naming the file, the line and what is wrong there
     */
    public static Look read(Path file, byte[] text) {
        try {
            CubeTable.parse(new String(text, StandardCharsets.UTF_8));
        } catch (IllegalArgumentException e) {
            throw new IllegalArgumentException(file.getFileName() + ": " + e.getMessage(), e);
        }
        CRC32C crc = new CRC32C();
        crc.update(text);
        return of(file).withCrc("%08x".formatted(crc.getValue()));
    }

    public Look withCrc(String print) {
        return new Look(path, print);
    }

    public String name() {
        return Optional.ofNullable(Path.of(path).getFileName()).map(Path::toString).orElse(path);
    }
}
