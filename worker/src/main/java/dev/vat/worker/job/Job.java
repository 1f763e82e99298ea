package dev.vat.worker.job;

import dev.vat.core.words.Words;
import dev.vat.protocol.Message;
import java.util.function.Consumer;
import java.util.function.Function;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** Work that was asked for by one message. However it ends, it ends in an answer. */
@FunctionalInterface
public interface Job {

    Logger LOG = LoggerFactory.getLogger(Job.class);

    /** @return the answer, or null where it was told already @throws Exception with the reason in words */
    Message answer() throws Exception;

    /**
     * The job as something that threads carry out.
     *
     * @param step what it is, for {@link Steps}
     * @param answers told of its answer
     * @param failed makes an answer of the reason for which there is no other
     */
    static Runnable of(String step, Job job, Consumer<Message> answers, Function<String, Message> failed) {
        return () -> {
            Message answer;
            try {
                Steps.begin(step);
                answer = job.answer();
            } catch (Throwable e) {
                answer = failed.apply(words(e));
            }
            if (answer != null) {
                answers.accept(answer);
            }
        };
    }

    /** Why something failed, for people; what nobody foresaw is written down whole. */
    static String words(Throwable failure) {
        return switch (failure) {
            case OutOfMemoryError e -> {
                LOG.warn("Out of memory", e);
                yield Words.of(Job.class).say("thereIsntEnoughMemoryFor");
            }
            case StackOverflowError e -> {
                LOG.warn("Nested too deeply", e);
                yield Words.of(Job.class).say("itIsNestedTooDeeply");
            }
            case InterruptedException _ -> {
                Thread.currentThread().interrupt();
                yield Words.of(Job.class).say("theWorkWasInterrupted");
            }
            case Error e -> {
                LOG.error("An error that nobody foresaw", e);
                yield Words.of(Job.class).say("vatMetAnErrorOfItsOwnThe", e);
            }
            case Throwable e when e.getMessage() == null -> {
                LOG.warn("A failure without words", e);
                yield Words.of(Job.class).say("vatMetAnErrorOfItsOwnThe", e);
            }
            case Throwable e -> {
                LOG.debug("Failed", e);
                yield e.getMessage();
            }
        };
    }
}
