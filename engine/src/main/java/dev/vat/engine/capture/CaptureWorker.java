package dev.vat.engine.capture;

import dev.vat.engine.protocol.Message;
import dev.vat.engine.worker.WorkerDuty;
import dev.vat.media.MediaException;
import java.io.IOException;
import java.nio.file.Path;
import java.util.function.Consumer;

/** The process that takes previews from a scene: one capture, then it is ended. */
public final class CaptureWorker implements WorkerDuty {

    private static final long TO_CLOSE_MILLIS = 4500;

    private final Consumer<Message> answers;
    private CaptureRun run;
    private Thread thread;

    public CaptureWorker(Consumer<Message> answers) {
        this.answers = answers;
    }

    @Override
    public void take(Message message) {
        switch (message) {
            case Message.Capture wanted when thread == null -> {
                run = new CaptureRun(wanted, answers);
                start(wanted.id(), run::run);
            }
            case Message.RecoverCaptures recover when thread == null -> start(recover.id(),
                    () -> answers.accept(new Message.Recovered(recover.id(), Recorder.recover(new PreviewStore(Path.of(recover.store()))))));
            case Message.Stop _ when run != null -> run.stop();
            default -> answers.accept(new Message.Broken(message.id(), "a capture doesn't do that now"));
        }
    }

    private interface Work {
        void run() throws IOException, InterruptedException;
    }

    private void start(long id, Work work) {
        thread = Thread.ofPlatform().daemon().name("capture").start(() -> {
            try {
                work.run();
            } catch (IOException | MediaException e) {
                answers.accept(new Message.Broken(id, e.getMessage() == null ? e.toString() : e.getMessage()));
            } catch (InterruptedException _) {
                answers.accept(new Message.Broken(id, "the capture was interrupted"));
            }
        });
    }

    /** The owner has gone: what is there becomes a preview. */
    @Override
    public void close() {
        if (run == null) {
            return;
        }
        run.stop();
        try {
            thread.join(TO_CLOSE_MILLIS);
        } catch (InterruptedException _) {
            Thread.currentThread().interrupt();
        }
    }
}
