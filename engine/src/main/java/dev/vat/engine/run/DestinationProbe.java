package dev.vat.engine.run;

import dev.vat.core.finding.Observed;
import dev.vat.core.words.Words;
import dev.vat.protocol.storage.Room;
import java.io.IOException;
import java.nio.file.AccessDeniedException;
import java.nio.file.Files;
import java.nio.file.Path;

/** Tries a destination by writing to it, and asks how much room it has. */
public final class DestinationProbe {

    private static final Words WORDS = Words.of(DestinationProbe.class);

    private DestinationProbe() {}

    /** A folder that doesn't exist yet is tried through the nearest one above it that does; nothing is left behind. */
    public static Observed.Destination probe(Path folder) {
        if (folder == null) {
            return Observed.Destination.UNKNOWN;
        }
        Path existing = folder.toAbsolutePath();
        while (existing != null && !Files.exists(existing)) {
            existing = existing.getParent();
        }
        if (existing == null) {
            return new Observed.Destination(folder.toString(), WORDS.say("thereIsNoSuchPlace"), -1);
        }
        if (!Files.isDirectory(existing)) {
            return new Observed.Destination(folder.toString(), WORDS.say("isAFileNotAFolder", existing), -1);
        }
        try {
            Path trial = Files.createTempFile(existing, ".vat-probe-", null);
            Files.delete(trial);
            return new Observed.Destination(folder.toString(), null, Room.at(existing).free());
        } catch (AccessDeniedException _) {
            return new Observed.Destination(folder.toString(), WORDS.say("nothingMayBeWrittenIn", existing), -1);
        } catch (IOException e) {
            return new Observed.Destination(folder.toString(), WORDS.say("writingInFailed", existing, e.getMessage()), -1);
        }
    }
}
