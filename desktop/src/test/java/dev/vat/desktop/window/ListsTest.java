package dev.vat.desktop.window;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.delivery.Deliverable;
import dev.vat.core.reel.Item;
import dev.vat.core.reel.Joint;
import dev.vat.core.time.Rate;
import dev.vat.desktop.TestFrames;
import java.util.List;
import javafx.event.Event;
import javafx.scene.Node;
import javafx.scene.control.ListView;
import javafx.scene.input.ContextMenuEvent;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;

/** Lists walked, chosen from and acted on by keys and menus, several rows at once. */
class ListsTest extends WindowCase {

    private void three() throws Exception {
        drop(TestFrames.png(folder, "dunes", 6));
        drop(TestFrames.png(folder, "kite", 6));
        drop(TestFrames.png(folder, "pier", 6));
    }

    /** The menu as Shift+F10 asks for it. */
    private void menu(String list) throws Exception {
        run(() -> {
            Node node = node(list);
            node.requestFocus();
            Event.fireEvent(node, new ContextMenuEvent(ContextMenuEvent.CONTEXT_MENU_REQUESTED, 5, 5, 5, 5, true, null));
        });
    }

    private List<String> items() throws Exception {
        return on(() -> session().project().currentReel().map(r -> r.items().stream().map(Item::source).toList()).orElse(List.of()));
    }

    private void chooseRows(String list, int from, int to) throws Exception {
        run(() -> {
            node(list).requestFocus();
            ((ListView<?>) node(list)).getSelectionModel().clearSelection();
            ((ListView<?>) node(list)).getSelectionModel().selectRange(from, to);
        });
    }

    @Test
    void sourcesAreWalkedByArrowsAndSeveralActedOnAsOne() throws Exception {
        three();
        press("source-s1");
        assertThat(text("band-name")).startsWith("dunes");
        type(KeyCode.DOWN);
        settle();
        assertThat(text("band-name")).as("an arrow walks, and the picture goes along").startsWith("kite");
        type(KeyCode.UP);
        settle();
        assertThat(text("band-name")).startsWith("dunes");
        int before = items().size();
        type(KeyCode.ENTER);
        settle();
        assertThat(items()).as("Enter adds to the reel").hasSize(before + 1).endsWith("s1");
        chooseRows("sources", 1, 3);
        menu("sources");
        choose("set-rate-30");
        assertThat(on(() -> session().project().sources().stream().map(s -> s.reading().rate()).toList()))
                .containsExactly(null, Rate.parse("30"), Rate.parse("30"));
        run(() -> window.mainView().press("undo"));
        assertThat(on(() -> session().project().sources().stream().map(s -> s.reading().rate()).toList()))
                .as("one act, one undo").containsOnlyNulls();
        chooseRows("sources", 0, 2);
        type(KeyCode.DELETE);
        settle();
        assertThat(on(() -> session().project().sources())).hasSize(1);
        run(() -> window.mainView().press("undo"));
        settle();
        assertThat(on(() -> session().project().sources())).hasSize(3);
        assertThat(items()).hasSize(before + 1);
    }

    @Test
    void itemsAreMovedRemovedAndJoinedByKeysAndMenus() throws Exception {
        three();
        run(() -> session().chooseRate(Rate.FPS_25));
        press("face-reel");
        List<String> order = items();
        assertThat(order).hasSize(3);
        press("item-0");
        run(() -> node("items").requestFocus());
        hand.push(KeyCode.ALT, KeyCode.DOWN);
        settle();
        assertThat(items()).containsExactly(order.get(1), order.get(0), order.get(2));
        chooseRows("items", 1, 3);
        menu("items");
        choose("join-dissolve");
        assertThat(on(() -> reel().items().stream().map(Item::joint).map(j -> j == null ? null : j.kind()).toList()))
                .containsExactly(null, Joint.Kind.DISSOLVE, Joint.Kind.DISSOLVE);
        chooseRows("items", 1, 3);
        type(KeyCode.DELETE);
        settle();
        assertThat(items()).containsExactly(order.get(1));
        run(() -> window.mainView().press("undo"));
        assertThat(items()).hasSize(3);
    }

    @Test
    void aMenuStaysWhileWhatItOpenedAtIsMadeAnew() throws Exception {
        three();
        press("face-reel");
        press("item-0");
        press("item-menu");
        run(() -> session().chooseRate(Rate.FPS_25));
        settle();
        choose("item-duplicate");
        assertThat(items()).hasSize(4);
    }

    private Deliverable deliverable(String id) throws Exception {
        return on(() -> session().deliverable(id).orElseThrow());
    }

    @Test
    void cellsAreTypedIntoCarriedAndGivenToAllColumns() throws Exception {
        drop(TestFrames.png(folder, "kite", 6));
        press("rate-25");
        press("target-web-h264");
        press("target-edit-prores-hq");
        press("face-out");
        press("cell-size-web-h264");
        hand.write("64x36");
        assertThat(isThere("cell-editor")).as("a figure opens the cell").isTrue();
        type(KeyCode.ENTER);
        settle();
        assertThat(text("cell-size-web-h264")).isEqualTo("64x36");
        type(KeyCode.F2);
        assertThat(isThere("cell-editor")).isTrue();
        type(KeyCode.ESCAPE);
        hand.push(KeyCode.CONTROL, KeyCode.C);
        press("cell-size-edit-prores-hq");
        hand.push(KeyCode.CONTROL, KeyCode.V);
        settle();
        assertThat(text("cell-size-edit-prores-hq")).isEqualTo("64x36");
        type(KeyCode.BACK_SPACE);
        settle();
        assertThat(text("cell-size-edit-prores-hq")).isEqualTo("96x54");
        press("cell-size-web-h264");
        menu("out-grid");
        choose("cell-to-all");
        assertThat(text("cell-size-edit-prores-hq")).isEqualTo("64x36");
        press("cell-container-web-h264");
        menu("out-grid");
        choose("cell-to-all");
        assertThat(on(() -> session().notices().notice().words())).as("who can't have it is said").contains("ProRes")
                .contains("can't have");
        assertThat(deliverable("edit-prores-hq").settings().container().extension()).isEqualTo("mov");
    }
}
