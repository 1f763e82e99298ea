package dev.vat.desktop.window;

import java.util.function.BooleanSupplier;
import javafx.scene.input.KeyCombination;

/**
 * Something that can be done from anywhere in the window.
 *
 * @param group under which it stands in menus and among the keys
 * @param keys null if no key does it
 */
record Command(String id, String group, String text, KeyCombination keys, BooleanSupplier enabled, Runnable act) {

    /** The keys as people read them, or nothing. */
    String keysText() {
        return keys == null ? "" : keys.getDisplayText();
    }

    /** Does it, if it can be done now. */
    boolean run() {
        if (enabled.getAsBoolean()) {
            act.run();
            return true;
        }
        return false;
    }
}
