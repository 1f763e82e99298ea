package dev.vat.engine.standin;

import dev.vat.core.words.Words;
import dev.vat.engine.process.WorkerLost;
import dev.vat.engine.process.WorkerProcess;
import dev.vat.protocol.Message;
import dev.vat.protocol.SceneMessage;
import dev.vat.protocol.WorkerRole;
import dev.vat.protocol.feed.SceneNotice;
import dev.vat.protocol.feed.StandInBehaviour;
import dev.vat.protocol.storage.Places;
import java.io.IOException;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutionException;
import java.util.function.Consumer;

/** The stand-in scene, started by its owner as a process of its own. */
public final class SceneProcess implements AutoCloseable {

    private static final Words WORDS = Words.of(SceneProcess.class);

    private final WorkerProcess worker;
    private final SceneNotice notice;

    private SceneProcess(WorkerProcess worker, SceneNotice notice) {
        this.worker = worker;
        this.notice = notice;
    }

    /** As it is by itself. @param lost told if it ends without being closed */
    public static SceneProcess start(Places places, Consumer<WorkerLost> lost) throws IOException, InterruptedException {
        return start(places, 1, StandInBehaviour.GOOD, lost);
    }

    /**
     * Waits until it can be reached.
     *
     * @param take how the kites are flown, from 1
     * @param lost told if it ends without being closed
     */
    public static SceneProcess start(Places places, int take, StandInBehaviour behaviour, Consumer<WorkerLost> lost)
            throws IOException, InterruptedException {
        CompletableFuture<SceneNotice> serving = new CompletableFuture<>();
        WorkerProcess worker = WorkerProcess.start(WorkerRole.SCENE, places, message -> {
            switch (message) {
                case SceneMessage.Serving said -> serving.complete(said.notice());
                case Message.Broken broken -> serving.completeExceptionally(new IOException(broken.why()));
                default -> serving.completeExceptionally(new IOException(WORDS.say("theSceneSaid", message)));
            }
        }, loss -> {
            serving.completeExceptionally(new IOException(WORDS.say("theSceneWasLost", loss.why())));
            lost.accept(loss);
        });
        try {
            worker.send(new SceneMessage.Serve(1, places.scenes().toString(), take, behaviour));
            return new SceneProcess(worker, serving.get());
        } catch (ExecutionException e) {
            worker.close();
            throw e.getCause() instanceof IOException io ? io : new IOException(e.getCause().getMessage(), e);
        }
    }

    public SceneNotice notice() {
        return notice;
    }

    /** Has the kites flown another way. @param number from 1 */
    public void take(int number) throws IOException {
        worker.send(new SceneMessage.SetTake(2, number));
    }

    public void kill() {
        worker.kill();
    }

    @Override
    public void close() {
        worker.close();
    }
}
