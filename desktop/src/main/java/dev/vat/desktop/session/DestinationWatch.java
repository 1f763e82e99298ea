package dev.vat.desktop.session;

import dev.vat.core.finding.Observed;
import dev.vat.core.finding.WrittenWords;
import dev.vat.core.project.Project;
import dev.vat.engine.run.AuxiliaryFiles;
import dev.vat.engine.run.DestinationProbe;
import java.nio.file.Path;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.Executor;

/**
 * What a project needs beside its frames: the folder for files, and looks, pictures to lay under and over, and faces. On the interface's
 * thread.
 */
final class DestinationWatch {

    private final Executor background;
    private final Executor ui;
    private final Runnable changed;
    private Observed.Destination destination = Observed.Destination.UNKNOWN;
    private Path probed;
    private Set<String> probedBeside = Set.of();
    private Map<String, String> unusable = Map.of();
    private Map<String, String> written = Map.of();
    private Map<String, String> lacking = Map.of();

    /** @param changed told when something is known that wasn't */
    DestinationWatch(Executor background, Executor ui, Runnable changed) {
        this.background = background;
        this.ui = ui;
        this.changed = changed;
    }

    Observed.Destination destination() {
        return destination;
    }

    /** Files beside the frames that can't be used: by path, why. */
    Map<String, String> unusable() {
        return unusable;
    }

    /** Letters that faces haven't: by a face's path, empty for Vat's own. */
    Map<String, String> lacking() {
        return lacking;
    }

    /** Looks at what isn't known yet. @param folder where its files go, or null */
    void look(Project project, Path folder) {
        lookBeside(project);
        lookForLetters(project);
        if (folder == null || folder.equals(probed)) {
            return;
        }
        probed = folder;
        background.execute(() -> {
            Observed.Destination found = DestinationProbe.probe(folder);
            ui.execute(() -> {
                if (folder.equals(probed)) {
                    destination = found;
                    changed.run();
                }
            });
        });
    }

    /** A run has ended: there is less room than before. */
    void lookAgain(Project project, Path folder) {
        probed = null;
        look(project, folder);
    }

    /** They are looked at whenever others are chosen. */
    private void lookBeside(Project project) {
        Set<String> files = AuxiliaryFiles.files(project);
        if (files.equals(probedBeside)) {
            return;
        }
        probedBeside = files;
        background.execute(() -> {
            Map<String, String> found = AuxiliaryFiles.unusable(files);
            ui.execute(() -> {
                if (files.equals(probedBeside)) {
                    unusable = found;
                    changed.run();
                }
            });
        });
    }

    private void lookForLetters(Project project) {
        Map<String, String> words = WrittenWords.byFace(project);
        if (words.equals(written)) {
            return;
        }
        written = words;
        background.execute(() -> {
            Map<String, String> found = AuxiliaryFiles.lacking(words);
            ui.execute(() -> {
                if (words.equals(written)) {
                    lacking = found;
                    changed.run();
                }
            });
        });
    }
}
