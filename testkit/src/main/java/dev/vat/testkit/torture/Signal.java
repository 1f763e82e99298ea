package dev.vat.testkit.torture;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;

/** A signal that a process may answer in its own way, by the name that {@code kill} has for it. */
enum Signal {
    TERM, INT;

    /** Sends it, and waits until all are gone. @param all whether workers get it too, as from a terminal */
    void send(Process owner, boolean all) throws IOException, InterruptedException {
        List<ProcessHandle> workers = owner.descendants().toList();
        List<String> command = new ArrayList<>(List.of("kill", "-" + name()));
        Stream.concat(Stream.of(owner.toHandle()), all ? workers.stream() : Stream.empty()).map(p -> Long.toString(p.pid()))
                .forEach(command::add);
        new ProcessBuilder(command).redirectErrorStream(true).redirectOutput(ProcessBuilder.Redirect.DISCARD).start().waitFor();
        owner.waitFor();
        for (ProcessHandle worker : workers) {
            worker.onExit().join();
        }
    }
}
