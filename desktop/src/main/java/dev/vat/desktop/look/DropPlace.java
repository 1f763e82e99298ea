package dev.vat.desktop.look;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Predicate;
import javafx.scene.Node;

/**
 * A place that takes files let go over it, as a property of its node: the window shows which one is meant, and what comes of it.
 *
 * @param node that is shown as the place
 * @param words what comes of it
 * @param takes whether it takes just these; others go to the place around it
 */
public record DropPlace(Node node, String words, Predicate<List<Path>> takes, Consumer<List<Path>> take) {

    /** Makes a node a place that takes anything. */
    public static void on(Node node, String words, Consumer<List<Path>> take) {
        on(node, words, _ -> true, take);
    }

    public static void on(Node node, String words, Predicate<List<Path>> takes, Consumer<List<Path>> take) {
        node.getProperties().put(DropPlace.class, new DropPlace(node, words, takes, take));
    }

    /** The nearest place around a node that takes these files. */
    public static Optional<DropPlace> at(Node under, List<Path> files) {
        for (Node at = under; at != null; at = at.getParent()) {
            if (at.hasProperties() && at.getProperties().get(DropPlace.class) instanceof DropPlace place && place.takes.test(files)) {
                return Optional.of(place);
            }
        }
        return Optional.empty();
    }
}
