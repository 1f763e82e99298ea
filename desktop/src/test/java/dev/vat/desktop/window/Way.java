package dev.vat.desktop.window;

import java.util.Optional;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import javafx.stage.PopupWindow;
import javafx.stage.Window;

/** One way of working the window, and how often a key, a button or the wheel was pressed. Letters that are typed don't count. */
abstract sealed class Way permits ByKeys, ByPointer {

    /** More stops than any screen has. */
    static final int STOPS = 250;
    static final int MOST_NOTCHES = 80;
    /** Half of what the tip of a pointer covers, in pixels. */
    static final double TIP = 7;

    final WindowCase window;
    final Hand hand;
    int presses;

    Way(WindowCase window) {
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
}
