package dev.vat.cli;

import dev.vat.core.time.FrameRange;
import dev.vat.core.time.FrameSet;
import dev.vat.core.words.Words;
import dev.vat.engine.run.Remake;
import dev.vat.protocol.storage.Places;
import java.io.IOException;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "remake", mixinStandardHelpOptions = true)
final class RemakeCommand implements Callable<Integer> {

    private static final Words WORDS = Words.of(RemakeCommand.class);

    private final Output output;
    private final Places places;

    @Parameters(index = "0", paramLabel = "FILE")
    private Path file;

    @Option(names = "--frames", paramLabel = "FIRST-LAST")
    private String frames;

    @Option(names = "--json")
    private boolean json;

    RemakeCommand(Output output, Places places) {
        this.output = output;
        this.places = places;
    }

    @Override
    public Integer call() throws IOException, InterruptedException {
        MadeFile made = MadeFile.of(file, places);
        Remake remake = made.remake();
        FrameSet changed = frames == null ? remake.outdated() : remake.showing(numbers());
        if (changed.isEmpty()) {
            output.event("unchanged", "path", made.path().toString());
            output.answer(WORDS.say("noneOfItsFramesNothingIs", made.path().getFileName(),
                    (frames == null ? WORDS.say("wasRenderedAgainSinceIt") : WORDS.say("shows", frames))));
            return ExitCode.PROVEN.code();
        }
        output.say(WORDS.say("framesOfChangedOfPartsAre", changed, made.path().getFileName(), remake.partsFor(changed), remake.parts()));
        return new CommandRun(output, places).make(remake.plan(changed), null);
    }

    private FrameSet numbers() {
        try {
            FrameRange range = FrameRange.parse(frames);
            return FrameSet.builder().add(range.first(), range.last()).build();
        } catch (IllegalArgumentException e) {
            throw new CommandFailure(ExitCode.WRONG_USE, e.getMessage());
        }
    }
}
