package dev.vat.engine.project;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.vat.core.project.Edits;
import dev.vat.core.project.Place;
import dev.vat.core.project.Project;
import dev.vat.core.time.Rate;
import dev.vat.engine.KiteFrames;
import dev.vat.engine.source.SourceFinder;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class ProjectFileTest {

    @TempDir
    Path folder;

    private Project project(Path home) throws IOException {
        Path frames = KiteFrames.png(home.resolve("frames"), "kite", 1, 2, false);
        Project project = Edits.bringIn(SourceFinder.find(frames).locations(), Edits.Layout.ONE_PROGRAMME).apply(Project.EMPTY);
        return Edits.setFolder(Place.of(home.resolve("out"))).apply(Edits.setRate(Rate.of(24)).apply(project));
    }

    @Test
    void reopensWithAllThatWasSet() throws IOException {
        Project project = project(folder);
        ProjectFile.save(project, folder.resolve("kite.vat"));
        assertThat(ProjectFile.load(folder.resolve("kite.vat"))).isEqualTo(project);
    }

    @Test
    void movedTogetherWithItsFramesItStillFindsThem() throws IOException {
        Path first = Files.createDirectory(folder.resolve("first"));
        ProjectFile.save(project(first), first.resolve("kite.vat"));
        Path moved = Files.move(first, folder.resolve("moved"));
        Project read = ProjectFile.load(moved.resolve("kite.vat"));
        assertThat(read.sources().getFirst().folder().path()).isEqualTo(moved.resolve("frames"));
    }

    @Test
    void movedAloneItFindsThemWhereTheyWere() throws IOException {
        Path first = Files.createDirectory(folder.resolve("first"));
        ProjectFile.save(project(first), first.resolve("kite.vat"));
        Path away = Files.move(first.resolve("kite.vat"), Files.createDirectory(folder.resolve("away")).resolve("kite.vat"));
        assertThat(ProjectFile.load(away).sources().getFirst().folder().path()).isEqualTo(first.resolve("frames"));
    }

    @Test
    void whatIsNoProjectIsNamed() throws IOException {
        Path bad = Files.writeString(folder.resolve("bad.vat"), "{}");
        assertThatThrownBy(() -> ProjectFile.load(bad)).isInstanceOf(IOException.class).hasMessage("bad.vat: This is not a Vat project");
        Path binary = Files.write(folder.resolve("bin.vat"), new byte[] {(byte) 0xff, (byte) 0xfe, 0, (byte) 0xc3});
        assertThatThrownBy(() -> ProjectFile.load(binary)).isInstanceOf(IOException.class).hasMessageContaining("bin.vat");
        assertThat(Files.readString(bad, StandardCharsets.UTF_8)).as("never written to").isEqualTo("{}");
    }
}
