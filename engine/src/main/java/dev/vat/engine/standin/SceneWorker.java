package dev.vat.engine.standin;

import dev.vat.engine.protocol.Message;
import dev.vat.engine.worker.WorkerDuty;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.util.function.Consumer;

/** The stand-in scene as a process of the window's, which ends with it. */
public final class SceneWorker implements WorkerDuty {

    private final Consumer<Message> answers;
    private StandInFeed feed;

    public SceneWorker(Consumer<Message> answers) {
        this.answers = answers;
    }

    @Override
    public void take(Message message) {
        switch (message) {
            case Message.Serve serve when feed == null -> {
                try {
                    feed = StandInFeed.start(Path.of(serve.folder()), 1, Manners.GOOD);
                    answers.accept(new Message.Serving(serve.id(), feed.notice()));
                } catch (IOException e) {
                    answers.accept(new Message.Broken(serve.id(), "The scene can't be reached: " + e.getMessage()));
                }
            }
            case Message.Take take when feed != null -> feed.setTake(take.number());
            default -> answers.accept(new Message.Broken(message.id(), "a scene doesn't do that now"));
        }
    }

    @Override
    public void close() {
        if (feed == null) {
            return;
        }
        try {
            feed.close();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
