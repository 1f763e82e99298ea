package dev.vat.cli;

import dev.vat.core.words.Words;
import dev.vat.engine.process.Task;
import dev.vat.protocol.TaskMessage;
import dev.vat.protocol.storage.Places;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "sheet", mixinStandardHelpOptions = true)
final class SheetCommand implements Callable<Integer> {

    private static final Words WORDS = Words.of(SheetCommand.class);

    private final Output output;
    private final Places places;

    @Parameters(index = "0", paramLabel = "FILE")
    private Path file;

    @Option(names = "--json")
    private boolean json;

    SheetCommand(Output output, Places places) {
        this.output = output;
        this.places = places;
    }

    @Override
    public Integer call() throws IOException, InterruptedException {
        Path absolute = file.toAbsolutePath().normalize();
        if (!Files.exists(absolute)) {
            throw new NoSuchFileException(absolute.toString(), null, WORDS.say("thereIsNoSuchFile"));
        }
        TaskMessage.SheetWritten written = (TaskMessage.SheetWritten) Task.ask(places, new TaskMessage.WriteSheet(1, absolute.toString()),
                _ -> {}, TaskMessage.SheetWritten.class::isInstance);
        output.event("sheet", "paths", written.paths());
        written.paths().forEach(path -> output.answer(WORDS.say("written", path)));
        return ExitCode.PROVEN.code();
    }
}
