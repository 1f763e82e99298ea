package dev.vat.cli;

import dev.vat.core.picture.PictureChoice;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.Reading;
import dev.vat.core.source.ResumeAdvice;
import dev.vat.core.source.Sequence;
import dev.vat.core.words.Words;
import dev.vat.engine.source.SourceFinder;
import dev.vat.engine.viewer.Viewer;
import dev.vat.protocol.storage.Places;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "wanted", mixinStandardHelpOptions = true)
final class WantedCommand implements Callable<Integer> {

    private static final Words WORDS = Words.of(WantedCommand.class);

    private final Output output;
    private final Places places;

    @Parameters(index = "0", paramLabel = "PATH")
    private Path path;

    @Mixin
    private final ExpectedChoices expected = new ExpectedChoices();

    @Option(names = "--list")
    private boolean list;

    WantedCommand(Output output, Places places) {
        this.output = output;
        this.places = places;
    }

    @Override
    public Integer call() throws IOException {
        SourceFinder.Found all = SourceFinder.find(path);
        List<Sequence> found = all.sequences();
        if (found.size() != 1) {
            throw new CommandFailure(ExitCode.WRONG_USE, found.isEmpty() ? all.nothing(WORDS.say("noNumberedFramesIn", path))
                    : WORDS.say("thereAreSequencesNameOne", found.size()));
        }
        Sequence sequence = found.getFirst();
        Reading reading = expected.of(Reading.PLAIN);
        try (Viewer viewer = new Viewer(places)) {
            FrameTable table = Checking.check(viewer, sequence, false, PictureChoice.MAIN, output);
            ResumeAdvice advice = ResumeAdvice.of(table, reading);
            String text = list ? advice.toList(sequence.pattern()) : advice.toText(sequence.pattern());
            if (!text.isEmpty()) {
                output.answer(text);
            }
            ResumeAdvice.digits(sequence, reading.rangeIn(sequence)).ifPresent(output::say);
            new FoundSources(all, path, places).expected(sequence.location(), reading).forEach(f -> output.say(f.text()));
            return (advice.isComplete() ? ExitCode.PROVEN : ExitCode.FINDINGS).code();
        }
    }
}
