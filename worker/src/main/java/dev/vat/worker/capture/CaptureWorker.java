package dev.vat.worker.capture;

import dev.vat.core.words.Words;
import dev.vat.protocol.CaptureMessage;
import dev.vat.protocol.Message;
import dev.vat.protocol.RunMessage;
import dev.vat.protocol.WorkerDuty;
import dev.vat.protocol.storage.PreviewStore;
import dev.vat.worker.job.Job;
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

    private static final Words WORDS = Words.of(CaptureWorker.class);

    private static final Logger LOG = LoggerFactory.getLogger(CaptureWorker.class);
    private static final long TO_CLOSE_MILLIS = 4500;

    private final Path scratch;
    private final Consumer<Message> answers;
    private final ExecutorService works = Executors.newSingleThreadExecutor(Thread.ofPlatform().daemon().name("capture").factory());
    private Rehearsal rehearsal;
    private CaptureRun run;

    /** @param scratch where files are handed over and rehearsals are kept */
    public CaptureWorker(Path scratch, Consumer<Message> answers) {
        this.scratch = scratch;
        this.answers = answers;
    }

    @Override
    public void take(Message message) {
        switch (message) {
            case CaptureMessage.Rehearse rehearse -> rehearse(rehearse);
            case CaptureMessage.Capture wanted -> {
                stopRehearsal();
                run = new CaptureRun(wanted, scratch, answers);
                begin(wanted, () -> {
                    run.run();
                    return null;
                });
            }
            case CaptureMessage.RecoverCaptures recover -> begin(recover,
                    () -> new CaptureMessage.Recovered(recover.id(), Recorder.recover(new PreviewStore(Path.of(recover.store())))));
            case RunMessage.Stop _ when run != null -> run.stop();
            default -> answers.accept(new Message.Broken(message.id(), WORDS.say("aCaptureDoesntDoThatNow")));
        }
    }

    private void rehearse(CaptureMessage.Rehearse wanted) {
        try {
            Rehearsal own = new Rehearsal(scratch);
            rehearsal = own;
            begin(wanted, () -> {
                own.run();
                return new CaptureMessage.Rehearsed(wanted.id());
            });
        } catch (IOException e) {
            answers.accept(new Message.Broken(wanted.id(), e.getMessage()));
        }
    }

    private void stopRehearsal() {
        if (rehearsal != null) {
            rehearsal.stop();
        }
    }

    private void begin(Message wanted, Job job) {
        works.execute(Job.of(wanted.getClass().getSimpleName(), job, answers, why -> new Message.Broken(wanted.id(), why)));
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
