package dev.vat.app;

import dev.vat.cli.Vat;
import dev.vat.protocol.WorkerRole;
import dev.vat.protocol.storage.Places;
import dev.vat.worker.WorkerMain;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Arrays;

/** The only launcher: no argument, or paths, open the window; {@code --worker} is a worker; anything else is a command. */
public final class Main {

    private Main() {}

    public static void main(String[] arguments) throws IOException {
        if (arguments.length > 0 && arguments[0].equals("--worker")) {
            System.setProperty("logback.configurationFile", WorkerRole.LOGGING);
            WorkerMain.main(arguments);
            return;
        }
        System.setProperty("vat.log", Places.ofSystem().log().toString());
        int code = Vat.meansWindow(arguments) ? Vat.window().open(Arrays.stream(arguments).map(Path::of).toList())
                : Vat.run(arguments);
        System.exit(code);
    }
}
