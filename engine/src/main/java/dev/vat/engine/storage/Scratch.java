package dev.vat.engine.storage;

import dev.vat.protocol.storage.Durable;
import dev.vat.protocol.storage.Places;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.stream.Stream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** What processes that were killed left in Vat's own scratch folder. */
public final class Scratch {

    /** Nothing there is in use for as long as that. */
    private static final Duration STALE = Duration.ofDays(1);
    private static final Logger LOG = LoggerFactory.getLogger(Scratch.class);

    private Scratch() {}

    /** Deletes what is older than a day; what can't be deleted stays for the next time. */
    public static void sweep(Places places) {
        Instant limit = Instant.now().minus(STALE);
        if (!Files.isDirectory(places.scratch())) {
            return;
        }
        try (Stream<Path> entries = Files.list(places.scratch())) {
            entries.forEach(entry -> sweep(entry, limit));
        } catch (IOException | UncheckedIOException e) {
            LOG.info("The scratch folder can't be looked into", e);
        }
    }

    private static void sweep(Path entry, Instant limit) {
        try {
            if (Files.getLastModifiedTime(entry).toInstant().isBefore(limit)) {
                Durable.deleteTree(entry);
            }
        } catch (IOException e) {
            LOG.info("{} stays in the scratch folder", entry.getFileName(), e);
        }
    }
}
