package dev.vat.worker.run;

import dev.vat.core.run.RunFile;
import dev.vat.core.run.RunPart;
import dev.vat.core.run.RunPlan;
import dev.vat.core.words.Words;
import dev.vat.media.encode.EncoderSpec;
import dev.vat.media.encode.FirstPass;
import dev.vat.media.encode.FrameProof;
import dev.vat.media.encode.PartSink;
import dev.vat.media.picture.Picture;
import dev.vat.protocol.FileProgress.Stage;
import dev.vat.protocol.FileProgress;
import dev.vat.protocol.run.Journal;
import dev.vat.protocol.run.JournalEntry;
import dev.vat.worker.job.Job;
import dev.vat.worker.job.Steps;
import dev.vat.worker.output.FileConversion;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.concurrent.ArrayBlockingQueue;
import java.util.concurrent.BlockingQueue;

/**
 * One deliverable's way from working pictures to closed parts, on a thread of its own. A lane that fails lets go of what
 * waits for it and takes nothing more; the others never notice.
 */
final class OutputPipeline {

    private static final Words WORDS = Words.of(OutputPipeline.class);

    /** More would only take memory: the encoder is the slow end. */
    private static final int WAITING_FRAMES = 3;

    private sealed interface Turn {
        record Frame(Picture picture) implements Turn {}

        record End() implements Turn {}
    }

    private final RunPlan plan;
    private volatile RunFile file;
    private final PartStore store;
    private final Journal journal;
    private final boolean firstPass;
    private final BlockingQueue<Turn> queue = new ArrayBlockingQueue<>(WAITING_FRAMES);
    private final Map<Integer, JournalEntry.PartClosed> closedParts = new TreeMap<>();
    private final Pace pace = new Pace();
    private final Thread thread;
    private volatile FileProgress progress;
    private List<RunPart> toMake;
    private volatile boolean over;
    private final RoomWatch room;
    private volatile boolean heldUp;
    private long bytes;
    private long busyNanos;
    /** What of it each closed part took. */
    private final List<Double> partSeconds = new ArrayList<>();

    /**
     * @param kept parts that an earlier start closed: these aren't made again
     * @param checked whether each frame is decoded again at once; only benchmarks leave it out
     */
    OutputPipeline(RunPlan plan, RunFile file, Journal journal, RoomWatch room, List<JournalEntry.PartClosed> kept, boolean checked) {
        this(plan, file, journal, room, checked, false);
        kept.forEach(part -> closedParts.put(part.part(), part));
        toMake = file.parts().stream().filter(p -> !closedParts.containsKey(p.index())).toList();
        bytes = kept.stream().mapToLong(JournalEntry.PartClosed::bytes).sum();
        progress = new FileProgress(file.target(), Stage.WAITING, kept.stream().mapToLong(JournalEntry.PartClosed::frames).sum(),
                file.expected().frames(), bytes, 0,
                -1, null, null, null);
    }

    /** The first pass over a file that takes two: it leaves notes for the second. */
    static OutputPipeline firstPass(RunPlan plan, RunFile file, Journal journal, RoomWatch room) {
        return new OutputPipeline(plan, file, journal, room, false, true);
    }

    private OutputPipeline(RunPlan plan, RunFile file, Journal journal, RoomWatch room, boolean checked, boolean firstPass) {
        this.room = room;
        this.firstPass = firstPass;
        this.toMake = file.parts();
        this.plan = plan;
        this.file = file;
        this.store = new PartStore(plan, file, journal, checked);
        this.journal = journal;
        this.progress = new FileProgress(file.target(), Stage.WAITING, 0, file.expected().frames(), 0, 0, -1, null, null, null);
        this.thread = Thread.ofPlatform().name("make-" + file.target()).unstarted(this::work);
    }

    void start() {
        thread.start();
    }

    /** Whether a reel frame is in a part that is still to be made. */
    boolean wants(long reelFrame) {
        return toMake.stream().anyMatch(p -> reelFrame >= file.reelFrame(p.first()) && reelFrame < file.reelFrame(p.end()));
    }

    boolean isFirstPass() {
        return firstPass;
    }

    /** Whether it stopped over something that passes: what it was making is made again then. */
    boolean isHeldUp() {
        return heldUp;
    }

    /** Takes a share of the picture; waits while the lane is full. */
    void offer(Picture picture) throws InterruptedException {
        if (over) {
            return;
        }
        Turn.Frame turn = new Turn.Frame(picture.share());
        queue.put(turn);
        if (over && queue.remove(turn)) {
            turn.picture.close();
        }
    }

    /** No frame comes any more: a part that has all that the file still wants of it is closed, another is dropped. */
    void end() throws InterruptedException {
        if (!over) {
            queue.put(new Turn.End());
        }
        thread.join();
        discardWaiting();
    }

