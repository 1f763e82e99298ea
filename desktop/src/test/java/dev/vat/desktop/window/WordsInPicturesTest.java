package dev.vat.desktop.window;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.burnin.BurnIn;
import dev.vat.core.burnin.Line;
import dev.vat.core.burnin.Spot;
import dev.vat.core.delivery.LoudnessTarget;
import dev.vat.core.recipe.Recipe;
import dev.vat.core.reel.BarPattern;
import dev.vat.core.reel.GeneratedItem;
import dev.vat.core.source.Reading;
import dev.vat.core.time.Rate;
import dev.vat.desktop.TestFrames;
import dev.vat.desktop.look.Clips;
import java.nio.file.Files;
import javafx.scene.control.ContextMenu;
import javafx.scene.input.KeyCode;
import javafx.stage.Window;
import org.junit.jupiter.api.Test;

/** What is written into pictures and drawn before them, and what people write of frames. */
class WordsInPicturesTest extends WindowCase {

    private void shot() throws Exception {
        drop(TestFrames.png(folder, "sh010", 30));
        run(() -> session().chooseRate(Rate.FPS_25));
        press("face-reel");
        settle();
    }

    private Recipe shown(long place) throws Exception {
        return on(() -> window.mainView().strip().recipe(place).orElseThrow());
    }

    @Test
    void linesAreAddedPlacedSizedAndTakenOut() throws Exception {
        shot();
        fire("reel-burn-in-review");
        settle();
        assertThat(reel().burnIn()).isEqualTo(BurnIn.forReview());
        assertThat(((Recipe.Lettered) shown(4)).lettering().lines().getFirst().text()).isEqualTo("sh010 0005");
        fire("reel-burn-in-0-top");
        settle();
        enter("reel-burn-in-0-size", "7,5");
        enter("reel-burn-in-0-ground", "80");
        enter("reel-burn-in-0-words", "{frame} of {reel}");
        Line line = reel().burnIn().lines().getFirst();
        assertThat(line.at()).isEqualTo(Spot.TOP);
        assertThat(line.size()).isEqualTo(7.5);
        assertThat(line.ground()).isEqualTo(80);
        enter("reel-burn-in-0-words", "{weather}");
        assertThat(node("reel-burn-in-0-words").getStyleClass()).as("a field that doesn't exist stays, marked").contains("refused");
        fire("reel-burn-in-1-out");
        settle();
        fire("reel-burn-in-0-out");
        settle();
        assertThat(reel().burnIn()).isNull();
        assertThat(shown(4)).isInstanceOf(Recipe.Frame.class);
        run(() -> window.mainView().press("undo"));
        settle();
        assertThat(reel().burnIn().lines()).hasSize(1);
    }

    @Test
    void lettersThatVatsFaceLacksBlockUntilAnotherIsChosen() throws Exception {
        shot();
        press("target-web-h264");
        fire("reel-burn-in-add-words");
        settle();
        enter("reel-burn-in-0-words", "\u51e7");
        await(() -> isThere("finding-letters-missing"));
        assertThat(on(() -> session().making().canMake())).isFalse();
        answers.file = Files.writeString(folder.resolve("no.ttf"), "no font");
        fire("remedy-letters-missing-0");
        await(() -> isThere("finding-face-unusable"));
        fire("remedy-face-unusable-1");
        enter("reel-burn-in-0-words", "kite");
        await(() -> session().making().canMake());
    }

    @Test
    void aColumnIsCleanOrHasItsOwn() throws Exception {
        shot();
        fire("reel-burn-in-review");
        press("target-web-h264");
        press("face-out");
        settle();
        assertThat(text("cell-burn_in-web-h264")).isEqualTo("as the reel, 2 lines");
        // By keys: the row lies below what is seen.
        press("cell-container-web-h264");
        for (int i = 0; i < 30 && !on(() -> node("cell-burn_in-web-h264").getStyleClass().contains("here")); i++) {
            type(KeyCode.DOWN);
        }
        chooseHere("burn-in-clean");
        assertThat(text("cell-burn_in-web-h264")).isEqualTo("none, clean");
        assertThat(shown(0)).isInstanceOf(Recipe.Frame.class);
        chooseHere("burn-in-own");
        assertThat(text("cell-burn_in-web-h264")).isEqualTo("its own, 2 lines");
        fire("own-burn-in-1-out");
        settle();
        assertThat(text("cell-burn_in-web-h264")).isEqualTo("its own, 1 line");
        assertThat(((Recipe.Lettered) shown(0)).lettering().lines()).hasSize(1);
        chooseHere("burn-in-reel");
        assertThat(((Recipe.Lettered) shown(0)).lettering().lines()).hasSize(2);
    }

