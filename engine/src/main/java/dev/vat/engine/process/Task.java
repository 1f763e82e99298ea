package dev.vat.engine.process;

import dev.vat.core.words.Words;
import dev.vat.protocol.Message;
import dev.vat.protocol.WorkerRole;
import dev.vat.protocol.storage.Places;
import java.io.IOException;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutionException;
import java.util.function.Consumer;
import java.util.function.Predicate;

/** One question to a worker process that lives for it alone. */
public final class Task {

    private static final Words WORDS = Words.of(Task.class);

    private Task() {}

    /**
     * Waits for the answer.
     *
     * @param answers told of every message, the last one included
     * @param last whether a message is the answer
     * @throws IOException if the worker couldn't, with its reason, or was lost
     */
    public static Message ask(Places places, Message question, Consumer<Message> answers, Predicate<Message> last)
            throws IOException, InterruptedException {
        return ask(places, WorkerRole.RUN, question, answers, last);
    }

    /** The same of a worker of another kind. */
    public static Message ask(Places places, WorkerRole role, Message question, Consumer<Message> answers, Predicate<Message> last)
            throws IOException, InterruptedException {
        CompletableFuture<Message> answer = new CompletableFuture<>();
        try (WorkerProcess worker = WorkerProcess.start(role, places, message -> {
            answers.accept(message);
            if (message instanceof Message.Broken broken) {
                answer.completeExceptionally(new IOException(broken.why()));
            } else if (last.test(message)) {
                answer.complete(message);
            }
        }, loss -> answer.completeExceptionally(new IOException(WORDS.say("theWorkWasLost", loss.why()))))) {
            worker.send(question);
            return answer.get();
        } catch (ExecutionException e) {
            throw e.getCause() instanceof IOException io ? io : new IOException(e.getCause().getMessage(), e.getCause());
        }
    }
}
