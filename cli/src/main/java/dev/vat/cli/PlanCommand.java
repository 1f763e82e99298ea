package dev.vat.cli;

import dev.vat.core.project.Project;
import dev.vat.core.resolved.PlanText;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.words.Words;
import dev.vat.engine.project.ProjectFile;
import dev.vat.engine.run.Survey;
import dev.vat.engine.viewer.Viewer;
import dev.vat.protocol.storage.Places;
import java.io.IOException;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "plan", mixinStandardHelpOptions = true)
final class PlanCommand implements Callable<Integer> {

    private static final Words WORDS = Words.of(PlanCommand.class);

    private final Output output;
    private final Places places;

    @Parameters(index = "0", paramLabel = "PROJECT")
    private Path path;

    @Option(names = "--item", paramLabel = "N")
    private Integer item;

    PlanCommand(Output output, Places places) {
        this.output = output;
        this.places = places;
    }

    @Override
    public Integer call() throws IOException, InterruptedException {
        Project project = ProjectFile.load(path.toAbsolutePath().normalize());
        if (project.currentReel().isEmpty()) {
            throw new CommandFailure(ExitCode.FINDINGS, WORDS.say("theProjectHasNoReel"));
        }
        ResolvedReel programme;
        try (Viewer viewer = new Viewer(places)) {
            Survey survey = Survey.of(project, viewer, (sequence, choice) -> Checking.check(viewer, sequence, true, choice, output));
            programme = ResolvedReel.of(project, survey.tables()).orElseThrow();
        }
        if (item != null && (item < 1 || item > programme.reel().items().size())) {
            throw new CommandFailure(ExitCode.WRONG_USE, WORDS.say("theReelHasItems1ToNot", programme.reel().items().size(), item));
        }
        String text = item == null ? PlanText.of(programme) : PlanText.of(programme, item - 1);
        text.lines().forEach(output::answer);
        return ExitCode.PROVEN.code();
    }
}
