package dev.vat.desktop.window;

import java.util.function.BooleanSupplier;
import javafx.scene.input.KeyCombination;

/**
 * Something that can be done from anywhere in the window.
 *
 * @param group under which it stands in menus and among the keys
 * @param keys null if no key does it
 * @param repeats whether it is done again and again while its keys are held down
 */
record Command(String id, String group, String text, KeyCombination keys, BooleanSupplier enabled, Runnable act, boolean repeats) {

    Command(String id, String group, String text, KeyCombination keys, BooleanSupplier enabled, Runnable act) {
        this(id, group, text, keys, enabled, act, false);
    }

    Command repeating() {
        return new Command(id, group, text, keys, enabled, act, true);
    }

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
