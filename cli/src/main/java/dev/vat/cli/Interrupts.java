package dev.vat.cli;

import dev.vat.protocol.Signals;
import java.util.List;
import java.util.stream.Stream;

/** SIGINT and SIGTERM while something goes on: the first asks it to come to an end, a second ends this process at once. */
final class Interrupts implements AutoCloseable {

    private final List<Signals.Taken> taken;
    private final Runnable first;
    private boolean asked;

    /** @param first told of the first signal, on a thread of its own */
    Interrupts(Runnable first) {
        this.first = first;
        this.taken = Stream.of("INT", "TERM").map(name -> Signals.on(name, this::take)).toList();
    }

    private synchronized void take() {
        if (asked) {
            // The worker notices that nobody is there any more, and leaves; what is closed stays closed.
            Runtime.getRuntime().halt(ExitCode.STOPPED.code());
        }
        asked = true;
        Thread.ofVirtual().name("stop").start(first);
    }

    synchronized boolean asked() {
        return asked;
    }

    @Override
    public void close() {
        taken.forEach(Signals.Taken::close);
    }
}
