package dev.vat.engine.storage;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.protocol.storage.Places;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class ScratchTest {

    @TempDir
    Path folder;

    private Path entry(Places places, String name, long hoursOld) throws Exception {
        Path entry = Files.createDirectories(places.scratch().resolve(name));
        Files.writeString(entry.resolve("12.png"), "left behind");
        Files.setLastModifiedTime(entry, FileTime.from(Instant.now().minus(hoursOld, ChronoUnit.HOURS)));
        return entry;
    }

    @Test
    void whatIsOlderThanADayGoesAndWhatMayBeInUseStays() throws Exception {
        Places places = Places.in(folder);
        Scratch.sweep(places);
        assertThat(places.scratch()).as("nothing is made for nothing").doesNotExist();
        entry(places, "feed-1", 25);
        Path young = entry(places, "rehearsal-2", 23);
        Path elsewhere = Files.createDirectories(places.cache().resolve("native"));
        Files.setLastModifiedTime(elsewhere, FileTime.from(Instant.now().minus(90, ChronoUnit.DAYS)));
        Scratch.sweep(places);
        try (Stream<Path> left = Files.list(places.scratch())) {
            assertThat(left).containsExactly(young);
        }
        assertThat(young.resolve("12.png")).exists();
        assertThat(elsewhere).exists();
    }
}
