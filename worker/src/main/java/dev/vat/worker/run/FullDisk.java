package dev.vat.worker.run;

import dev.vat.media.lib.MediaException;
import java.io.IOException;

/** Tells a full disk from other troubles: it passes, and what was being written then can be written again. */
final class FullDisk {

    /** The library's number for it, that of POSIX's ENOSPC. */
    private static final int NO_ROOM = -28;

    private FullDisk() {}

    static boolean caused(Throwable trouble) {
        return trouble instanceof MediaException media && media.code() == NO_ROOM
                || trouble instanceof IOException && String.valueOf(trouble.getMessage()).contains("No space left");
    }
}
