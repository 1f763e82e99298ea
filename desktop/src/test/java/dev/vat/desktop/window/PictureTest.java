package dev.vat.desktop.window;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.time.FrameRange;
import dev.vat.desktop.TestFrames;
import dev.vat.desktop.picture.PictureArea;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.Set;
import javafx.geometry.Point2D;
import javafx.scene.control.ContextMenu;
import javafx.scene.image.ImageView;
import javafx.scene.input.KeyCode;
import javafx.stage.Window;
import org.junit.jupiter.api.Test;

/** Playing, stepping, selecting, looking closely; the pictures come from a real viewer process. */
class PictureTest extends WindowCase {

    private javafx.scene.image.Image image() throws Exception {
        return on(() -> ((ImageView) node("picture").lookup("ImageView")).getImage());
    }

    @Test
    void keysStepPlayAndSelect() throws Exception {
        drop(TestFrames.png(folder, "kite", 40));
        type(KeyCode.RIGHT, KeyCode.RIGHT);
        settle();
        assertThat(text("picture-number")).isEqualTo("0003");
        type(KeyCode.END);
        settle();
        assertThat(text("picture-number")).isEqualTo("0040");
        type(KeyCode.HOME);
        settle();
        type(KeyCode.SPACE);
        await(() -> !text0("picture-number").equals("0001"));
        type(KeyCode.SPACE);
        settle();
        type(KeyCode.HOME);
        type(KeyCode.RIGHT, KeyCode.RIGHT, KeyCode.I, KeyCode.RIGHT, KeyCode.RIGHT, KeyCode.O);
        settle();
        assertThat(text("band-selected")).isEqualTo("selected 0003 to 0005, 3 frames");
        assertThat(on(() -> session().project().source("s1").orElseThrow().reading().range())).as("selecting trims nothing").isNull();
        press("trim");
        settle();
        assertThat(on(() -> session().project().source("s1").orElseThrow().reading().range())).isEqualTo(FrameRange.of(3, 5));
    }

    /** As the system repeats a key that is down. */
    private void holdDown(KeyCode key, int times) throws Exception {
        for (int i = 0; i < times; i++) {
            hand.hold(key);
        }
        hand.letGo(key);
        settle();
    }

    @Test
    void aKeyHeldDownStepsOnAndDoesAnythingElseOnce() throws Exception {
        drop(TestFrames.png(folder, "kite", 40));
        type(KeyCode.HOME);
        holdDown(KeyCode.RIGHT, 5);
        assertThat(text("picture-number")).isEqualTo("0006");
        holdDown(KeyCode.C, 5);
        assertThat(on(() -> Window.getWindows().stream().filter(ContextMenu.class::isInstance).count())).isEqualTo(1);
        hand.push(KeyCode.ESCAPE);
        hand.push(KeyCode.C);
        settle();
        assertThat(on(() -> Window.getWindows().stream().filter(ContextMenu.class::isInstance).count())).as("again").isEqualTo(1);
        hand.push(KeyCode.ESCAPE);
    }

    private String text0(String id) {
        return ((javafx.scene.control.Label) node(id)).getText();
    }

    @Test
    void everyFrameModeShowsEachOne() throws Exception {
        drop(TestFrames.png(folder, "kite", 12));
        press("loop");
        hand.push(KeyCode.E);
        type(KeyCode.HOME);
        settle();
        type(KeyCode.SPACE);
        await(() -> text0("picture-number").equals("0012"));
        assertThat(text("dropped")).isEmpty();
    }

    @Test
    void oneToOneShowsStoredPixelsFitFillsTheRoom() throws Exception {
        drop(TestFrames.png(folder, "kite", 2));
        double fitted = image().getWidth();
        assertThat(fitted).isGreaterThan(96);
        hand.push(KeyCode.DIGIT1);
        settle();
        assertThat(image().getWidth()).isEqualTo(96);
        assertThat(on(() -> image().getPixelReader().getColor(48, 53).getGreen())).isCloseTo(53 / 54.0,
                org.assertj.core.data.Offset.offset(.01));
        hand.push(KeyCode.DIGIT1);
        settle();
        assertThat(image().getWidth()).isEqualTo(fitted);
    }

    @Test
    void alphaIsShownAsGrey() throws Exception {
        drop(TestFrames.png(folder, "kite", 2, 96, 54, true));
        hand.push(KeyCode.DIGIT1);
        settle();
        assertThat(on(() -> image().getPixelReader().getColor(80, 20).getOpacity())).isCloseTo(.25,
                org.assertj.core.data.Offset.offset(.01));
        hand.push(KeyCode.A);
        settle();
        assertThat(on(() -> image().getPixelReader().getColor(80, 20).getRed())).isCloseTo(.25, org.assertj.core.data.Offset.offset(.01));
        assertThat(on(() -> image().getPixelReader().getColor(10, 20).getRed())).isEqualTo(1);
    }

