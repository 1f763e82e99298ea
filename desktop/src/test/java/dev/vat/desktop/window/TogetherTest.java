package dev.vat.desktop.window;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.pass.Operation;
import dev.vat.core.pass.Pass;
import dev.vat.core.picture.Rgb;
import dev.vat.core.picture.Size;
import dev.vat.core.reel.Layout;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rate;
import dev.vat.desktop.TestFrames;
import dev.vat.engine.handover.SetCheck;
import dev.vat.protocol.FileProgress.Stage;
import dev.vat.protocol.RenderOrder;
import dev.vat.worker.standin.StandInRender;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Labeled;
import javafx.scene.control.TextField;
import javafx.scene.layout.VBox;
import dev.vat.core.layout.Area;
import dev.vat.core.layout.Arrangement;
import dev.vat.core.time.Rational;
import javafx.geometry.Bounds;
import javafx.geometry.Point2D;
import javafx.event.Event;
import javafx.event.EventType;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.scene.input.ScrollEvent;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.Test;

/** Several pictures in one, and what leaves the house, as somebody does it in the window. */
class TogetherTest extends WindowCase {

    private Layout layout() throws Exception {
        return reel().items().getLast().layout();
    }

    private String said(String id) throws Exception {
        return on(() -> node(id) instanceof VBox lines
                ? String.join("\n",
                        lines.getChildren().stream().filter(Labeled.class::isInstance).map(n -> ((Labeled) n).getText()).toList())
                : ((Labeled) node(id)).getText());
    }

    private void open(int item) throws Exception {
        press("item-" + item);
        settle();
    }

    private Area place(int view) throws Exception {
        return on(() -> layout().arrangement().areas(2).get(view));
    }

    /** What the mouse does on the first view; the robot's knows no Shift. */
    private void mouse(EventType<MouseEvent> type, double x, boolean shift) throws Exception {
        run(() -> Event.fireEvent(node("view-handle-0"), new MouseEvent(type, x, 20, x, 20, MouseButton.PRIMARY, 1, shift, false, false,
                false, true, false, false, true, false, true, null)));
    }

    @Test
    void viewsAndWhatTheyShowAreDraggedOnThePicture() throws Exception {
        drop(TestFrames.png(folder, "sh010", 8));
        drop(TestFrames.png(folder, "sh020", 6));
        run(() -> session().chooseRate(Rate.FPS_25));
        press("face-reel");
        fire("add-views");
        run(() -> window.mainView().seek(session().programme().orElseThrow().plan().count() - 2));
        settle();
        Area before = place(1);
        Bounds box = on(() -> node("view-handle-1").localToScreen(node("view-handle-1").getLayoutBounds()));
        Point2D middle = new Point2D(box.getCenterX(), box.getCenterY());
        double tenth = -box.getWidth() * 2 / 10;
        hand.moveTo(middle).press().moveTo(middle.add(tenth / 2, 0)).moveTo(middle.add(tenth, 0)).release();
        settle();
        assertThat(layout().arrangement()).isInstanceOf(Arrangement.Free.class);
        assertThat(place(1).left().toDouble()).isCloseTo(before.left().toDouble() - .1, Offset.offset(.011));
        assertThat(place(1).width()).isEqualTo(before.width());
        run(() -> node("view-handle-1").requestFocus());
        type(KeyCode.RIGHT);
        settle();
        hand.push(KeyCode.SHIFT, KeyCode.UP);
        settle();
        assertThat(place(1).height()).as("an arrow with Shift changes the size").isEqualTo(before.height().minus(Rational.of(1, 100)));
        run(() -> window.mainView().press("undo"));
        run(() -> window.mainView().press("undo"));
        run(() -> window.mainView().press("undo"));
        assertThat(place(1)).isEqualTo(before);
        // The robot's wheel knows no Shift.
        run(() -> Event.fireEvent(node("view-handle-0"), new ScrollEvent(ScrollEvent.SCROLL, 5, 5, 5, 5, true, false, false, false, false,
                false, 40, 0, 40, 0, ScrollEvent.HorizontalTextScrollUnits.NONE, 0, ScrollEvent.VerticalTextScrollUnits.NONE, 0, 0, null)));
        settle();
        assertThat(layout().views().getFirst().crop()).as("the wheel with Shift takes a smaller part").isEqualTo(Area.parse("5 5 90 90"));
        double wide = on(() -> node("view-handle-0").getLayoutBounds().getWidth());
        mouse(MouseEvent.MOUSE_PRESSED, wide / 2, true);
        mouse(MouseEvent.MOUSE_DRAGGED, wide / 2 + wide / 20, true);
        mouse(MouseEvent.MOUSE_RELEASED, wide / 2 + wide / 20, false);
        settle();
        assertThat(layout().views().getFirst().crop().left()).as("what is seen goes along with the hand").isEqualTo(Rational.of(1, 200));
        assertThat(place(0)).as("Shift let go first moves no view").isEqualTo(Area.parse("0 0 50 100"));
    }

