package dev.vat.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;

/** The page of commands is made from them; with {@code COMMANDS_WRITE=1} in the environment it is written anew. */
class CommandsPageTest {

    @Test
    void thePageSaysWhatTheCommandsSay() throws IOException {
        Path page = Path.of("..", "docs", "commands.md");
        if (System.getenv("COMMANDS_WRITE") != null) {
            Files.writeString(page, CommandsPage.text());
        }
        assertThat(Files.readString(page)).as("write it anew: COMMANDS_WRITE=1 mvn test -pl cli -am -Dtest=CommandsPageTest")
                .isEqualTo(CommandsPage.text());
    }
}
