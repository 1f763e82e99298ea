package dev.vat.desktop.window;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.css.PseudoClass;
import javafx.geometry.Bounds;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import javafx.stage.PopupWindow;
import javafx.stage.Window;

/** One way of working the window, and how often a key, a button or the wheel was pressed. Letters that are typed don't count. */
abstract sealed class Way {

    /** More stops than any screen has. */
    private static final int STOPS = 250;
    private static final int MOST_NOTCHES = 80;
    /** Half of what the tip of a pointer covers, in pixels. */
    private static final double TIP = 7;

    final WindowCase window;
    final Hand hand;
    int presses;

    private Way(WindowCase window) {
        this.window = window;
        this.hand = window.hand;
    }

    /** Presses a button or opens what a row stands for. */
    abstract void press(String id) throws Exception;

    /** Does what the menu that is open offers. @param path ids of menus in menus, the item's last */
    abstract void choose(String... path) throws Exception;

    /** Opens the menu of the rows that are chosen, or of the cell in focus. @param row a node of it */
    abstract void menu(String row) throws Exception;

    /** Chooses a row of a list by its place, alone. */
    abstract void row(String list, int place) throws Exception;

    /** Chooses a row besides the one before it. */
    abstract void rowToo(String list, int place) throws Exception;

    /** Brings the keyboard to a field and marks all that stands there. */
    abstract void into(String field) throws Exception;

    /** Leaves a field, so that its value is taken. */
    abstract void leave() throws Exception;

    /** Does a command by its own keys, or by the button that stands for it. */
    abstract void command(String id, KeyCode[] keys, String... button) throws Exception;

    int presses() {
        return presses;
    }

    /** Writes a value into a field. */
    void enter(String field, String value) throws Exception {
        into(field);
        hand.write(value);
        leave();
        window.settle();
    }

    void strike(KeyCode... keys) throws Exception {
        presses++;
        hand.push(keys);
    }

    void click(MouseButton button) throws Exception {
        presses++;
        hand.press(button).release(button);
    }

    Node node(String id) throws Exception {
        hand.await(() -> window.isThere(id));
        return WindowCase.on(() -> window.node(id));
    }

    /** What a menu that is open shows under an id. */
    Optional<Node> offered(String id) throws Exception {
        return WindowCase.on(() -> Window.getWindows().stream().filter(PopupWindow.class::isInstance).filter(Window::isShowing)
                .map(w -> w.getScene().getRoot().lookup("#" + id)).filter(n -> n != null && n.isVisible()).findFirst());
    }

    /** A row of a list that is on the screen. */
    Optional<Node> rowOf(String list, int place) throws Exception {
        return WindowCase.on(() -> cells(window.node(list), place));
    }

    private static Optional<Node> cells(Node list, int place) {
        return list.lookupAll(".list-cell").stream().map(javafx.scene.control.ListCell.class::cast)
                .filter(c -> c.isVisible() && !c.isEmpty() && c.getIndex() == place).map(Node.class::cast).findFirst();
    }

    static Way byKeys(WindowCase window) throws Exception {
        // What it points at would be lit in menus that open there.
        window.hand.moveTo(new Point2D(1, 1));
        return new ByKeys(window);
    }

    static Way byPointer(WindowCase window) {
        return new ByPointer(window);
    }

    /** The mouse lies in a drawer. */
    static final class ByKeys extends Way {

        ByKeys(WindowCase window) {
            super(window);
        }

        private String focus() throws Exception {
            return WindowCase.on(() -> Optional.ofNullable(window.window.stage().getScene().getFocusOwner()).map(Node::getId).orElse(""));
        }

        /** Goes on to the part of the window that begins with this. */
        void part(String id) throws Exception {
            for (int i = 0; i < STOPS && !focus().equals(id); i++) {
                strike(KeyCode.F6);
            }
        }

        /** Goes to a control without pressing it. */
        void walk(String id) throws Exception {
            go(id);
        }

