package dev.vat.desktop.sheet;

import dev.vat.desktop.look.Folds;
import dev.vat.desktop.look.Parts;
import dev.vat.desktop.look.TallScroll;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** What is chosen in a list: its name, what can be done with it, and its settings in groups that open. */
final class ChosenPane extends VBox {

    private final Folds folds = new Folds();
    private final TallScroll scroll = new TallScroll(folds);

    ChosenPane(String id) {
        setId(id);
        getStyleClass().add("chosen");
    }

    /** Opens a group, or none with null; it is shown with what is given next. */
    void open(String group) {
        folds.open(group);
    }

    void show(String title, List<Node> acts, List<Folds.Group> groups) {
        HBox head = Parts.row(Parts.name(title, "strong"), Parts.space());
        head.getChildren().addAll(acts);
        head.getStyleClass().add("chosen-head");
        folds.show(groups);
        getChildren().setAll(head, scroll);
    }
}
