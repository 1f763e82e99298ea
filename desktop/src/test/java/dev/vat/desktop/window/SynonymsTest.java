package dev.vat.desktop.window;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.desktop.TestFrames;
import java.util.List;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Whatever somebody calls it, it is found. */
class SynonymsTest extends WindowCase {

    @ParameterizedTest
    @CsvSource({"zoom, One stored pixel on one pixel of the screen, true", "export, Make the files, true", "lut, Setting: LUT, true",
        "fullscreen, Fill the screen, true", "full, Fill the screen, true", "help, Help: all commands and their keys, true",
        "audio, Setting: Sound, true", "bitrate, Setting: Quality, true", "kite, Source: kite.####.png, true", "zoom, Undo, false",
        "help, Make the files, false"})
    void wordsAreFoundByWhatPeopleCallThem(String typed, String words, boolean found) {
        assertThat(Synonyms.mean(words, typed)).isEqualTo(found);
    }

    @Test
    void commandsSettingsAndSourcesAreFoundAndGoneTo() throws Exception {
        drop(TestFrames.png(folder, "kite", 3));
        press("target-web-h264");
        settle();
        run(() -> window.mainView().press("search"));
        assertThat(isThere("command-undo")).isTrue();
        for (List<String> each : List.of(List.of("export", "command-make"), List.of("zoom", "command-actual"),
                List.of("kite", "command-source-s1"), List.of("help band", "command-help-band"),
                List.of("deliverable web", "command-deliverable-web-h264"),
                List.of("lut", "command-setting-look"))) {
            run(() -> ((TextField) node("command-typed")).setText(each.getFirst()));
            assertThat(isThere(each.getLast())).as(each.toString()).isTrue();
        }
        type(KeyCode.ENTER);
        settle();
        assertThat(on(() -> node("cell-look-web-h264").getStyleClass())).as("the row has the keyboard").contains("here");
        assertThat(on(() -> window.stage().getScene().getFocusOwner().getId())).isEqualTo("out-grid");
    }
}
