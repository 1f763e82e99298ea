package dev.vat.engine.project;

import dev.vat.core.project.Place;
import dev.vat.core.project.Project;
import dev.vat.core.project.ProjectText;
import dev.vat.core.project.Source;
import dev.vat.core.words.Words;
import dev.vat.protocol.storage.Durable;
import java.io.IOException;
import java.nio.charset.MalformedInputException;
import java.nio.file.Files;
import java.nio.file.Path;

/** Projects on disk: written as one act, with places both relative and absolute. */
public final class ProjectFile {

    private static final Words WORDS = Words.of(ProjectFile.class);

    public static final String EXTENSION = ".vat";

    private ProjectFile() {}

    public static void save(Project project, Path file) throws IOException {
        Path home = file.toAbsolutePath().normalize().getParent();
        Project placed = project
                .withSources(project.sources().stream().map(s -> s.withFolder(s.folder().relativeTo(home))).toList())
                .withFolder(project.folder() == null ? null : project.folder().relativeTo(home));
        Durable.write(file.toAbsolutePath(), ProjectText.write(placed));
    }

    /** @throws IOException saying in words why the file can't be opened */
    public static Project load(Path file) throws IOException {
        Path home = file.toAbsolutePath().normalize().getParent();
        Project project;
        try {
            project = ProjectText.read(Files.readString(file));
        } catch (IllegalArgumentException e) {
            throw new IOException(file.getFileName() + ": " + e.getMessage(), e);
        } catch (MalformedInputException e) {
            throw new IOException(WORDS.say("thisIsNotAVatProject", file.getFileName()), e);
        }
        return project.withSources(project.sources().stream().map(s -> resolve(s, home)).toList())
                .withFolder(project.folder() == null ? null : resolve(project.folder(), home));
    }

    private static Source resolve(Source source, Path home) {
        return source.withFolder(resolve(source.folder(), home));
    }

    /** The relative place if there is something at it, else the absolute one. */
    private static Place resolve(Place place, Path home) {
        Path relative = place.relativeIn(home);
        return relative != null && Files.exists(relative) ? Place.of(relative) : new Place(null, place.absolute());
    }
}
