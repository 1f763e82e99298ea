package dev.vat.desktop.look;

import java.util.function.Supplier;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ContentDisplay;
import javafx.scene.control.ContextMenu;
import javafx.stage.PopupWindow;

/** Menus that open at something on the screen. They belong to the window, so that they stay when what they opened at is made anew. */
public final class Menus {

    private Menus() {}

    /** Makes a button open a menu below it, which is made anew each time. */
    public static Button opens(Button button, Supplier<ContextMenu> menu) {
        button.setOnAction(_ -> below(button, menu.get()));
        return marked(button);
    }

    /** Makes a button open a menu above it, which is made anew each time. */
    public static Button opensAbove(Button button, Supplier<ContextMenu> menu) {
        button.setOnAction(_ -> above(button, menu.get()));
        return marked(button);
    }

    private static Button marked(Button button) {
        button.setGraphic(Icon.DOWN.node());
        button.setContentDisplay(ContentDisplay.RIGHT);
        return button;
    }

    public static void below(Node at, ContextMenu menu) {
        Bounds box = at.localToScreen(at.getLayoutBounds());
        show(at, menu, PopupWindow.AnchorLocation.CONTENT_TOP_LEFT, box.getMinX(), box.getMaxY());
    }

    public static void above(Node at, ContextMenu menu) {
        Bounds box = at.localToScreen(at.getLayoutBounds());
        show(at, menu, PopupWindow.AnchorLocation.CONTENT_BOTTOM_LEFT, box.getMinX(), box.getMinY());
    }

    private static void show(Node at, ContextMenu menu, PopupWindow.AnchorLocation corner, double x, double y) {
        menu.setAnchorLocation(corner);
        menu.show(at.getScene().getWindow(), x, y);
    }
}
