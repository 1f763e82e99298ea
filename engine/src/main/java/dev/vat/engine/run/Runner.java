package dev.vat.engine.run;

import dev.vat.core.run.RunPlan;
import dev.vat.engine.place.Durable;
import dev.vat.engine.place.Json;
import dev.vat.engine.protocol.FileProgress;
import dev.vat.engine.protocol.FileProgress.Stage;
import dev.vat.engine.protocol.Message;
import dev.vat.media.Picture;
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

/**
 * Carries a plan out: reads every frame once, gives it to all deliverables, then joins, proves and delivers one after the
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
        lanes.forEach(Lane::start);
        IOException failure = null;
        try (FrameFeed feed = new FrameFeed(plan, Math.clamp(Runtime.getRuntime().availableProcessors(), 1, 4))) {
            for (long i = 0; i < plan.frames() && !stopped && lanes.stream().anyMatch(l -> !l.progress().isEnd()); i++) {
                waitWhilePaused();
                try (Picture picture = feed.next()) {
                    for (Lane lane : lanes) {
                        lane.offer(picture);
                    }
                }
                framesRead = i + 1;
                report(false);
            }
        } catch (IOException e) {
            failure = e;
        }
        for (Lane lane : lanes) {
            lane.end(stopped || failure != null);
        }
        if (failure != null) {
            for (Lane lane : lanes) {
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
        return lanes.stream().map(l -> finishing.getOrDefault(l.file().target(), l.progress())).toList();
    }
}
