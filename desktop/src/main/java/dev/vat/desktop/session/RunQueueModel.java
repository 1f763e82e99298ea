package dev.vat.desktop.session;

import dev.vat.core.finding.Finding;
import dev.vat.core.project.Project;
import dev.vat.core.words.Words;
import dev.vat.engine.queue.RunQueue;
import dev.vat.engine.queue.StartTime;
import dev.vat.engine.queue.Waiting;
import dev.vat.engine.run.Preparation;
import dev.vat.engine.viewer.Viewer;
import dev.vat.protocol.run.RunHome;
import dev.vat.protocol.storage.Places;
import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.time.Instant;
import java.time.ZonedDateTime;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Executor;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.function.Consumer;
import java.util.stream.Collectors;

/** What is to be made later, as the window knows it: the queue on disk, looked at every second, worked through while no run goes on. */
public final class RunQueueModel implements AutoCloseable {

    private static final Words WORDS = Words.of(RunQueueModel.class);

    private static final long LOOK_MILLIS = 1000;
    /** Frames that aren't all there are looked for this often. */
    private static final int LOOKS_FOR_FRAMES = 5;

    private interface Change {
        void to(RunQueue queue) throws IOException;
    }

    private final Places places;
    private final RunQueue queue;
    private final Viewer viewer;
    private final Executor background;
    private final Executor ui;
    private final Runs runs;
    private final Runnable changed;
    private final Consumer<String> say;
    private final Set<String> framesMissing = new HashSet<>();
    /** One after the other, so that what is put in first stands first. */
    private final ExecutorService changes = Executors.newSingleThreadExecutor(Thread.ofVirtual().factory());
    private List<Waiting> entries = List.of();
    private FileChannel right;
    private boolean preparing;
    private int looks;
    private volatile boolean closed;

    RunQueueModel(Places places, Viewer viewer, Executor background, Executor ui, Runs runs, Runnable changed, Consumer<String> say) {
        this.places = places;
        this.queue = RunQueue.of(places);
        this.viewer = viewer;
        this.background = background;
        this.ui = ui;
        this.runs = runs;
        this.changed = changed;
        this.say = say;
        background.execute(this::lookOn);
    }

    /** In the order in which they are made. */
    public List<Waiting> entries() {
        return entries;
    }

    /** Why one doesn't start yet, in words. */
    public String state(Waiting waiting) {
        Set<String> there = entries.stream().map(Waiting::id).collect(Collectors.toSet());
        return waiting.whyNot(Instant.now(), there)
                .orElse(framesMissing.contains(waiting.id()) ? WORDS.say("waitsForItsFrames")
                        : waiting.isBegun() ? WORDS.say("begins") : WORDS.say("waitsItsTurn"));
    }

    void add(Project project, RunQueue.Terms terms) {
        change(q -> q.add(project, terms));
    }

    public void hold(String id, boolean on) {
        change(q -> q.change(id, w -> on ? w.withHeld(true) : w.withHeld(false).withNotBefore(null)));
    }

    /** @param when a time, as {@link StartTime} reads it */
    public void startAt(String id, String when) {
        change(q -> {
            Instant time = StartTime.parse(when, ZonedDateTime.now());
            q.change(id, w -> w.withHeld(false).withNotBefore(time));
        });
    }

    public void move(String id, int by) {
        change(q -> q.move(id, by));
    }

    public void remove(String id) {
        change(q -> q.remove(id));
    }

    private void change(Change how) {
        changes.execute(() -> {
            try {
                how.to(queue);
                look();
            } catch (IOException | RuntimeException e) {
                ui.execute(() -> say.accept(WORDS.say("theQueueCantBeChanged", e.getMessage())));
            }
        });
    }

    private void lookOn() {
        String trouble = "";
        try {
            while (!closed) {
                try {
                    look();
                    trouble = "";
                } catch (IOException e) {
                    String words = WORDS.say("theQueueCantBeRead", e.getMessage());
                    if (!words.equals(trouble)) {
                        trouble = words;
                        ui.execute(() -> say.accept(words));
                    }
                }
                Thread.sleep(LOOK_MILLIS);
            }
        } catch (InterruptedException _) {
            Thread.currentThread().interrupt();
        }
    }

