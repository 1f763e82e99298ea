package dev.vat.worker.trial;

import dev.vat.core.words.Words;
import dev.vat.protocol.Message;
import dev.vat.protocol.TrialMessage;
import dev.vat.protocol.WorkerDuty;
import dev.vat.protocol.run.RunHome;
import dev.vat.worker.job.Job;
import java.nio.file.Path;
import java.util.function.Consumer;

/** The process that tries files: one trial, then it is ended. */
public final class TrialWorker implements WorkerDuty {

    private static final Words WORDS = Words.of(TrialWorker.class);

    private final Consumer<Message> answers;

    public TrialWorker(Consumer<Message> answers) {
        this.answers = answers;
    }

    @Override
    public void take(Message message) {
        if (!(message instanceof TrialMessage.Try wanted)) {
            answers.accept(new Message.Broken(message.id(), WORDS.say("aTrialDoesntDoThat")));
            return;
        }
        Thread.ofPlatform().daemon().name("trial").start(Job.of(WORDS.say("try"), () -> new TrialMessage.Tried(wanted.id(),
                new TrialRun(RunHome.at(Path.of(wanted.home())), wanted, answers).run()), answers,
                why -> new Message.Broken(wanted.id(), why)));
    }

    /** What goes on ends with the process. */
    @Override
    public void close() {}
}
