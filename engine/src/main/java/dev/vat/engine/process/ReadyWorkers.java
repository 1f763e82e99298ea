package dev.vat.engine.process;

import dev.vat.protocol.WorkerRole;
import dev.vat.protocol.storage.Places;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.concurrent.ConcurrentHashMap;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** Worker processes that start while something else still goes on, so that nobody waits for them later. */
final class ReadyWorkers {

    private static final Logger LOG = LoggerFactory.getLogger(ReadyWorkers.class);

    private record Kind(WorkerRole role, Places places, Restraint restraint) {}

    private static final Map<Kind, CompletableFuture<Process>> STARTED = new ConcurrentHashMap<>();

    private ReadyWorkers() {}

    /** Starts one beside whatever goes on. One that nobody takes ends with this process, which is all that it listens to. */
    static void prepare(WorkerRole role, Places places, Restraint restraint) {
        STARTED.computeIfAbsent(new Kind(role, places, restraint), _ -> CompletableFuture.supplyAsync(() -> {
            try {
                return WorkerTransport.inUse().start(role, places, restraint);
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }));
    }

    /** The one that was prepared, or else another. */
    static Process take(WorkerRole role, Places places, Restraint restraint) throws IOException {
        CompletableFuture<Process> started = STARTED.remove(new Kind(role, places, restraint));
        if (started != null) {
            try {
                Process process = started.join();
                if (process.isAlive()) {
                    return process;
                }
            } catch (CompletionException e) {
                LOG.warn("A worker that was to be ready couldn't be started", e);
            }
        }
        return WorkerTransport.inUse().start(role, places, restraint);
    }
}
