package dev.vat.protocol.storage;

import java.io.File;
import java.io.IOException;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;

/**
 * How much room there is where a file or folder lies, in bytes. It is asked of the place itself: {@link java.nio.file.FileStore} wants to
 * know its mount point, which isn't told in a changed root or a sandbox.
 *
 * @param free for this user
 * @param total of the whole disk
 */
public record Room(long free, long total) {

    /** @throws IOException if it can't be asked there */
    public static Room at(Path place) throws IOException {
        File file = place.toFile();
        long total = file.getTotalSpace();
        if (total == 0) {
            throw new NoSuchFileException(place.toString());
        }
        return new Room(file.getUsableSpace(), total);
    }
}
