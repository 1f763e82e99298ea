package dev.vat.desktop.window;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class WindowMemoryTest {

    private static final WindowState LEFT = new WindowState(10, 20, 1200, 700, false, 0.4, "reel", "s2", List.of("sound"));

    @TempDir
    Path folder;

    private static WindowState at(double x) {
        return new WindowState(x, 0, 900, 560, false, 0.5, "in", null, null);
    }

    @Test
    void aWindowIsFoundAgainAsItWasLeftWithItsProject() {
        Path project = folder.resolve("kite-week.vat");
        WindowMemory memory = new WindowMemory(folder.resolve("settings"));
        assertThat(memory.last()).isEmpty();
        memory.keep(project, LEFT);
        memory.keep(null, at(5));
        WindowMemory read = new WindowMemory(folder.resolve("settings"));
        assertThat(read.of(project)).contains(LEFT);
        assertThat(read.last()).as("whatever it showed").contains(at(5));
        assertThat(read.of(folder.resolve("other.vat"))).isEmpty();
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "null", "[]", "{", "{\"\": 3}", "{\"\": {\"x\": \"left\"}}", "{\"\": null}"})
    void aDamagedFileIsBegunAnew(String text) throws Exception {
        Files.writeString(folder.resolve("windows.json"), text);
        WindowMemory memory = new WindowMemory(folder);
        assertThat(memory.last()).isEmpty();
        memory.keep(null, LEFT);
        assertThat(new WindowMemory(folder).last()).contains(LEFT);
    }

    @Test
    void theOldestOfManyIsForgottenAndTheLastNever() {
        WindowMemory memory = new WindowMemory(folder);
        for (int i = 0; i < 70; i++) {
            memory.keep(folder.resolve("p" + i), at(i));
        }
        WindowMemory read = new WindowMemory(folder);
        assertThat(read.of(folder.resolve("p0"))).isEmpty();
        assertThat(read.of(folder.resolve("p69"))).contains(at(69));
        assertThat(read.last()).contains(at(69));
    }

    @Test
    void whereNothingCanBeWrittenTheWindowGoesOn() throws Exception {
        Path file = Files.createFile(folder.resolve("no-folder"));
        WindowMemory memory = new WindowMemory(file);
        memory.keep(null, LEFT);
        assertThat(memory.last()).contains(LEFT);
    }
}
