package dev.vat.desktop.session;

import dev.vat.core.project.Project;
import dev.vat.core.words.Words;
import dev.vat.engine.project.KnownProjects;
import dev.vat.engine.project.ProjectFile;
import dev.vat.engine.project.ProjectLock;
import dev.vat.engine.storage.UserSettings;
import dev.vat.protocol.storage.Places;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Executor;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.function.Consumer;

/** Keeps settings and project on disk, one write after the other, away from the interface's thread. */
final class Autosave implements AutoCloseable {

    private static final Words WORDS = Words.of(Autosave.class);

    private final Places places;
    private final Executor ui;
    private final Consumer<String> say;
    private final ExecutorService saving = Executors.newSingleThreadExecutor(Thread.ofVirtual().factory());
    private UserSettings settings = UserSettings.FIRST;
    private final KnownProjects known;
    private final Set<Path> opened = ConcurrentHashMap.newKeySet();
    private Path file;
    private ProjectLock lock;
    private String elsewhere;

    Autosave(Places places, Executor ui, Consumer<String> say) {
        this.places = places;
        this.known = KnownProjects.in(places);
        this.ui = ui;
        this.say = say;
        try {
            settings = UserSettings.load(places.settings());
        } catch (IOException e) {
            say.accept(WORDS.say("theSettingsCantBeRead", e.getMessage()));
        }
    }

    UserSettings settings() {
        return settings;
    }

    void remember(UserSettings changed) {
        settings = changed;
        saving.execute(() -> {
            try {
                changed.save(places.settings());
            } catch (IOException e) {
                ui.execute(() -> say.accept(WORDS.say("theSettingsCantBeSaved", e.getMessage())));
            }
        });
    }

    void rememberProject(Path path) {
        remember(settings.withRecent(path.toAbsolutePath()));
        opened.add(path);
        saving.execute(() -> {
            try {
                known.add(path);
            } catch (IOException e) {
                ui.execute(() -> say.accept(WORDS.say("itCantBeKeptInMindThatIs", path.getFileName(), e.getMessage())));
            }
        });
    }

    /** Whether a project's places are followed without a question. */
    boolean knows(Path project) throws IOException {
        return opened.contains(project) || known.has(project);
    }

    /** Where the project lies, or null if it has no place yet. */
    Path file() {
        return file;
    }

    void lieAt(Path path) {
        release();
        file = path;
        if (path == null) {
            return;
        }
        try {
            switch (ProjectLock.take(places, path)) {
                case ProjectLock.Outcome.Taken(ProjectLock taken) -> lock = taken;
                case ProjectLock.Outcome.Elsewhere(String who) -> {
                    elsewhere = who;
                    say.accept(WORDS.say("isOpenInAnotherWindowWhat", path.getFileName(), who));
                }
            }
        } catch (IOException e) {
            say.accept(WORDS.say("itCantBeFoundOutWhether", path.getFileName(), e.getMessage()));
        }
    }

    /** Whether another window has the project: then it is only read here. */
    boolean isOnlyRead() {
        return elsewhere != null;
    }

    private void release() {
        elsewhere = null;
        if (lock != null) {
            try {
                lock.close();
            } catch (IOException e) {
                say.accept(WORDS.say("aProjectsLockCantBeReleased", e.getMessage()));
            }
            lock = null;
        }
    }

    /** Whether the project lies in Vat's own folder, because it was never given a place. */
    boolean isUntitled() {
        return file != null && file.startsWith(places.untitled());
    }

    /** @param done told of the project that is on disk now, on the interface's thread */
    void save(Project project, Consumer<Project> done) {
        if (project.isEmpty() || isOnlyRead()) {
            return;
        }
        if (file == null) {
            lieAt(untitled(project));
            rememberProject(file);
        }
        Path target = file;
        saving.execute(() -> {
            try {
                ProjectFile.save(project, target);
                ui.execute(() -> done.accept(project));
            } catch (IOException e) {
                ui.execute(() -> say.accept(WORDS.say("theProjectCantBeSavedAt", target, e.getMessage())));
            }
        });
    }

    private Path untitled(Project project) {
        String name = project.name().replaceAll("[^\\p{L}\\p{N}._-]+", "-");
        Path candidate = places.untitled().resolve(name + ProjectFile.EXTENSION);
        for (int i = 2; Files.exists(candidate); i++) {
            candidate = places.untitled().resolve(name + "-" + i + ProjectFile.EXTENSION);
        }
        return candidate;
    }

    /** Waits for what is still to be written. */
    @Override
    public void close() {
        saving.close();
        release();
    }
}
