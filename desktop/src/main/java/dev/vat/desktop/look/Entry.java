package dev.vat.desktop.look;

import java.util.Optional;
import java.util.function.Consumer;
import javafx.event.EventTarget;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.control.TextInputControl;
import javafx.scene.control.Tooltip;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/**
 * What is typed into a field, from its first letter until it is taken. It is taken on Enter, Tab and whenever the keyboard goes elsewhere,
 * and before anything is done that may depend on it; Escape takes it back. A value that is refused stays in the field, with the reason
 * under it.
 */
public final class Entry {

    private static final String REFUSED = "refused";
    private static final String WHY = "-why";

    private final TextField field;
    private final Consumer<String> taken;
    private String given;

    private Entry(TextField field, Consumer<String> taken) {
        this.field = field;
        this.taken = taken;
        this.given = field.getText();
    }

    /**
     * Watches over a field.
     *
     * @param taken told of a value that is entered; refuses it with an {@code IllegalArgumentException} or {@code ArithmeticException}
     */
    public static void of(TextField field, Consumer<String> taken) {
        Entry entry = new Entry(field, taken);
        field.getProperties().put(Entry.class, entry);
        field.setOnAction(_ -> entry.take());
        field.addEventHandler(KeyEvent.KEY_PRESSED, e -> {
            if (e.getCode() == KeyCode.ESCAPE && entry.isOpen()) {
                entry.takeBack();
                e.consume();
            }
        });
        field.focusedProperty().addListener((_, _, focused) -> {
            // A field that is made anew takes its typed words along: nothing is entered then.
            if (!focused && field.getScene() != null && entry.isChanged()) {
                entry.take();
            }
        });
    }

    /**
     * Takes what was typed last, before something is done.
     *
     * @return a field whose value is refused, if there is one: what depends on it has to wait
     */
    public static Optional<TextField> settle(Scene scene) {
        if (scene.getFocusOwner() instanceof TextField field && of(field) instanceof Entry entry && entry.isChanged()) {
            entry.take();
        }
        return scene.getRoot().lookupAll(".text-field.refused").stream().filter(TextField.class::isInstance).map(TextField.class::cast)
                .filter(f -> f.getScene() == scene).findFirst();
    }

    /** What was typed into a field and isn't taken yet, or null: what stands there untouched may be old by now. */
    public static String open(TextField field) {
        Entry entry = of(field);
        return entry == null || entry.isOpen() ? field.getText() : null;
    }

    /** Whether something is being typed into a field that isn't taken yet. */
    public static boolean isOpen(TextInputControl field) {
        return field instanceof TextField text && of(text) != null ? holds(text) : field.isUndoable() || field.isRedoable();
    }

    /** Whether a field holds a value that Escape takes back. */
    public static boolean holds(TextField field) {
        return of(field) instanceof Entry entry && entry.isOpen();
    }

    /** Takes what was typed where somebody presses on something else, even on what never has the keyboard. */
    public static void leave(Scene scene, EventTarget pressed) {
        if (scene.getFocusOwner() instanceof TextField field && of(field) instanceof Entry entry && entry.isChanged()) {
            for (Node at = pressed instanceof Node node ? node : null; at != null; at = at.getParent()) {
                if (at == field) {
                    return;
                }
            }
            entry.take();
        }
    }

    private static Entry of(TextField field) {
        return field.hasProperties() ? (Entry) field.getProperties().get(Entry.class) : null;
    }

    private boolean isChanged() {
        return !field.getText().equals(given);
    }

    private boolean isOpen() {
        return isChanged() || field.getStyleClass().contains(REFUSED);
    }

    private void take() {
        String before = given;
        try {
            // First of all: what follows may take the keyboard away, which would enter it again.
            given = field.getText();
            accept();
            taken.accept(given);
        } catch (IllegalArgumentException | ArithmeticException e) {
            given = before;
            refuse(field, e.getMessage());
        }
    }

    private void takeBack() {
        field.setText(given);
        accept();
        field.selectAll();
    }

    private void accept() {
        field.getStyleClass().removeAll(REFUSED);
        field.setTooltip(null);
        field.setAccessibleHelp(null);
        column().ifPresent(c -> c.getChildren().removeIf(n -> (field.getId() + WHY).equals(n.getId())));
    }

    /** Marks a value that can't be used, and says why under it. */
    static void refuse(TextField field, String why) {
        Entry entry = of(field);
        if (entry != null) {
            entry.accept();
        }
        if (!field.getStyleClass().contains(REFUSED)) {
            field.getStyleClass().add(REFUSED);
        }
        field.setTooltip(new Tooltip(why));
        field.setAccessibleHelp(why);
        Label reason = Parts.wrapped(why, "note", "refusal");
        reason.setId(field.getId() + WHY);
        column(field).ifPresent(c -> c.getChildren().add(Math.min(1, c.getChildren().size()), reason));
    }

    private Optional<VBox> column() {
        return column(field);
    }

    /** The values of the line that the field stands in. */
    private static Optional<VBox> column(TextField field) {
        for (Node at = field; at != null; at = at.getParent()) {
            if (at instanceof VBox box && box.getParent() instanceof HBox line && line.getStyleClass().contains("field")) {
                return Optional.of(box);
            }
        }
        return Optional.empty();
    }
}
