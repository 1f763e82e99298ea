package dev.vat.engine.storage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.vat.core.project.Edits;
import dev.vat.core.project.Project;
import dev.vat.core.source.Location;
import dev.vat.core.project.Place;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class FolderRuleTest {

    private static final Path RENDERS = Path.of("renders").toAbsolutePath();

    private static Project kiteWeek() {
        List<Location> found = List.of(Location.ofFile(RENDERS.resolve("sh010/sh010.0001.png")));
        return Edits.bringIn(found, Edits.Layout.ONE_PROGRAMME).apply(Project.EMPTY).withName("Kite Week");
    }

    @ParameterizedTest
    @CsvSource(textBlock = """
            '', delivered
            out, out
            out/{project}, out/Kite Week
            ../out, ../out
            """)
    void aNameStandsBesideTheFirstSourcesFolder(String rule, String folder) {
        assertThat(FolderRule.parse(rule).folderOf(kiteWeek())).isEqualTo(RENDERS.resolve(folder).normalize());
    }

    @Test
    void aWholePathStandsForItself() {
        assertThat(FolderRule.parse(RENDERS.resolve("{project}").toString()).folderOf(Project.EMPTY.withName("Kite Week")))
                .isEqualTo(RENDERS.resolve("Kite Week"));
    }

    @Test
    void whatTheProjectSaysGoesBefore() {
        assertThat(FolderRule.USUAL.folderOf(kiteWeek().withFolder(Place.of(RENDERS)))).isEqualTo(RENDERS);
        assertThat(FolderRule.USUAL.folderOf(Project.EMPTY)).as("nothing tells").isNull();
    }

    @Test
    void whatCantBeFilledInIsRefused() {
        assertThatThrownBy(() -> FolderRule.parse("out/{reel}")).isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("out/{reel}");
        assertThatThrownBy(() -> FolderRule.parse("a\0b")).isInstanceOf(IllegalArgumentException.class);
    }
}
