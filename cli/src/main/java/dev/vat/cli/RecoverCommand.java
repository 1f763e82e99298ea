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

@Command(name = "recover", mixinStandardHelpOptions = true)
final class RecoverCommand implements Callable<Integer> {

    private final Output output;
    private final Places places;

    @Parameters(index = "0", paramLabel = "FILE")
    private Path file;

    @Parameters(index = "1", paramLabel = "NEW")
    private Path target;

    @Option(names = "--rate", paramLabel = "RATE", defaultValue = "25")
    private String rate;

    @Option(names = "--json")
    private boolean json;

    RecoverCommand(Output output, Places places) {
        this.output = output;
        this.places = places;
    }

    @Override
    public Integer call() throws IOException, InterruptedException {
        return CommandRepack.run(places, output,
                new RepackOrder.Recover(CommandRepack.there(file), CommandRepack.absolute(target), parse(rate, Rate::parse)));
    }
}
