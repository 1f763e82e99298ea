package dev.vat.engine.capture;

import dev.vat.core.preview.CaptureWish;
import dev.vat.core.preview.Preview;
import dev.vat.engine.feed.SceneNotice;
import dev.vat.engine.place.Places;
import dev.vat.engine.protocol.Message;
import dev.vat.engine.worker.Task;
import dev.vat.engine.worker.WorkerProcess;
import dev.vat.engine.worker.WorkerRole;
import java.io.IOException;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.function.Consumer;

/** Captures of a scene's cameras, each in a process of its own. */
public final class Captures {

    private final Places places;
    private final PreviewStore store;

    public Captures(Places places) {
        this.places = places;
        this.store = PreviewStore.in(places);
    }

    public PreviewStore store() {
        return store;
    }

    /** A capture that goes on. */
    public static final class Going implements AutoCloseable {
        private final CompletableFuture<Message.Captured> result = new CompletableFuture<>();
        private WorkerProcess worker;

        /** Stops it; what is there becomes a preview. */
        public void stop() throws IOException {
            if (!result.isDone()) {
                worker.send(new Message.Stop(2));
            }
        }

        /** Fails with the reason in words if nothing could be kept, or if the process was lost. */
        public CompletableFuture<Message.Captured> result() {
            return result;
        }

        public long pid() {
            return worker.pid();
        }

        /** Waits for what is there to become a preview, five seconds at most. */
        @Override
        public void close() {
            worker.close();
        }
    }

    /** @param progress told on a thread of the capture's own */
    public Going start(SceneNotice scene, CaptureWish wish, Consumer<Message.Capturing> progress) throws IOException {
        Going going = new Going();
        going.worker = WorkerProcess.start(WorkerRole.CAPTURE, places, message -> {
            switch (message) {
                case Message.Capturing capturing -> progress.accept(capturing);
                case Message.Captured captured -> going.result.complete(captured);
                case Message.Broken broken -> going.result.completeExceptionally(new IOException(broken.why()));
                default -> going.result.completeExceptionally(new IOException("A capture said " + message));
            }
        }, loss -> going.result.completeExceptionally(new IOException("The capture was lost: " + loss.why())));
        going.worker.send(new Message.Capture(1, scene, wish, store.folder().toString()));
        going.result.whenComplete((_, _) -> Thread.ofVirtual().start(going.worker::close));
        return going;
    }

    /** Makes previews of what captures left behind that were cut off; nothing is started if there is nothing. */
    public List<Preview> recover() throws IOException, InterruptedException {
        if (store.unfinished().isEmpty()) {
            return List.of();
        }
        Message answer = Task.ask(places, WorkerRole.CAPTURE, new Message.RecoverCaptures(1, store.folder().toString()), _ -> { }, Message.Recovered.class::isInstance);
        return ((Message.Recovered) answer).previews();
    }
}
