package dev.vat.cli;

import dev.vat.engine.place.Places;
import dev.vat.engine.protocol.Message;
import dev.vat.engine.repack.RepackOrder;
import dev.vat.engine.worker.Task;
import java.io.IOException;
import java.nio.file.Path;

/** Has something done with finished files, and tells what came of it. */
final class Repacking {

    private Repacking() { }

    static Integer run(Places places, Output output, RepackOrder order) throws IOException, InterruptedException {
        Message.Repacked made = (Message.Repacked) Task.ask(places, new Message.Repack(1, order), message -> {
            if (message instanceof Message.Repacking(long _, String doing)) {
                output.event("doing", "what", doing);
            }
        }, Message.Repacked.class::isInstance);
        output.event("made", "paths", made.paths(), "said", made.said());
        made.said().forEach(output::say);
        return ExitCode.PROVEN.code();
    }

    static String absolute(Path path) {
        return path.toAbsolutePath().normalize().toString();
    }
}
