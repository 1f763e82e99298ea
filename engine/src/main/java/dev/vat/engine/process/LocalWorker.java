package dev.vat.engine.process;

import dev.vat.core.words.Words;
import dev.vat.protocol.WorkerRole;
import dev.vat.protocol.WorkerService;
import dev.vat.protocol.storage.Places;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ServiceLoader;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** A worker in this process, which looks like one of its own. It can't be killed, only left alone. */
final class LocalWorker extends Process {

    private static final Words WORDS = Words.of(LocalWorker.class);

    private static final Logger LOG = LoggerFactory.getLogger(LocalWorker.class);
    private static final int KILLED = 137;

    private final BytePipe toWorker = new BytePipe();
    private final BytePipe fromWorker = new BytePipe();
    private final CountDownLatch over = new CountDownLatch(1);
    private volatile int code;

    private LocalWorker() {}

    static LocalWorker start(WorkerRole role, Places places) throws IOException {
        WorkerService service = ServiceLoader.load(WorkerService.class).findFirst()
                .orElseThrow(() -> new IOException(WORDS.say("thereIsNoWorkerOnTheClass")));
        Path scratch = places.scratch();
        Files.createDirectories(scratch);
        LocalWorker worker = new LocalWorker();
        Thread.ofPlatform().daemon().name("local-" + role.id()).start(() -> worker.serve(service, role, scratch));
        return worker;
    }

    private void serve(WorkerService service, WorkerRole role, Path scratch) {
        try {
            service.serve(role, scratch, toWorker.in(), fromWorker.out());
        } catch (IOException | RuntimeException e) {
            LOG.warn("A worker ended", e);
            code = 1;
        } finally {
            fromWorker.close();
            over.countDown();
        }
    }

    @Override
    public OutputStream getOutputStream() {
        return toWorker.out();
    }

    @Override
    public InputStream getInputStream() {
        return fromWorker.in();
    }

    @Override
    public InputStream getErrorStream() {
        return InputStream.nullInputStream();
    }

    @Override
    public int waitFor() throws InterruptedException {
        over.await();
        return code;
    }

    @Override
    public boolean waitFor(long timeout, TimeUnit unit) throws InterruptedException {
        return over.await(timeout, unit);
    }

    @Override
    public int exitValue() {
        if (isAlive()) {
            throw new IllegalThreadStateException(WORDS.say("theWorkerGoesOn"));
        }
        return code;
    }

    @Override
    public boolean isAlive() {
        return over.getCount() > 0;
    }

    /** What it does may go on for a while; nobody hears of it any more. */
    @Override
    public void destroy() {
        code = KILLED;
        toWorker.close();
        fromWorker.close();
        over.countDown();
    }

    @Override
    public Process destroyForcibly() {
        destroy();
        return this;
    }

    @Override
    public ProcessHandle.Info info() {
        return ProcessHandle.current().info();
    }
}
