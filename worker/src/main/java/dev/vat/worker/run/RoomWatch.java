package dev.vat.worker.run;

import dev.vat.core.delivery.RoughForecast;
import dev.vat.core.words.Words;
import dev.vat.protocol.storage.Room;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.Optional;

/**
 * Looks at where a run writes: it holds still before there is no room left, or while nothing can be written there, and goes on when that is
 * over.
 */
final class RoomWatch {

    private static final Words WORDS = Words.of(RoomWatch.class);

    /** What encoders and their files still need while nothing more is fed. */
    private static final long RESERVE = 64_000_000;
    /** What a journal and its receipts need. */
    private static final long JOURNAL_RESERVE = 1_000_000;
    private static final int SMALL_SHARE = 20;

    private final Path folder;
    private final Path home;

    /** @param folder that the files go to @param home of the run, with its journal */
    RoomWatch(Path folder, Path home) {
        this.folder = folder;
        this.home = home;
    }

    /** Why nothing more should be written for now, in words. A folder that is gone counts as no room. */
    Optional<String> shortage() {
        return shortage(0);
    }

    /** Likewise before something large is written at once. @param bytes that it takes */
    Optional<String> shortage(long bytes) {
        return shortage(folder, RESERVE, bytes).or(() -> shortage(home, JOURNAL_RESERVE, 0));
    }

    private static Optional<String> shortage(Path where, long most, long bytes) {
        try {
            Room room = Room.at(where);
            long reserve = Math.min(most, room.total() / SMALL_SHARE);
            if (room.free() < reserve + bytes) {
                return Optional.of(full(where, room.free(), bytes));
            }
            return Files.isWritable(where) ? Optional.empty() : Optional.of(WORDS.say("nothingCanBeWrittenTo", where));
        } catch (IOException e) {
            return Optional.of(WORDS.say("theFolderCantBeReachedThe", where));
        }
    }

    private static String full(Path where, long free, long bytes) {
        return WORDS.say("theDiskIsFullAreLeftAtThe", RoughForecast.bytes(free), where,
                (bytes == 0 ? "" : WORDS.say("areNeededToJoinAFile", RoughForecast.bytes(bytes))));
    }

    /** What stands in the way, after a trouble that passes with it; it may be over already. */
    String words(Throwable trouble) {
        return shortage().orElseGet(() -> FullDisk.caused(trouble) ? full(folder, folder.toFile().getUsableSpace(), 0)
                : WORDS.say("nothingCanBeWrittenTo", folder));
    }

    /** Whether a trouble passes with what stands in the way: what was being written is written again then. */
    boolean explains(Throwable trouble) {
        return FullDisk.caused(trouble) || shortage().isPresent()
                || trouble instanceof NoSuchFileException gone && gone.getFile() != null && Path.of(gone.getFile()).startsWith(folder);
    }
}
