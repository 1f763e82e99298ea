package dev.vat.engine.capture;

import dev.vat.core.preview.CaptureWish;
import dev.vat.core.preview.Preview;
import dev.vat.core.words.Words;
import dev.vat.engine.process.Task;
import dev.vat.protocol.CaptureMessage;
import dev.vat.protocol.Message;
import dev.vat.protocol.WorkerRole;
import dev.vat.protocol.feed.SceneNotice;
import dev.vat.protocol.storage.Places;
import dev.vat.protocol.storage.PreviewStore;
import java.io.IOException;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.function.Consumer;

/** Captures of a scene's cameras, in processes of their own. One that is done is kept for the next capture until nobody expects any. */
public final class Captures implements AutoCloseable {

    private static final Words WORDS = Words.of(Captures.class);

    /** Unlike the ids that the process itself gives. */
    private static final long CAPTURE = 10;

    private final Places places;
    private final PreviewStore store;
    private CaptureProcess spare;
    private boolean closed;

    public Captures(Places places) {
        this.places = places;
        this.store = PreviewStore.in(places);
    }

    public PreviewStore store() {
        return store;
    }

    /** A capture that goes on. */
    public final class Going implements AutoCloseable {
        private final CompletableFuture<CaptureMessage.Captured> result = new CompletableFuture<>();
        private final Consumer<CaptureMessage.Capturing> progress;
        private final CaptureProcess process;

        private Going(CaptureProcess process, Consumer<CaptureMessage.Capturing> progress) {
            this.process = process;
            this.progress = progress;
        }

        void hear(Message message) {
            switch (message) {
                case CaptureMessage.Capturing capturing -> progress.accept(capturing);
                case CaptureMessage.Captured captured -> {
                    keep(process);
                    result.complete(captured);
                }
                case Message.Broken broken -> fail(new IOException(broken.why()));
                default -> fail(new IOException(WORDS.say("aCaptureSaid", message)));
            }
        }

        void fail(IOException why) {
            if (result.completeExceptionally(why)) {
                Thread.ofVirtual().start(process::close);
            }
        }

        /** Stops it; what is there becomes a preview. */
        public void stop() throws IOException {
            if (!result.isDone()) {
                process.stop();
            }
        }

        /** Fails with the reason in words if nothing could be kept, or if the process was lost. */
        public CompletableFuture<CaptureMessage.Captured> result() {
            return result;
        }

        public long pid() {
            return process.pid();
        }

        /** Ends it if it goes on, and waits for what is there to become a preview, five seconds at most. */
        @Override
        public void close() {
            if (!result.isDone()) {
                process.close();
            }
        }
    }

    /** A capture is expected: starts a process that has everything loaded and compiled by the time it comes. */
    public synchronized void prepare() throws IOException {
        if (!closed && (spare == null || !spare.isAlive())) {
            spare = CaptureProcess.start(places);
            spare.rehearse();
        }
    }

    /** No capture is expected now: ends the process that waits for one, if there is any. */
    public synchronized void rest() {
        if (spare != null) {
            Thread.ofVirtual().start(spare::close);
            spare = null;
        }
    }

    private synchronized CaptureProcess ready() throws IOException {
        CaptureProcess ready = spare != null && spare.isAlive() ? spare : CaptureProcess.start(places);
        spare = null;
        return ready;
    }

    private synchronized void keep(CaptureProcess done) {
        if (spare == null && !closed) {
            spare = done;
        } else {
            Thread.ofVirtual().start(done::close);
        }
    }

    /** @param progress told on a thread of the capture's own */
    public Going start(SceneNotice scene, CaptureWish wish, Consumer<CaptureMessage.Capturing> progress) throws IOException {
        Going going = new Going(ready(), progress);
        try {
            going.process.capture(new CaptureMessage.Capture(CAPTURE, scene, wish, store.folder().toString()), going);
        } catch (IOException e) {
            going.fail(e);
            throw e;
        }
        return going;
    }

    /** Makes previews of what captures left behind that were cut off; nothing is started if there is nothing. */
    public List<Preview> recover() throws IOException, InterruptedException {
        if (store.unfinished().isEmpty()) {
            return List.of();
        }
        Message answer = Task.ask(places, WorkerRole.CAPTURE, new CaptureMessage.RecoverCaptures(1, store.folder().toString()), _ -> {},
                CaptureMessage.Recovered.class::isInstance);
        return ((CaptureMessage.Recovered) answer).previews();
    }

    /** Keeps no process any more. Captures that go on aren't touched. */
    @Override
    public synchronized void close() {
        closed = true;
        rest();
    }
}
