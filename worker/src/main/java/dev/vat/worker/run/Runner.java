package dev.vat.worker.run;

import com.sun.management.OperatingSystemMXBean;
import dev.vat.core.run.MemoryBound;
import dev.vat.core.run.RunFile;
import dev.vat.core.run.RunPlan;
import dev.vat.core.words.Words;
import dev.vat.media.frame.WorkingPictures;
import dev.vat.protocol.FileProgress.Stage;
import dev.vat.protocol.Message;
import dev.vat.protocol.RunMessage;
import dev.vat.protocol.run.Journal;
import dev.vat.protocol.run.JournalEntry;
import dev.vat.protocol.run.RunHome;
import dev.vat.protocol.run.RunState;
import dev.vat.protocol.storage.Durable;
import dev.vat.protocol.storage.Json;
import dev.vat.worker.job.Job;
import java.io.IOException;
import java.lang.management.ManagementFactory;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.function.Consumer;
import java.util.function.LongPredicate;
import java.util.stream.Collectors;
import java.util.stream.LongStream;

/**
 * Carries a plan out: reads every frame once, or twice where a file takes two passes, gives it to all deliverables, then joins, proves
 * and delivers one after the other, the smallest first. Runs on one thread; {@link #stop} and {@link #pause} may come from another.
 */
public final class Runner {

    private static final Words WORDS = Words.of(Runner.class);

    private final RunHome home;
    private final Consumer<Message> events;
    private final boolean checked;
    private final RunGate gate = new RunGate();
    private volatile boolean leaving;
    private boolean alone;
    private List<OutputPipeline> lanes = List.of();
    private RunProgress progress;
    /** Why what was stopped has to be tried again, or null. */
    private String again;
    /** What pictures may take: two thirds of the machine's, for it has other things to do. */
    private long memory = ((OperatingSystemMXBean) ManagementFactory.getOperatingSystemMXBean()).getTotalMemorySize() * 2 / 3;

    /** For tests: as if the machine had less. */
    Runner within(long bytes) {
        memory = bytes;
        return this;
    }

    /** One file after the other: something ends the process, and it is to be found out which. */
    Runner alone() {
        alone = true;
        return this;
    }

    /** @param events told of {@link RunMessage.Progress} several times a second and once of {@link RunMessage.Ended} */
    public Runner(RunHome home, Consumer<Message> events) {
        this(home, events, true);
    }

    private Runner(RunHome home, Consumer<Message> events, boolean checked) {
        this.home = home;
        this.events = events;
        this.checked = checked;
    }

    public void stop() {
        gate.stop();
    }

    /** Reads nothing more: what was read becomes whole files, shorter than planned. */
    void endEarly() {
        gate.endEarly();
    }

    /** Stops since whoever started it is gone: the journal says nothing of an end, so that the next start goes on by itself. */
    void leave() {
        leaving = true;
        stop();
    }

    public void pause(boolean on) {
        gate.pause(on);
    }

    /**
     * Makes everything that isn't made yet: parts that an earlier start closed are taken over. What goes wrong with one file is told of
     * that file.
     */
    public void run() throws IOException, InterruptedException {
        RunPlan plan = home.plan();
        begin(plan);
        try (FileChannel _ = home.lock().orElseThrow(() -> new IOException(WORDS.say("thisRunGoesOnElsewhereAlready")));
                Journal journal = home.openJournal()) {
            gate.lookAgain();
            gate.holdWithoutRoom();
            journal.write(new JournalEntry.Started(Instant.now().toString(), Durable.sha256(Json.page(plan))));
            for (Optional<String> passes = tried(plan, journal); passes.isPresent() && !gate.isStopped(); passes = tried(plan, journal)) {
                gate.holdAfter(passes.get());
            }
            if (!leaving) {
                journal.write(new JournalEntry.Ended(Instant.now().toString(), gate.isStopped()));
            }
        }
        events.accept(new RunMessage.Ended(0, gate.isStopped(), progress.all()));
    }

    /** Makes what can be made now. @return what kept a file back and passes, in words */
    private Optional<String> tried(RunPlan plan, Journal journal) throws IOException, InterruptedException {
        again = null;
        try {
            makeRest(plan, journal);
        } catch (IOException e) {
            if (!gate.room().explains(e)) {
                throw e;
            }
            again = gate.room().words(e);
        }
        return Optional.ofNullable(again)
                .or(() -> lanes.stream().filter(OutputPipeline::isHeldUp).map(l -> l.progress().why()).findFirst());
    }

    private void begin(RunPlan plan) {
        progress = new RunProgress(plan, events);
        gate.begin(new RoomWatch(Path.of(plan.folder()), home.folder()), progress);
    }

    private void makeRest(RunPlan plan, Journal journal) throws IOException, InterruptedException {
        readAll(plan, journal);
        Finishing finish = new Finishing(home.folder(), plan, journal, progress::tell, () -> !gate.isStopped());
        List<OutputPipeline> bySize = new ArrayList<>(lanes);
        bySize.sort(Comparator.comparingLong(l -> l.progress().bytes()));
        for (OutputPipeline lane : bySize) {
            if (gate.endsEarly() && EarlyEnd.leavesBehind(lane, lanes)) {
                progress.tell(RunProgress.with(lane.progress(), Stage.STOPPED, null));
            } else if (lane.isComplete() && !gate.isStopped()) {
                gate.holdUntil(lane.file().isFolder() ? 0 : lane.progress().bytes());
                finish(finish, lane);
            }
        }
        // All files that wanted it have it.
        Files.deleteIfExists(home.folder().resolve(Finishing.MIX));
    }

