package dev.vat.engine.trial;

import dev.vat.engine.protocol.Message;
import dev.vat.engine.run.RunHome;
import dev.vat.engine.worker.WorkerDuty;
import java.io.IOException;
import java.nio.file.Path;
import java.util.function.Consumer;

/** The process that tries files: one trial, then it is ended. */
public final class TrialWorker implements WorkerDuty {

    private final Consumer<Message> answers;

    public TrialWorker(Consumer<Message> answers) {
        this.answers = answers;
    }

    @Override
    public void take(Message message) {
        if (!(message instanceof Message.Try wanted)) {
            answers.accept(new Message.Broken(message.id(), "a trial doesn't do that"));
            return;
        }
        Thread.ofPlatform().daemon().name("trial").start(() -> {
            try {
                answers.accept(new Message.Tried(wanted.id(), new TrialRun(RunHome.at(Path.of(wanted.home())), wanted, answers).run()));
            } catch (IOException | RuntimeException e) {
                answers.accept(new Message.Broken(wanted.id(), e.getMessage() == null ? e.toString() : e.getMessage()));
            } catch (InterruptedException _) {
                answers.accept(new Message.Broken(wanted.id(), "the trial was interrupted"));
            }
        });
    }

    /** What goes on ends with the process. */
    @Override
    public void close() {
    }
}
