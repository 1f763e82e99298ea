package dev.vat.worker.run;

import dev.vat.media.lib.MediaException;
import java.io.IOException;
import java.util.stream.Stream;

/** Tells a full disk from other troubles: it passes, and what was being written then can be written again. */
final class FullDisk {

    /** The library's numbers for it, those of POSIX's ENOSPC and EDQUOT. */
    private static final int NO_ROOM = -28;
    private static final int OVER_QUOTA = -122;

    private FullDisk() {}

    /** Whether it is what a trouble comes from, however that was told on. */
    static boolean caused(Throwable trouble) {
        return Stream.iterate(trouble, t -> t != null, Throwable::getCause).anyMatch(FullDisk::is);
    }

    private static boolean is(Throwable trouble) {
        return switch (trouble) {
            case MediaException media -> media.code() == NO_ROOM || media.code() == OVER_QUOTA;
            case IOException io -> Stream.of("No space left", "Disk quota exceeded", "not enough space on the disk")
                    .anyMatch(String.valueOf(io.getMessage())::contains);
            default -> false;
        };
    }
}
