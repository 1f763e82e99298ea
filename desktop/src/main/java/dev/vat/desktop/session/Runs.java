package dev.vat.desktop.session;

import dev.vat.core.project.Project;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.run.RunPlan;
import dev.vat.core.source.ClipFacts;
import dev.vat.core.trial.ReelCosts;
import dev.vat.core.words.Words;
import dev.vat.engine.history.HistoryStore;
import dev.vat.engine.process.Task;
import dev.vat.engine.queue.RunQueue;
import dev.vat.engine.run.Run;
import dev.vat.engine.run.RunPlanner;
import dev.vat.engine.viewer.Viewer;
import dev.vat.protocol.FileProgress;
import dev.vat.protocol.RunMessage;
import dev.vat.protocol.TaskMessage;
import dev.vat.protocol.run.Delivery;
import dev.vat.protocol.run.RunHome;
import dev.vat.protocol.storage.Places;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Executor;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.Consumer;
import java.util.function.Supplier;

/** Runs that go on, wait, have ended, or were interrupted; one goes on at a time. */
public final class Runs implements AutoCloseable {

    private static final Words WORDS = Words.of(Runs.class);

    private final Places places;
    private final Supplier<ReelCosts> costs;
    private final Viewer viewer;
    private final Executor background;
    private final Executor ui;
    private final Runnable changed;
    private final Runnable ended;
    private final Consumer<String> say;
    private final List<RunLine> lines = new ArrayList<>();
    private final List<RunHome> leftOver = new ArrayList<>();
    private final RunQueueModel later;
    private RunLine going;
    private boolean starting;

    /** @param costs how hard each frame of the current reel is to pack, or null */
    Runs(Places places, Viewer viewer, Supplier<ReelCosts> costs, Executor background, Executor ui, Runnable changed, Runnable ended,
            Consumer<String> say) {
        this.places = places;
        this.costs = costs;
        this.viewer = viewer;
        this.background = background;
        this.ui = ui;
        this.changed = changed;
        this.ended = ended;
        this.say = say;
        this.later = new RunQueueModel(places, viewer, background, ui, this, changed, say);
    }

    /** What is to be made after what is being made. */
    public RunQueueModel later() {
        return later;
    }

    /** The newest first. */
    public List<RunLine> lines() {
        return lines;
    }

    /** Runs of an earlier start that didn't make everything. */
    public List<RunHome> leftOver() {
        return leftOver;
    }

    public Optional<RunLine> going() {
        return Optional.ofNullable(going);
    }

    /** How far the newest run is with a target's file, while it goes on or if nothing came after it. */
    public Optional<FileProgress> progress(String target) {
        return lines.stream().limit(1).flatMap(l -> l.files().stream()).filter(f -> f.target().equals(target)).findFirst();
    }

    /** Whether nothing goes on, is about to, or waits. */
    public boolean isIdle() {
        return isFree() && later.entries().isEmpty();
    }

    /** Whether nothing goes on, or is about to. */
    public boolean isFree() {
        return going == null && !starting;
    }

    /** Looks for runs that left something unmade; what they had proven gets its names first. */
    void findLeftOver() {
        background.execute(() -> {
            List<RunHome> found = new ArrayList<>();
            try {
                for (RunHome home : RunHome.all(places)) {
                    if (!home.isRunning() && isLeftOver(home)) {
                        found.add(home);
                    }
                }
            } catch (IOException e) {
                ui.execute(() -> say.accept(WORDS.say("aRunOfAnEarlierStartCant", e.getMessage())));
            }
            ui.execute(() -> {
                leftOver.addAll(found);
                changed.run();
                found.stream().filter(Runs::goesOnByItself).findFirst().ifPresent(home -> {
                    say.accept(WORDS.say("aRunThatWasCutOffGoesOn"));
                    goOn(home);
                });
            });
        });
    }

    private static boolean goesOnByItself(RunHome home) {
        try {
            return home.goesOnByItself();
        } catch (IOException _) {
            // It stays in the list, where it says what is wrong with it.
            return false;
        }
    }

    private boolean isLeftOver(RunHome home) throws IOException {
        for (Path finished : Delivery.finishProven(home)) {
            HistoryStore.at(places.history()).add(home.plan(), home.project().orElse(null), finished);
        }
        if (!home.unfinished().isEmpty()) {
            return true;
        }
        home.discard();
        return false;
    }

    void start(Project project, ResolvedReel programme, Map<String, ClipFacts> clips, Path folder) {
        if (!isFree()) {
            later.add(project, RunQueue.Terms.NONE);
            return;
        }
        begin(listener -> Run.start(RunPlanner.ofSystem().plan(project, programme, folder, clips, RunPlan.CHOSEN, viewer.library()),
                places, new Run.Order(project, null), listener), () -> {});
    }

