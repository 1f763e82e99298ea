package dev.vat.desktop.window;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.delivery.Catalogue;
import dev.vat.core.delivery.Ground;
import dev.vat.core.delivery.RateControl;
import dev.vat.core.project.DeliverableEdits;
import dev.vat.core.time.Rate;
import dev.vat.desktop.TestFrames;
import dev.vat.desktop.sheet.OutFace;
import java.util.List;
import javafx.scene.control.Labeled;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;

/** The Out face: read across, and edited in the cell. */
class OutSheetTest extends WindowCase {

    @Test
    void theOutFaceIsReadAcrossAndEditedByKeys() throws Exception {
        drop(TestFrames.png(folder, "kite", 6, 97, 54, true));
        for (var target : List.of(Catalogue.WEB_H264, Catalogue.EDIT_PRORES_HQ, Catalogue.ALPHA_PRORES_4444)) {
            run(() -> session().edit(DeliverableEdits.addTarget(target)));
        }
        press("face-out");
        settle();
        assertThat(text("cell-size-alpha-prores-4444")).startsWith("97x54");
        assertThat(on(() -> node("cell-size-web-h264").getStyleClass())).contains("fault");
        assertThat(text("cell-alpha-alpha-prores-4444")).isEqualTo("16-bit straight");
        run(() -> node("out-grid").requestFocus());
        for (int i = 0; i < 14; i++) {
            type(KeyCode.DOWN);
        }
        type(KeyCode.ENTER);
        await(() -> node("cell-editor") != null);
        run(() -> ((TextField) node("cell-editor")).setText("336699"));
        type(KeyCode.ENTER);
        settle();
        assertThat(on(() -> session().deliverable("web-h264").orElseThrow().flatten())).isEqualTo(Ground.parse("336699"));
        assertThat(text("cell-alpha-web-h264")).isEqualTo("flattened on #336699");
        run(() -> node("out-grid").requestFocus());
        for (int i = 0; i < 7; i++) {
            type(KeyCode.UP);
        }
        type(KeyCode.ENTER);
        await(() -> node("cell-editor") != null);
        run(() -> ((TextField) node("cell-editor")).setText("50 %"));
        type(KeyCode.ENTER);
        settle();
        assertThat(text("cell-size-web-h264")).as("to the nearest even size").isEqualTo("48x28");
        run(() -> node("out-grid").requestFocus());
        type(KeyCode.BACK_SPACE);
        settle();
        assertThat(text("cell-size-web-h264")).isEqualTo("97x54");
        press("remedy-size-odd-0");
        settle();
        assertThat(text("cell-size-web-h264")).isEqualTo("96x54");
        run(() -> node("out-grid").requestFocus());
        type(KeyCode.RIGHT);
        settle();
        assertThat(on(() -> node("picture").lookupAll(".strong").stream().map(n -> ((Labeled) n).getText()).toList()))
                .contains("as in ProRes HQ for editing");
    }

    @Test
    void whatIsTypedInACellIsEnteredByAClickElsewhereAndRefusedInWords() throws Exception {
        drop(TestFrames.png(folder, "kite", 3, 96, 54, true));
        press("rate-25");
        press("target-web-h264");
        press("face-out");
        settle();
        hand.moveTo(node("cell-alpha-web-h264")).click(2);
        await(() -> node("cell-editor") != null);
        run(() -> ((TextField) node("cell-editor")).setText("00ff80"));
        press("face-out");
        settle();
        assertThat(on(() -> session().deliverable("web-h264").orElseThrow().flatten())).isEqualTo(Ground.parse("00FF80"));
        hand.moveTo(node("cell-alpha-web-h264")).click(2);
        await(() -> node("cell-editor") != null);
        run(() -> ((TextField) node("cell-editor")).setText("reddish"));
        type(KeyCode.ENTER);
        assertThat(text("out-sentence")).contains("'reddish' is nothing to lay under");
        press("cell-size-web-h264");
        assertThat(on(() -> ((TextField) node("cell-editor")).getText())).as("a click elsewhere loses nothing").isEqualTo("reddish");
        hand.push(KeyCode.CONTROL, KeyCode.ENTER);
        settle();
        assertThat(on(() -> session().runs().lines())).as("making waits for it").isEmpty();
        assertThat(on(() -> node("cell-editor").isFocused())).isTrue();
        type(KeyCode.ESCAPE);
        settle();
        assertThat(text("cell-alpha-web-h264")).isEqualTo("flattened on #00FF80");
    }

