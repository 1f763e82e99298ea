package dev.vat.desktop.window;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.time.Rate;
import dev.vat.desktop.TestFrames;
import java.util.List;
import java.util.stream.IntStream;
import javafx.event.Event;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ListView;
import javafx.scene.input.Clipboard;
import javafx.scene.input.ContextMenuEvent;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** What was delivered on this machine, and what can be done with several of it at once. */
class HistoryTest extends WindowCase {

    @BeforeEach
    void deliverThree() throws Exception {
        drop(TestFrames.png(folder, "kite", 4));
        run(() -> session().chooseRate(Rate.FPS_25));
        for (String target : List.of("web-h264", "edit-prores-hq", "alpha-prores-4444")) {
            press("target-" + target);
        }
        press("make");
        made();
        run(() -> window.mainView().press("history"));
        await(() -> isThere("history-list") && !list().getItems().isEmpty());
        settle();
    }

    private ListView<?> list() {
        return (ListView<?>) node("history-list");
    }

    private void choose(int... rows) throws Exception {
        run(() -> {
            list().getSelectionModel().clearSelection();
            IntStream.of(rows).forEach(list().getSelectionModel()::select);
        });
        settle();
    }

    private List<Boolean> ticked() throws Exception {
        return on(() -> IntStream.range(0, 3).mapToObj(i -> ((CheckBox) node("set-film-" + i)).isSelected()).toList());
    }

    @Test
    void thoseThatAreChosenAreCopiedAndHandedOverTogether() throws Exception {
        choose(0, 1, 2);
        press("history-path");
        assertThat(on(() -> Clipboard.getSystemClipboard().getString()).lines()).hasSize(3).allMatch(l -> l.contains("kite_"));
        choose(0, 2);
        assertThat(text("history-hand-over")).isEqualTo("Hand over 2 files");
        assertThat(isThere("history-receipt")).as("what is done with one alone").isFalse();
        assertThat(on(() -> node("history-note").isDisabled())).isTrue();
        press("history-hand-over");
        await(() -> isThere("set-film-2"));
        assertThat(ticked()).containsExactly(true, false, true);
    }

    @Test
    void theMenuHasTheSameActsAsTheButtons() throws Exception {
        choose(1);
        assertThat(text("history-hand-over")).isEqualTo("Hand over");
        run(() -> Event.fireEvent(list(), new ContextMenuEvent(ContextMenuEvent.CONTEXT_MENU_REQUESTED, 5, 5, 5, 5, true, null)));
        choose("history-hand-over");
        await(() -> isThere("set-film-2"));
        assertThat(ticked()).containsExactly(false, true, false);
    }
}
