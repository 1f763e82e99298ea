package dev.vat.desktop.session;

import dev.vat.core.project.Project;
import dev.vat.core.project.ProjectText;
import dev.vat.core.recipe.Recipes;
import dev.vat.core.resolved.ReelSound;
import dev.vat.core.run.RunFile;
import dev.vat.core.run.RunPlan;
import dev.vat.core.run.RunSource;
import dev.vat.core.run.RunSpan;
import dev.vat.core.source.ClipFacts;
import dev.vat.core.time.FrameSet;
import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;
import dev.vat.engine.history.HistoryNotes;
import dev.vat.engine.history.HistoryStore.Entry;
import dev.vat.engine.history.HistoryStore;
import dev.vat.engine.process.Task;
import dev.vat.engine.run.Remake;
import dev.vat.engine.run.RunPlanner;
import dev.vat.protocol.TaskMessage;
import dev.vat.protocol.storage.Places;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.Executor;
import java.util.function.Consumer;
import java.util.stream.Collectors;

/** What was delivered on this machine, and what can be done with it again. Called on the interface's thread. */
public final class DeliveryHistory {

    private static final Words WORDS = Words.of(DeliveryHistory.class);

    private final Session session;
    private final HistoryStore history;
    private final HistoryNotes notes;
    private final Places places;
    private final Executor background;
    private final Executor ui;

    DeliveryHistory(Session session, Places places, Executor background, Executor ui) {
        this.session = session;
        this.places = places;
        this.history = HistoryStore.at(places.history());
        this.notes = HistoryNotes.beside(places.history());
        this.background = background;
        this.ui = ui;
    }

    /** A delivered file, whether it still lies where it was delivered, and what was noted of it. */
    public record Line(Entry entry, boolean there, String note) {
        /** Whether each of some words occurs in what is known of it. */
        public boolean matches(String words) {
            return entry.matches(words, note);
        }

        public Path file() {
            return Path.of(entry.path());
        }
    }

    /** @param then told of all of it, the newest first */
    public void load(Consumer<List<Line>> then) {
        background.execute(() -> {
            try {
                Map<String, String> noted = notes.all();
                List<Line> lines = history.entries().reversed().stream()
                        .map(e -> new Line(e, Files.exists(Path.of(e.path())), noted.getOrDefault(e.sha256(), ""))).toList();
                ui.execute(() -> then.accept(lines));
            } catch (IOException e) {
                say(WORDS.say("theHistoryCantBeRead", e.getMessage()));
            }
        });
    }

    /** The same file once more from its frames as they are now, under the next free name. */
    public void makeAgain(Line line) {
        RunPlan plan = line.entry.plan();
        List<RunFile> files = plan.files().stream().filter(f -> f.target().equals(line.entry.target())).toList();
        start(RunPlanner.ofSystem().again(plan.withFiles(files), Path.of(plan.folder()), null), line);
    }

    /** Encodes again what holds frames that were rendered after the file was begun; the rest is taken over. */
    public void makeWhatChanged(Line line) {
        background.execute(() -> {
            try {
                Remake remake = Remake.of(line.file(), line.entry.plan());
                FrameSet changed = remake.outdated();
                if (changed.isEmpty()) {
                    say(WORDS.say("noFrameOfWasRenderedAgain", line.file().getFileName()));
                    return;
                }
                RunPlan plan = remake.plan(changed);
                ui.execute(() -> {
                    if (start(plan, line)) {
                        session.say(WORDS.say("framesOfChangedOfPartsAre", changed, line.file().getFileName(), remake.partsFor(changed),
                                remake.parts()));
                    }
                });
            } catch (IOException e) {
                say(e.getMessage() + ".");
            }
        });
    }

    /** Notes something of a file. @param then told when it is kept */
    public void note(Line line, String words, Runnable then) {
        background.execute(() -> {
            try {
                notes.put(line.entry.sha256(), words);
                ui.execute(then);
            } catch (IOException e) {
                say(WORDS.say("theNoteCantBeKept", e.getMessage()));
            }
        });
    }

    /** Finds a file by what is in it, though it was renamed or moved. @param then told if it is one that was made here */
    public void find(Path file, Consumer<Line> then) {
        background.execute(() -> {
            try {
                Optional<Entry> entry = history.of(file);
                Map<String, String> noted = notes.all();
                ui.execute(() -> entry.ifPresentOrElse(
                        e -> then.accept(new Line(e, Files.exists(Path.of(e.path())), noted.getOrDefault(e.sha256(), ""))),
                        () -> session.fail(WORDS.say("wasntMadeHereOrWasChanged", file.getFileName()))));
            } catch (IOException e) {
                say(WORDS.say("cantBeRead", file.getFileName(), e.getMessage()));
            }
        });
    }

