package dev.vat.desktop.sheet;

import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.input.MouseDragEvent;

/** What is on its way from one row of the sheet to another place, as the user data of the row. */
public sealed interface Dragged {

    /** @param ids of the sources */
    record OfSources(List<String> ids) implements Dragged {}

    /** @param place of the item in its reel */
    record OfItem(int place) implements Dragged {}

    /** What a gesture began with. */
    static Optional<Dragged> of(MouseDragEvent e) {
        return e.getGestureSource() instanceof Node node && node.getUserData() instanceof Dragged dragged ? Optional.of(dragged)
                : Optional.empty();
    }
}
