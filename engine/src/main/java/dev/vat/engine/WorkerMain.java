package dev.vat.engine;

import dev.vat.engine.capture.CaptureWorker;
import dev.vat.engine.place.SyncLog;
import dev.vat.engine.protocol.Lines;
import dev.vat.engine.protocol.Message;
import dev.vat.engine.run.RunWorker;
import dev.vat.engine.standin.SceneWorker;
import dev.vat.engine.trial.TrialWorker;
import dev.vat.engine.viewer.ViewerWorker;
import dev.vat.engine.worker.WorkerDuty;
import dev.vat.engine.worker.WorkerRole;
import dev.vat.media.MediaLibrary;
import java.io.FileDescriptor;
import java.io.FileInputStream;
import java.io.FileOutputStream;
import java.io.IOException;
import java.util.Optional;
import java.util.function.Consumer;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import sun.misc.Signal;
import sun.misc.SignalHandler;

/**
 * The whole of a worker process: says hello, then does what the lines on its standard input ask, until that ends.
 */
public final class WorkerMain {

    /** The logging of workers: to standard error alone. */
    public static final String LOGGING = "logback-worker.xml";

    private static final Logger LOG = LoggerFactory.getLogger(WorkerMain.class);

    private WorkerMain() { }

    public static void main(String[] arguments) throws IOException {
        // A key pressed at a terminal goes to everybody there: it is for the owner to say what becomes of this.
        Signal.handle(new Signal("INT"), SignalHandler.SIG_IGN);
        SyncLog.recordIfAsked();
        run(WorkerRole.parse(arguments[arguments.length - 1]));
        // Threads of native encoders may still be about; nothing of them matters any more.
        Runtime.getRuntime().halt(0);
    }

    private static void run(WorkerRole which) throws IOException {
        Lines lines = new Lines(new FileInputStream(FileDescriptor.in), new FileOutputStream(FileDescriptor.out));
        // Whatever is printed by mistake must not get between the messages.
        System.setOut(System.err);
        lines.write(new Message.Hello(0, VatVersion.current(), MediaLibrary.version(), ProcessHandle.current().pid()));
        Thread.ofPlatform().daemon().name("heartbeat").start(() -> beat(lines));
        try (WorkerDuty duty = duty(which, m -> say(lines, m))) {
            for (Optional<Message> next = lines.read(); next.isPresent(); next = lines.read()) {
                duty.take(next.get());
            }
        }
    }

    private static WorkerDuty duty(WorkerRole which, Consumer<Message> answers) {
        return switch (which) {
            case VIEWER -> new ViewerWorker(answers);
            case RUN -> new RunWorker(answers);
            case TRIAL -> new TrialWorker(answers);
            case CAPTURE -> new CaptureWorker(answers);
            case SCENE -> new SceneWorker(answers);
        };
    }

    private static void beat(Lines lines) {
        try {
            while (true) {
                Thread.sleep(1000);
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
            // The owner is gone; its end of the other stream ends this process.
            LOG.debug("Nobody listens", e);
        }
    }
}
