package dev.vat.desktop.look;

import javafx.scene.input.Clipboard;
import javafx.scene.input.ClipboardContent;

/** Text for the clipboard. */
public final class Clips {

    private Clips() {}

    /** The text that lies there, or nothing. */
    public static String text() {
        String text = Clipboard.getSystemClipboard().getString();
        return text == null ? "" : text;
    }

    public static void copy(String text) {
        ClipboardContent content = new ClipboardContent();
        content.putString(text);
        Clipboard.getSystemClipboard().setContent(content);
    }
}
