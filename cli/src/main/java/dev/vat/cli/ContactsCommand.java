package dev.vat.cli;

import static dev.vat.cli.MakeCommand.parse;

import dev.vat.core.handover.ContactSheet;
import dev.vat.core.project.Edits;
import dev.vat.core.project.Project;
import dev.vat.core.project.Source;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.words.Words;
import dev.vat.engine.project.ProjectFile;
import dev.vat.engine.run.Survey;
import dev.vat.engine.viewer.ContactSheetFile;
import dev.vat.engine.viewer.Viewer;
import dev.vat.protocol.storage.Places;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "contacts", mixinStandardHelpOptions = true)
final class ContactsCommand implements Callable<Integer> {

    private static final Words WORDS = Words.of(ContactsCommand.class);

    private final Output output;
    private final Places places;

    @Parameters(index = "0", paramLabel = "PATH")
    private Path path;

    @Parameters(index = "1", paramLabel = "SHEET")
    private Path sheet;

    @Option(names = "--grid", paramLabel = "NxM", defaultValue = "5x6")
    private String grid;

    @Option(names = "--width", paramLabel = "PIXELS", defaultValue = "1600")
    private int width;

    @Option(names = "--json")
    private boolean json;

    ContactsCommand(Output output, Places places) {
        this.output = output;
        this.places = places;
    }

    @Override
    public Integer call() throws IOException, InterruptedException {
        Path file = sheet.toAbsolutePath().normalize();
        if (Files.exists(file)) {
            throw new CommandFailure(ExitCode.WRONG_USE, WORDS.say("isThereAlreadyNothingIs", file));
        }
        ContactSheet.Grid wanted = parse(grid, text -> ContactSheet.Grid.parse(text, width));
        Path absolute = path.toAbsolutePath().normalize();
        boolean reel = absolute.toString().endsWith(ProjectFile.EXTENSION);
        Project project = reel ? ProjectFile.load(absolute)
                : Edits.bringIn(List.of(OneSource.in(absolute)), Edits.Layout.ONE_PROGRAMME).apply(Project.EMPTY);
        try (Viewer viewer = new Viewer(places)) {
            Survey survey = Survey.of(project, viewer, (sequence, choice) -> Checking.check(viewer, sequence, false, choice, output));
            if (reel) {
                ResolvedReel programme = ResolvedReel.of(project, survey.tables()).filter(p -> p.plan().count() > 0)
                        .orElseThrow(() -> new CommandFailure(ExitCode.FINDINGS, WORDS.say("theProjectsReelIsEmpty")));
                ContactSheetFile.write(viewer, ContactSheet.ofReel(programme, wanted), file);
            } else {
                Source source = project.sources().getFirst();
                ContactSheetFile.write(viewer, ContactSheet.ofSource(source, survey.tables().get(source.id()), wanted), file);
            }
        }
        output.event("contacts", "path", file.toString());
        output.answer(WORDS.say("written", file));
        return ExitCode.PROVEN.code();
    }
}
