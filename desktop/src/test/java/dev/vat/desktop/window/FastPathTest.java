package dev.vat.desktop.window;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.desktop.TestFrames;
import java.nio.file.Files;
import java.nio.file.Path;
import javafx.scene.control.Button;
import javafx.scene.input.Clipboard;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** From a dropped folder to a proven file and its receipt, by mouse and by keys. */
class FastPathTest extends WindowCase {

    @Test
    void dropPickMakeReadTheReceipt() throws Exception {
        drop(TestFrames.png(folder, "kite", 14, 96, 54, true));
        assertThat(text("project-name")).isEqualTo("kite");
        press("target-web-h264");
        settle();
        assertThat(text("make")).isEqualTo("Make at 25");
        assertThat(text("warnings")).isEqualTo("1 warning");
        press("make");
        made();
        Path file = folder.resolve("delivered/kite_web.mp4");
        assertThat(file).exists();
        assertThat(text("run-words-web-h264")).isEqualTo("made and proven");
        press("receipt-web-h264");
        await(() -> isThere("receipt-verdict"));
        assertThat(text("receipt-verdict")).startsWith("Proven");
        assertThat(on(() -> node("receipt-comparison").lookupAll(".fact").size())).as("24 by the library, and two second readers")
                .isEqualTo(26);
        fire("watch-worst");
        settle();
        assertThat(text("band-name")).isEqualTo("kite_web.mp4");
        assertThat(on(() -> node("picture").lookupAll(".strong").stream().map(n -> ((javafx.scene.control.Label) n).getText()).toList()))
                .contains("file, H.264 for the web");
        press("copy-path-web-h264");
        assertThat(on(() -> Clipboard.getSystemClipboard().getString())).isEqualTo(file.toString());
        press("reveal-web-h264");
        assertThat(answers.revealed).containsExactly(file);
    }

    @Test
    void allThreeTargetsGoOutInOneRunByKeysAlone() throws Exception {
        drop(TestFrames.png(folder, "kite", 10));
        for (String target : new String[] {"web-h264", "edit-prores-hq", "alpha-prores-4444"}) {
            type(KeyCode.TAB);
            run(() -> node("target-" + target).requestFocus());
            type(KeyCode.SPACE);
            settle();
            assertThat(on(() -> window.stage().getScene().getFocusOwner().getId())).as("the keyboard stays where it was")
                    .isEqualTo("target-" + target);
        }
        hand.push(KeyCode.CONTROL, KeyCode.ENTER);
        made();
        assertThat(folder.resolve("delivered")).isDirectoryContaining("glob:**/kite_web.mp4").isDirectoryContaining("glob:**/kite_edit.mov")
                .isDirectoryContaining("glob:**/kite_alpha.mov");
        press("face-out");
        settle();
        assertThat(text("column-status-edit-prores-hq")).startsWith("proven, ");
    }

    @Test
    void aChosenFolderDoesAsADroppedOne() throws Exception {
        answers.folder = TestFrames.png(folder, "kite", 3);
        press("welcome-choose");
        await(() -> !session().project().isEmpty());
        settle();
        assertThat(text("state-s1")).isEqualTo("all good");
        assertThat(isThere("welcome")).isFalse();
    }

    @Test
    void theMainActionWaitsForAChoice() throws Exception {
        assertThat(on(() -> node("make").isDisabled())).isTrue();
        drop(TestFrames.png(folder, "kite", 3));
        assertThat(on(() -> ((Button) node("make")).isDisabled())).as("nobody said who it is for").isTrue();
        assertThat(isThere("blockers")).as("nothing is wrong, something is to be chosen").isFalse();
        assertThat(isThere("finding-rate-unknown") && isThere("finding-no-target")).isTrue();
    }

    @Test
    @Tag("torture")
    void severalFoldersDroppedAreAskedAbout() throws Exception {
        drop(TestFrames.png(folder, "a", 3), TestFrames.png(folder, "b", 4));
        assertThat(isThere("question")).isTrue();
        press("one-programme");
        settle();
        assertThat(isThere("question")).isFalse();
        press("face-reel");
        settle();
        assertThat(text("band-range")).isEqualTo("0 to 6, 7 frames");
        press("item-0");
        choose("item-menu", "item-later");
        settle();
        assertThat(on(() -> session().project().currentReel().orElseThrow().items().getFirst().source())).isEqualTo("s2");
        press("undo");
        settle();
        assertThat(on(() -> session().project().currentReel().orElseThrow().items().getFirst().source())).isEqualTo("s1");
    }

    @Test
    void anUnprovenOrBrokenDropLeavesEverythingAsItWas() throws Exception {
        drop(TestFrames.png(folder, "kite", 3));
        drop(Files.createDirectory(folder.resolve("empty")));
        assertThat(text("notice-words")).contains("No frames, movies or sounds in empty");
        press("notice-seen");
        settle();
        assertThat(isThere("notice")).isFalse();
        assertThat(on(() -> session().project().sources())).hasSize(1);
    }
}
