package dev.vat.engine.capture;

import dev.vat.engine.protocol.Message;
import dev.vat.engine.worker.WorkerDuty;
import java.io.IOException;
import java.nio.file.Path;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.function.Consumer;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** The process that takes previews from a scene, one after the other. */
public final class CaptureWorker implements WorkerDuty {

    private static final Logger LOG = LoggerFactory.getLogger(CaptureWorker.class);
    private static final long TO_CLOSE_MILLIS = 4500;

    private final Consumer<Message> answers;
    private final ExecutorService works = Executors.newSingleThreadExecutor(Thread.ofPlatform().daemon().name("capture").factory());
    private Rehearsal rehearsal;
    private CaptureRun run;

    public CaptureWorker(Consumer<Message> answers) {
        this.answers = answers;
    }

    private interface Work {
        void run() throws IOException, InterruptedException;
    }

    @Override
    public void take(Message message) {
        switch (message) {
            case Message.Rehearse rehearse -> rehearse(rehearse.id());
            case Message.Capture wanted -> {
                stopRehearsal();
                run = new CaptureRun(wanted, answers);
                begin(wanted.id(), run::run);
            }
            case Message.RecoverCaptures recover -> begin(recover.id(),
                    () -> answers.accept(new Message.Recovered(recover.id(), Recorder.recover(new PreviewStore(Path.of(recover.store()))))));
            case Message.Stop _ when run != null -> run.stop();
            default -> answers.accept(new Message.Broken(message.id(), "a capture doesn't do that now"));
        }
    }

    private void rehearse(long id) {
        try {
            Rehearsal own = new Rehearsal();
            rehearsal = own;
            begin(id, () -> {
                own.run();
                answers.accept(new Message.Rehearsed(id));
            });
        } catch (IOException e) {
            answers.accept(new Message.Broken(id, e.getMessage()));
        }
    }

    private void stopRehearsal() {
        if (rehearsal != null) {
            rehearsal.stop();
        }
    }

    private void begin(long id, Work work) {
        works.execute(() -> {
            try {
                work.run();
            } catch (InterruptedException _) {
                answers.accept(new Message.Broken(id, "the capture was interrupted"));
            } catch (IOException | RuntimeException e) {
                LOG.info("A capture came to nothing", e);
                answers.accept(new Message.Broken(id, e.getMessage() == null ? e.toString() : e.getMessage()));
            }
        });
    }

    /** The owner has gone: what is there becomes a preview. */
    @Override
    public void close() {
        stopRehearsal();
        if (run != null) {
            run.stop();
        }
        works.shutdown();
        try {
            if (!works.awaitTermination(TO_CLOSE_MILLIS, TimeUnit.MILLISECONDS)) {
                LOG.info("A capture is cut off; what is closed of it becomes a preview at the next start");
            }
        } catch (InterruptedException _) {
            Thread.currentThread().interrupt();
        }
    }
}
