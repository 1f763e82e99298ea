package dev.vat.worker.view;

import dev.vat.core.trial.PairLikeness;
import dev.vat.core.words.Words;
import dev.vat.media.read.ClipProbe;
import dev.vat.media.sound.ListeningCopy;
import dev.vat.protocol.Message;
import dev.vat.protocol.PictureSlots;
import dev.vat.protocol.ViewerMessage;
import dev.vat.protocol.WorkerDuty;
import dev.vat.worker.job.Job;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Queue;
import java.util.concurrent.Callable;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Consumer;
import java.util.function.Function;

/** The viewer process: looks into frame files and makes pictures for the window. */
public final class ViewerWorker implements WorkerDuty {

    private static final Words WORDS = Words.of(ViewerWorker.class);

    private static final int MOST_WAITS = 20;
    private static final int WAIT_MILLIS = 5;
    private static final long CLOSE_SECONDS = 1;
    private static final int THREADS = Math.max(1, Math.min(4, Runtime.getRuntime().availableProcessors()));

    private final Consumer<Message> answers;
    /** Checks take what is left of the machine: low priority, and one step aside while pictures are wanted. */
    private final FrameChecks stillChecks = new FrameChecks("check-", THREADS);
    private final FrameChecks movieChecks = new FrameChecks("check-movie-", 1);
    /** One batch waits here for each that is looked into. */
    private final ExecutorService batches = Executors.newVirtualThreadPerTaskExecutor();
    private final ExecutorService background = Executors.newSingleThreadExecutor(Thread.ofPlatform().name("measure")
            .priority(Thread.MIN_PRIORITY).daemon().factory());
    private final ExecutorService stills = Executors.newFixedThreadPool(THREADS,
            Thread.ofPlatform().name("picture-", 0).daemon().factory());
    /** Movies are read in order by one decoder. */
    private final ExecutorService movies = Executors.newSingleThreadExecutor(Thread.ofPlatform().name("picture-movie").daemon().factory());
    /** Of all threads, to be closed at the end. */
    private final Queue<ScreenPictures> held = new ConcurrentLinkedQueue<>();
    private final ThreadLocal<ScreenPictures> pictures = ThreadLocal.withInitial(() -> {
        ScreenPictures own = new ScreenPictures();
        held.add(own);
        return own;
    });
    private final AtomicInteger showing = new AtomicInteger();
    private volatile PictureSlots slots;

    public ViewerWorker(Consumer<Message> answers) {
        this.answers = answers;
    }

    @Override
    public void take(Message message) {
        switch (message) {
            case ViewerMessage.Check check -> batches.execute(job(check, () -> new ViewerMessage.Checked(check.id(),
                    (check.kind().isMovie() ? movieChecks : stillChecks).check(check, this::stepAside)),
                    why -> new Message.Broken(check.id(), why)));
            case ViewerMessage.Probe probe -> background
                    .execute(job(probe, () -> new ViewerMessage.Probed(probe.id(), ClipProbe.probe(Path.of(probe.path())), null),
                            why -> new ViewerMessage.Probed(probe.id(), null, why)));
            case ViewerMessage.Listen listen -> write(movies, listen,
                    () -> ListeningCopy.write(Path.of(listen.path()), Path.of(listen.into())));
            case ViewerMessage.ListenReel listen -> write(movies, listen,
                    () -> ListeningCopy.write(listen.sound(), Path.of(listen.into())));
            case ViewerMessage.DrawSheet draw -> write(movies, draw,
                    () -> new ContactSheetPainter(draw.sheet(), pictures.get()::pixels).write(Path.of(draw.into())));
            case ViewerMessage.Slots where -> map(where);
            case ViewerMessage.Show show -> {
                showing.incrementAndGet();
                threadsFor(show.subject().isOfMovie())
                        .execute(job(show, () -> shown(show), why -> new ViewerMessage.NotShown(show.id(), show.slot(), why)));
            }
            case ViewerMessage.Sample sample -> words(threadsFor(sample.picture().isOfMovie()), sample,
                    () -> pictures.get().sample(sample));
            case ViewerMessage.Levels levels -> words(threadsFor(levels.picture().isOfMovie()), levels,
                    () -> pictures.get().levels(levels.picture()));
            case ViewerMessage.FitCaptions fit -> words(stills, fit, () -> pictures.get().tooLong(fit.views()));
            case ViewerMessage.Measure measure -> background
                    .execute(job(measure, () -> measured(measure), why -> new ViewerMessage.Measured(measure.id(), List.of(), why)));
            default -> answers.accept(new Message.Broken(message.id(), WORDS.say("aViewerDoesntDoThat")));
        }
    }

