package dev.vat.testkit.torture;

import dev.vat.protocol.storage.Durable;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;

/** Plays rounds of {@link Torture} from the command line: the number of rounds, the seed of the first one, and perhaps a folder. */
public final class TortureMain {

    private static final String ROUNDS = "20";
    private static final String SEED = "1";

    private TortureMain() {}

    public static void main(String[] arguments) throws IOException, InterruptedException {
        int rounds = Integer.parseInt(arguments.length > 0 ? arguments[0] : ROUNDS);
        long seed = Long.parseLong(arguments.length > 1 ? arguments[1] : SEED);
        Path where = arguments.length > 2 ? Files.createDirectories(Path.of(arguments[2]).toAbsolutePath())
                : Files.createTempDirectory("vat-torture-");
        try {
            Torture.Tally tally = new Torture(where, System.out::println).play(rounds, seed);
            System.out.println(tally.rounds() + " rounds, every file as if nothing had happened:");
            tally.evils().forEach((evil, times) -> System.out.printf("  %4d times: %s%n", times, evil));
        } finally {
            if (arguments.length <= 2) {
                Durable.deleteTree(where);
            }
        }
    }
}