    /**
     * Carries out a plan that was made already.
     *
     * @param project that it is made of, or null
     * @param begun told when it is certain to be made
     */
    void start(RunPlan plan, Project project, Runnable begun) {
        begin(listener -> Run.start(plan, places, new Run.Order(project, null), listener), begun);
    }

    private interface Beginning {
        Run run(Consumer<RunMessage.Progress> listener) throws IOException;
    }

    private void begin(Beginning beginning, Runnable begun) {
        starting = true;
        ReelCosts known = costs.get();
        background.execute(() -> {
            try {
                AtomicReference<RunLine> line = new AtomicReference<>();
                Run run = beginning.run(progress -> ui.execute(() -> {
                    if (line.get() != null) {
                        line.get().progress(progress);
                        changed.run();
                    }
                }));
                line.set(new RunLine(run, known));
                begun.run();
                ui.execute(() -> started(line.get()));
            } catch (IOException | RuntimeException e) {
                ui.execute(() -> {
                    starting = false;
                    say.accept(WORDS.say("theRunCantBeStarted", e.getMessage()));
                });
            }
        });
    }

    private void started(RunLine line) {
        starting = false;
        going = line;
        lines.addFirst(line);
        line.run().outcome().thenAccept(outcome -> ui.execute(() -> {
            line.ended(outcome);
            going = null;
            if (!line.isUnfinished() && line.isProven()) {
                // It needs its plan and journal no more.
                discard(line.run().home(), () -> {});
            }
            ended.run();
            changed.run();
            later.next();
            if (isIdle()) {
                say.accept(RunLine.words(line.files()));
            }
        }));
        changed.run();
    }

    /** Goes on with what an interrupted or stopped run was making, at its first unfinished part; it waits while another goes on. */
    public void goOn(RunHome home) {
        again(listener -> Run.resume(home, places, listener), home);
    }

    /** Makes files of what an unfinished run has closed; nothing more is read. */
    public void endEarly(RunHome home) {
        again(listener -> Run.endEarly(home, places, listener), home);
    }

    private void again(Beginning beginning, RunHome home) {
        if (!isFree()) {
            say.accept(WORDS.say("aRunGoesOnAlreadyThisOne"));
            return;
        }
        begin(beginning, () -> ui.execute(() -> forget(home)));
    }

    /** A film of what is closed so far of one of a run's files. @param then told of it on the interface's thread */
    public void joinDone(RunHome home, String target, Consumer<Path> then) {
        background.execute(() -> {
            try {
                TaskMessage.JoinedDone done = (TaskMessage.JoinedDone) Task.ask(places,
                        new TaskMessage.JoinDone(1, home.folder().toString(), target, places.cache().resolve("done").toString()),
                        _ -> {}, TaskMessage.JoinedDone.class::isInstance);
                ui.execute(() -> then.accept(Path.of(done.path())));
            } catch (IOException e) {
                ui.execute(() -> say.accept(e.getMessage() + "."));
            } catch (InterruptedException _) {
                Thread.currentThread().interrupt();
            }
        });
    }

    /** Nothing more is read until the run goes on. */
    public void pause(RunLine line, boolean on) {
        line.pause(on);
        changed.run();
    }

    public void discard(RunHome home) {
        forget(home);
        discard(home, () -> say.accept(WORDS.say("theUnfinishedRunWasCleared")));
    }

    private void discard(RunHome home, Runnable done) {
        background.execute(() -> {
            try {
                home.discard();
                ui.execute(done);
            } catch (IOException e) {
                ui.execute(() -> say.accept(WORDS.say("whatARunKeptForItselfCant", e.getMessage())));
            }
        });
    }

    private void forget(RunHome home) {
        leftOver.remove(home);
        lines.removeIf(l -> l.run().home() == home && !l.isGoing() && !l.hasDelivered());
        lines.stream().filter(l -> l.run().home() == home).forEach(RunLine::settled);
        changed.run();
    }

    public void useAnyway(RunLine line, String target) {
        background.execute(() -> {
            try {
                Path path = Delivery.useAnyway(line.run().home(), target);
                HistoryStore.at(places.history()).add(line.run().plan(), line.run().home().project().orElse(null), path);
                ui.execute(() -> {
                    line.taken(target, path);
                    say.accept(WORDS.say("takenIntoUseWithoutProof", path));
                });
            } catch (IOException e) {
                ui.execute(() -> say.accept(WORDS.say("theFileCantBeTakenIntoUse", e.getMessage())));
            }
        });
    }

    /** Ends the process of a run that goes on; it stays interrupted and is offered again at the next start. */
    @Override
    public void close() {
        later.close();
        if (going != null) {
            going.run().close();
        }
    }
}
