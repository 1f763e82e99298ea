package dev.vat.desktop.look;

import javafx.scene.input.Clipboard;
import javafx.scene.input.ClipboardContent;

/** Text for the clipboard. */
public final class Clips {

    private Clips() { }

    public static void copy(String text) {
        ClipboardContent content = new ClipboardContent();
        content.putString(text);
        Clipboard.getSystemClipboard().setContent(content);
    }
}
