package dev.vat.cli;

import static dev.vat.cli.MakeCommand.parse;

import dev.vat.core.handover.Timeline;
import dev.vat.core.project.Project;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.words.Words;
import dev.vat.engine.handover.HandOverSet;
import dev.vat.engine.project.ProjectFile;
import dev.vat.engine.run.Survey;
import dev.vat.engine.viewer.Viewer;
import dev.vat.protocol.storage.Places;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "handover", mixinStandardHelpOptions = true)
final class HandOverCommand implements Callable<Integer> {

    private static final Words WORDS = Words.of(HandOverCommand.class);

    private final Output output;
    private final Places places;

    @Parameters(index = "0..*", arity = "1..*", paramLabel = "FILE")
    private List<Path> films;

    @Option(names = "--out", paramLabel = "DIR", required = true)
    private Path to;

    @Option(names = "--name", paramLabel = "NAME", required = true)
    private String name;

    @Option(names = "--project", paramLabel = "PROJECT")
    private Path project;

    @Option(names = "--comment", paramLabel = "WORDS", defaultValue = "")
    private String comment;

    @Option(names = "--zip")
    private boolean zip;

    @Option(names = "--no-sheets")
    private boolean noSheets;

    @Option(names = "--json")
    private boolean json;

    HandOverCommand(Output output, Places places) {
        this.output = output;
        this.places = places;
    }

    @Override
    public Integer call() throws IOException, InterruptedException {
        Timeline timeline = project == null ? null : timeline();
        HandOverSet.Wish wish = parse(name,
                n -> new HandOverSet.Wish(n, to.toAbsolutePath().normalize(), films, timeline, comment, zip, !noSheets));
        Path set = HandOverSet.make(places, wish, doing -> {
            output.event("doing", "what", doing);
            output.say(doing);
        });
        output.event("set", "path", set.toString());
        output.answer(WORDS.say("handedOver", set));
        output.say(WORDS.say("whoeverGetsItCanVerifyIt", set.getFileName()));
        return ExitCode.PROVEN.code();
    }

    private Timeline timeline() throws IOException, InterruptedException {
        Project loaded = ProjectFile.load(project.toAbsolutePath().normalize());
        try (Viewer viewer = new Viewer(places)) {
            Survey survey = Survey.of(loaded, viewer, (sequence, choice) -> Checking.check(viewer, sequence, true, choice, output));
            ResolvedReel programme = ResolvedReel.of(loaded, survey.tables())
                    .orElseThrow(() -> new CommandFailure(ExitCode.FINDINGS, WORDS.say("theProjectHasNoReel")));
            return parse(loaded.name(), _ -> Timeline.of(programme));
        }
    }
}
