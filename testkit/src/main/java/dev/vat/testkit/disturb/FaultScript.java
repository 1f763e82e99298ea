package dev.vat.testkit.disturb;

import dev.vat.protocol.storage.Places;
import dev.vat.worker.job.Steps;
import java.io.IOException;
import java.lang.foreign.MemorySegment;
import java.lang.foreign.ValueLayout;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.List;

/**
 * What is to go wrong in worker processes: lines {@code crash STEP}, {@code hang STEP} (once: the next process finds nothing planted),
 * {@code throw STEP} and {@code overflow STEP}, where a step is what {@link Steps} tells of, such as {@code encode web-h264 40}. As long
 * as a script is planted, workers start as {@link DisturbedWorker}.
 */
public final class FaultScript implements AutoCloseable, Steps.Listener {

    /** The system property that names another main class for workers. */
    private static final String MAIN_CLASS = "vat.worker.main";
    private static final String FILE = "faults";

    /** Thrown where a script says so: no exception that anybody foresees. */
    public static final class Planted extends Error {
        private static final long serialVersionUID = 1L;

        Planted(String step) {
            super("planted at " + step);
        }
    }

    private final Path file;

    private FaultScript(Path file) {
        this.file = file;
    }

    /** For workers that keep their files in those places, until it is closed. */
    public static FaultScript plant(Places places, String... lines) throws IOException {
        FaultScript script = new FaultScript(places.scratch().resolve(FILE));
        Files.createDirectories(places.scratch());
        Files.write(script.file, List.of(lines));
        System.setProperty(MAIN_CLASS, DisturbedWorker.class.getName());
        return script;
    }

    /** In a worker, whose own folder is where the script lies. */
    static FaultScript ofThisProcess() {
        return new FaultScript(Path.of(FILE));
    }

    /** Goes wrong, if something is planted at a step; looked up anew each time, since scripts are taken back while a worker goes on. */
    @Override
    public void before(String step) throws InterruptedException {
        for (String line : lines()) {
            int space = line.indexOf(' ');
            if (space > 0 && line.substring(space + 1).equals(step)) {
                disturb(line.substring(0, space), step);
            }
        }
    }

    private List<String> lines() {
        try {
            return Files.readAllLines(file);
        } catch (NoSuchFileException _) {
            return List.of();
        } catch (IOException e) {
            throw new IllegalStateException("The script of faults can't be read", e);
        }
    }

    @SuppressWarnings("restricted")
    private void disturb(String how, String step) throws InterruptedException {
        switch (how) {
            // No exception: the process is gone, as by a fault in native code.
            case "crash" -> MemorySegment.ofAddress(8).reinterpret(8).get(ValueLayout.JAVA_BYTE, 0);
            case "hang" -> {
                takeBack();
                Thread.sleep(Long.MAX_VALUE);
            }
            case "throw" -> throw new Planted(step);
            case "overflow" -> throw new OutOfMemoryError("planted at " + step);
            default -> throw new IllegalArgumentException("Nothing is known of the fault '" + how + "'");
        }
    }

    private void takeBack() {
        try {
            Files.deleteIfExists(file);
        } catch (IOException e) {
            throw new IllegalStateException("The script of faults can't be taken back", e);
        }
    }

    /** Nothing goes wrong any more, and workers start as they are. */
    @Override
    public void close() {
        System.clearProperty(MAIN_CLASS);
        takeBack();
    }
}