    private void chooseHere(String item) throws Exception {
        type(KeyCode.ENTER);
        await(() -> Window.getWindows().stream().anyMatch(ContextMenu.class::isInstance));
        run(() -> Window.getWindows().stream().filter(ContextMenu.class::isInstance).map(ContextMenu.class::cast).toList().forEach(menu -> {
            menu.getItems().stream().filter(i -> item.equals(i.getId())).findFirst().orElseThrow().fire();
            menu.hide();
        }));
        settle();
    }

    @Test
    void aBroadcastHeadIsOneStep() throws Exception {
        shot();
        fire("add-head");
        settle();
        assertThat(reel().start()).isEqualTo("09:59:30:00");
        assertThat(reel().items()).hasSize(4);
        assertThat(on(() -> window.mainView().strip().timecode(750).orElseThrow())).hasToString("10:00:00:00");
        assertThat(on(() -> session().observing().sound().orElseThrow().tones())).hasSize(1);
        assertThat(on(() -> ((Recipe.Drawing) window.mainView().strip().recipe(0).orElseThrow()).what())).isNotNull();
        press("item-1");
        settle();
        enter("slate-words-0", "{reel}, cut 2");
        assertThat(((GeneratedItem.Slate) reel().items().get(1).drawn()).entries().getFirst().words().text()).isEqualTo("{reel}, cut 2");
        fire("slate-out-4");
        settle();
        press("item-0");
        settle();
        fire("bars-100/0/100/0");
        settle();
        enter("tone", "-20");
        assertThat(reel().items().getFirst().drawn()).isEqualTo(new GeneratedItem.Bars(BarPattern.BARS_100, -20, 500));
        for (int i = 0; i < 5; i++) {
            run(() -> window.mainView().press("undo"));
        }
        settle();
        assertThat(reel().items()).as("one step put it there, one takes it away").hasSize(1);
        assertThat(reel().start()).isNull();
    }

    @Test
    void marksComeFromTheClipboardAndGoBackThere() throws Exception {
        shot();
        press("face-in");
        run(() -> Clips.copy("0012 ribbon jumps\n14-15\n"));
        run(() -> window.mainView().press("paste-marks"));
        settle();
        Reading reading = on(() -> session().project().source("s1").orElseThrow().reading());
        assertThat(reading.marked()).hasToString("12, 14-15");
        assertThat(reading.remarks()).containsEntry(12L, "ribbon jumps");
        assertThat(on(() -> window.mainView().strip().remark(11))).isEqualTo("marked to be rendered again: ribbon jumps");
        run(() -> window.mainView().press("copy-marks"));
        assertThat(on(Clips::text)).isEqualTo("sh010 0012 ribbon jumps\nsh010 0014-0015");
        run(() -> Clips.copy("0099 too far"));
        run(() -> window.mainView().press("paste-marks"));
        settle();
        assertThat(on(() -> session().notices().notice().words())).contains("has no frame 99").endsWith("Nothing was marked.");
    }

    @Test
    void loudnessIsTypedIntoItsCell() throws Exception {
        shot();
        fire("add-bars");
        press("target-web-h264");
        press("face-out");
        settle();
        press("fold-format");
        press("fold-picture");
        press("cell-loudness-web-h264");
        type(KeyCode.ENTER);
        await(() -> isThere("cell-editor"));
        enter("cell-editor", "-16");
        assertThat(on(() -> session().deliverable("web-h264").orElseThrow().loudness())).isEqualTo(new LoudnessTarget(-16, -1));
        assertThat(text("cell-loudness-web-h264")).startsWith("-16.0 LUFS, at most -1.0 dBTP");
    }
}
