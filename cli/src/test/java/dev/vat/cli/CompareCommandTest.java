package dev.vat.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Two renders, and a render and its movie, held against each other by command. */
class CompareCommandTest {

    @TempDir
    Path folder;

    @Test
    void whatDiffersBetweenTwoRendersIsNamedByFrame() throws IOException {
        Path one = TestMaterial.frames(folder.resolve("a"), "pier", 12);
        Path other = TestMaterial.frames(folder.resolve("b"), "pier", 12);
        Shell same = Shell.run("compare", one, other, "--least", "90");
        assertThat(same.code()).as(same.err()).isZero();
        assertThat(same.out()).contains("12 frames compared").contains("Not a bit differs in any frame");
        Path fourth = frame(other, "4");
        Files.copy(frame(other, "9"), fourth, java.nio.file.StandardCopyOption.REPLACE_EXISTING);
        Files.delete(frame(other, "7"));
        Shell apart = Shell.run("compare", one, other, "--json");
        assertThat(apart.code()).as("it is an answer, and no fault").isZero();
        assertThat(apart.last().path("frames").asInt()).isEqualTo(11);
        assertThat(apart.last().path("same").asInt()).isEqualTo(10);
        assertThat(apart.last().path("sudden").get(0).asText()).matches("0*4");
        assertThat(apart.last().path("onlyInFirst").get(0).asText()).matches("0*7");
        assertThat(Shell.run("compare", one, other, "--least", "90").code()).isEqualTo(ExitCode.FINDINGS.code());
    }

    private static Path frame(Path render, String number) throws IOException {
        try (var files = Files.list(render)) {
            return files.filter(f -> f.getFileName().toString().matches(".*?0*" + number + "\\.png")).findFirst().orElseThrow();
        }
    }

    @Test
    void aMovieBeginsTogetherWithItsRender() throws IOException {
        Path pier = TestMaterial.frames(folder, "pier", 6);
        Shell made = Shell.run("make", pier, "--target", "archive-ffv1", "--rate", "25", "--out", folder.resolve("out"), "--json");
        Path movie = Path.of(made.last().path("files").get(0).path("path").asText());
        Shell shell = Shell.run("compare", pier, movie, "--json");
        assertThat(shell.code()).as(shell.err()).isZero();
        assertThat(shell.last().path("frames").asInt()).isEqualTo(6);
        assertThat(shell.last().path("same").asInt()).as("without loss").isEqualTo(6);
        assertThat(Shell.run("compare", pier, pier).err()).contains("is named twice");
    }
}
