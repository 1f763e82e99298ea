package dev.vat.desktop.sheet;

import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.ScrollPane;

/** Scrolling to what is in focus. */
public final class Scrolls {

    private Scrolls() {}

    /** Scrolls every pane around a node as little as needed for the node to be seen. */
    public static void reveal(Node node) {
        for (Parent at = node.getParent(); at != null; at = at.getParent()) {
            if (at instanceof ScrollPane pane) {
                Node content = pane.getContent();
                Bounds place = content.sceneToLocal(node.localToScene(node.getBoundsInLocal()));
                double wide = content.getLayoutBounds().getWidth() - pane.getViewportBounds().getWidth();
                if (wide > 0) {
                    pane.setHvalue(
                            start(pane.getHvalue() * wide, place.getMinX(), place.getMaxX(), pane.getViewportBounds().getWidth()) / wide);
                }
                double tall = content.getLayoutBounds().getHeight() - pane.getViewportBounds().getHeight();
                if (tall > 0) {
                    pane.setVvalue(
                            start(pane.getVvalue() * tall, place.getMinY(), place.getMaxY(), pane.getViewportBounds().getHeight()) / tall);
                }
            }
        }
    }

    /** Where a view of some length has to begin so that it holds a stretch, as near as can be to where it begins now. */
    private static double start(double now, double from, double to, double length) {
        double latest = Math.max(0, from);
        return Math.clamp(now, Math.min(latest, to - length), latest);
    }
}
