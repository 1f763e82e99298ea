package dev.vat.engine.capture;

import dev.vat.core.words.Words;
import dev.vat.engine.process.WorkerLost;
import dev.vat.engine.process.WorkerProcess;
import dev.vat.protocol.CaptureMessage;
import dev.vat.protocol.Message;
import dev.vat.protocol.RunMessage;
import dev.vat.protocol.WorkerRole;
import dev.vat.protocol.storage.Places;
import java.io.IOException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** The owner's end of a process that captures, once or several times. */
final class CaptureProcess implements AutoCloseable {

    private static final Words WORDS = Words.of(CaptureProcess.class);

    private static final Logger LOG = LoggerFactory.getLogger(CaptureProcess.class);
    private static final long REHEARSAL = 1;
    private static final long STOP = 2;

    private final WorkerProcess worker;
    private volatile Captures.Going going;

    private CaptureProcess(Places places) throws IOException {
        worker = WorkerProcess.start(WorkerRole.CAPTURE, places, this::hear, this::lose);
    }

    static CaptureProcess start(Places places) throws IOException {
        return new CaptureProcess(places);
    }

    void rehearse() throws IOException {
        worker.send(new CaptureMessage.Rehearse(REHEARSAL));
    }

    /** @param next told of what becomes of the capture; the one before it is over */
    void capture(CaptureMessage.Capture wanted, Captures.Going next) throws IOException {
        going = next;
        worker.send(wanted);
    }

    void stop() throws IOException {
        worker.send(new RunMessage.Stop(STOP));
    }

    private void hear(Message message) {
        Captures.Going now = going;
        if (message.id() != REHEARSAL && now != null) {
            now.hear(message);
        } else if (message instanceof Message.Broken broken) {
            // The capture itself will say what is wrong here.
            LOG.info("Not ready to capture: {}", broken.why());
        }
    }

    private void lose(WorkerLost loss) {
        Captures.Going now = going;
        if (now != null) {
            now.fail(new IOException(WORDS.say("theCaptureWasLost", loss.why())));
        }
    }

    boolean isAlive() {
        return worker.isAlive();
    }

    long pid() {
        return worker.pid();
    }

    /** Waits for what is there to become a preview, five seconds at most. */
    @Override
    public void close() {
        worker.close();
    }
}
