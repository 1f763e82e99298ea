package dev.vat.desktop.window;

import dev.vat.desktop.look.Entry;
import java.util.function.Supplier;
import javafx.event.Event;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.ContextMenuEvent;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.stage.Window;

/** Whose a key is: that of what has the keyboard, of a page that is open, or of a command. */
final class WindowKeys {

    private final Supplier<Scene> scene;
    private final Commands commands;
    private final Documents documents;
    private boolean byKeys;
    /** Pressed last and not let go since, or null. */
    private KeyCode down;

    WindowKeys(Supplier<Scene> scene, Commands commands, Documents documents) {
        this.scene = scene;
        this.commands = commands;
        this.documents = documents;
    }

    /** Somebody works with the mouse from now on. */
    void pointerUsed() {
        byKeys = false;
        down = null;
    }

    /** Hears of keys that are let go, wherever the keyboard is by then; none stays down in a window that was left. @param scene or null */
    void watch(Scene scene) {
        if (scene == null) {
            return;
        }
        scene.addEventFilter(KeyEvent.KEY_RELEASED, _ -> down = null);
        scene.windowProperty().flatMap(Window::focusedProperty).addListener((_, _, _) -> down = null);
    }

    void press(KeyEvent e) {
        boolean held = e.getCode() == down;
        down = e.getCode();
        byKeys |= e.getCode() == KeyCode.TAB || e.getCode() == KeyCode.F6;
        if (isForThePage(e)) {
            documents.leave();
            e.consume();
        } else if (isForTheMenu(e)) {
            openMenu();
            e.consume();
        } else if (!isForTheOwner(e)) {
            commands.handle(e, held, () -> Entry.settle(scene.get()));
        }
    }

    /** Escape leaves a page, once there is nothing in its field to be taken back. */
    private boolean isForThePage(KeyEvent e) {
        return e.getCode() == KeyCode.ESCAPE && documents.open() != null
                && !(e.getTarget() instanceof TextField field && Entry.holds(field));
    }

    private static boolean isForTheMenu(KeyEvent e) {
        return e.getCode() == KeyCode.CONTEXT_MENU || e.getCode() == KeyCode.F10 && e.isShiftDown();
    }

    /** Not every system asks for the menu of what has the keyboard by itself. */
    private void openMenu() {
        Node owner = scene.get().getFocusOwner();
        if (owner != null) {
            Point2D at = owner.localToScreen(0, 0);
            Event.fireEvent(owner, new ContextMenuEvent(ContextMenuEvent.CONTEXT_MENU_REQUESTED, 0, 0, at.getX(), at.getY(), true, null));
        }
    }

    private boolean isForTheOwner(KeyEvent e) {
        Node owner = scene.get().getFocusOwner();
        return switch (e.getCode()) {
            // Who went to a button by keys presses it with the space bar; after the mouse the space bar plays.
            case SPACE -> byKeys && e.getTarget() instanceof ButtonBase && !e.isShortcutDown();
            case LEFT, RIGHT -> owner != null && takesArrows(owner);
            // The ends of a list are nearer to whoever walks it than those of the band.
            case HOME, END -> owner instanceof ListView<?>;
            default -> false;
        };
    }

    private boolean takesArrows(Node owner) {
        return "out-grid".equals(owner.getId()) || owner.getStyleClass().contains("takes-arrows")
                || byKeys && owner instanceof ToggleButton choice && choice.getToggleGroup() != null;
    }
}