    private void look() throws IOException {
        List<Waiting> found = queue.entries();
        ui.execute(() -> {
            boolean other = !found.equals(entries);
            entries = found;
            if (++looks % LOOKS_FOR_FRAMES == 0) {
                framesMissing.clear();
            }
            if (other) {
                changed.run();
            }
            next();
        });
    }

    /** Begins with the next that may start, if no run goes on. On the interface's thread. */
    void next() {
        if (preparing || closed || entries.isEmpty() || !runs.isFree()) {
            return;
        }
        preparing = true;
        Set<String> skip = Set.copyOf(framesMissing);
        background.execute(() -> {
            try {
                Optional<Waiting> next = mayWork() ? queue.next(Instant.now(), skip) : Optional.empty();
                if (next.isPresent()) {
                    prepare(next.get());
                    return;
                }
            } catch (IOException e) {
                ui.execute(() -> say.accept(WORDS.say("theQueueCantBeWorkedThrough", e.getMessage())));
            }
            ui.execute(() -> preparing = false);
        });
    }

    private boolean mayWork() throws IOException {
        if (right == null) {
            right = queue.work().orElse(null);
        }
        return right != null;
    }

    private void prepare(Waiting waiting) throws IOException {
        if (waiting.isBegun()) {
            // The run itself is what goes on, or is offered, after an end that nobody asked for.
            boolean there = Files.exists(RunHome.at(places.runs().resolve(waiting.run())).folder());
            if (there) {
                queue.remove(waiting.id());
            } else {
                queue.change(waiting.id(), w -> w.withRun(null));
            }
            ui.execute(() -> preparing = false);
            return;
        }
        try {
            Project project = RunQueue.project(waiting);
            Preparation prepared = Preparation.of(project, places, viewer,
                    (sequence, choice) -> viewer.check(sequence, false, choice, _ -> {}).join());
            ui.execute(() -> prepared(waiting, project, prepared));
        } catch (IOException | RuntimeException e) {
            hold(waiting, e.getCause() == null ? e.getMessage() : e.getCause().getMessage());
        }
    }

    private void prepared(Waiting waiting, Project project, Preparation prepared) {
        preparing = false;
        // Meanwhile another run may have begun, or somebody have taken this one out or held it.
        if (closed || !runs.isFree() || entries.stream().noneMatch(w -> w.id().equals(waiting.id()) && !w.held())) {
            return;
        }
        switch (prepared) {
            case Preparation.Ready ready when waiting.whenComplete() && !ready.complete() -> framesMissing.add(waiting.id());
            case Preparation.Blocked _ when waiting.whenComplete() -> framesMissing.add(waiting.id());
            case Preparation.Ready ready -> {
                change(q -> q.change(waiting.id(), w -> w.withRun(ready.plan().run())));
                runs.start(ready.plan(), project, () -> change(q -> q.remove(waiting.id())));
                if (!ready.leftOut().isEmpty()) {
                    say.accept(WORDS.say("leavesOut", waiting.title(), ready.leftOut().getFirst().text()));
                }
            }
            case Preparation.Blocked blocked -> {
                Finding first = blocked.findings().blockers().getFirst();
                hold(waiting, first.text());
            }
        }
        changed.run();
    }

    private void hold(Waiting waiting, String why) {
        change(q -> q.change(waiting.id(), w -> w.withHeld(true)));
        ui.execute(() -> {
            preparing = false;
            say.accept(WORDS.say("isHeldInTheQueue", waiting.title(), why));
        });
    }

    /** What waits stays on disk for the next start. */
    @Override
    public void close() {
        closed = true;
        changes.close();
        if (right != null) {
            try {
                right.close();
            } catch (IOException _) {
                // It ends with the process at the latest.
                right = null;
            }
        }
    }
}