    private ExecutorService threadsFor(boolean movie) {
        return movie ? movies : stills;
    }

    private Runnable job(Message asked, Job job, Function<String, Message> failed) {
        return Job.of(asked.getClass().getSimpleName(), job, answers, failed);
    }

    private void words(ExecutorService threads, Message asked, Callable<String> words) {
        threads.execute(job(asked, () -> new ViewerMessage.Sampled(asked.id(), words.call(), null),
                why -> new ViewerMessage.Sampled(asked.id(), null, why)));
    }

    private interface Writing {
        void write() throws IOException;
    }

    private void write(ExecutorService threads, Message asked, Writing writing) {
        threads.execute(job(asked, () -> {
            writing.write();
            return new ViewerMessage.Written(asked.id(), null);
        }, why -> new ViewerMessage.Written(asked.id(), why)));
    }

    /** A pair that can't be measured has no value, and the others have theirs. */
    private Message measured(ViewerMessage.Measure measure) {
        List<PairLikeness> values = new ArrayList<>();
        String why = null;
        for (ViewerMessage.Pair pair : measure.pairs()) {
            stepAside();
            try {
                values.add(pictures.get().likeness(pair));
            } catch (IOException | RuntimeException e) {
                values.add(null);
                why = Job.words(e);
            }
        }
        return new ViewerMessage.Measured(measure.id(), values, why);
    }

    private void map(ViewerMessage.Slots where) {
        try {
            slots = PictureSlots.map(Path.of(where.path()), where.count(), where.bytes());
        } catch (IOException e) {
            answers.accept(new Message.Broken(where.id(), WORDS.say("theRoomForPicturesCantBe", e.getMessage())));
        }
    }

    /** Waits a moment while pictures are wanted, but goes on in the end: somebody may play for hours. */
    private void stepAside() {
        try {
            for (int i = 0; i < MOST_WAITS && showing.get() > 0; i++) {
                Thread.sleep(WAIT_MILLIS);
            }
        } catch (InterruptedException _) {
            Thread.currentThread().interrupt();
        }
    }

    private Message shown(ViewerMessage.Show show) throws IOException {
        try {
            int width = show.shape().width();
            int height = show.shape().height();
            pictures.get().paint(show.subject(), show.shape(), slots.pixels(show.slot(), width, height));
            slots.describe(show.slot(), show.id(), width, height);
            return new ViewerMessage.Shown(show.id(), show.slot(), width, height, "bgra-premultiplied");
        } finally {
            showing.decrementAndGet();
        }
    }

    @Override
    public void close() {
        batches.shutdownNow();
        stillChecks.close();
        movieChecks.close();
        background.shutdownNow();
        stills.shutdownNow();
        movies.shutdownNow();
        if (areOver(background) && areOver(stills) && areOver(movies)) {
            held.forEach(ScreenPictures::close);
        }
    }

    /** What goes on longer ends with the process. */
    private static boolean areOver(ExecutorService threads) {
        try {
            return threads.awaitTermination(CLOSE_SECONDS, TimeUnit.SECONDS);
        } catch (InterruptedException _) {
            Thread.currentThread().interrupt();
            return false;
        }
    }
}
