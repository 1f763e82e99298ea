package dev.vat.engine.run;

import dev.vat.core.project.Project;
import dev.vat.core.run.RunPlan;
import dev.vat.core.words.Words;
import dev.vat.engine.history.HistoryStore;
import dev.vat.engine.process.Restraint;
import dev.vat.engine.process.WorkerProcess;
import dev.vat.engine.storage.UserSettings;
import dev.vat.protocol.FileProgress;
import dev.vat.protocol.Message;
import dev.vat.protocol.RunMessage;
import dev.vat.protocol.WorkerRole;
import dev.vat.protocol.run.Delivery;
import dev.vat.protocol.run.Journal;
import dev.vat.protocol.run.JournalEntry;
import dev.vat.protocol.run.RunHome;
import dev.vat.protocol.run.RunState;
import dev.vat.protocol.storage.Durable;
import dev.vat.protocol.storage.Places;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * A run as its owner sees it: a process that makes files, told to pause or stop from here. A process that ends by itself is started again
 * and goes on with the first unfinished part; if it ends again before another part was closed, the run is given up for now.
 */
public final class Run implements AutoCloseable {

    private static final Words WORDS = Words.of(Run.class);

    /**
     * How a run ended.
     *
     * @param lost why the process ended by itself, or null
     */
    public record Outcome(boolean stopped, String lost, List<FileProgress> files) {}

    private static final Logger LOG = LoggerFactory.getLogger(Run.class);

    /** For tests, which can't wait as long as a person does. */
    public static void standsStillAfter(Duration time) {
        StillnessWatch.standsStillAfter(time);
    }

    private final RunPlan plan;
    private final RunHome home;
    private final Places places;
    private final Consumer<RunMessage.Progress> listener;
    private final CompletableFuture<Outcome> outcome = new CompletableFuture<>();
    private volatile List<FileProgress> latest = List.of();
    private volatile WorkerProcess worker;
    private volatile boolean closing;
    private long closedBefore;
    private int attempts;
    private boolean alone;
    private boolean early;
    private Integer cores;
    private final StillnessWatch watch;

    private Run(RunPlan plan, RunHome home, Places places, Consumer<RunMessage.Progress> listener) {
        this.plan = plan;
        this.home = home;
        this.places = places;
        this.listener = listener;
        this.watch = new StillnessWatch(() -> outcome.isDone() || closing, () -> {
            LOG.warn("Run {} stands still", plan.run());
            worker.kill();
        });
    }

    /**
     * What goes along with a plan.
     *
     * @param project that it is made of, for the history, or null
     * @param cores how many of the machine's cores it may use, or null for what the settings say
     */
    public record Order(Project project, Integer cores) {
        public static final Order PLAIN = new Order(null, null);
    }

    /** @param listener told of progress several times a second, on a thread of the run's own */
    public static Run start(RunPlan plan, Places places, Consumer<RunMessage.Progress> listener) throws IOException {
        return start(plan, places, Order.PLAIN, listener);
    }

    /** @param listener told of progress several times a second, on a thread of the run's own */
    public static Run start(RunPlan plan, Places places, Order order, Consumer<RunMessage.Progress> listener) throws IOException {
        Durable.createFolders(Path.of(plan.folder()));
        Run run = new Run(plan, RunHome.create(places, plan), places, listener);
        if (order.project != null) {
            run.home.keep(order.project);
        }
        run.cores = order.cores;
        run.begin();
        return run;
    }

    /**
     * Goes on with a run that was stopped or cut off, at the first unfinished part of every file.
     *
     * @throws IOException if its plan can't be read, or its folder isn't there
     */
    public static Run resume(RunHome home, Places places, Consumer<RunMessage.Progress> listener) throws IOException {
        return resume(home, places, listener, false);
    }

    /**
     * Makes files of what an unfinished run has closed, and nothing more: they are shorter than planned.
     *
     * @throws IOException as {@link #resume}
     */
    public static Run endEarly(RunHome home, Places places, Consumer<RunMessage.Progress> listener) throws IOException {
        return resume(home, places, listener, true);
    }

    private static Run resume(RunHome home, Places places, Consumer<RunMessage.Progress> listener, boolean early) throws IOException {
        Delivery.finishProven(home);
        RunPlan plan = home.plan();
        if (!Files.isDirectory(Path.of(plan.folder()))) {
            throw new IOException(WORDS.say("theFolderIsntThereBring", plan.folder()));
        }
        Run run = new Run(plan, home, places, listener);
        run.early = early;
        run.begin();
        return run;
    }

