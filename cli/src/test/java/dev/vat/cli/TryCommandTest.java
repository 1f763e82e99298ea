package dev.vat.cli;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class TryCommandTest {

    @TempDir
    Path folder;

    /** The more is given up, the smaller the file and the further from its source. */
    @Test
    void severalQualitiesOfAFolderAreTriedAtOnce() throws IOException {
        Path pier = TestMaterial.frames(folder, "pier", 30);
        Shell tried = Shell.run("try", pier, "--rate", "25", "--target", "web-h264", "--quality", "17,24,36", "--json");
        assertThat(tried.code()).as(tried.err()).isZero();
        List<JsonNode> files = tried.events("forecast");
        assertThat(files).extracting(f -> f.path("control").asText()).containsExactly("very good (17)", "fair (24)", "rough (36)");
        assertThat(files).extracting(f -> f.path("bytes").path("middle").asDouble()).isSortedAccordingTo((a, b) -> Double.compare(b, a));
        assertThat(files).extracting(f -> f.path("psnr").path("middle").asDouble()).isSortedAccordingTo((a, b) -> Double.compare(b, a));
    }

    @Test
    void aListOfQualitiesIsForTrialsAlone() throws IOException {
        Path pier = TestMaterial.frames(folder, "pier", 3);
        assertThat(Shell.run("make", pier, "--rate", "25", "--target", "web-h264", "--quality", "17,24").code())
                .isEqualTo(ExitCode.WRONG_USE.code());
        assertThat(Shell.run("try", pier).err()).contains("--target");
    }
}