    /** Opens a file's project as it was, without its files: a target is chosen anew. */
    public void forAnother(Line line) {
        Project project = project(line);
        if (project == null) {
            session.fail(WORDS.say("theProjectOfWasntKept", line.file().getFileName()));
            return;
        }
        session.files().show(project.withDeliverables(List.of()), null);
        session.say(WORDS.say("theFramesOfAsTheyWereTaken", line.file().getFileName()));
    }

    /** Writes a page to hand over with a file, as HTML and PDF beside it. */
    public void writeSheet(Path file) {
        say(WORDS.say("theProofSheetOfIsBeingWritten", file.getFileName()));
        background.execute(() -> {
            try {
                TaskMessage.SheetWritten written = (TaskMessage.SheetWritten) Task.ask(places,
                        new TaskMessage.WriteSheet(1, file.toString()), _ -> {}, TaskMessage.SheetWritten.class::isInstance);
                say(WORDS.say("writtenBesideTheFile",
                        written.paths().stream().map(p -> Path.of(p).getFileName().toString()).collect(Collectors.joining(" and "))));
            } catch (IOException e) {
                say(WORDS.say("theProofSheetCantBeWritten", e.getMessage()));
            } catch (InterruptedException _) {
                Thread.currentThread().interrupt();
            }
        });
    }

    /** Lays another sound under its pictures, which are taken over as they are packed. @param sound null for none */
    public void resound(Line line, Path sound) {
        CompletableFuture<ClipFacts> probed = sound == null ? CompletableFuture.completedFuture(null) : session.viewer().probe(sound);
        probed.whenCompleteAsync((facts, failure) -> {
            try {
                if (failure != null || facts != null && facts.sounds().isEmpty()) {
                    throw new IOException(
                            failure != null ? WORDS.say("soundCantBeRead", sound.getFileName(), failure.getMessage())
                                    : WORDS.say("hasNoSound", sound.getFileName()));
                }
                Remake remake = Remake.of(line.file(), line.entry.plan());
                ReelSound heard = facts == null ? null : ReelSound.of(sound, facts.sounds().getFirst(), Rational.ZERO, remake.seconds());
                RunPlan plan = remake.planWithSound(heard, null);
                ui.execute(() -> {
                    if (start(plan, line)) {
                        session.say(sound == null ? WORDS.say("theSoundIsTakenOut", line.file().getFileName())
                                : WORDS.say("isLaidUnder", sound.getFileName(), line.file().getFileName()));
                    }
                });
            } catch (IOException | IllegalArgumentException e) {
                say(e.getMessage() + ".");
            }
        }, background);
    }

    private boolean start(RunPlan plan, Line line) {
        if (!session.runs().isFree()) {
            session.notices().working(WORDS.say("aRunGoesOnAlreadyMakeThis"));
            return false;
        }
        if (plan.version() != RunPlan.VERSION) {
            session.say(WORDS.say("thisWasPlannedByAnother"));
            return false;
        }
        session.runs().start(plan, project(line), () -> {});
        return true;
    }

    /** Brings in the frames that it was made of. */
    public void showFrames(Line line) {
        RunPlan plan = line.entry.plan();
        List<Path> frames = plan.spans().stream().flatMap(RunSpan::ofSources).map(s -> {
            RunSource source = plan.sources().get(s.source());
            return Recipes.file(source, s.first());
        }).distinct().toList();
        List<Path> gone = frames.stream().filter(f -> !Files.exists(f)).toList();
        if (gone.isEmpty()) {
            session.search().bringIn(frames);
        } else {
            session.fail(WORDS.say("isntThereAnyMore", gone.getFirst()));
        }
    }

    /** Opens the project as it was when the file was made, as one that isn't saved yet. */
    public void openProject(Line line) {
        Project project = project(line);
        if (project == null) {
            session.fail(WORDS.say("theProjectOfWasntKept", line.file().getFileName()));
        } else {
            session.files().show(project, null);
        }
    }

    private Project project(Line line) {
        try {
            return line.entry.projectText() == null ? null : ProjectText.read(line.entry.projectText());
        } catch (IllegalArgumentException e) {
            session.fail(WORDS.say("theProjectOfCantBeRead", line.file().getFileName(), e.getMessage()));
            return null;
        }
    }

    private void say(String words) {
        ui.execute(() -> session.say(words));
    }
}
