package dev.vat.cli;

import static dev.vat.cli.MakeCommand.parse;

import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;
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

@Command(name = "split", mixinStandardHelpOptions = true)
final class SplitCommand implements Callable<Integer> {

    private static final Words WORDS = Words.of(SplitCommand.class);

    private final Output output;
    private final Places places;

    @Parameters(index = "0", paramLabel = "FILE")
    private Path file;

    @Option(names = "--every", paramLabel = "SECONDS")
    private String every;

    @Option(names = "--at", paramLabel = "FRAME", split = ",")
    private List<Long> marks = new ArrayList<>();

    @Option(names = "--out", paramLabel = "DIR")
    private Path to;

    @Option(names = "--json")
    private boolean json;

    SplitCommand(Output output, Places places) {
        this.output = output;
        this.places = places;
    }

    @Override
    public Integer call() throws IOException, InterruptedException {
        if ((every == null) == marks.isEmpty()) {
            throw new CommandFailure(ExitCode.WRONG_USE, WORDS.say("sayEitherHowLongPiecesAre"));
        }
        Path folder = to == null ? file.toAbsolutePath().normalize().getParent() : to;
        return CommandRepack.run(places, output, new RepackOrder.Split(CommandRepack.there(file), CommandRepack.absolute(folder),
                every == null ? null : parse(every, Rational::parse), marks));
    }
}
