package dev.vat.cli;

import dev.vat.engine.place.Durable;
import dev.vat.engine.torture.Torture;
import dev.vat.engine.torture.TortureFailure;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

@Command(name = "torture", mixinStandardHelpOptions = true,
        description = "Kills, cuts and robs runs at random moments, and holds what comes of them against undisturbed ones.")
final class TortureCommand implements Callable<Integer> {

    private final Output output;

    @Option(names = "--rounds", paramLabel = "N", description = "How many runs; 20 if not given.")
    private int rounds = 20;

    @Option(names = "--seed", paramLabel = "N", description = "Of the first round; the next have the next. 1 if not given.")
    private long seed = 1;

    @Option(names = "--folder", paramLabel = "DIR", description = "Where frames are drawn and files made; a temporary folder if not given.")
    private Path folder;

    TortureCommand(Output output) {
        this.output = output;
    }

    @Override
    public Integer call() throws IOException, InterruptedException {
        Path where = folder == null ? Files.createTempDirectory("vat-torture-") : Files.createDirectories(folder.toAbsolutePath());
        try {
            Torture.Tally tally = new Torture(where, output::say).play(rounds, seed);
            output.say(tally.rounds() + " rounds, every file as if nothing had happened:");
            tally.evils().forEach((evil, times) -> output.say("  %4d times: %s".formatted(times, evil)));
            return ExitCode.PROVEN.code();
        } catch (TortureFailure e) {
            throw new CommandFailure(ExitCode.FAILED, e.getMessage());
        } finally {
            if (folder == null) {
                Durable.deleteTree(where);
            }
        }
    }
}
