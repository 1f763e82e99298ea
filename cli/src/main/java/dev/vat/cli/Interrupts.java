package dev.vat.cli;

import java.util.ArrayList;
import java.util.List;
import sun.misc.Signal;
import sun.misc.SignalHandler;

/** SIGINT and SIGTERM while something goes on: the first asks it to come to an end, a second ends this process at once. */
final class Interrupts implements AutoCloseable {

    private record Former(Signal signal, SignalHandler handler) { }

    private static final List<String> SIGNALS = List.of("INT", "TERM");

    private final List<Former> former = new ArrayList<>();
    private final Runnable first;
    private boolean asked;

    /** @param first told of the first signal, on a thread of its own */
    Interrupts(Runnable first) {
        this.first = first;
        for (String name : SIGNALS) {
            Signal signal = new Signal(name);
            former.add(new Former(signal, Signal.handle(signal, this::take)));
        }
    }

    private synchronized void take(Signal signal) {
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
        former.forEach(f -> Signal.handle(f.signal, f.handler));
    }
}
