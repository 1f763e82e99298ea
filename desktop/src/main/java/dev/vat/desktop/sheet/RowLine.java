package dev.vat.desktop.sheet;

import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;

/**
 * What stands in a row of a list. Its id is that of an empty region as large as the row: a node whose id changes has the style of all that
 * is in it looked up again, and rows change what they stand for whenever a list is scrolled.
 */
class RowLine extends StackPane {

    private final Region mark = new Region();
    private final HBox line = new HBox();

    RowLine() {
        line.getStyleClass().add("source-line");
        getChildren().addAll(mark, line);
    }

    /** Where the parts of the row go, from left to right. */
    HBox line() {
        return line;
    }

    /** @param id by which the row is found */
    void stand(String id) {
        mark.setId(id);
    }
}
