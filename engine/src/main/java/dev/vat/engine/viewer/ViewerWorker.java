package dev.vat.engine.viewer;

import dev.vat.core.source.FrameCheck;
import dev.vat.engine.protocol.Message;
import dev.vat.engine.worker.WorkerDuty;
import dev.vat.media.FrameReader;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.function.Consumer;

/** The viewer process: looks into frame files and makes pictures for the window. */
public final class ViewerWorker implements WorkerDuty {

    private static final int THREADS = Math.max(1, Math.min(4, Runtime.getRuntime().availableProcessors()));

    private final Consumer<Message> answers;
    private final ExecutorService checks = Executors.newFixedThreadPool(THREADS);
    private final ExecutorService stills = Executors.newFixedThreadPool(THREADS);
    /** Movies are read in order by one decoder. */
    private final ExecutorService movies = Executors.newSingleThreadExecutor();
    private final ThreadLocal<FrameReader> readers = ThreadLocal.withInitial(FrameReader::new);
    private final ThreadLocal<PictureMaker> makers = ThreadLocal.withInitial(PictureMaker::new);
    private volatile PictureSlots slots;

    public ViewerWorker(Consumer<Message> answers) {
        this.answers = answers;
    }

    @Override
    public void take(Message message) {
        switch (message) {
            case Message.Check check -> checks.execute(() -> check(check));
            case Message.Slots where -> map(where);
            case Message.Show show -> (show.subject() instanceof Message.Movie ? movies : stills).execute(() -> show(show));
            default -> answers.accept(new Message.Broken(message.id(), "a viewer doesn't do that"));
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
            Path path = Path.of(file.path());
            results.add(check.headersOnly() ? reader.header(path, check.kind(), file.number())
                    : reader.check(path, check.kind(), file.number()));
        }
        answers.accept(new Message.Checked(check.id(), results));
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
        }
    }

    @Override
    public void close() {
        checks.shutdownNow();
        stills.shutdownNow();
        movies.shutdownNow();
    }
}
