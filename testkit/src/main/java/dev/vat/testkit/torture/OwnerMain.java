package dev.vat.testkit.torture;

import dev.vat.core.run.RunPlan;
import dev.vat.engine.run.Run;
import dev.vat.protocol.run.RunHome;
import dev.vat.protocol.storage.Json;
import dev.vat.protocol.storage.Places;
import dev.vat.testkit.disturb.SyncLog;
import java.nio.file.Files;
import java.nio.file.Path;

/** The application of one round: a process that starts a run, or goes on with one, and waits for its end. It is there to be killed. */
public final class OwnerMain {

    private OwnerMain() {}

    /** @param arguments {@code start} and a plan's file, or {@code resume} and a run's home; then Vat's own folder */
    public static void main(String[] arguments) throws Exception {
        SyncLog.recordIfAsked();
        Path what = Path.of(arguments[1]);
        Places places = Places.in(Path.of(arguments[2]));
        Run run = arguments[0].equals("start") ? Run.start(Json.MAPPER.readValue(Files.readString(what), RunPlan.class), places, _ -> {})
                : Run.resume(RunHome.at(what), places, _ -> {});
        run.outcome().join();
        run.close();
    }
}
