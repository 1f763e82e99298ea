package dev.vat.desktop.look;

import javafx.scene.TraversalDirection;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.CheckMenuItem;
import javafx.scene.control.Hyperlink;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuItem;
import javafx.scene.control.TextArea;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;

/** Controls that show their words as they are: an underscore is one, and no mark of a key. All others are made of these. */
public final class Controls {

    private Controls() {}

    public static Button button(String text) {
        Button button = new Button(text);
        button.setMnemonicParsing(false);
        return button;
    }

    public static ToggleButton toggle(String text) {
        ToggleButton toggle = new ToggleButton(text);
        toggle.setMnemonicParsing(false);
        return toggle;
    }

    public static Hyperlink link(String text, Runnable act) {
        Hyperlink link = new Hyperlink(text);
        link.setMnemonicParsing(false);
        link.setOnAction(_ -> act.run());
        return link;
    }

    public static CheckBox check(String text) {
        CheckBox check = new CheckBox(text);
        check.setMnemonicParsing(false);
        return check;
    }

    public static MenuItem item(String text) {
        MenuItem item = new MenuItem(text);
        item.setMnemonicParsing(false);
        return item;
    }

    public static MenuItem item(String id, String text, Runnable act) {
        MenuItem item = item(text);
        item.setId(id);
        item.setOnAction(_ -> act.run());
        return item;
    }

    public static CheckMenuItem checked(String text) {
        CheckMenuItem item = new CheckMenuItem(text);
        item.setMnemonicParsing(false);
        return item;
    }

    public static Menu menu(String text) {
        Menu menu = new Menu(text);
        menu.setMnemonicParsing(false);
        return menu;
    }

    /** A place for lines of text; Tab goes on from it as from any other field. */
    public static TextArea area() {
        TextArea area = new TextArea();
        area.addEventFilter(KeyEvent.KEY_PRESSED, e -> {
            if (e.getCode() == KeyCode.TAB && !e.isShortcutDown()) {
                area.requestFocusTraversal(e.isShiftDown() ? TraversalDirection.PREVIOUS : TraversalDirection.NEXT);
                e.consume();
            }
        });
        return area;
    }
}
