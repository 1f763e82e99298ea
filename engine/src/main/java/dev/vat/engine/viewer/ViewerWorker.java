package dev.vat.engine.viewer;

import dev.vat.core.source.FrameCheck;
import dev.vat.core.trial.PairLikeness;
import dev.vat.engine.protocol.Message;
import dev.vat.engine.worker.WorkerDuty;
import dev.vat.media.ClipProbe;
import dev.vat.media.FrameReader;
import dev.vat.media.ListeningCopy;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Consumer;
import java.util.function.Supplier;

/** The viewer process: looks into frame files and makes pictures for the window. */
public final class ViewerWorker implements WorkerDuty {

    private static final int MOST_WAITS = 20;
    private static final int WAIT_MILLIS = 5;
    private static final int THREADS = Math.max(1, Math.min(4, Runtime.getRuntime().availableProcessors()));

    private final Consumer<Message> answers;
    /** Checks take what is left of the machine: low priority, and one step aside while pictures are wanted. */
    private final ExecutorService checks = Executors.newFixedThreadPool(THREADS, Thread.ofPlatform().name("check-", 0)
            .priority(Thread.MIN_PRIORITY).daemon().factory());
    private final ExecutorService clipChecks = Executors.newSingleThreadExecutor(Thread.ofPlatform().name("check-clip")
            .priority(Thread.MIN_PRIORITY).daemon().factory());
    private final ExecutorService stills = Executors.newFixedThreadPool(THREADS);
    /** Movies are read in order by one decoder. */
    private final ExecutorService movies = Executors.newSingleThreadExecutor();
    private final ThreadLocal<FrameReader> readers = ThreadLocal.withInitial(FrameReader::new);
    private final ThreadLocal<PictureMaker> makers = ThreadLocal.withInitial(PictureMaker::new);
    private final AtomicInteger showing = new AtomicInteger();
    private volatile PictureSlots slots;

    public ViewerWorker(Consumer<Message> answers) {
        this.answers = answers;
    }

    @Override
    public void take(Message message) {
        switch (message) {
            case Message.Check check -> (check.kind().isMovie() ? clipChecks : checks).execute(() -> check(check));
            case Message.Probe probe -> clipChecks.execute(() -> probe(probe));
            case Message.Listen listen -> movies.execute(() -> listen(listen.id(), into -> ListeningCopy.write(Path.of(listen.path()), into), listen.into()));
            case Message.ListenReel listen -> movies.execute(() -> listen(listen.id(), into -> ListeningCopy.write(listen.sound(), into), listen.into()));
            case Message.Slots where -> map(where);
            case Message.Show show -> {
                showing.incrementAndGet();
                (isMovie(show.subject()) ? movies : stills).execute(() -> show(show));
            }
            case Message.Sample sample -> (isMovie(sample.picture().picture()) ? movies : stills).execute(() -> words(sample.id(), () -> makers.get().sample(sample)));
            case Message.Levels levels -> (isMovie(levels.picture().picture()) ? movies : stills).execute(() -> words(levels.id(), () -> makers.get().levels(levels.picture())));
            case Message.Fit fit -> stills.execute(() -> words(fit.id(), () -> makers.get().tooLong(fit.views())));
            case Message.Measure measure -> clipChecks.execute(() -> measure(measure));
            default -> answers.accept(new Message.Broken(message.id(), "a viewer doesn't do that"));
        }
    }

    private static boolean isMovie(Message.Subject subject) {
        return switch (subject) {
            case Message.Movie _ -> true;
            case Message.Still still -> still.kind().isMovie();
            case Message.Blend blend -> blend.before().kind().isMovie();
            case Message.Cross cross -> isMovie(cross.from()) || isMovie(cross.to());
            case Message.Lettered lettered -> isMovie(lettered.picture());
            case Message.Against against -> isMovie(against.first().picture()) || isMovie(against.second().picture());
            case Message.Scope scope -> isMovie(scope.picture().picture());
            case Message.Views views -> views.pictures().stream().anyMatch(ViewerWorker::isMovie);
            case Message.Passes passes -> passes.pictures().stream().anyMatch(ViewerWorker::isMovie);
            case Message.Card _, Message.Plain _, Message.Drawing _ -> false;
        };
    }

    private void words(long id, Supplier<String> answer) {
        try {
            answers.accept(new Message.Sampled(id, answer.get(), null));
        } catch (RuntimeException e) {
            answers.accept(new Message.Sampled(id, null, String.valueOf(e.getMessage())));
        }
    }

    private void measure(Message.Measure measure) {
        List<PairLikeness> values = new ArrayList<>();
        String why = null;
        for (Message.Pair pair : measure.pairs()) {
            stepAside();
            try {
                values.add(makers.get().likeness(pair));
            } catch (RuntimeException e) {
                values.add(null);
                why = String.valueOf(e.getMessage());
            }
        }
        answers.accept(new Message.Measured(measure.id(), values, why));
    }

    private void probe(Message.Probe probe) {
        try {
            answers.accept(new Message.Probed(probe.id(), ClipProbe.probe(Path.of(probe.path())), null));
        } catch (RuntimeException e) {
            answers.accept(new Message.Probed(probe.id(), null, String.valueOf(e.getMessage())));
        }
    }

    private interface Copy {
        void write(Path into) throws IOException;
    }

    private void listen(long id, Copy copy, String into) {
        try {
            copy.write(Path.of(into));
            answers.accept(new Message.Heard(id, null));
        } catch (IOException | RuntimeException e) {
            answers.accept(new Message.Heard(id, String.valueOf(e.getMessage())));
        }
    }

    private void map(Message.Slots where) {
        try {
            slots = PictureSlots.map(Path.of(where.path()), where.count(), where.bytes());
        } catch (IOException e) {
            answers.accept(new Message.Broken(where.id(), "the room for pictures can't be shared: " + e.getMessage()));
        }
    }

    private void check(Message.Check check) {
        FrameReader reader = readers.get();
        List<FrameCheck> results = new ArrayList<>();
        for (Message.Check.File file : check.files()) {
            stepAside();
            Path path = Path.of(file.path());
            results.add(check.headersOnly() && !check.kind().isMovie()
                    ? reader.header(path, check.kind(), check.layer(), file.number())
                    : reader.check(path, check.kind(), check.layer(), file.number()));
        }
        answers.accept(new Message.Checked(check.id(), results));
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

    private void show(Message.Show show) {
        try {
            int width = show.shape().width();
            int height = show.shape().height();
            makers.get().make(show, slots.pixels(show.slot(), width, height));
            slots.describe(show.slot(), show.id(), width, height);
            answers.accept(new Message.Shown(show.id(), show.slot(), width, height, "bgra-premultiplied"));
        } catch (RuntimeException e) {
            answers.accept(new Message.NotShown(show.id(), show.slot(), String.valueOf(e.getMessage())));
        } finally {
            showing.decrementAndGet();
        }
    }

    @Override
    public void close() {
        checks.shutdownNow();
        clipChecks.shutdownNow();
        stills.shutdownNow();
        movies.shutdownNow();
    }
}