    @Test
    void codecContainerAndQualityAreChosenInTheCellAndFollowTheTargetAgain() throws Exception {
        drop(TestFrames.png(folder, "kite", 3));
        press("target-web-h264");
        press("face-out");
        settle();
        run(() -> node("out-grid").requestFocus());
        type(KeyCode.ENTER);
        type(KeyCode.DOWN, KeyCode.ENTER);
        settle();
        assertThat(text("cell-container-web-h264")).isEqualTo("MOV");
        hand.moveTo(node("cell-quality-web-h264")).click(2);
        await(() -> node("cell-editor") != null);
        run(() -> ((TextField) node("cell-editor")).setText("60"));
        type(KeyCode.ENTER);
        assertThat(text("out-sentence")).contains("goes from 1 (best) to 51, not 60");
        run(() -> ((TextField) node("cell-editor")).setText("average 4 Mbit/s"));
        type(KeyCode.ENTER);
        settle();
        assertThat(text("cell-quality-web-h264")).isEqualTo("average 4 Mbit/s");
        assertThat(on(() -> session().findings().all())).as("said beforehand").anyMatch(f -> f.id().equals("made-whole"));
        assertThat(text("name-example")).isEqualTo("kite_web.mov");
        run(() -> node("out-grid").requestFocus());
        type(KeyCode.BACK_SPACE);
        settle();
        assertThat(text("cell-quality-web-h264")).isEqualTo("very good (17)");
        run(() -> session().undo());
        settle();
        assertThat(text("cell-quality-web-h264")).isEqualTo("average 4 Mbit/s");
    }

    @Test
    void columnsAreDuplicatedMovedSwitchedOffAndTheirRowsFolded() throws Exception {
        drop(TestFrames.png(folder, "kite", 3));
        press("rate-25");
        press("target-web-h264");
        press("face-out");
        settle();
        run(() -> session().edit(DeliverableEdits.duplicate("web-h264")));
        run(() -> session().edit(DeliverableEdits.setControl("web-h264-2", new RateControl.Constant(30))));
        settle();
        assertThat(text("cell-quality-web-h264-2")).isEqualTo("rough (30)");
        assertThat(text("make")).isEqualTo("Make 2 files");
        run(() -> session().edit(DeliverableEdits.switchOff("web-h264", true)));
        settle();
        assertThat(text("make")).isEqualTo("Make 1 file");
        assertThat(text("column-status-web-h264")).isEqualTo("off");
        assertThat(text("cell-depth-web-h264")).isEqualTo("8-bit");
        press("fold-colour");
        settle();
        assertThat(isThere("cell-depth-web-h264")).as("folded").isFalse();
        press("make");
        made();
        assertThat(folder.resolve("delivered")).isDirectoryContaining("glob:**/kite_web-2.mp4")
                .isDirectoryNotContaining("glob:**/kite_web.mp4");
    }

    @Test
    void cellsKeepTheirStylesWhileFindingsComeAndGo() throws Exception {
        drop(TestFrames.png(folder, "kite", 3, 97, 54, true));
        press("target-web-h264");
        press("face-out");
        settle();
        List<String> before = on(() -> List.copyOf(node("cell-size-web-h264").getStyleClass()));
        assertThat(before).contains("fault").doesNotHaveDuplicates();
        run(() -> session().chooseRate(Rate.FPS_25));
        run(() -> ((OutFace) node("out-face")).showFindings());
        run(() -> ((OutFace) node("out-face")).showFindings());
        assertThat(on(() -> List.copyOf(node("cell-size-web-h264").getStyleClass()))).isEqualTo(before);
    }
}