    @Test
    void viewsAreLaidOutCaptionedKeptAndMade() throws Exception {
        drop(TestFrames.png(folder, "sh010", 8));
        drop(TestFrames.png(folder, "sh020", 6));
        run(() -> session().chooseRate(Rate.FPS_25));
        press("face-reel");
        fire("add-views");
        settle();
        assertThat(layout().views()).hasSize(2);
        assertThat(layout().size()).as("each view as large as its source").isEqualTo(Size.of(192, 54));
        while (reel().items().size() > 1) {
            press("item-0");
            press("remove-item");
            settle();
        }
        open(0);
        enter("view-caption-0", "{source} {frame}");
        enter("view-border-1", "4");
        assertThat(layout().views().get(1).border().pixels(54)).isEqualTo(2);
        enter("view-crop-0", "0 0 200 100");
        assertThat(on(() -> ((TextField) node("view-crop-0")).getStyleClass())).as("no such part").contains("refused");
        assertThat(layout().views().getFirst().crop()).isNull();
        enter("view-caption-0", "words that are far too long for a picture of this little width, whatever size they have");
        await(() -> isThere("captions-fit"));
        assertThat(said("captions-fit")).startsWith("View 1:").contains("instead of 4.0 %");
        fire("arrangement-inset");
        settle();
        fire("layout-keep");
        await(() -> session().layouts().all().size() == 1);
        assertThat(Files.readString(places.config().resolve("layouts").resolve("views.layout.json"))).doesNotContain("\"s1\"")
                .doesNotContain(folder.toString());
        fire("target-web-h264");
        settle();
        assertThat(on(() -> session().findings().all().stream().map(f -> f.id()).toList())).contains("view-shorter");
        press("make");
        made();
        assertThat(on(() -> session().runs().lines().getFirst().files())).singleElement()
                .satisfies(f -> assertThat(f.stage()).as(f.why()).isEqualTo(Stage.DELIVERED));
        assertThat(on(() -> session().runs().lines().getFirst().run().plan().size())).isEqualTo(Size.of(192, 54));

        press("open-hand-over");
        await(() -> isThere("set-film-0"));
        assertThat(on(() -> ((CheckBox) node("set-film-0")).isSelected())).isTrue();
        answers.folder = folder.resolve("handed");
        fire("set-folder");
        on(() -> {
            ((TextField) node("set-name")).setText("Kite Week");
            ((CheckBox) node("set-sheets")).setSelected(false);
            return null;
        });
        fire("set-make");
        await(() -> isThere("set-reveal"));
        Path set = folder.resolve("handed").resolve("Kite Week");
        assertThat(SetCheck.check(set).reasons()).isEmpty();
        Path film;
        try (Stream<Path> files = Files.list(set)) {
            film = files.filter(f -> f.toString().endsWith(".mp4")).findFirst().orElseThrow();
        }
        byte[] bytes = Files.readAllBytes(film);
        bytes[bytes.length / 2] ^= 1;
        Files.write(film, bytes);
        fire("set-again");
        await(() -> said("set-said").contains("isn't what was handed over"));
        assertThat(said("set-said")).contains(film.getFileName().toString());
    }

    @Test
    void passesAreFoundPutTogetherTintedAndHeldAgainstTheFullPicture() throws Exception {
        Path frames = folder.resolve("flats");
        new StandInRender(new RenderOrder(frames.toString(), "flats", "pier", FrameRange.of(60, 62), Size.of(96, 54), true, 1, 0, 0, false,
                null, List.of())).run((_, _) -> {});
        drop(frames);
        press("face-reel");
        open(0);
        fire("passes-on");
        settle();
        assertThat(reel().items().getFirst().passes().on().passes()).extracting(Pass::name).containsExactly("base", "light", "shadow",
                "haze", "full");
        fire("passes-check");
        await(() -> said("passes-against-full").startsWith("The sum"));
        assertThat(said("passes-against-full")).startsWith("The sum of the passes differs from the full picture by at most 0.")
                .endsWith("in 3 frames.");
        assertThat(warned("pass-sum")).isFalse();
        enter("pass-tint-1", "ff8040");
        assertThat(reel().items().getFirst().passes().passes().get(1).tint()).isEqualTo(new Rgb(255, 128, 64));
        fire("passes-check");
        await(() -> said("passes-against-full").startsWith("The sum of the passes is apart"));
        await(() -> warned("pass-sum"));
        fire("remedy-pass-sum-0");
        await(() -> isThere("compare-names") && on(() -> window.mainView().steering().isMeasured()));
        assertThat(text("compare-names")).isEqualTo("source  |  reel");
        press("face-reel");
        on(() -> {
            @SuppressWarnings("unchecked")
            ComboBox<Operation> operation = (ComboBox<Operation>) node("pass-operation-3");
            operation.setValue(Operation.SCREEN);
            return null;
        });
        settle();
        assertThat(reel().items().getFirst().passes().passes().get(3).operation()).isEqualTo(Operation.SCREEN);
        on(() -> {
            session().undo();
            session().undo();
            session().undo();
            return null;
        });
        assertThat(reel().items().getFirst().passes()).isNull();
    }

    private boolean warned(String finding) throws Exception {
        return on(() -> session().findings().all().stream().anyMatch(f -> f.id().equals(finding)));
    }
}
