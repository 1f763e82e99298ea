package dev.vat.cli;

import dev.vat.core.project.Project;
import dev.vat.core.words.Words;
import dev.vat.engine.project.ProjectFile;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;

/** A project file that a command writes; nothing is written over. */
final class NewProject {

    private static final Words WORDS = Words.of(NewProject.class);

    private NewProject() {}

    /** @return where it will be */
    static Path at(Path path) {
        Path file = path.toAbsolutePath().normalize();
        if (!file.toString().endsWith(ProjectFile.EXTENSION)) {
            throw new CommandFailure(ExitCode.WRONG_USE,
                    WORDS.say("aProjectsNameEndsInUnlike", ProjectFile.EXTENSION, file.getFileName()));
        }
        if (Files.exists(file)) {
            throw new CommandFailure(ExitCode.WRONG_USE, WORDS.say("isThereAlreadyNothingIs", file));
        }
        return file;
    }

    static void write(Project project, Path file, Output output) throws IOException {
        ProjectFile.save(project, file);
        output.say(WORDS.say(project.deliverables().isEmpty() ? "makeItWithVatMakeTarget" : "makeItWithVatMake", file));
    }
}
