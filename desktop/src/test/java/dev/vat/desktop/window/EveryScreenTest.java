package dev.vat.desktop.window;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.desktop.TestFrames;
import java.util.TreeSet;
import javafx.scene.AccessibleRole;
import javafx.scene.Node;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Control;
import javafx.scene.control.Labeled;
import javafx.scene.control.ScrollBar;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.SplitPane;
import javafx.scene.control.TextInputControl;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** What holds on every screen: each control has a name for screen readers, and no words are cut. */
class EveryScreenTest extends ScreenCase {

    @Test
    void everyControlHasANameForScreenReaders() throws Exception {
        TreeSet<String> nameless = new TreeSet<>();
        tour(screen -> {
            for (Node node : shown()) {
                if (node instanceof Control control && control.isFocusTraversable() && !hasName(control)) {
                    nameless.add(screen + ": " + control.getClass().getSimpleName() + " " + control.getId());
                }
                if (node instanceof Control control && control.getAccessibleRole() == null) {
                    nameless.add(screen + ": no role, " + control.getId());
                }
            }
        });
        assertThat(nameless).isEmpty();
    }

    private static boolean hasName(Control control) {
        return switch (control) {
            case ScrollPane _,ScrollBar _,SplitPane _ -> true;
            case TextInputControl text -> isSaid(text.getAccessibleText());
            case ComboBox<?> box -> isSaid(box.getAccessibleText());
            case Labeled labeled -> isSaid(labeled.getText()) || isSaid(labeled.getAccessibleText());
            default -> isSaid(control.getAccessibleText());
        };
    }

    private static boolean isSaid(String words) {
        return words != null && !words.isBlank();
    }

    @Test
    void theBandSaysItsFrameStateAndSelection() throws Exception {
        drop(TestFrames.png(folder, "kite", 12));
        run(() -> window.mainView().seek(3));
        settle();
        assertThat(on(() -> node("band").getAccessibleRole())).isEqualTo(AccessibleRole.SLIDER);
        assertThat(on(() -> node("band").getAccessibleText())).contains("0004").contains("good");
        run(() -> window.mainView().press("select-from"));
        settle();
        assertThat(on(() -> node("band").getAccessibleText())).contains("selected 0004 to 0012");
    }

    @Test
    void noWordsAreCutAt1280() throws Exception {
        nothingIsCut(1280, 800);
    }

    @Test
    void noWordsAreCutAt1024() throws Exception {
        nothingIsCut(1024, 700);
    }

    /** Only where there is a screen of that size. */
    @Test
    @Tag("window")
    void noWordsAreCutAt2560() throws Exception {
        nothingIsCut(2560, 1440);
    }

    /** 1350 x 840 pixels of the screen at 150 %. */
    @Test
    void noWordsAreCutWhereTextIsHalfAsLargeAgain() throws Exception {
        nothingIsCut(900, 560);
    }
}