    @Test
    void theBandIsClickedDraggedAndZoomed() throws Exception {
        drop(TestFrames.png(folder, "kite", 40));
        var band = on(() -> node("band").localToScene(node("band").getBoundsInLocal()));
        double x = window.stage().getX() + band.getMinX();
        double y = window.stage().getY() + band.getMinY() + 20;
        hand.moveTo(new Point2D(x + 14 + (band.getWidth() - 28) * 20.5 / 40, y)).click();
        settle();
        assertThat(text("picture-number")).isEqualTo("0021");
        hand.moveTo(new Point2D(x + 14 + (band.getWidth() - 28) * 4.5 / 40, y)).press();
        hand.moveTo(new Point2D(x + 14 + (band.getWidth() - 28) * 9.5 / 40, y)).release();
        settle();
        assertThat(text("band-selected")).isEqualTo("selected 0005 to 0010, 6 frames");
        type(KeyCode.ESCAPE);
        settle();
        assertThat(isThere("band-selected")).isFalse();
        type(KeyCode.EQUALS);
        type(KeyCode.DIGIT0);
    }

    @Test
    void theBandShowsPicturesAndItsTalliesStepThroughTheirFrames() throws Exception {
        Path kite = TestFrames.png(folder, "kite", 40);
        Files.delete(kite.resolve("kite.0007.png"));
        Files.delete(kite.resolve("kite.0020.png"));
        drop(kite);
        var shown = on(() -> node("band").snapshot(null, null));
        Set<Integer> colours = new HashSet<>();
        for (int x = 20; x < shown.getWidth() - 20; x += 3) {
            colours.add(shown.getPixelReader().getArgb(x, 40));
        }
        assertThat(colours).as("the ramp of the frames, not one grey").hasSizeGreaterThan(10);
        press("tally-missing");
        assertThat(text("picture-number")).isEqualTo("0007");
        press("tally-missing");
        assertThat(text("picture-number")).isEqualTo("0020");
        press("tally-missing");
        assertThat(text("picture-number")).as("from the start again").isEqualTo("0007");
    }

    @Test
    void aWindowAtRestWaitsForSomethingToHappen() throws Exception {
        drop(TestFrames.png(folder, "kite", 3));
        await(() -> ((PictureArea) node("picture")).isResting());
        assertThat(on(() -> {
            window.mainView().press("forward");
            return ((PictureArea) node("picture")).isResting();
        })).as("at once, not when it looks again").isFalse();
        settle();
        assertThat(text("picture-number")).isEqualTo("0002");
    }

    @Test
    void theSheetIsWidenedOverThePicture() throws Exception {
        drop(TestFrames.png(folder, "kite", 3));
        double before = on(() -> node("in-face").getBoundsInParent().getWidth());
        hand.push(KeyCode.SHIFT, KeyCode.W);
        settle();
        assertThat(on(() -> node("in-face").getBoundsInParent().getWidth())).isGreaterThan(before * 1.4);
        hand.push(KeyCode.SHIFT, KeyCode.W);
        settle();
        assertThat(on(() -> node("in-face").getBoundsInParent().getWidth())).isEqualTo(before);
    }

    @Test
    void thePictureFillsTheWindowAndComesBack() throws Exception {
        drop(TestFrames.png(folder, "kite", 3));
        double before = image().getWidth();
        type(KeyCode.W);
        settle();
        assertThat(image().getWidth()).isGreaterThan(before);
        assertThat(node("make")).isNull();
        type(KeyCode.W);
        settle();
        assertThat(isThere("make")).isTrue();
        assertThat(image().getWidth()).isEqualTo(before);
    }

    @Test
    void commandsAreFoundByTheirWords() throws Exception {
        drop(TestFrames.png(folder, "kite", 9));
        press("search");
        hand.write("last fr");
        assertThat(isThere("command-last")).isTrue();
        type(KeyCode.ENTER);
        settle();
        assertThat(text("picture-number")).isEqualTo("0009");
        press("search");
        hand.write("xyzzy");
        type(KeyCode.ESCAPE);
        assertThat(on(() -> node("command-search").isVisible())).isFalse();
    }

    @Test
    void darkAndLightFollowOneKey() throws Exception {
        drop(TestFrames.png(folder, "kite", 2));
        hand.push(KeyCode.CONTROL, KeyCode.D);
        settle();
        assertThat(on(() -> session().settings().scheme())).isEqualTo(dev.vat.engine.storage.UserSettings.Scheme.DARK);
        assertThat(on(() -> ((javafx.scene.layout.Region) window.mainView().lookup(".head")).getBackground().getFills().getLast().getFill()
                .toString()))
                .isEqualTo("0x303031ff");
    }
}
