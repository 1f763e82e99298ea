package dev.vat.core.setting;

import dev.vat.core.delivery.Deliverable;

/**
 * How a setting is said on the command line.
 *
 * @param name with its dashes
 * @param value what stands for its value in the help, or null for a switch that has none
 * @param many whether it may stand several times: each time adds to what the earlier ones made
 * @param description one sentence or two
 */
public record CommandOption(String name, String value, boolean many, String description, Said said) {

    /** Makes a deliverable of what was said. */
    @FunctionalInterface
    public interface Said {
        /** @param text empty for a switch @throws IllegalArgumentException saying in words why it can't be used */
        Deliverable on(SettingView view, Deliverable deliverable, String text);
    }
}
