package dev.vat.media;

import dev.vat.core.delivery.Look;
import dev.vat.core.picture.CubeTable;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.zip.CRC32C;

/** Tables of colours in {@code .cube} files, as they lie on disk. */
public final class Looks {

    private Looks() { }

    /**
     * Reads a table whole, so that nothing that is wrong with it comes up in the middle of a run.
     *
     * @return the look with the fingerprint of its text
     * @throws IOException saying in words, with the line, why it can't be used
     */
    public static Look check(Path file) throws IOException {
        byte[] data = Files.readAllBytes(file);
        try {
            CubeTable.parse(new String(data, StandardCharsets.UTF_8));
        } catch (IllegalArgumentException e) {
            throw new IOException(file.getFileName() + ": " + e.getMessage(), e);
        }
        CRC32C crc = new CRC32C();
        crc.update(data);
        return Look.of(file).withCrc("%08x".formatted(crc.getValue()));
    }

    /** Whether a look is a table in three dimensions, and not three curves. */
    static boolean isCube(Look look) {
        try {
            return CubeTable.parse(Files.readString(Path.of(look.path()))).isCube();
        } catch (IOException e) {
            throw new MediaException("The look " + look.name() + " can't be read: " + e.getMessage(), 0);
        }
    }
}
