package dev.vat.worker.run;

import dev.vat.core.recipe.PictureKind;
import dev.vat.core.recipe.Recipe;
import dev.vat.core.run.RunPlan;
import dev.vat.core.words.Words;
import dev.vat.media.frame.FrameMaker;
import dev.vat.media.frame.WorkingPictures;
import java.io.IOException;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Set;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.Callable;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import java.util.function.Consumer;
import java.util.function.LongPredicate;

/**
 * Makes a plan's pictures once, in order, with a small pool of makers that work a few frames ahead. A picture that repeats
 * the one before it isn't made again.
 */
public final class FrameFeed implements AutoCloseable {

    private static final Words WORDS = Words.of(FrameFeed.class);

    private final RunPlan plan;
    private final Set<PictureKind> kinds;
    private final LongPredicate wanted;
    private final int threads;
    private final ExecutorService pool;
    /** Movies are decoded in order, by one maker of their own on one thread; the frames of sequences by whichever is free. */
    private final ExecutorService moviePool;
    private final CheckedFrames movieFrames = new CheckedFrames();
    private final FrameMaker movieMaker = new FrameMaker(movieFrames);
    private final List<CheckedFrames> frames = new ArrayList<>();
    private final BlockingQueue<FrameMaker> free = new LinkedBlockingQueue<>();
    /** Null for a picture that is the same as the one before it. */
    private final Deque<Waiting> ahead = new ArrayDeque<>();
    private Recipe last;
    private WorkingPictures lastPictures;
    private long next;

    /** @param pictures null where they are those of the frame before */
    private record Waiting(CompletableFuture<WorkingPictures> pictures) {}

    /** Every frame of a plan. */
    public FrameFeed(RunPlan plan, int threads) {
        this(plan, threads, _ -> true);
    }

    /** @param wanted which reel frames are made at all */
    public FrameFeed(RunPlan plan, int threads, LongPredicate wanted) {
        this.plan = plan;
        this.kinds = plan.pictureKinds();
        this.wanted = wanted;
        this.threads = threads;
        this.pool = Executors.newFixedThreadPool(threads, Thread.ofPlatform().name("decode-", 0).daemon().factory());
        this.moviePool = Executors.newSingleThreadExecutor(Thread.ofPlatform().name("decode-movie").daemon().factory());
        for (int i = 0; i < threads; i++) {
            CheckedFrames own = new CheckedFrames();
            frames.add(own);
            free.add(new FrameMaker(own));
        }
    }

    /**
     * The next frame that is wanted, which the caller closes.
     *
     * @throws IOException naming the file, if a frame isn't what it was when it was checked
     */
    public WorkingPictures next() throws IOException, InterruptedException {
        while (ahead.size() < 2 * threads && next < plan.frames()) {
            if (wanted.test(next)) {
                Recipe recipe = plan.recipe(next);
                ahead.add(new Waiting(recipe.equals(last) ? null : begin(recipe)));
                last = recipe;
            }
            next++;
        }
        Waiting first = ahead.remove();
        if (first.pictures != null) {
            WorkingPictures fresh = await(first.pictures);
            if (lastPictures != null) {
                lastPictures.close();
            }
            lastPictures = fresh;
        }
        return lastPictures.share();
    }

    private CompletableFuture<WorkingPictures> begin(Recipe recipe) {
        CompletableFuture<WorkingPictures> pictures = new CompletableFuture<>();
        if (recipe.isOfMovie()) {
            moviePool.execute(() -> make(recipe, () -> movieMaker, _ -> {}, pictures));
        } else {
            pool.execute(() -> make(recipe, free::take, free::add, pictures));
        }
        return pictures;
    }

    /** @param pictures completed with what is made; whoever doesn't want it any more has cancelled it */
    private void make(Recipe recipe, Callable<FrameMaker> taken, Consumer<FrameMaker> back, CompletableFuture<WorkingPictures> pictures) {
        if (pictures.isDone()) {
            return;
        }
        try {
            FrameMaker maker = taken.call();
            try {
                WorkingPictures made = maker.make(recipe, kinds);
                if (!pictures.complete(made)) {
                    made.close();
                }
            } finally {
                back.accept(maker);
            }
        } catch (Throwable e) {
            pictures.completeExceptionally(e);
        }
    }

    private static WorkingPictures await(CompletableFuture<WorkingPictures> pictures) throws IOException, InterruptedException {
        try {
            return pictures.get();
        } catch (ExecutionException e) {
            if (e.getCause() instanceof IOException io) {
                throw io;
            }
            throw new IOException(
                    WORDS.say("aFrameCantBeRead", (e.getCause().getMessage() == null ? e.getCause() : e.getCause().getMessage())),
                    e.getCause());
        }
    }

    /** Waits for what is being made: a decoder isn't closed while it works. */
    @Override
    public void close() {
        ahead.forEach(waiting -> {
            if (waiting.pictures != null) {
                waiting.pictures.cancel(false);
            }
        });
        pool.shutdown();
        moviePool.shutdown();
        boolean interrupted = false;
        while (!(pool.isTerminated() && moviePool.isTerminated())) {
            try {
                pool.awaitTermination(1, TimeUnit.MINUTES);
                moviePool.awaitTermination(1, TimeUnit.MINUTES);
            } catch (InterruptedException _) {
                interrupted = true;
            }
        }
        ahead.stream().map(Waiting::pictures).filter(p -> p != null && p.state() == Future.State.SUCCESS)
                .forEach(p -> p.resultNow().close());
        ahead.clear();
        if (lastPictures != null) {
            lastPictures.close();
            lastPictures = null;
        }
        free.forEach(FrameMaker::close);
        frames.forEach(CheckedFrames::close);
        movieMaker.close();
        movieFrames.close();
        if (interrupted) {
            Thread.currentThread().interrupt();
        }
    }
}