        /** Tab after Tab, as somebody does who sees where the focus is: backwards where that is nearer. */
        private void go(String id) throws Exception {
            node(id);
            window.settle();
            String start = focus();
            if (start.equals(id)) {
                return;
            }
            boolean back = isNearerBackwards(id);
            for (int i = 0; i < STOPS; i++) {
                if (back) {
                    strike(KeyCode.SHIFT, KeyCode.TAB);
                } else {
                    strike(KeyCode.TAB);
                }
                // Of choices of which one is taken only that one is a stop; arrows go on to the others.
                for (int on = 0; isAmong(id) && on < STOPS; on++) {
                    strike(KeyCode.RIGHT);
                }
                if (focus().equals(id)) {
                    return;
                }
            }
            throw new AssertionError("Tab never comes to " + id + " from " + start);
        }

        /** Somebody who looks at the window sees on which side a thing lies. */
        private boolean isNearerBackwards(String id) throws Exception {
            return WindowCase.on(() -> {
                List<Node> stops = new ArrayList<>();
                stops(window.window.stage().getScene().getRoot(), stops);
                int from = stops.indexOf(window.window.stage().getScene().getFocusOwner());
                int on = Math.floorMod(stops.indexOf(window.node(id)) - from, stops.size());
                return from >= 0 && on > stops.size() / 2;
            });
        }

        private static void stops(Node node, List<Node> into) {
            if (node.isVisible() && !node.isDisabled()) {
                if (node.isFocusTraversable()) {
                    into.add(node);
                }
                if (node instanceof Parent parent) {
                    parent.getChildrenUnmodifiable().forEach(child -> stops(child, into));
                }
            }
        }

        private boolean isAmong(String id) throws Exception {
            return WindowCase.on(() -> window.window.stage().getScene().getFocusOwner() instanceof ToggleButton here
                    && here.getToggleGroup() != null && !here.getId().equals(id) && window.node(id) instanceof ToggleButton there
                    && here.getToggleGroup() == there.getToggleGroup());
        }

        @Override
        void press(String id) throws Exception {
            go(id);
            if (!WindowCase
                    .on(() -> window.node(id) instanceof ToggleButton choice && choice.getToggleGroup() != null && choice.isSelected())) {
                strike(KeyCode.SPACE);
            }
            window.settle();
        }

        @Override
        void choose(String... path) throws Exception {
            for (int i = 0; i < path.length; i++) {
                String id = path[i];
                hand.await(() -> offered(id).isPresent());
                for (int down = 0; !isLit(id); down++) {
                    if (down > STOPS) {
                        throw new AssertionError("no arrow comes to " + id);
                    }
                    strike(KeyCode.DOWN);
                }
                strike(i < path.length - 1 ? KeyCode.RIGHT : KeyCode.ENTER);
                hand.rest();
            }
            window.settle();
        }

        private boolean isLit(String id) throws Exception {
            return offered(id).map(n -> n.getPseudoClassStates().contains(PseudoClass.getPseudoClass("focused"))).orElse(false);
        }

        @Override
        void menu(String row) throws Exception {
            strike(KeyCode.SHIFT, KeyCode.F10);
        }

        @Override
        void row(String list, int place) throws Exception {
            go(list);
            strike(KeyCode.HOME);
            for (int i = 0; i < place; i++) {
                strike(KeyCode.DOWN);
            }
            window.settle();
        }

        @Override
        void rowToo(String list, int place) throws Exception {
            strike(KeyCode.SHIFT, KeyCode.DOWN);
            window.settle();
        }

        @Override
        void into(String field) throws Exception {
            go(field);
            strike(KeyCode.CONTROL, KeyCode.A);
        }

        @Override
        void leave() throws Exception {
            strike(KeyCode.TAB);
        }

        @Override
        void command(String id, KeyCode[] keys, String... button) throws Exception {
            strike(keys);
            window.settle();
        }
    }

    /** The keyboard is for letters alone. */
    private static final class ByPointer extends Way {

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
            for (int i = 0; i < 3; i++) {
                click(MouseButton.PRIMARY);
            }
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
}
