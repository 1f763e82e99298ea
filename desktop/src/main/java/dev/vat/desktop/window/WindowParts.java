package dev.vat.desktop.window;

import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import javafx.scene.Node;
import javafx.scene.Parent;

/** The parts of the window in the order they are read in: one key goes from each to the next, however many controls they have. */
final class WindowParts {

    private final Supplier<Stream<Node>> parts;

    /** @param parts those that may be there, in their order; null and what isn't shown is passed over */
    WindowParts(Supplier<Stream<Node>> parts) {
        this.parts = parts;
    }

    /** Brings the keyboard to the next part, or to the one before. @param owner what has it now, or null */
    void go(Node owner, boolean on) {
        List<Node> stops = parts.get().filter(p -> p != null && p.getScene() != null).toList();
        int here = IntStream.range(0, stops.size()).filter(i -> isInside(owner, stops.get(i))).reduce((_, last) -> last).orElse(-1);
        for (int i = 1; i <= stops.size(); i++) {
            Optional<Node> first = first(stops.get(Math.floorMod(here < 0 && !on ? -i : here + (on ? i : -i), stops.size())));
            if (first.isPresent()) {
                first.get().requestFocus();
                return;
            }
        }
    }

    private static boolean isInside(Node node, Node part) {
        for (Node at = node; at != null; at = at.getParent()) {
            if (at == part) {
                return true;
            }
        }
        return false;
    }

    /** What has the keyboard first in a part. */
    private static Optional<Node> first(Node node) {
        if (!node.isVisible() || node.isDisabled()) {
            return Optional.empty();
        }
        if (node.isFocusTraversable()) {
            return Optional.of(node);
        }
        return node instanceof Parent parent
                ? parent.getChildrenUnmodifiable().stream().map(WindowParts::first).flatMap(Optional::stream).findFirst()
                : Optional.empty();
    }
}
