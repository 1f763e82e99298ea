package dev.vat.core.delivery;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;

/** The page on targets is made from the catalogue; with {@code TARGETS_WRITE=1} in the environment it is written anew. */
class TargetsPageTest {

    @Test
    void thePageSaysWhatTheCatalogueHolds() throws IOException {
        Path page = Path.of("..", "docs", "targets.md");
        if (System.getenv("TARGETS_WRITE") != null) {
            Files.writeString(page, CatalogueText.page());
        }
        assertThat(Files.readString(page)).as("write it anew: TARGETS_WRITE=1 mvn test -pl core -Dtest=TargetsPageTest")
                .isEqualTo(CatalogueText.page());
    }
}
