package dev.vat.cli;

import static dev.vat.cli.MakeCommand.parse;

import dev.vat.core.time.Rate;
import dev.vat.protocol.RepackOrder;
import dev.vat.protocol.storage.Places;
import java.io.IOException;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "recover", mixinStandardHelpOptions = true, description = "Gets out of a broken movie file what stands whole in it, "
        + "into a new file.")
final class RecoverCommand implements Callable<Integer> {

    private final Output output;
    private final Places places;

    @Parameters(index = "0", paramLabel = "FILE", description = "The broken movie; it stays as it is.")
    private Path file;

    @Parameters(index = "1", paramLabel = "NEW", description = "The new file; its ending says the container.")
    private Path target;

    @Option(names = "--rate", paramLabel = "RATE", defaultValue = "25", description = "Frames a second, where the file doesn't say it "
            + "any more (${DEFAULT-VALUE}).")
    private String rate;

    @Option(names = "--json", description = "JSON lines on standard output.")
    private boolean json;

    RecoverCommand(Output output, Places places) {
        this.output = output;
        this.places = places;
    }

    @Override
    public Integer call() throws IOException, InterruptedException {
        return CommandRepack.run(places, output,
                new RepackOrder.Recover(CommandRepack.absolute(file), CommandRepack.absolute(target), parse(rate, Rate::parse)));
    }
}
