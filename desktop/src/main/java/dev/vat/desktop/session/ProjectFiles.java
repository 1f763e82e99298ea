package dev.vat.desktop.session;

import dev.vat.core.project.Project;
import dev.vat.core.words.Words;
import dev.vat.engine.project.KnownProjects;
import dev.vat.engine.project.ProjectFile;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Executor;

/** Where the project lies on disk: opened, saved by itself, given another place. What was made elsewhere waits for a word first. */
public final class ProjectFiles {

    private static final Words WORDS = Words.of(ProjectFiles.class);

    private final Session session;
    private final Autosave autosave;
    private final Executor background;
    private final Executor ui;
    private Stranger stranger;

    ProjectFiles(Session session, Autosave autosave, Executor background, Executor ui) {
        this.session = session;
        this.autosave = autosave;
        this.background = background;
        this.ui = ui;
    }

    /** Where the project is saved: its own file, or Vat's own folder until it has one. */
    public Path file() {
        return autosave.file();
    }

    public void open(Path path) {
        background.execute(() -> {
            try {
                Project project = ProjectFile.load(path);
                List<String> outside = autosave.knows(path) ? List.of() : KnownProjects.outside(project, path);
                ui.execute(() -> {
                    if (outside.isEmpty()) {
                        opened(project, path);
                    } else {
                        askAbout(new Stranger(path.getFileName().toString(), outside, () -> opened(project, path)));
                    }
                });
            } catch (IOException e) {
                ui.execute(() -> session.fail(WORDS.say("theProjectCantBeOpened", e.getMessage())));
            }
        });
    }

    private void opened(Project project, Path path) {
        session.notices().forget();
        show(project, path);
        autosave.rememberProject(path);
    }

    void askAbout(Stranger asked) {
        stranger = asked;
        session.changed();
    }

    /** A project whose places aren't followed before somebody says so. */
    public Optional<Stranger> stranger() {
        return Optional.ofNullable(stranger);
    }

    /** @param yes whether the project is opened and what it names is followed */
    public void answerStranger(boolean yes) {
        Stranger asked = stranger;
        stranger = null;
        if (asked != null && yes) {
            asked.open().run();
        }
        session.changed();
    }

    /** Shows a project; {@code path} may be null for one that isn't saved yet. */
    public void show(Project project, Path path) {
        autosave.lieAt(path);
        session.replace(project);
    }

    /** An empty window; the project before it is saved already. */
    public void startAnew() {
        session.notices().forget();
        show(Project.EMPTY, null);
    }

    /** Whether what is shown is what lies on disk. */
    public boolean isSaved() {
        return session.isSaved();
    }

    /** Whether another window has the project: changes made here aren't saved. */
    public boolean isOnlyRead() {
        return autosave.isOnlyRead();
    }

    /** Whether the project lies in Vat's own folder, because it was never given a place. */
    public boolean isUntitled() {
        return autosave.isUntitled();
    }

    public void saveAs(Path path) {
        autosave.lieAt(path);
        autosave.rememberProject(path);
        save();
        session.changed();
    }

    /** Saves what is shown, away from the interface's thread. */
    void save() {
        autosave.save(session.project(), session::saved);
    }
}
