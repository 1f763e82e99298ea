package dev.vat.cli;

import dev.vat.core.words.Words;
import dev.vat.protocol.run.RunHome;
import dev.vat.protocol.storage.Places;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "resume", mixinStandardHelpOptions = true)
final class ResumeCommand implements Callable<Integer> {

    private static final Words WORDS = Words.of(ResumeCommand.class);

    private final Output output;
    private final Places places;

    @Parameters(index = "0", arity = "0..1", paramLabel = "DIR|RUN")
    private String which;

    @Option(names = "--end-early")
    private boolean early;

    @Option(names = "--json")
    private boolean json;

    ResumeCommand(Output output, Places places) {
        this.output = output;
        this.places = places;
    }

    @Override
    public Integer call() throws IOException, InterruptedException {
        List<RunHome> found = which == null ? RunHome.unfinished(places) : which.contains("/") || Files.isDirectory(Path.of(which))
                ? RunHome.unfinishedIn(places, Path.of(which))
                : RunHome.unfinished(places).stream().filter(h -> h.folder().getFileName().toString().equals(which)).toList();
        if (found.isEmpty()) {
            throw new CommandFailure(ExitCode.WRONG_USE,
                    which == null ? WORDS.say("thereIsNoUnfinishedRun") : WORDS.say("thereIsNoUnfinishedRunFor", which));
        }
        if (found.size() > 1) {
            throw new CommandFailure(ExitCode.WRONG_USE, WORDS.say("thereAreSeveralUnfinished", found.stream()
                    .map(h -> h.folder().getFileName().toString()).collect(Collectors.joining(", "))));
        }
        return new CommandRun(output, places).resume(found.getFirst(), early);
    }
}
