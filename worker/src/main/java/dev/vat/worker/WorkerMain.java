package dev.vat.worker;

import dev.vat.protocol.Signals;
import dev.vat.protocol.WorkerRole;
import java.io.FileDescriptor;
import java.io.FileInputStream;
import java.io.FileOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Path;

/** The whole of a worker process, which talks over its standard input and output and starts in a folder of Vat's own. */
public final class WorkerMain {

    private WorkerMain() {}

    public static void main(String[] arguments) throws IOException {
        // A key pressed at a terminal goes to everybody there: it is for the owner to say what becomes of this.
        Signals.ignore("INT");
        try (InputStream in = new FileInputStream(FileDescriptor.in); OutputStream out = new FileOutputStream(FileDescriptor.out)) {
            // Whatever is printed by mistake must not get between the messages.
            System.setOut(System.err);
            new Duties().serve(WorkerRole.parse(arguments[arguments.length - 1]), Path.of("").toAbsolutePath(), in, out);
        }
        // Threads of native encoders may still be about; nothing of them matters any more.
        Runtime.getRuntime().halt(0);
    }
}
