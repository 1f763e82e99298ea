package dev.vat.worker;

import dev.vat.core.product.VatVersion;
import dev.vat.media.lib.MediaLibrary;
import dev.vat.protocol.Lines;
import dev.vat.protocol.Message;
import dev.vat.protocol.WorkerDuty;
import dev.vat.protocol.WorkerRole;
import dev.vat.protocol.WorkerService;
import dev.vat.worker.capture.CaptureWorker;
import dev.vat.worker.job.Job;
import dev.vat.worker.run.RunWorker;
import dev.vat.worker.standin.SceneWorker;
import dev.vat.worker.trial.TrialWorker;
import dev.vat.worker.view.ViewerWorker;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Path;
import java.util.Optional;
import java.util.function.Consumer;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** The duties of every kind of worker. */
public final class Duties implements WorkerService {

    private static final Logger LOG = LoggerFactory.getLogger(Duties.class);
    private static final long BEAT_MILLIS = 1000;

    /** Made by the service loader as well. */
    public Duties() {}

    @Override
    public void serve(WorkerRole role, Path scratch, InputStream in, OutputStream out) throws IOException {
        Lines lines = new Lines(in, out);
        lines.write(new Message.Hello(0, VatVersion.current(), MediaLibrary.version(), ProcessHandle.current().pid()));
        Thread heart = Thread.ofPlatform().daemon().name("heartbeat").start(() -> beat(lines));
        try (WorkerDuty duty = duty(role, scratch, m -> say(lines, m))) {
            for (Optional<Message> next = lines.read(); next.isPresent(); next = lines.read()) {
                take(duty, next.get(), lines);
            }
        } finally {
            heart.interrupt();
        }
    }

    private static WorkerDuty duty(WorkerRole role, Path scratch, Consumer<Message> answers) {
        return switch (role) {
            case VIEWER -> new ViewerWorker(answers);
            case RUN -> new RunWorker(answers);
            case TRIAL -> new TrialWorker(answers);
            case CAPTURE -> new CaptureWorker(scratch, answers);
            case SCENE -> new SceneWorker(answers);
        };
    }

    /** Whatever goes wrong with one message, the next one is taken. */
    private static void take(WorkerDuty duty, Message message, Lines lines) {
        try {
            duty.take(message);
        } catch (RuntimeException | Error e) {
            say(lines, new Message.Broken(message.id(), Job.words(e)));
        }
    }

    private static void beat(Lines lines) {
        try {
            while (true) {
                Thread.sleep(BEAT_MILLIS);
                lines.write(new Message.Heartbeat(0));
            }
        } catch (InterruptedException | IOException e) {
            LOG.debug("No more heartbeats", e);
        }
    }

    private static void say(Lines lines, Message message) {
        try {
            lines.write(message);
        } catch (IOException e) {
            // The owner is gone; the end of the other stream ends this worker.
            LOG.debug("Nobody listens", e);
        }
    }
}
