package dev.vat.engine.project;

import dev.vat.core.project.Project;
import dev.vat.engine.run.AuxiliaryFiles;
import dev.vat.protocol.storage.Durable;
import dev.vat.protocol.storage.Places;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;

/** Projects that were saved here or opened with a yes: what they name is followed; another's is shown first. */
public final class KnownProjects {

    private final Path list;
    private final Path untitled;

    private KnownProjects(Path list, Path untitled) {
        this.list = list;
        this.untitled = untitled;
    }

    public static KnownProjects in(Places places) {
        return new KnownProjects(places.data().resolve("known-projects"), places.untitled());
    }

    public boolean has(Path project) throws IOException {
        return project.toAbsolutePath().normalize().startsWith(untitled) || lines().contains(real(project));
    }

    public void add(Path project) throws IOException {
        if (!has(project)) {
            Durable.createFolders(list.getParent());
            Files.writeString(list, real(project) + "\n", StandardOpenOption.CREATE, StandardOpenOption.APPEND);
        }
    }

    private List<String> lines() throws IOException {
        try {
            return Files.readAllLines(list);
        } catch (NoSuchFileException _) {
            return List.of();
        }
    }

    private static String real(Path project) throws IOException {
        return (Files.exists(project) ? project.toRealPath() : project.toAbsolutePath().normalize()).toString();
    }

    /** Places that a project names and that don't lie in its own folder: folders of frames and for files, looks, pictures behind. */
    public static List<String> outside(Project project, Path file) {
        Path home = file.toAbsolutePath().normalize().getParent();
        Set<String> places = new TreeSet<>(AuxiliaryFiles.files(project));
        project.sources().forEach(s -> places.add(s.folder().path().toString()));
        if (project.folder() != null) {
            places.add(project.folder().path().toString());
        }
        return places.stream().filter(p -> !Path.of(p).toAbsolutePath().normalize().startsWith(home)).toList();
    }
}
