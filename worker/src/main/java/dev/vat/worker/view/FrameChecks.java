package dev.vat.worker.view;

import dev.vat.core.source.FrameCheck;
import dev.vat.core.source.FrameState;
import dev.vat.core.words.Words;
import dev.vat.media.read.FrameReader;
import dev.vat.protocol.ViewerMessage;
import dev.vat.worker.job.Job;
import dev.vat.worker.job.Steps;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.Future;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.Semaphore;
import java.util.concurrent.ThreadFactory;
import java.util.concurrent.ThreadPoolExecutor;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;

/**
 * Looks into frame files, several at once at low priority. Every frame comes to a verdict: one that takes too long is given up and its
 * thread replaced, and large ones wait for each other, so that they fit into the process's memory together.
 */
final class FrameChecks implements AutoCloseable {

    private static final Words WORDS = Words.of(FrameChecks.class);

    /** One that takes longer will hardly be done at all. */
    private static final long MOST_SECONDS = 120;
    private static final int KILOBYTE = 1024;
    private static final long LAST_MILLIS = 1000;

    private final ThreadPoolExecutor threads;
    /** Of the heap, in kilobytes: whole files are read into it, and some are unpacked there. */
    private final int room;
    private final Semaphore free;
    private final long mostMillis;
    private final ThreadLocal<FrameReader> readers = ThreadLocal.withInitial(FrameReader::new);

    FrameChecks(String name, int threads) {
        this(name, threads, Runtime.getRuntime().maxMemory() * 3 / 5, TimeUnit.SECONDS.toMillis(MOST_SECONDS));
    }

    /** @param room in bytes, for all frames that are looked into at once @param mostMillis for one */
    FrameChecks(String name, int threads, long room, long mostMillis) {
        this.threads = new ThreadPoolExecutor(threads, threads, 0, TimeUnit.SECONDS, new LinkedBlockingQueue<>(),
                closingReaders(Thread.ofPlatform().name(name, 0).priority(Thread.MIN_PRIORITY).daemon().factory()));
        this.room = Math.clamp(room / KILOBYTE, 1, Integer.MAX_VALUE);
        this.free = new Semaphore(this.room, true);
        this.mostMillis = mostMillis;
    }

    /** A thread that ends lets the movie go that its reader has open. */
    private ThreadFactory closingReaders(ThreadFactory plain) {
        return work -> plain.newThread(() -> {
            try {
                work.run();
            } finally {
                readers.get().close();
                readers.remove();
            }
        });
    }

    /** One verdict for each file, in their order. @param before done before each, to step aside */
    List<FrameCheck> check(ViewerMessage.Check check, Runnable before) throws InterruptedException {
        List<FrameCheck> results = new ArrayList<>();
        for (ViewerMessage.Check.File file : check.files()) {
            before.run();
            results.add(checked(check, file));
        }
        return results;
    }

    private FrameCheck checked(ViewerMessage.Check check, ViewerMessage.Check.File file) throws InterruptedException {
        Path path = Path.of(file.path());
        boolean header = check.headersOnly() && !check.kind().isMovie();
        int needed = needed(check, path);
        free.acquire(needed);
        Future<FrameCheck> work = threads.submit(() -> {
            try {
                Steps.begin(WORDS.say("check", file.number()));
                FrameReader reader = readers.get();
                return header ? reader.header(path, check.kind(), check.choice(), file.number())
                        : reader.check(path, check.kind(), check.choice(), file.number());
            } finally {
                free.release(needed);
            }
        });
        try {
            return work.get(mostMillis, TimeUnit.MILLISECONDS);
        } catch (TimeoutException _) {
            work.cancel(true);
            // The thread may never come back from the decoder: another takes its place.
            threads.setMaximumPoolSize(threads.getMaximumPoolSize() + 1);
            threads.setCorePoolSize(threads.getCorePoolSize() + 1);
            return FrameCheck.fault(file.number(), FrameState.UNREADABLE, WORDS.say("itIsntDecodedAfterSeconds", mostMillis / 1000));
        } catch (ExecutionException e) {
            return FrameCheck.fault(file.number(), FrameState.UNREADABLE, Job.words(e.getCause()));
        }
    }

    /**
     * Room that a file takes in the heap at most, in kilobytes: twice its length, for some are unpacked beside themselves; all there is
     * for what is larger.
     */
    private int needed(ViewerMessage.Check check, Path file) {
        if (check.kind().isMovie()) {
            return 1;
        }
        try {
            return Math.clamp(2 * Files.size(file) / KILOBYTE, 1, room);
        } catch (IOException _) {
            // Whoever reads it says why it can't be read.
            return 1;
        }
    }

    @Override
    public void close() {
        threads.shutdownNow();
        try {
            // One that never comes back from its decoder isn't waited for.
            threads.awaitTermination(LAST_MILLIS, TimeUnit.MILLISECONDS);
        } catch (InterruptedException _) {
            Thread.currentThread().interrupt();
        }
    }
}
