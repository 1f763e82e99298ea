package dev.vat.testkit.torture;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A few rounds of what {@code ./vat torture} does by the hundred. */
@Tag("torture")
@Tag("process")
class TortureTest {

    private static final long ROOM = Long.getLong("vat.torture.minutes", 2);

    @TempDir
    Path folder;

    @Test
    void aRunThatIsDisturbedEndsAsIfNothingHadHappened() throws Exception {
        List<String> said = new ArrayList<>();
        Torture.Tally tally = new Torture(folder, said::add).play(1, 2);
        assertThat(tally.rounds()).isEqualTo(1);
        assertThat(said).singleElement().asString().startsWith("round 1, seed 2: ").endsWith("same bytes");
    }

    /** Up to two hundred, as many as there is time for. */
    @Test
    void manyRuns() throws Exception {
        List<String> said = new ArrayList<>();
        Torture.Tally tally = new Torture(folder, said::add).play(200, 100, Duration.ofMinutes(ROOM));
        assertThat(tally.rounds()).isPositive();
        assertThat(said).filteredOn(s -> s.startsWith("round ")).hasSize(tally.rounds()).allMatch(s -> s.endsWith("same bytes"));
        System.out.println(tally);
    }
}