    /**
     * How many frames the file has without a hole, if no reel frame from {@code next} on is read any more: parts of an earlier start may
     * lie beyond.
     */
    long reach(long next) {
        long reached = file.treatment().scan().isInterlaced() ? next / 2 : next;
        for (RunPart part : file.parts()) {
            if (closedParts.containsKey(part.index()) && part.first() <= reached) {
                reached = Math.max(reached, part.end());
            }
        }
        return Math.min(reached, file.expected().frames());
    }

    /** Ends the file early, at no more frames than it {@link #reach reaches}; before {@link #end}. */
    void shorten(long frames) {
        file = file.shortened(frames);
    }

    private void work() {
        EncoderSpec one = EncoderSpec.of(file);
        EncoderSpec spec = file.passes() > 1 ? one.inPass(firstPass, store.work().resolve(PartStore.NOTES)) : one;
        try (FileConversion conversion = new FileConversion(plan, file)) {
            for (RunPart part : toMake) {
                // It may have been told to end early, before this part was begun or while it was waited for.
                if (!isWanted(part) || !make(part, spec, conversion)) {
                    if (!isWanted(part)) {
                        break;
                    }
                    report(Stage.STOPPED, part.first(), null);
                    return;
                }
            }
            if (firstPass) {
                store.closeFirstPass(file);
            }
            report(firstPass ? Stage.FIRST_PASS : Stage.JOINING, file.expected().frames(), null);
        } catch (InterruptedException _) {
            Thread.currentThread().interrupt();
        } catch (IOException | RuntimeException | Error e) {
            // An error, too, is this file's alone: the others are made.
            fail(e);
        } finally {
            over = true;
            discardWaiting();
        }
    }

    private boolean isWanted(RunPart part) {
        return part.first() < file.expected().frames();
    }

    private void fail(Throwable e) {
        String why = Job.words(e);
        if (room.explains(e)) {
            heldUp = true;
            report(Stage.STOPPED, progress.done(), room.words(e));
            return;
        }
        report(Stage.FAILED, progress.done(), why);
        try {
            journal.write(new JournalEntry.Failed(file.target(), why));
        } catch (IOException also) {
            report(Stage.FAILED, progress.done(), WORDS.say("andTheJournalCantBeWritten", why, also.getMessage()));
        }
    }

    /** Makes one part; false if frames ended before it was whole. */
    private boolean make(RunPart planned, EncoderSpec spec, FileConversion conversion) throws IOException, InterruptedException {
        RunPart part = planned;
        Path open = store.open(file, part);
        List<FrameProof> proofs;
        long partBytes;
        try (PartSink writer = firstPass ? new FirstPass(spec) : store.sink(file, open, part, spec)) {
            for (long frame = planned.first(); frame < planned.end(); frame++) {
                Steps.begin(WORDS.say("encode", file.target(), frame));
                try (Picture converted = conversion.next(frame, this::waiting)) {
                    if (converted == null) {
                        part = new RunPart(planned.index(), planned.first(), frame - planned.first());
                        if (!file.parts().contains(part)) {
                            return false;
                        }
                        break;
                    }
                    long since = System.nanoTime();
                    writer.write(converted);
                    busyNanos += System.nanoTime() - since;
                }
                pace.frame();
                report(firstPass ? Stage.FIRST_PASS : Stage.ENCODING, frame + 1, bytes + writer.bytes(), null);
            }
            long since = System.nanoTime();
            proofs = writer.finish();
            busyNanos += System.nanoTime() - since;
            partBytes = writer.bytes();
        }
        partSeconds.add((busyNanos + conversion.busyNanos()) / 1e9 - partSeconds.stream().mapToDouble(Double::doubleValue).sum());
        if (!firstPass) {
            bytes += partBytes;
            closedParts.put(part.index(), store.close(file, part, open, proofs, partBytes));
        }
        return true;
    }

    /** The next reel frame, or null if the run was stopped. */
    private Picture waiting() throws InterruptedException {
        return queue.take() instanceof Turn.Frame(Picture working) ? working : null;
    }

    private void report(Stage stage, long done, String why) {
        report(stage, done, bytes, why);
    }

    private void report(Stage stage, long done, long soFar, String why) {
        progress = new FileProgress(file.target(), stage, done, file.expected().frames(), soFar, pace.speed(),
                pace.secondsLeft(file.expected().frames() - done), null, null, why);
    }

    private void discardWaiting() {
        for (Turn turn = queue.poll(); turn != null; turn = queue.poll()) {
            if (turn instanceof Turn.Frame(Picture picture)) {
                picture.close();
            }
        }
    }

    FileProgress progress() {
        return progress;
    }

    RunFile file() {
        return file;
    }

    /** How long it converted, encoded and checked, apart from waiting; valid after {@link #end}. */
    List<Double> partSeconds() {
        return partSeconds;
    }

    /** Those of the file as it is to be now; valid after {@link #end}. */
    List<JournalEntry.PartClosed> closedParts() {
        return closedParts.values().stream().filter(p -> p.part() < file.parts().size()).toList();
    }

    /** Whether every part is closed; valid after {@link #end}. */
    boolean isComplete() {
        return closedParts().size() == file.parts().size();
    }
}
