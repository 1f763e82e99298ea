package dev.vat.desktop.window;

import dev.vat.desktop.help.HelpPage;
import dev.vat.desktop.look.Controls;
import dev.vat.desktop.look.Entry;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.BooleanSupplier;
import java.util.stream.Stream;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuItem;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyCodeCombination;
import javafx.scene.input.KeyCombination;
import javafx.scene.input.KeyEvent;

/** The one table of what can be done from anywhere, by key or by name. */
final class Commands {

    private final List<Command> all = new ArrayList<>();
    private String group = "";

    /** What is added from now on stands under this heading. */
    Commands under(String heading) {
        group = heading;
        return this;
    }

    Commands add(String id, String text, KeyCombination keys, BooleanSupplier enabled, Runnable act) {
        all.add(new Command(id, group, text, keys, enabled, act));
        return this;
    }

    Commands add(String id, String text, KeyCombination keys, Runnable act) {
        return add(id, text, keys, () -> true, act);
    }

    /** What was added last goes on while its keys are held down; all others are done once, however long that is. */
    Commands repeating() {
        all.addLast(all.removeLast().repeating());
        return this;
    }

    static KeyCombination key(KeyCode code, KeyCombination.Modifier... modifiers) {
        return new KeyCodeCombination(code, modifiers);
    }

    static KeyCombination control(KeyCode code, KeyCombination.Modifier... more) {
        KeyCombination.Modifier[] modifiers = Arrays.copyOf(more, more.length + 1);
        modifiers[more.length] = KeyCombination.SHORTCUT_DOWN;
        return new KeyCodeCombination(code, modifiers);
    }

    List<Command> all() {
        return all;
    }

    /** A menu for each heading, with all its commands. */
    List<Menu> menus() {
        Map<String, Menu> menus = new LinkedHashMap<>();
        for (Command command : all) {
            MenuItem item = Controls.item("menu-" + command.id(),
                    command.text() + (command.keys() == null ? "" : "    " + command.keysText()), command::run);
            Menu menu = menus.computeIfAbsent(command.group(), Controls::menu);
            menu.getItems().add(item);
            menu.setOnShowing(_ -> menu.getItems().forEach(i -> i.setDisable(
                    !named(i.getId().substring("menu-".length())).enabled().getAsBoolean())));
        }
        return List.copyOf(menus.values());
    }

    /** All keys, in the order of the commands. */
    List<HelpPage.Key> keys() {
        return all.stream().filter(c -> c.keys() != null).map(c -> new HelpPage.Key(c.group(), c.keysText(), c.text())).toList();
    }

    Command named(String id) {
        return all.stream().filter(c -> c.id().equals(id)).findFirst().orElseThrow();
    }

    /**
     * What can be done now and whose words mean all of what was typed; what has the very words comes first.
     *
     * @param more what else there is to find
     */
    List<Command> matching(String typed, List<Command> more) {
        String[] words = typed.strip().toLowerCase(Locale.ROOT).split("\\s+");
        return Stream.concat(all.stream(), more.stream()).filter(c -> c.enabled().getAsBoolean())
                .filter(c -> Arrays.stream(words).allMatch(w -> Synonyms.mean(c.text(), w)))
                .sorted(Comparator.comparing(c -> !Arrays.stream(words).allMatch(c.text().toLowerCase(Locale.ROOT)::contains))).toList();
    }

    /**
     * Plain keys are left to whoever is typing; buttons keep the space bar.
     *
     * @param held whether the keys have been down before, and the system says so once more
     * @param before what is done before a command is carried out
     */
    void handle(KeyEvent e, boolean held, Runnable before) {
        boolean typing = e.getTarget() instanceof TextInputControl field && !(isUndo(e) && !Entry.isOpen(field));
        for (Command command : all) {
            if (command.keys() != null && command.keys().match(e) && !(typing && isForTheField(e)) && command.enabled().getAsBoolean()) {
                e.consume();
                if (!held || command.repeats()) {
                    before.run();
                    command.run();
                }
                return;
            }
        }
    }

    private static boolean isForTheField(KeyEvent e) {
        return isUndo(e) || !e.isShortcutDown() && !e.getCode().isFunctionKey();
    }

    /** While something is being typed, that is what undo and redo are about. */
    private static boolean isUndo(KeyEvent e) {
        return e.isShortcutDown() && e.getCode() == KeyCode.Z;
    }
}
