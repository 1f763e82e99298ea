package dev.vat.dist;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;

/** A program that is carried out, and must succeed. */
final class Step {

    private static final long PATIENCE_MINUTES = 10;

    private Step() {}

    /** A tool of the JDK that this runs on. */
    static void tool(String name, List<String> arguments, Path log) throws IOException, InterruptedException {
        run(Path.of(System.getProperty("java.home"), "bin", name).toString(), arguments, Map.of(), log);
    }

    static void run(String program, List<String> arguments, Map<String, String> environment, Path log)
            throws IOException, InterruptedException {
        Process process = start(program, arguments, environment, log);
        if (!process.waitFor(PATIENCE_MINUTES, TimeUnit.MINUTES)) {
            process.destroyForcibly();
            throw new IOException(program + " stands still; see " + log);
        }
        if (process.exitValue() != 0) {
            throw new IOException(program + " ended with code " + process.exitValue() + "; see " + log);
        }
    }

    static Process start(String program, List<String> arguments, Map<String, String> environment, Path log) throws IOException {
        List<String> command = new ArrayList<>(List.of(program));
        command.addAll(arguments);
        ProcessBuilder builder = new ProcessBuilder(command).redirectErrorStream(true)
                .redirectOutput(ProcessBuilder.Redirect.appendTo(log.toFile()));
        builder.environment().putAll(environment);
        return builder.start();
    }
}
