package dev.vat.desktop.sheet;

import dev.vat.desktop.look.Folds;
import dev.vat.desktop.look.Parts;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.OverrunStyle;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** What is chosen in a list: its name, what can be done with it, and its settings in groups that open. */
final class ChosenPane extends VBox {

    private final Folds folds = new Folds();
    private final ScrollPane scroll = new ScrollPane(folds);

    ChosenPane(String id) {
        setId(id);
        getStyleClass().add("chosen");
        scroll.setFitToWidth(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        scroll.setFocusTraversable(false);
        // A scroll pane doesn't take its content's height for its own.
        folds.heightProperty().addListener((_, _, height) -> scroll.setPrefHeight(height.doubleValue() + 1));
    }

    /** Opens a group, or none with null; it is shown with what is given next. */
    void open(String group) {
        folds.open(group);
    }

    void show(String title, List<Node> acts, List<Folds.Group> groups) {
        Label name = Parts.label(title, "strong");
        name.setMinWidth(0);
        name.setTextOverrun(OverrunStyle.CENTER_ELLIPSIS);
        name.setTooltip(new Tooltip(title));
        HBox head = Parts.row(name, Parts.space());
        head.getChildren().addAll(acts);
        head.getStyleClass().add("chosen-head");
        folds.show(groups);
        getChildren().setAll(head, scroll);
    }
}
