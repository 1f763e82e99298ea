package dev.vat.cli;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import dev.vat.protocol.feed.StandInBehaviour;
import dev.vat.protocol.storage.Places;
import dev.vat.worker.standin.StandInFeed;
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
            assertThat(Shell.run("capture", "roof").code()).isEqualTo(2);
            assertThat(Shell.run("capture", "pier", "--step", "900").err()).contains("not 900");
        }
    }
}
