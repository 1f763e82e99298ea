package dev.vat.desktop.window;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.finding.Rule;
import dev.vat.core.time.Rate;
import dev.vat.desktop.TestFrames;
import dev.vat.engine.storage.UserSettings;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import javafx.event.Event;
import javafx.scene.Node;
import javafx.scene.control.ListView;
import javafx.scene.control.MenuItem;
import javafx.scene.control.TextField;
import javafx.scene.input.DragEvent;
import javafx.scene.input.Dragboard;
import javafx.scene.input.KeyCode;
import javafx.scene.input.PickResult;
import javafx.scene.input.TransferMode;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.mockito.Mockito;

/** What is the user's own: settings, help, how the window was left, and where files may be let go. */
class AtHomeTest extends WindowCase {

    @Test
    void settingsHoldAtOnceAndFromOneStartToTheNext() throws Exception {
        run(() -> window.mainView().press("settings"));
        fire("scheme-dark");
        fire("text-size-150-");
        fire("usual-rate-30");
        enter("cores", "1");
        enter("picture-memory", "some");
        assertThat(node("picture-memory").getStyleClass()).as("what is no number stays, marked").contains("refused");
        enter("picture-memory", "500");
        UserSettings now = on(() -> session().settings());
        assertThat(now.scheme()).isEqualTo(UserSettings.Scheme.DARK);
        assertThat(now.textPercent()).isEqualTo(150);
        assertThat(now.lastRate()).isEqualTo(Rate.parse("30"));
        assertThat(now.cores()).isEqualTo(1);
        await(() -> UserSettings.load(places.settings()).equals(now));
        assertThat(now.pictureBytes()).isEqualTo(500_000_000L);
        press("close-settings");
        assertThat(node("settings")).isNull();
    }

    @Test
    void theCacheIsClearedByASecondPress() throws Exception {
        drop(TestFrames.png(folder, "kite", 3));
        Path checks = places.cache().resolve("checks");
        await(() -> Files.isDirectory(checks) && !Files.list(checks).toList().isEmpty());
        run(() -> window.mainView().press("settings"));
        press("clear-cache");
        assertThat(Files.list(checks)).isNotEmpty();
        press("clear-cache");
        await(() -> session().notices().notice().words().equals("The cache is empty."));
        assertThat(Files.list(checks)).isEmpty();
    }

    @Test
    void theGuideIsInTheHelpWithItsPicturesAndTheMeaningOfEveryFinding() throws Exception {
        run(() -> window.mainView().press("help"));
        run(() -> ((TextField) node("help-words")).setText("ten jobs reason interrupted"));
        settle();
        assertThat(text("help-title")).isEqualTo("Ten jobs");
        assertThat(on(() -> node("help").lookupAll(".image-view").size())).as("pictures").isEqualTo(5);
        run(() -> ((TextField) node("help-words")).setText("pass-sum " + Rule.PASS_SUM.title()));
        settle();
        assertThat(text("help-title")).isEqualTo("Findings");
        run(() -> ((TextField) node("help-words")).setText("bin/vat of the archive"));
        settle();
        fire("help-link-findings");
        assertThat(text("help-title")).as("a link of the first file's page").isEqualTo("Findings");
    }

    @Test
    void aFindingSaysWhatItMeansWhereItStands() throws Exception {
        drop(TestFrames.png(folder, "kite", 3));
        await(() -> isThere("finding-rate-unknown"));
        assertThat(isThere("meaning-rate-unknown")).isFalse();
        press("more-rate-unknown");
        assertThat(text("meaning-rate-unknown")).isEqualTo(Rule.RATE_UNKNOWN.meaning());
    }

    @Test
    void helpOpensAtWhatHasTheKeyboardAndIsFoundByWords() throws Exception {
        drop(TestFrames.png(folder, "kite", 3));
        press("face-reel");
        type(KeyCode.F1);
        settle();
        assertThat(text("help-title")).startsWith("Reel");
        press("close-help");
        press("face-in");
        press("source-s1");
        type(KeyCode.F1);
        settle();
        assertThat(text("help-title")).startsWith("In");
        run(() -> ((TextField) node("help-words")).setText("countdown slates"));
        assertThat(on(() -> ((ListView<?>) node("help-topics")).getItems().size())).isEqualTo(1);
        assertThat(text("help-title")).startsWith("Reel");
        run(() -> window.mainView().press("keys"));
        settle();
        assertThat(on(() -> node("help-keys").lookupAll(".keys").size())).as("every key has its line").isGreaterThan(50);
    }

