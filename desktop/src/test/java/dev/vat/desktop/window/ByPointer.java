package dev.vat.desktop.window;

import javafx.geometry.Bounds;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;

/** The keyboard is for letters alone. */
final class ByPointer extends Way {

    ByPointer(WindowCase window) {
        super(window);
    }

    private Point2D middle(Node node) throws Exception {
        return WindowCase.on(() -> {
            Bounds box = node.localToScreen(node.getBoundsInLocal());
            return new Point2D(box.getCenterX(), box.getCenterY());
        });
    }

    /** Whether nothing that is scrolled cuts off the middle of a node. */
    private boolean isToBeSeen(Node node) throws Exception {
        Point2D middle = middle(node);
        return WindowCase.on(() -> {
            for (Node at = node; at != null; at = at.getParent()) {
                if (at.getClip() != null && !at.localToScreen(at.getClip().getBoundsInParent())
                        .contains(middle.getX() - TIP, middle.getY() - TIP, 2 * TIP, 2 * TIP)) {
                    return false;
                }
            }
            return true;
        });
    }

    /** Scrolls what a node stands in until it can be pressed. */
    private void bring(Node node) throws Exception {
        window.settle();
        for (int i = 0; i < MOST_NOTCHES && !isToBeSeen(node); i++) {
            Node pane = WindowCase.on(() -> around(node));
            while (pane != null && !isToBeSeen(pane)) {
                Node inner = pane;
                pane = WindowCase.on(() -> around(inner));
            }
            if (pane == null) {
                break;
            }
            hand.moveTo(pane);
            presses++;
            turn(pane, middle(node));
            hand.rest();
        }
        if (!isToBeSeen(node)) {
            throw new AssertionError(node.getId() + " can't be scrolled to");
        }
    }

    /** With Shift the wheel goes across. */
    private void turn(Node pane, Point2D to) throws Exception {
        Bounds box = WindowCase.on(() -> pane.localToScreen(pane.getLayoutBounds()));
        if (to.getX() > box.getMinX() && to.getX() < box.getMaxX()) {
            hand.wheel(to.getY() > box.getCenterY() ? -1 : 1);
            return;
        }
        hand.hold(KeyCode.SHIFT);
        hand.wheel(to.getX() > box.getCenterX() ? -1 : 1);
        hand.letGo(KeyCode.SHIFT);
    }

    private static Node around(Node node) {
        for (Parent at = node.getParent(); at != null; at = at.getParent()) {
            if (at.getStyleClass().contains("viewport") || at.getStyleClass().contains("clipped-container")) {
                return at;
            }
        }
        return null;
    }

    @Override
    void press(String id) throws Exception {
        Node node = node(id);
        bring(node);
        hand.moveTo(window.node(id));
        click(MouseButton.PRIMARY);
        window.settle();
    }

    @Override
    void choose(String... path) throws Exception {
        for (String id : path) {
            hand.await(() -> offered(id).isPresent());
            hand.moveTo(offered(id).orElseThrow());
            hand.rest();
            if (id.equals(path[path.length - 1])) {
                click(MouseButton.PRIMARY);
            }
        }
        hand.rest();
        window.settle();
    }

    @Override
    void menu(String row) throws Exception {
        bring(node(row));
        hand.moveTo(window.node(row));
        click(MouseButton.SECONDARY);
    }

    @Override
    void row(String list, int place) throws Exception {
        node(list);
        window.settle();
        for (int i = 0; i < MOST_NOTCHES && (rowOf(list, place).isEmpty() || !isToBeSeen(rowOf(list, place).get())); i++) {
            hand.moveTo(node(list));
            hand.wheel(-1);
        }
        hand.moveTo(rowOf(list, place).orElseThrow());
        click(MouseButton.PRIMARY);
        window.settle();
    }

    @Override
    void rowToo(String list, int place) throws Exception {
        // Keys that are held while the mouse works are part of its gestures.
        hand.hold(KeyCode.SHIFT);
        hand.moveTo(rowOf(list, place).orElseThrow());
        click(MouseButton.PRIMARY);
        hand.letGo(KeyCode.SHIFT);
        window.settle();
    }

    @Override
    void into(String field) throws Exception {
        bring(node(field));
        hand.moveTo(window.node(field));
        presses += 3;
        hand.click(3);
    }

    @Override
    void leave() throws Exception {
        hand.moveTo(node("runs-summary"));
        click(MouseButton.PRIMARY);
    }

    @Override
    void command(String id, KeyCode[] keys, String... button) throws Exception {
        press(button[0]);
        if (button.length > 1) {
            choose(java.util.Arrays.copyOfRange(button, 1, button.length));
        }
    }
}
