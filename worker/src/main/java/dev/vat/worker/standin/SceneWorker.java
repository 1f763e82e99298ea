package dev.vat.worker.standin;

import dev.vat.core.words.Words;
import dev.vat.protocol.Message;
import dev.vat.protocol.SceneMessage;
import dev.vat.protocol.WorkerDuty;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.util.function.Consumer;

/** The stand-in scene as a process of the window's, which ends with it. */
public final class SceneWorker implements WorkerDuty {

    private static final Words WORDS = Words.of(SceneWorker.class);

    private final Consumer<Message> answers;
    private StandInFeed feed;

    public SceneWorker(Consumer<Message> answers) {
        this.answers = answers;
    }

    @Override
    public void take(Message message) {
        switch (message) {
            case SceneMessage.Serve serve when feed == null -> {
                try {
                    feed = StandInFeed.start(Path.of(serve.folder()), serve.take(), serve.behaviour());
                    answers.accept(new SceneMessage.Serving(serve.id(), feed.notice()));
                } catch (IOException e) {
                    answers.accept(new Message.Broken(serve.id(), WORDS.say("theSceneCantBeReached", e.getMessage())));
                }
            }
            case SceneMessage.SetTake take when feed != null -> feed.setTake(take.number());
            default -> answers.accept(new Message.Broken(message.id(), WORDS.say("aSceneDoesntDoThatNow")));
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
