package dev.vat.cli;

import dev.vat.core.words.Words;
import dev.vat.engine.handover.SetCheck;
import dev.vat.engine.process.Task;
import dev.vat.protocol.TaskMessage;
import dev.vat.protocol.run.ReceiptFile;
import dev.vat.protocol.storage.Places;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "prove", mixinStandardHelpOptions = true)
final class ProveCommand implements Callable<Integer> {

    private static final Words WORDS = Words.of(ProveCommand.class);

    private final Output output;
    private final Places places;

    @Parameters(index = "0", paramLabel = "FILE|SET")
    private Path file;

    @Option(names = "--json")
    private boolean json;

    ProveCommand(Output output, Places places) {
        this.output = output;
        this.places = places;
    }

    @Override
    public Integer call() throws IOException, InterruptedException {
        Path absolute = file.toAbsolutePath().normalize();
        Path receipt = ReceiptFile.of(absolute);
        if (!Files.exists(absolute)) {
            throw new NoSuchFileException(absolute.toString(), null, WORDS.say("thereIsNoSuchFile"));
        }
        if (SetCheck.isSet(absolute)) {
            return set(absolute);
        }
        if (!Files.isRegularFile(receipt)) {
            throw new NoSuchFileException(receipt.toString(), null, WORDS.say("theFileHasNoReceiptBeside"));
        }
        TaskMessage.Proved proved = (TaskMessage.Proved) Task.ask(places, new TaskMessage.Prove(1, absolute.toString()), _ -> {},
                TaskMessage.Proved.class::isInstance);
        boolean proven = proved.reasons().isEmpty();
        output.event("proof", "path", absolute.toString(), "receipt", receipt.toString(), "proven", proven, "reasons",
                proved.reasons());
        output.answer(absolute.getFileName() + (proven ? WORDS.say("isWhatItsReceiptSays") : WORDS.say("isNotWhatItsReceiptSays")));
        proved.reasons().forEach(reason -> output.answer("  " + reason));
        return (proven ? ExitCode.PROVEN : ExitCode.UNPROVEN).code();
    }

    private Integer set(Path path) throws IOException {
        SetCheck.Result result = SetCheck.check(path);
        output.event("proof", "path", path.toString(), "files", result.files(), "bytes", result.bytes(), "proven", result.holds(),
                "reasons", result.reasons());
        output.answer(path.getFileName()
                + (result.holds() ? WORDS.say("allOfItsFilesAreWhatWas", result.files()) : WORDS.say("notWhatWasHandedOver")));
        result.reasons().forEach(reason -> output.answer("  " + reason));
        return (result.holds() ? ExitCode.PROVEN : ExitCode.UNPROVEN).code();
    }
}
