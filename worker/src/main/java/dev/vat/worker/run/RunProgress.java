package dev.vat.worker.run;

import dev.vat.core.proof.Receipt;
import dev.vat.core.run.RunFile;
import dev.vat.core.run.RunPlan;
import dev.vat.protocol.FileProgress;
import dev.vat.protocol.FileProgress.Stage;
import dev.vat.protocol.Message;
import dev.vat.protocol.RunMessage;
import dev.vat.protocol.run.RunState;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.Consumer;

/** How far each file of a run is, what became of those that are through, and how long the rest will take; told several times a second. */
final class RunProgress {

    private static final long REPORT_NANOS = 200_000_000L;

    private final Consumer<Message> events;
    private final List<String> targets;
    private final WholePace pace;
    private final Map<String, FileProgress> finishing = new LinkedHashMap<>();
    private final Map<String, Long> provingSince = new HashMap<>();
    private List<OutputPipeline> lanes = List.of();
    private List<OutputPipeline> firstPasses = List.of();
    private long framesRead;
    private long toRead;
    private long toReadLater;
    private long lastReport;

    RunProgress(RunPlan plan, Consumer<Message> events) {
        this.events = events;
        this.targets = plan.files().stream().map(RunFile::target).toList();
        this.pace = new WholePace(plan.files().size());
    }

    static FileProgress with(FileProgress p, Stage stage, String why) {
        return new FileProgress(p.target(), stage, p.done(), p.frames(), p.bytes(), 0, -1, null, null, why);
    }

    void follow(List<OutputPipeline> lanes, List<OutputPipeline> firstPasses) {
        this.lanes = lanes;
        this.firstPasses = firstPasses;
    }

    void firstPassesAreOver() {
        firstPasses = List.of();
    }

    /** @param frames that are read now, and by files that don't fit into memory together with those that are made now */
    void toRead(long frames) {
        toRead = frames;
    }

    void toReadLater(long frames) {
        toReadLater = frames;
    }

    void read(long frame) {
        framesRead = frame + 1;
        toRead--;
        pace.read();
        report(false);
    }

    /** Nothing went on. @param nanos for so long */
    void held(long nanos) {
        pace.held(nanos);
    }

    /** Why nothing goes on. */
    void lacking(String why) {
        events.accept(new RunMessage.Progress(0, framesRead, all(), why, false, -1));
    }

    /** Somebody's pause has come about. */
    void paused() {
        events.accept(new RunMessage.Progress(0, framesRead, all(), null, true, -1));
    }

    /** What a file has come to, without a word about it. */
    void put(FileProgress progress) {
        finishing.put(progress.target(), progress);
    }

    boolean has(String target) {
        return finishing.containsKey(target);
    }

    /** What stopped for want of room is tried again. */
    void tryAgain() {
        finishing.values().removeIf(p -> p.stage() == Stage.STOPPED);
    }

    void tell(FileProgress progress) {
        timeProof(progress);
        put(progress);
        report(progress.isEnd());
    }

    /** From the first word of a file's joining to the last of its proof. */
    private void timeProof(FileProgress progress) {
        if (progress.stage() == Stage.JOINING) {
            provingSince.put(progress.target(), System.nanoTime());
        } else if (progress.isEnd() && provingSince.containsKey(progress.target())) {
            pace.proven(progress.frames(), (System.nanoTime() - provingSince.remove(progress.target())) / 1e9);
        }
    }

    void report(boolean now) {
        if (now || System.nanoTime() - lastReport > REPORT_NANOS) {
            lastReport = System.nanoTime();
            events.accept(new RunMessage.Progress(0, framesRead, all(), null, false, secondsLeft()));
        }
    }

    private double secondsLeft() {
        long toProve = all().stream().filter(f -> !f.isEnd())
                .mapToLong(f -> f.stage() == Stage.PROVING ? f.frames() - f.done() : f.frames()).sum();
        return pace.secondsLeft(toRead + toReadLater, toProve);
    }

    /** Each file in the plan's order. */
    List<FileProgress> all() {
        Map<String, FileProgress> now = new LinkedHashMap<>();
        targets.forEach(target -> now.put(target, null));
        lanes.forEach(l -> now.put(l.file().target(), l.progress()));
        firstPasses.forEach(l -> now.put(l.file().target(), l.progress()));
        now.putAll(finishing);
        return now.values().stream().filter(Objects::nonNull).toList();
    }

    /** Whether nothing is to be done about a file: it was delivered, or waits for somebody to say what becomes of it. */
    boolean isSettled(RunFile file, RunState state) {
        String target = file.target();
        long frames = file.expected().frames();
        state.delivered(target).ifPresent(d -> put(new FileProgress(target, Stage.DELIVERED, frames, frames, 0, 0, -1, d.path(),
                d.path() + Receipt.SUFFIX, null)));
        state.givenUp(target).ifPresent(why -> put(new FileProgress(target, Stage.FAILED, 0, frames, 0, 0, -1, null, null, why)));
        state.unproven(target).ifPresent(u -> put(new FileProgress(target, Stage.UNPROVEN, frames, frames, 0, 0, -1, u.work(),
                u.receipt(), String.join("; ", u.reasons()))));
        return has(target) && finishing.get(target).isEnd() && finishing.get(target).stage() != Stage.STOPPED;
    }
}