    @Test
    void aSystemsMenuBarCarriesEveryCommandOnce() throws Exception {
        List<String> items = on(() -> window.mainView().systemMenus().stream().flatMap(m -> m.getItems().stream()).map(MenuItem::getId)
                .toList());
        Set<String> once = new HashSet<>(items);
        assertThat(items).hasSameSizeAs(once);
        assertThat(items).contains("menu-make", "menu-undo", "menu-settings", "menu-shuttle-on", "menu-help");
        assertThat(on(() -> window.mainView().systemMenus().stream().map(MenuItem::getText).toList()))
                .contains("Project", "Edit", "Picture",
                        "Window", "Help")
                .doesNotContain("");
    }

    @Test
    void aProjectIsShownAsItsWindowWasLeft() throws Exception {
        drop(TestFrames.png(folder, "kite", 3));
        press("target-web-h264");
        answers.project = folder.resolve("kite.vat");
        run(() -> window.mainView().press("save-as"));
        await(() -> session().files().isSaved() && Files.exists(answers.project));
        press("face-out");
        press("fold-picture");
        run(() -> {
            window.stage().setWidth(1100);
            window.stage().setX(40);
        });
        settle();
        on(() -> {
            window.close();
            window.stage().hide();
            return null;
        });
        window = on(() -> {
            Stage stage = new Stage();
            VatWindow made = new VatWindow(stage, places, answers, _ -> desktop);
            stage.show();
            return made;
        });
        hand = Hand.over(window.stage());
        hand.rest();
        assertThat(on(() -> window.stage().getWidth())).isEqualTo(1100);
        run(() -> session().files().open(answers.project));
        await(() -> isThere("out-grid"));
        settle();
        assertThat(isThere("cell-size-web-h264")).as("its rows are still folded").isFalse();
        assertThat(isThere("cell-container-web-h264")).isTrue();
        assertThat(on(() -> window.stage().getTitle())).contains("kite").endsWith("Vat");
    }

    private void dragOver(Node over, Path file, boolean letGo) throws Exception {
        Dragboard board = Mockito.mock(Dragboard.class);
        Mockito.when(board.hasFiles()).thenReturn(true);
        Mockito.when(board.getFiles()).thenReturn(List.of(file.toFile()));
        run(() -> {
            PickResult pick = new PickResult(over, 1, 1);
            Event.fireEvent(window.mainView(),
                    new DragEvent(null, null, DragEvent.DRAG_OVER, board, 1, 1, 1, 1, TransferMode.COPY, null, null,
                            pick));
            if (letGo) {
                Event.fireEvent(window.mainView(), new DragEvent(null, null, DragEvent.DRAG_DROPPED, board, 1, 1, 1, 1, TransferMode.COPY,
                        null, null, pick));
            }
        });
    }

    @Test
    void thePlaceThatTakesADropSaysSoAndOverATargetItIsMadeAsThat() throws Exception {
        Path kite = TestFrames.png(folder, "kite", 3);
        dragOver(node("welcome"), kite, false);
        assertThat(text("drop-words")).isEqualTo("Add to the project");
        dragOver(node("target-web-h264"), kite, false);
        assertThat(text("drop-words")).isEqualTo("Add, and make as H.264 for the web");
        assertThat(node("target-web-h264").getStyleClass()).contains("drop-here");
        dragOver(node("target-web-h264"), kite, true);
        await(() -> !session().search().isGoing());
        settle();
        assertThat(isThere("drop-words")).isFalse();
        assertThat(on(() -> session().project().sources())).hasSize(1);
        assertThat(on(() -> session().deliverable("web-h264"))).isPresent();
        press("face-out");
        Path table = Files.writeString(folder.resolve("dusk.cube"), "LUT_3D_SIZE 2\n" + "0 0 0\n".repeat(8));
        dragOver(node("cell-look-web-h264"), table, false);
        assertThat(text("drop-words")).isEqualTo("LUT of H.264 for the web");
        dragOver(node("cell-look-web-h264"), table, true);
        settle();
        assertThat(text("cell-look-web-h264")).contains("dusk");
        run(() -> window.mainView().press("repack"));
        settle();
        dragOver(node("repack-said"), table, false);
        assertThat(text("drop-words")).isEqualTo("Add to what is split, joined or rewrapped");
    }
}