    private void finish(Finishing finish, OutputPipeline lane) throws IOException {
        try {
            finish.finish(lane.file(), lane.closedParts());
        } catch (CancellationException _) {
            progress.tell(RunProgress.with(lane.progress(), Stage.STOPPED, null));
        } catch (IOException | RuntimeException | Error e) {
            if (gate.room().explains(e)) {
                again = gate.room().words(e);
                progress.tell(RunProgress.with(lane.progress(), Stage.STOPPED, e.getMessage()));
                return;
            }
            String why = Job.words(e);
            finish.failed(lane.file(), why);
            progress.tell(RunProgress.with(lane.progress(), Stage.FAILED, why));
        }
    }

    /**
     * Reads and encodes the parts of a plan without joining and proving: for trials, and for benchmarks, which may leave the inline check
     * out.
     *
     * @param events told of {@link RunMessage.Progress} several times a second
     * @return for each part of each file how long it was converted, encoded and checked, in seconds, apart from waiting
     */
    public static Map<String, List<Double>> encodeOnly(RunHome home, boolean checked, Consumer<Message> events)
            throws IOException, InterruptedException {
        Runner runner = new Runner(home, events, checked);
        RunPlan plan = home.plan();
        try (Journal journal = home.openJournal()) {
            runner.begin(plan);
            runner.readAll(plan, journal);
        }
        return runner.lanes.stream().collect(Collectors.toMap(l -> l.file().target(), OutputPipeline::partSeconds));
    }

    private void readAll(RunPlan plan, Journal journal) throws IOException, InterruptedException {
        progress.tryAgain();
        RunState state = RunState.of(home.journal());
        List<OutputPipeline> made = new ArrayList<>();
        List<OutputPipeline> first = new ArrayList<>();
        for (RunFile file : state.files(plan)) {
            if (!progress.isSettled(file, state)) {
                RunHome.createWorkFolder(plan, file);
                if (plan.remade() != null) {
                    TakenOver.into(plan, file, state.closed(file.target()), journal);
                    state = RunState.of(home.journal());
                }
                OutputPipeline lane = new OutputPipeline(plan, file, journal, gate.room(),
                        KeptParts.of(plan, file, state.closed(file.target())), checked);
                made.add(lane);
                if (file.passes() > 1 && !lane.isComplete() && !PartStore.hasNotes(plan, file, state)) {
                    first.add(OutputPipeline.firstPass(plan, file, journal, gate.room()));
                }
            }
        }
        lanes = made;
        progress.follow(made, first);
        if (!first.isEmpty()) {
            read(plan, journal, first);
            progress.firstPassesAreOver();
            first.stream().map(OutputPipeline::progress).filter(p -> p.stage() == Stage.FAILED).forEach(progress::put);
            // Without its notes no second pass can begin.
            again = first.stream().filter(OutputPipeline::isHeldUp).map(l -> l.progress().why()).findFirst().orElse(null);
            if (again != null) {
                return;
            }
        }
        List<OutputPipeline> rest = made.stream().filter(l -> !progress.has(l.file().target())).toList();
        if (!alone) {
            List<List<RunFile>> groups = MemoryBound.groups(plan, rest.stream().map(OutputPipeline::file).toList(), memory);
            long later = groups.size() * plan.frames();
            for (List<RunFile> together : groups) {
                later -= plan.frames();
                progress.toReadLater(later);
                read(plan, journal, rest.stream().filter(l -> together.contains(l.file())).toList());
            }
            EarlyEnd.shortenSounds(made, journal);
            return;
        }
        for (OutputPipeline lane : rest) {
            journal.write(new JournalEntry.Trying(lane.file().target()));
            read(plan, journal, List.of(lane));
        }
        EarlyEnd.shortenSounds(made, journal);
    }

    /** Reads the frames once that some of the files want. */
    private void read(RunPlan plan, Journal journal, List<OutputPipeline> some) throws IOException, InterruptedException {
        List<OutputPipeline> open = some.stream().filter(l -> !l.isComplete()).toList();
        open.forEach(OutputPipeline::start);
        LongPredicate wanted = frame -> open.stream().anyMatch(l -> l.wants(frame));
        IOException failure = null;
        long next = 0;
        try (FrameFeed feed = new FrameFeed(plan, Math.clamp(Runtime.getRuntime().availableProcessors(), 1, 4), wanted)) {
            progress.toRead(LongStream.range(0, plan.frames()).filter(wanted).count());
            for (; next < plan.frames() && !gate.isStopped() && !gate.endsEarly()
                    && open.stream().anyMatch(l -> !l.progress().isEnd()); next++) {
                long frame = next;
                if (!wanted.test(frame)) {
                    continue;
                }
                gate.waitWhilePaused();
                gate.holdWithoutRoom();
                try (WorkingPictures pictures = feed.next()) {
                    for (OutputPipeline lane : open) {
                        if (lane.wants(frame)) {
                            lane.offer(pictures.in(plan.pictureFor(lane.file())));
                        }
                    }
                }
                progress.read(frame);
            }
        } catch (IOException e) {
            failure = e;
        }
        for (OutputPipeline lane : open) {
            if (gate.endsEarly() && failure == null) {
                EarlyEnd.shorten(lane, next, journal);
            }
            lane.end();
        }
        if (failure != null) {
            for (OutputPipeline lane : open) {
                if (!lane.progress().isEnd() || lane.progress().stage() == Stage.STOPPED) {
                    journal.write(new JournalEntry.Failed(lane.file().target(), failure.getMessage()));
                    progress.put(RunProgress.with(lane.progress(), Stage.FAILED, failure.getMessage()));
                }
            }
        }
        progress.report(true);
    }
}
