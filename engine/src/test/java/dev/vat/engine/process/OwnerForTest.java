package dev.vat.engine.process;

import dev.vat.engine.TestPlaces;
import dev.vat.protocol.WorkerRole;
import java.nio.file.Path;

/** Starts a worker, tells its number, and does nothing until it is killed. */
public final class OwnerForTest {

    private OwnerForTest() {}

    public static void main(String[] arguments) throws Exception {
        WorkerProcess worker = WorkerProcess.start(WorkerRole.RUN, TestPlaces.in(Path.of(arguments[0])), _ -> {}, _ -> {});
        worker.hello();
        System.out.println(worker.pid());
        Thread.sleep(60_000);
    }
}
