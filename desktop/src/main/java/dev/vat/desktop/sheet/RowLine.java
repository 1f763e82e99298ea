package dev.vat.desktop.sheet;

import dev.vat.desktop.look.Parts;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.OverrunStyle;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;

/**
 * What stands in a row of a list. Its id is that of an empty region as large as the row: a node whose id changes has the style of all that
 * is in it looked up again, and rows change what they stand for whenever a list is scrolled.
 */
class RowLine extends StackPane {

    private final Region mark = new Region();
    private final HBox line = new HBox();
    private final Label name = Parts.label("", "strong");
    private final Tooltip whole = new Tooltip();
    private final Label facts = Parts.wrapped("", "mono", "facts");
    private final VBox words = new VBox(name, facts);

    RowLine() {
        name.setMinWidth(0);
        name.setTextOverrun(OverrunStyle.CENTER_ELLIPSIS);
        name.setTooltip(whole);
        words.setMinWidth(0);
        words.setAlignment(Pos.CENTER_LEFT);
        HBox.setHgrow(words, Priority.ALWAYS);
        line.getStyleClass().add("source-line");
        getChildren().addAll(mark, line);
    }

    /** Where the parts of the row go, from left to right. */
    HBox line() {
        return line;
    }

    /** What {@link #say} says, with all the room that the other parts leave. */
    VBox words() {
        return words;
    }

    /** @param all the whole name, since the shown one is cut in the middle where room is short @param figures on lines below it */
    void say(String shown, String all, String figures) {
        name.setText(shown);
        whole.setText(all);
        facts.setText(figures);
    }

    /** @param id by which the row is found */
    void stand(String id) {
        mark.setId(id);
    }
}