    /**
     * Somebody is about to start a run: its process starts beside whatever has to be known before.
     *
     * @param cores as in its {@link Order}
     */
    public static void expect(Places places, Integer cores) throws IOException {
        WorkerProcess.prepare(WorkerRole.RUN, places, restraint(places, cores));
    }

    private static Restraint restraint(Places places, Integer cores) throws IOException {
        return new Restraint(cores != null ? cores : UserSettings.load(places.settings()).cores());
    }

    private void begin() throws IOException {
        closedBefore = closedParts();
        watch.excuse();
        worker = WorkerProcess.start(WorkerRole.RUN, places, restraint(places, cores), this::take, loss -> lost(loss.why()));
        watch.advanced();
        if (attempts == 0) {
            watch.start();
        }
        worker.send(new RunMessage.Make(1, home.folder().toString(),
                alone ? RunMessage.Make.Way.ONE_BY_ONE : early ? RunMessage.Make.Way.OF_WHAT_IS_DONE : RunMessage.Make.Way.TOGETHER));
    }

    private long closedParts() throws IOException {
        return home.journal().stream().filter(JournalEntry.PartClosed.class::isInstance).count();
    }

    /**
     * One process more, as long as each gets further than the one before. Else files are made one after the other, and the one that ends
     * its process alone is given up, so that the others are made.
     */
    private void lost(String why) {
        try {
            if (!closing && mayGoOn(why)) {
                LOG.warn("The process of run {} is gone ({}); another goes on", plan.run(), why);
                begin();
                return;
            }
        } catch (IOException e) {
            LOG.warn("Run {} can't go on", plan.run(), e);
        }
        end(false, why + where(), latest);
    }

    private boolean mayGoOn(String why) throws IOException {
        if (attempts++ == 0 || closedParts() > closedBefore) {
            return true;
        }
        if (!alone) {
            alone = true;
            return plan.files().size() > 1;
        }
        Optional<String> guilty = RunState.of(home.journal()).trying();
        if (guilty.isEmpty()) {
            return false;
        }
        try (Journal journal = home.openJournal()) {
            journal.write(new JournalEntry.GivenUp(guilty.get(), WORDS.say("itsEncoderEndedTheProcess", why, where())));
        }
        return true;
    }

    /** How far each file was when the process ended: there, or shortly after, is what it stumbled over. */
    private String where() {
        String places = latest.stream().filter(f -> f.stage() == FileProgress.Stage.ENCODING)
                .map(f -> WORDS.say("atFrame", f.target(), f.done()))
                .collect(Collectors.joining(", "));
        return places.isEmpty() ? "" : " (" + places + ")";
    }

    private void take(Message message) {
        switch (message) {
            case RunMessage.Progress progress -> {
                watch.advance(progress);
                latest = progress.files();
                listener.accept(progress);
            }
            case RunMessage.Ended ended -> {
                latest = ended.files();
                listener.accept(new RunMessage.Progress(0, plan.frames(), ended.files(), null, false, 0));
                end(ended.stopped(), null, ended.files());
            }
            case Message.Broken broken -> end(false, broken.why(), latest);
            default -> throw new IllegalStateException("A run said " + message);
        }
    }

    private void end(boolean stopped, String lost, List<FileProgress> files) {
        if (outcome.isDone()) {
            return;
        }
        try {
            HistoryStore history = HistoryStore.at(places.history());
            for (FileProgress file : files) {
                if (file.stage() == FileProgress.Stage.DELIVERED) {
                    history.add(plan, home.project().orElse(null), Path.of(file.path()));
                }
            }
        } catch (IOException e) {
            LOG.warn("The history can't be written", e);
        }
        outcome.complete(new Outcome(stopped, lost, files));
        Thread.ofVirtual().start(this::close);
    }

    public RunPlan plan() {
        return plan;
    }

    public RunHome home() {
        return home;
    }

    public CompletableFuture<Outcome> outcome() {
        return outcome;
    }

    public void pause(boolean on) {
        watch.pause(on);
        send(new RunMessage.Pause(2, on));
    }

    public void stop() {
        send(new RunMessage.Stop(3));
    }

    /** Reads nothing more: what was read becomes whole files, shorter than planned, and their receipts say so. */
    public void endEarly() {
        send(new RunMessage.FinishEarly(4));
    }

    private void send(Message message) {
        try {
            worker.send(message);
        } catch (IOException e) {
            // A worker that is gone has told so already, or will at once.
            LOG.debug("The run's process is gone", e);
        }
    }

    /** The process that makes files now. */
    public long pid() {
        return worker.pid();
    }

    /** Ends the process; a run that goes on stays interrupted. */
    @Override
    public void close() {
        closing = true;
        worker.close();
    }
}
