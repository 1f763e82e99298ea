package dev.vat.engine.process;

import dev.vat.protocol.WorkerRole;
import dev.vat.protocol.storage.Places;
import java.io.IOException;

/** How a worker comes to be: a process of its own, or, for tests that aren't about processes, the same duty in this one. */
interface WorkerTransport {

    /** The system property that asks for workers in this process, by the value {@code here}. */
    String PROPERTY = "vat.workers";

    /** @param restraint how it steps back, or null if it doesn't */
    Process start(WorkerRole role, Places places, Restraint restraint) throws IOException;

    /** Whether workers are no processes of their own. */
    static boolean isHere() {
        return "here".equals(System.getProperty(PROPERTY));
    }

    static WorkerTransport inUse() {
        return isHere() ? (role, places, _) -> LocalWorker.start(role, places) : WorkerCommand::start;
    }
}
