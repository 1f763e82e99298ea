package dev.vat.worker.run;

import dev.vat.core.delivery.RoughForecast;
import dev.vat.core.words.Words;
import java.io.IOException;
import java.nio.file.FileStore;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;

/** Looks at the room that is left where a run writes: it holds still before there is none, and goes on when there is some again. */
final class RoomWatch {

    private static final Words WORDS = Words.of(RoomWatch.class);

    /** What encoders and their files still need while nothing more is fed. */
    private static final long RESERVE = 64_000_000;
    private static final int SMALL_SHARE = 20;

    private final Path folder;

    RoomWatch(Path folder) {
        this.folder = folder;
    }

    /** Why nothing more should be written for now, in words. A folder that is gone counts as no room. */
    Optional<String> shortage() {
        return shortage(0);
    }

    /** Likewise before something large is written at once. @param bytes that it takes */
    Optional<String> shortage(long bytes) {
        try {
            FileStore store = Files.getFileStore(folder);
            long reserve = Math.min(RESERVE, store.getTotalSpace() / SMALL_SHARE);
            long free = store.getUsableSpace();
            return free >= reserve + bytes ? Optional.empty()
                    : Optional.of(WORDS.say("theDiskIsFullAreLeftAtThe", RoughForecast.bytes(free), folder,
                            (bytes == 0 ? "" : WORDS.say("areNeededToJoinAFile", RoughForecast.bytes(bytes)))));
        } catch (IOException e) {
            return Optional.of(WORDS.say("theFolderCantBeReachedThe", folder));
        }
    }
}
