package dev.vat.desktop.window;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.reel.Item;
import dev.vat.core.time.Rate;
import dev.vat.desktop.TestFrames;
import dev.vat.desktop.band.Band;
import java.nio.file.Path;
import java.util.List;
import javafx.geometry.Bounds;
import javafx.geometry.Point2D;
import javafx.scene.Scene;
import javafx.scene.control.Label;
import javafx.scene.input.ClipboardContent;
import javafx.scene.input.KeyCode;
import javafx.scene.input.TransferMode;
import javafx.scene.layout.StackPane;
import javafx.stage.Stage;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** Gestures that only a display can make: real drag and drop, the wheel, keys held while the mouse works. */
@Tag("window")
class GestureTest extends WindowCase {

    private Point2D onBand(double share) throws Exception {
        return on(() -> {
            Bounds band = node("band").localToScreen(node("band").getBoundsInLocal());
            return new Point2D(band.getMinX() + band.getWidth() * share, band.getMinY() + 20);
        });
    }

    private double shown() throws Exception {
        return on(() -> ((Band) node("band")).view().shown());
    }

    @Test
    void aFolderIsDraggedInFromAnotherWindow() throws Exception {
        Path frames = TestFrames.png(folder.resolve("Kite W\u00fcche"), "kite", 5);
        Stage other = on(() -> {
            Label handle = new Label("take this");
            StackPane pane = new StackPane(handle);
            pane.setOnDragDetected(e -> {
                ClipboardContent content = new ClipboardContent();
                content.putFiles(List.of(frames.toFile()));
                pane.startDragAndDrop(TransferMode.COPY).setContent(content);
                e.consume();
            });
            Stage stage = new Stage();
            stage.setScene(new Scene(pane, 160, 90));
            stage.setX(20);
            stage.setY(500);
            stage.setAlwaysOnTop(true);
            stage.show();
            return stage;
        });
        hand.moveTo(other.getScene().getRoot()).press();
        for (int i = 0; i <= 20; i++) {
            hand.moveTo(new Point2D(100 + 35 * i, 540 - 8 * i));
        }
        hand.release();
        await(() -> !session().project().isEmpty());
        on(() -> {
            other.hide();
            return null;
        });
        settle();
        assertThat(text("state-s1")).isEqualTo("all good");
        assertThat(on(() -> session().project().sources().getFirst().folder().path())).isEqualTo(frames);
    }

    @Test
    void theWheelZoomsTheBandWhereThePointerIs() throws Exception {
        drop(TestFrames.png(folder, "kite", 120));
        hand.moveTo(onBand(.75));
        hand.wheel(5);
        settle();
        double closer = shown();
        assertThat(closer).isLessThan(120);
        double first = on(() -> ((Band) node("band")).view().first());
        assertThat(first).as("what lies under the pointer stays").isGreaterThan(20);
        hand.hold(KeyCode.SHIFT);
        hand.wheel(-3);
        hand.letGo(KeyCode.SHIFT);
        settle();
        assertThat(shown()).as("with Shift it moves").isEqualTo(closer);
        assertThat(on(() -> ((Band) node("band")).view().first())).isNotEqualTo(first);
        hand.moveTo(onBand(.5));
        hand.wheel(-30);
        settle();
        assertThat(shown()).isEqualTo(120);
    }

    @Test
    void aRangeIsDraggedOnTheBandAndTrimmedByKey() throws Exception {
        drop(TestFrames.png(folder, "kite", 40));
        hand.moveTo(onBand(.25)).press().moveTo(onBand(.35)).moveTo(onBand(.5)).release();
        settle();
        assertThat(isThere("band-selected")).isTrue();
        type(KeyCode.T);
        settle();
        assertThat(on(() -> session().project().source("s1").orElseThrow().reading().range().count())).isBetween(9L, 12L);
    }

    private Point2D at(String id, double across, double down) throws Exception {
        return on(() -> {
            Bounds box = node(id).localToScreen(node(id).getBoundsInLocal());
            return new Point2D(box.getMinX() + box.getWidth() * across, box.getMinY() + box.getHeight() * down);
        });
    }

    private void drag(Point2D from, Point2D to) throws Exception {
        hand.moveTo(from).press().moveTo(from.add(0, 12)).moveTo(from.midpoint(to)).moveTo(to).moveTo(to.add(1, 1))
                .release();
        settle();
    }

    @Test
    void sourcesAreDraggedIntoTheReelItemsAmongEachOtherAndEdgesOnTheBand() throws Exception {
        drop(TestFrames.png(folder.resolve("a"), "sh010", 40));
        drop(TestFrames.png(folder.resolve("b"), "sh020", 20));
        run(() -> session().chooseRate(Rate.FPS_25));
        press("face-in");
        settle();
        int before = on(() -> session().project().currentReel().orElseThrow().items().size());
        drag(at("source-s1", .4, .05), at("face-reel", .5, .5));
        assertThat(on(() -> session().project().currentReel().orElseThrow().items())).hasSize(before + 1).last().isEqualTo(Item.of("s1"));
        await(() -> isThere("item-1"));
        drag(at("item-0", .5, .5), at("item-" + before, .5, .8));
        assertThat(on(() -> session().project().currentReel().orElseThrow().items())).last().isEqualTo(Item.of("s1"));
        List<Item> items = on(() -> session().project().currentReel().orElseThrow().items());
        assertThat(items.getFirst()).as("the first one went to the end").isEqualTo(Item.of(before == 2 ? "s2" : "s1"));
        // The end of the last item is the right edge of the band; the ruler lies below.
        double wide = on(() -> ((Band) node("band")).getWidth());
        double edge = (wide - 14) / wide;
        hand.moveTo(onBand(edge - 2 / wide)).press().moveTo(onBand(edge - 40 / wide)).moveTo(onBand(edge - .1))
                .release();
        settle();
        assertThat(on(() -> session().project().currentReel().orElseThrow().items().getLast().range())).as("it ends earlier").isNotNull()
                .satisfies(r -> {
                    assertThat(r.first()).isEqualTo(1);
                    assertThat(r.last()).isLessThan(40);
                });
    }

    @Test
    void closingDuringARunAsksFirst() throws Exception {
        drop(TestFrames.png(folder, "kite", 600));
        press("target-edit-prores-hq");
        settle();
        press("make");
        await(() -> session().runs().going().isPresent());
        answers.leaving = dev.vat.desktop.look.Dialogs.Leaving.KEEP_WORKING;
        on(() -> {
            window.stage().fireEvent(new javafx.stage.WindowEvent(window.stage(), javafx.stage.WindowEvent.WINDOW_CLOSE_REQUEST));
            return null;
        });
        assertThat(on(() -> window.stage().isShowing())).isTrue();
        made();
        assertThat(folder.resolve("delivered/kite_edit.mov")).exists();
    }
}
