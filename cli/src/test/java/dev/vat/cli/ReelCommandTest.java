package dev.vat.cli;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.project.Project;
import dev.vat.core.reel.Joint;
import dev.vat.core.time.FrameRange;
import dev.vat.engine.project.ProjectFile;
import java.io.IOException;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Several shots one after the other, and presets, by commands. */
class ReelCommandTest {

    @TempDir
    Path folder;

    @Test
    void shotsAreJoinedTrimmedAndMade() throws IOException {
        Path pier = TestMaterial.frames(folder, "pier", 12);
        Path tower = TestMaterial.frames(folder, "tower", 10);
        Path project = folder.resolve("week.vat");
        Shell reel = Shell.run("reel", project, pier + ",range=3-12", tower + ",dissolve=4,fit=fill", pier, "--rate", "25", "--start",
                "10:00:00:00", "--target", "web-h264,quality=20", "--out", folder.resolve("out"));
        assertThat(reel.code()).as(reel.err()).isZero();
        assertThat(reel.out()).contains("3 items").contains("week.vat");
        assertThat(reel.err()).contains("vat make").doesNotContain("--target");
        Project read = ProjectFile.load(project);
        assertThat(read.sources()).hasSize(2);
        assertThat(read.currentReel().orElseThrow().items().getFirst().range()).isEqualTo(FrameRange.of(3, 12));
        assertThat(read.currentReel().orElseThrow().items().get(1).joint()).isEqualTo(Joint.dissolve(4));
        assertThat(read.currentReel().orElseThrow().start()).isEqualTo("10:00:00:00");
        Shell made = Shell.run("make", project, "--json");
        assertThat(made.code()).as(made.err()).isZero();
        assertThat(made.last().path("files").get(0).path("frames").asInt()).isEqualTo(10 + 10 - 4 + 12);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"speed=3 | 'speed' is said of no item: range, dissolve, dip, fit",
        "dissolve=4,dip=4 | a dissolve or a dip, not", "dissolve=few | 'few' is no number of frames for dissolve",
        "dissolve=0 | 1 to 100000", "range=9-x | 9-x", "fit=round | round", "range=1-2,range=3-4 | 'range' is said twice"})
    void whatCannotBeSaidOfAnItemIsNamedAndNothingIsWritten(String said, String words) throws IOException {
        Path pier = TestMaterial.frames(folder, "pier", 2);
        Shell shell = Shell.run("reel", folder.resolve("odd.vat"), pier + "," + said);
        assertThat(shell.code()).as(shell.err()).isEqualTo(ExitCode.WRONG_USE.code());
        assertThat(shell.err()).contains(words).doesNotContain("\tat ");
        assertThat(folder.resolve("odd.vat")).doesNotExist();
    }

    @Test
    void presetsAreSavedListedShownImportedAndRemoved() throws IOException {
        assertThat(Shell.run("preset", "Half of HD", "--save", "--target", "web-h264,size=960x540").out()).contains("Kept as Half of HD");
        assertThat(Shell.run("preset").out()).contains("Half of HD   web-h264   Size: 960x540");
        Shell shown = Shell.run("preset", "half of hd");
        Path file = java.nio.file.Files.writeString(folder.resolve("half.json"), shown.out());
        Path pier = TestMaterial.frames(folder, "pier", 3);
        Shell made = Shell.run("make", pier, "--preset", "half of hd", "--rate", "25", "--accept", "far-enlarged", "--out",
                folder.resolve("out"), "--json");
        assertThat(made.code()).as(made.err()).isZero();
        assertThat(Shell.run("preset", "Half of HD", "--remove").code()).isZero();
        assertThat(Shell.run("preset", "Half of HD").err()).contains("There is no preset 'Half of HD'");
        assertThat(Shell.run("preset", "--import", file).code()).isZero();
        assertThat(Shell.run("preset", "--json").events("preset").getFirst().path("target").asText()).isEqualTo("web-h264");
        assertThat(Shell.run("preset", "Both", "--save", "--target", "web-h264", "--target", "web-gif").code())
                .isEqualTo(ExitCode.WRONG_USE.code());
        Shell.run("preset", "Half of HD", "--remove");
    }
}
