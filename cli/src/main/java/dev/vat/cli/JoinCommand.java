package dev.vat.cli;

import dev.vat.protocol.RepackOrder;
import dev.vat.protocol.storage.Places;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "join", mixinStandardHelpOptions = true)
final class JoinCommand implements Callable<Integer> {

    private final Output output;
    private final Places places;

    @Parameters(index = "0..*", arity = "2..*", paramLabel = "FILE")
    private List<Path> files;

    @Option(names = "--to", paramLabel = "FILE", required = true)
    private Path to;

    @Option(names = "--json")
    private boolean json;

    JoinCommand(Output output, Places places) {
        this.output = output;
        this.places = places;
    }

    @Override
    public Integer call() throws IOException, InterruptedException {
        List<String> parts = new ArrayList<>();
        for (Path file : files) {
            parts.add(CommandRepack.there(file));
        }
        return CommandRepack.run(places, output, new RepackOrder.Join(parts, CommandRepack.absolute(to)));
    }
}
