package dev.vat.cli;

import dev.vat.core.run.RunPlan;
import dev.vat.engine.history.HistoryStore;
import dev.vat.engine.run.Remake;
import dev.vat.protocol.storage.Places;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;

/** A file that was made on this machine, as its history knows it. @param path absolute */
record MadeFile(Path path, RunPlan plan) {

    /** @throws CommandFailure if nobody knows how it was made */
    static MadeFile of(Path file, Places places) throws IOException {
        Path absolute = file.toAbsolutePath().normalize();
        if (!Files.exists(absolute)) {
            throw new NoSuchFileException(absolute.toString(), null, "there is no such file");
        }
        return new MadeFile(absolute, HistoryStore.at(places.history()).of(absolute).map(HistoryStore.Entry::plan)
                .orElseThrow(() -> new CommandFailure(ExitCode.FAILED, absolute.getFileName() + " wasn't made here, or was changed "
                        + "since: its bytes are those of no file in the history")));
    }

    Remake remake() throws IOException {
        return Remake.of(path, plan);
    }
}
