package dev.vat.engine.run;

import dev.vat.protocol.FileProgress;
import dev.vat.protocol.RunMessage;
import java.time.Duration;
import java.util.function.BooleanSupplier;
import java.util.function.LongSupplier;

/** Finds a process that stands still. Whatever moves counts; what is busy without frames, or holds still for a reason, isn't hanging. */
final class StillnessWatch {

    private static final long LOOK_MILLIS = 500;

    /** No frame of any size takes so long. */
    private static volatile Duration still = Duration.ofMinutes(3);

    private final BooleanSupplier over;
    private final Runnable found;
    private volatile boolean paused;
    private volatile boolean excused;
    private final LongSupplier clock;
    private volatile long lastAdvance;
    private long lastMark;

    /** @param over whether there is nothing to watch any more @param found told when the process stands still */
    StillnessWatch(BooleanSupplier over, Runnable found) {
        this(over, found, System::nanoTime);
    }

    /** @param clock in nanoseconds, from whenever */
    StillnessWatch(BooleanSupplier over, Runnable found, LongSupplier clock) {
        this.over = over;
        this.found = found;
        this.clock = clock;
        this.lastAdvance = clock.getAsLong();
    }

    /** For tests, which can't wait so long. */
    static void standsStillAfter(Duration time) {
        still = time;
    }

    void start() {
        Thread.ofVirtual().name("run-watch").start(this::watch);
    }

    void pause(boolean on) {
        paused = on;
    }

    /** Another process begins: parts that were closed before are read first, all of them. */
    void excuse() {
        excused = true;
    }

    void advanced() {
        lastAdvance = clock.getAsLong();
    }

    void advance(RunMessage.Progress progress) {
        excused = progress.held() != null
                || progress.files().stream().filter(f -> !f.isEnd()).allMatch(StillnessWatch::isBusyWithoutFrames);
        long mark = progress.files().stream().mapToLong(f -> f.done() + f.bytes() + f.stage().ordinal()).sum() + progress.framesRead();
        if (mark != lastMark) {
            lastMark = mark;
            advanced();
        }
    }

    /** Waiting to be joined, joining, and after its last frame fingerprints and syncing: of a large file that takes its time. */
    private static boolean isBusyWithoutFrames(FileProgress file) {
        return file.stage() == FileProgress.Stage.JOINING || file.done() >= file.frames();
    }

    void look() {
        if (paused || excused) {
            advanced();
        }
        if (clock.getAsLong() - lastAdvance > still.toNanos()) {
            advanced();
            found.run();
        }
    }

    private void watch() {
        try {
            while (!over.getAsBoolean()) {
                Thread.sleep(LOOK_MILLIS);
                look();
            }
        } catch (InterruptedException _) {
            Thread.currentThread().interrupt();
        }
    }
}
