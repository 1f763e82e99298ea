package dev.vat.protocol;

/** What one kind of worker process does. */
public interface WorkerDuty extends AutoCloseable {
    /** Called for one message after the other; long work goes on elsewhere. */
    void take(Message message);

    /** The owner has gone or wants no more: ends what goes on. */
    @Override
    void close();
}
