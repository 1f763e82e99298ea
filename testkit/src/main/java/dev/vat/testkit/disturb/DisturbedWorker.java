package dev.vat.testkit.disturb;

import dev.vat.worker.WorkerMain;
import dev.vat.worker.job.Steps;
import java.io.IOException;

/**
 * A worker process in which things go wrong as a {@link FaultScript} says, and which tells a {@link SyncLog} what it synced, if its
 * environment names one.
 */
public final class DisturbedWorker {

    private DisturbedWorker() {}

    public static void main(String[] arguments) throws IOException {
        SyncLog.recordIfAsked();
        Steps.listen(FaultScript.ofThisProcess());
        WorkerMain.main(arguments);
    }
}
