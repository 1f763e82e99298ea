package dev.vat.worker.job;

/** Tells of each step of work before it begins. Nobody listens but rigs that want to disturb one. */
public final class Steps {

    /** Whoever wants to know. */
    @FunctionalInterface
    public interface Listener {
        /** @param step in words, such as {@code check 12} or {@code encode web-h264 40} */
        void before(String step) throws InterruptedException;
    }

    private static volatile Listener listener = _ -> {};

    private Steps() {}

    /** From now on, in this process. */
    public static void listen(Listener whom) {
        listener = whom;
    }

    public static void begin(String step) throws InterruptedException {
        listener.before(step);
    }
}
