package dev.vat.cli;

import dev.vat.engine.process.Task;
import dev.vat.protocol.RepackOrder;
import dev.vat.protocol.TaskMessage;
import dev.vat.protocol.storage.Places;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;

/** Has something done with finished files, and tells what came of it. */
final class CommandRepack {

    private CommandRepack() {}

    static Integer run(Places places, Output output, RepackOrder order) throws IOException, InterruptedException {
        TaskMessage.Repacked made = (TaskMessage.Repacked) Task.ask(places, new TaskMessage.Repack(1, order), message -> {
            if (message instanceof TaskMessage.Repacking(long _, String doing)) {
                output.event("doing", "what", doing);
            }
        }, TaskMessage.Repacked.class::isInstance);
        output.event("made", "paths", made.paths(), "said", made.said());
        made.said().forEach(output::answer);
        return ExitCode.PROVEN.code();
    }

    /** A file that is to be there. @throws NoSuchFileException if it isn't */
    static String there(Path path) throws NoSuchFileException {
        if (!Files.exists(path)) {
            throw new NoSuchFileException(path.toString());
        }
        return absolute(path);
    }

    static String absolute(Path path) {
        return path.toAbsolutePath().normalize().toString();
    }
}
