package dev.vat.cli;

import dev.vat.core.run.RunPlan;
import dev.vat.core.words.Words;
import dev.vat.engine.history.HistoryStore;
import dev.vat.engine.run.Remake;
import dev.vat.protocol.storage.Places;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;

/** A file that was made on this machine, as its history knows it. @param path absolute */
record MadeFile(Path path, RunPlan plan) {

    private static final Words WORDS = Words.of(MadeFile.class);

    /** @throws CommandFailure if nobody knows how it was made */
    static MadeFile of(Path file, Places places) throws IOException {
        Path absolute = file.toAbsolutePath().normalize();
        if (!Files.exists(absolute)) {
            throw new NoSuchFileException(absolute.toString(), null, WORDS.say("thereIsNoSuchFile"));
        }
        return new MadeFile(absolute, HistoryStore.at(places.history()).of(absolute).map(HistoryStore.Entry::plan)
                .orElseThrow(() -> new CommandFailure(ExitCode.FAILED, WORDS.say("wasntMadeHereOrWasChanged", absolute.getFileName()))));
    }

    Remake remake() throws IOException {
        return Remake.of(path, plan);
    }
}
