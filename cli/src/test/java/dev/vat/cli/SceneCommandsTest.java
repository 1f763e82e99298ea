package dev.vat.cli;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import dev.vat.protocol.feed.StandInBehaviour;
import dev.vat.protocol.storage.Places;
import dev.vat.worker.standin.StandInFeed;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Scenes, captures and renders from the command line. */
class SceneCommandsTest {

    @TempDir
    Path folder;

    @Test
    @Tag("process")
    void aSceneIsCapturedAndRenderedFromTheCommandLine() throws Exception {
        // Without a scene there is nothing to capture.
        assertThat(Shell.run("capture", "pier").err()).contains("No scene runs on this machine");
        assertThat(Shell.run("scene", "render", folder.resolve("r"), "--flaw", "odd@3").code()).isEqualTo(2);
        assertThat(Shell.run("scene", "render", folder.resolve("r"), "--camera", "roof").err()).contains("There is no camera 'roof'");
        Shell rendered = Shell.run("scene", "render", folder.resolve("render"), "--camera", "tower", "--range", "170-173", "--size",
                "160x90", "--flaw", "hole@172", "--json");
        assertThat(rendered.code()).isZero();
        assertThat(rendered.events("frame")).hasSize(4);
        assertThat(folder.resolve("render/tower.0173.png")).exists();
        assertThat(folder.resolve("render/tower.0172.png")).doesNotExist();
        Shell crashed = Shell.run("scene", "render", folder.resolve("crash"), "--range", "1-4", "--size", "160x90", "--crash", "3");
        assertThat(crashed.code()).isEqualTo(1);
        assertThat(crashed.err()).contains("The render ended: The work was lost");
    }

    @Test
    void camerasAreListedAndCaptured() throws Exception {
        try (StandInFeed _ = StandInFeed.start(Places.ofSystem().scenes(), 1, StandInBehaviour.GOOD)) {
            Shell list = Shell.run("capture", "--json");
            assertThat(list.events("camera")).extracting(c -> c.path("id").asText()).containsExactly("pier", "tower", "sand");
            Shell captured = Shell.run("capture", "pier", "--range", "176-600", "--step", "106", "--size", "160x90", "--json");
            assertThat(captured.code()).isZero();
            assertThat(captured.err()).contains("pier: Nothing moves after 0184: 416 frames would stand still.");
            JsonNode made = captured.events("captured").getFirst();
            assertThat(made.path("drawn").asLong()).isEqualTo(5);
            assertThat(Path.of(made.path("path").asText())).exists();
            previews(Path.of(made.path("path").asText()));
            assertThat(Shell.run("capture", "roof").code()).isEqualTo(2);
            assertThat(Shell.run("capture", "pier", "--step", "900").err()).contains("not 900");
        }
    }

    /** The preview that was approved says which frames there should be of a render of its camera. */
    private void previews(Path movie) throws Exception {
        String name = movie.getFileName().toString().replace(".mp4", "");
        Path render = Files.createDirectory(folder.resolve("pier_final"));
        Files.copy(TestMaterial.frames(folder, "kite", 1).resolve("kite.0001.png"), render.resolve("pier.0176.png"));
        Files.copy(render.resolve("pier.0176.png"), render.resolve("pier.0177.png"));
        assertThat(Shell.run("look", render).out()).doesNotContain("approved");
        assertThat(Shell.run("previews", name, "--approve", "--note", "kite too low").out()).contains(name + "  approved   Marram Flats")
                .contains("176-600 at 25").contains("kite too low");
        JsonNode listed = Shell.run("previews", name, "--json").events("preview").getFirst();
        assertThat(listed.path("approved").asBoolean()).isTrue();
        assertThat(listed.path("note").asText()).isEqualTo("kite too low");
        String fewer = "pier.####.png has 176-177, and the approved preview " + name + " has 176-600. Are more frames to come?";
        assertThat(Shell.run("look", render).out()).contains(fewer);
        assertThat(Shell.run("wanted", render).err()).contains(fewer);
        assertThat(Shell.run("make", render, "--rate", "25", "--target", "web-h264", "--out", folder).err()).contains("warning: " + fewer);
        assertThat(Shell.run("previews", name, "--withdraw").out()).doesNotContain("approved");
        assertThat(Shell.run("look", render).out()).doesNotContain("approved");
        assertThat(Shell.run("previews", "roof").err()).contains("There is no preview roof. There are: ").contains(name);
        assertThat(Shell.run("previews", "--approve").code()).isEqualTo(ExitCode.WRONG_USE.code());
        assertThat(Shell.run("previews", name, "--approve", "--withdraw").err()).contains("--approve or --withdraw");
    }

    @Test
    void folderBesideAnotherSaysHowManyFramesThereShouldBe() throws Exception {
        Path all = TestMaterial.frames(folder, "kite", 3);
        Path light = Files.createDirectories(folder.resolve("shot/kite_light"));
        Path sand = Files.createDirectories(folder.resolve("shot/kite_sand"));
        Path other = Files.createDirectories(folder.resolve("shot/tower"));
        for (int i = 1; i <= 3; i++) {
            Path frame = all.resolve("kite.%04d.png".formatted(i));
            Files.copy(frame, light.resolve(frame.getFileName()));
            Files.copy(frame, other.resolve("tower.%04d.png".formatted(i + 5)));
            if (i < 3) {
                Files.copy(frame, sand.resolve(frame.getFileName()));
            }
        }
        assertThat(Shell.run("look", sand).out()).contains("kite.####.png has 1-2, and what belongs to it has 1-3.");
        assertThat(Shell.run("look", light).out()).doesNotContain("what belongs to it");
        assertThat(Shell.run("look", other).out()).doesNotContain("what belongs to it");
    }
}
