package dev.vat.engine.run;

import dev.vat.core.run.RunPlan;
import dev.vat.engine.place.Durable;
import dev.vat.engine.place.Json;
import dev.vat.engine.protocol.FileProgress;
import dev.vat.engine.protocol.FileProgress.Stage;
import dev.vat.engine.protocol.Message;
import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CancellationException;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.stream.Collectors;

/**
 * Carries a plan out: reads every frame once, or twice where a file takes two passes, gives it to all deliverables, then joins, proves and delivers one after the
 * other, the smallest first. Runs on one thread; {@link #stop} and {@link #pause} may come from another.
 */
public final class Runner {

    private static final long REPORT_NANOS = 200_000_000L;

    private final RunHome home;
    private final Consumer<Message> events;
    private final boolean checked;
    private final Object pauseLock = new Object();
    private final Map<String, FileProgress> finishing = new LinkedHashMap<>();
    private volatile boolean stopped;
    private boolean paused;
    private List<Lane> lanes = List.of();
    private List<Lane> firstPasses = List.of();
    private long framesRead;
    private long lastReport;

    /** @param events told of {@link Message.Progress} several times a second and once of {@link Message.Ended} */
    public Runner(RunHome home, Consumer<Message> events) {
        this(home, events, true);
    }

    private Runner(RunHome home, Consumer<Message> events, boolean checked) {
        this.home = home;
        this.events = events;
        this.checked = checked;
    }

    public void stop() {
        stopped = true;
        pause(false);
    }

    public void pause(boolean on) {
        synchronized (pauseLock) {
            paused = on;
            pauseLock.notifyAll();
        }
    }

    /** Makes everything; what goes wrong with one file is told of that file. */
    public void run() throws IOException, InterruptedException {
        RunPlan plan = home.plan();
        try (FileChannel lock = home.lock().orElseThrow(() -> new IOException("This run goes on elsewhere already"));
                Journal journal = home.openJournal()) {
            journal.write(new JournalEntry.Started(Instant.now().toString(), Durable.sha256(Json.page(plan))));
            readAll(plan, journal);
            Finishing finish = new Finishing(home.folder(), plan, journal, this::tell, () -> !stopped);
            List<Lane> bySize = new ArrayList<>(lanes);
            bySize.sort(Comparator.comparingLong(l -> l.progress().bytes()));
            for (Lane lane : bySize) {
                if (lane.isComplete() && !stopped) {
                    finish(finish, lane);
                }
            }
            // All files that wanted it have it.
            Files.deleteIfExists(home.folder().resolve(Finishing.MIX));
            journal.write(new JournalEntry.Ended(Instant.now().toString(), stopped));
        }
        events.accept(new Message.Ended(0, stopped, progress()));
    }

    private void finish(Finishing finish, Lane lane) throws IOException {
        try {
            finish.finish(lane.file(), lane.closedParts());
        } catch (CancellationException _) {
            tell(with(lane.progress(), Stage.STOPPED, null));
        } catch (IOException | RuntimeException e) {
            finish.failed(lane.file(), e);
            tell(with(lane.progress(), Stage.FAILED, e.getMessage() == null ? e.toString() : e.getMessage()));
        }
    }

    private static FileProgress with(FileProgress p, Stage stage, String why) {
        return new FileProgress(p.target(), stage, p.done(), p.frames(), p.bytes(), 0, -1, null, null, why);
    }

    /** Reads and encodes without joining and proving; for benchmarks, which may leave the inline check out. */
    public static void encodeOnly(RunHome home, boolean checked) throws IOException, InterruptedException {
        Runner runner = new Runner(home, _ -> { }, checked);
        try (Journal journal = home.openJournal()) {
            runner.readAll(home.plan(), journal);
        }
    }

    private void readAll(RunPlan plan, Journal journal) throws IOException, InterruptedException {
        List<Lane> made = new ArrayList<>();
        for (RunPlan.RunFile file : plan.files()) {
            RunHome.createWorkFolder(plan, file);
            made.add(new Lane(plan, file, journal, checked));
        }
        lanes = made;
        List<Lane> first = plan.files().stream().filter(f -> f.passes() > 1).map(f -> Lane.firstPass(plan, f, journal)).toList();
        firstPasses = first;
        if (!first.isEmpty()) {
            read(plan, journal, first);
            firstPasses = List.of();
            first.stream().map(Lane::progress).filter(p -> p.stage() == Stage.FAILED).forEach(p -> finishing.put(p.target(), p));
        }
        read(plan, journal, made.stream().filter(l -> !finishing.containsKey(l.file().target())).toList());
    }

    /** Reads every frame once for some of the files. */
    private void read(RunPlan plan, Journal journal, List<Lane> some) throws IOException, InterruptedException {
        some.forEach(Lane::start);
        IOException failure = null;
        try (FrameFeed feed = new FrameFeed(plan, Math.clamp(Runtime.getRuntime().availableProcessors(), 1, 4))) {
            for (long i = 0; i < plan.frames() && !stopped && some.stream().anyMatch(l -> !l.progress().isEnd()); i++) {
                waitWhilePaused();
                try (WorkingPictures pictures = feed.next()) {
                    for (Lane lane : some) {
                        lane.offer(pictures.in(plan.workingFor(lane.file())));
                    }
                }
                framesRead = i + 1;
                report(false);
            }
        } catch (IOException e) {
            failure = e;
        }
        for (Lane lane : some) {
            lane.end(stopped || failure != null);
        }
        if (failure != null) {
            for (Lane lane : some) {
                if (!lane.progress().isEnd() || lane.progress().stage() == Stage.STOPPED) {
                    journal.write(new JournalEntry.Failed(lane.file().target(), failure.getMessage()));
                    finishing.put(lane.file().target(), with(lane.progress(), Stage.FAILED, failure.getMessage()));
                }
            }
        }
        report(true);
    }

    private void waitWhilePaused() throws InterruptedException {
        synchronized (pauseLock) {
            while (paused) {
                pauseLock.wait();
            }
        }
    }

    private void tell(FileProgress progress) {
        finishing.put(progress.target(), progress);
        report(progress.isEnd());
    }

    private void report(boolean now) {
        if (now || System.nanoTime() - lastReport > REPORT_NANOS) {
            lastReport = System.nanoTime();
            events.accept(new Message.Progress(0, framesRead, progress()));
        }
    }

    private List<FileProgress> progress() {
        Map<String, FileProgress> first = firstPasses.stream().map(Lane::progress).collect(Collectors.toMap(FileProgress::target, Function.identity()));
        return lanes.stream().map(Lane::progress).map(p -> finishing.getOrDefault(p.target(), first.getOrDefault(p.target(), p))).toList();
    }
}
