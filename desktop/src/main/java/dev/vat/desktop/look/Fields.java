package dev.vat.desktop.look;

import dev.vat.core.words.Words;
import java.util.Arrays;
import java.util.Locale;
import java.util.Objects;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.Supplier;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** The pieces that a reading is set with: a name at the left, values at the right, one plain sentence under them. */
public final class Fields {

    private static final Words WORDS = Words.of(Fields.class);

    private static final double USUAL_WIDTH = 470;
    /** How tall a control is. */
    private static final double CONTROL = 26;

    private Fields() {}

    /** @param sentence what it does and comes to; empty for none */
    public static HBox field(String name, String sentence, Node... values) {
        FlowPane line = Parts.choices();
        line.getChildren().addAll(values);
        VBox right = new VBox(line);
        if (!sentence.isEmpty()) {
            right.getChildren().add(Parts.wrapped(sentence, "note"));
        }
        right.setMinWidth(0);
        if (values.length == 0) {
            // Words alone stand beside their name.
            right.setAlignment(Pos.CENTER_LEFT);
            right.setMinHeight(CONTROL);
        }
        // How tall a line of several rows is, is asked before its width is known: the width it got last is the best guess.
        line.setPrefWrapLength(USUAL_WIDTH);
        right.widthProperty().addListener((_, _, width) -> line.setPrefWrapLength(width.doubleValue()));
        HBox.setHgrow(right, Priority.ALWAYS);
        Label label = Parts.wrapped(name, "field-name");
        for (Node value : values) {
            bind(label, name, sentence, value);
        }
        HBox field = new HBox(label, right);
        field.getStyleClass().add("field");
        return field;
    }

    /** What a screen reader says of a value: the field's name goes before its own. */
    private static void bind(Label label, String name, String sentence, Node value) {
        switch (value) {
            case TextField text -> {
                if (label.getLabelFor() == null) {
                    label.setLabelFor(text);
                }
                String own = text.getAccessibleText() == null ? text.getPromptText() : text.getAccessibleText();
                text.setAccessibleText(own == null || own.isEmpty() ? name : name + ", " + own);
                text.setAccessibleHelp(sentence);
            }
            case ToggleButton toggle -> toggle.setAccessibleText(name + ": " + toggle.getText());
            case Pane pane -> pane.getChildren().forEach(inner -> bind(label, name, sentence, inner));
            default -> {}
        }
    }

    /** Buttons of which one is pressed; null is a choice like any other. */
    public static <T> Node[] choice(String id, T[] values, T now, Function<T, String> words, Consumer<T> chosen) {
        ToggleGroup group = new ToggleGroup();
        return Arrays.stream(values).map(value -> {
            ToggleButton button = Controls.toggle(words.apply(value));
            button.setId(
                    id + "-" + (value == null ? "none" : words.apply(value).toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9.:/]+", "-")));
            button.setToggleGroup(group);
            button.setSelected(Objects.equals(value, now));
            button.setMinWidth(Region.USE_PREF_SIZE);
            onChosen(button, () -> chosen.accept(value));
            return (Node) button;
        }).toArray(Node[]::new);
    }

    /** Tells when one of several buttons is chosen, by a press or by an arrow that comes to it. Pressed again it stays chosen. */
    public static void onChosen(ToggleButton button, Runnable told) {
        button.setOnAction(_ -> button.setSelected(true));
        button.selectedProperty().addListener((_, _, selected) -> {
            if (selected) {
                told.run();
            }
        });
    }

    /** A place to type in, as {@link Entry} has it. */
    public static TextField text(String id, String value, int columns, Consumer<String> entered) {
        TextField field = new TextField(value);
        field.setId(id);
        field.setPrefColumnCount(columns);
        Entry.of(field, entered);
        return field;
    }

    /** A text field with a word before it, for lines of several. */
    public static Node named(String word, TextField field) {
        Label name = Parts.label(word, "note");
        name.setMinWidth(Region.USE_PREF_SIZE);
        name.setLabelFor(field);
        field.setAccessibleText(word);
        HBox pair = Parts.row(name, field);
        pair.getStyleClass().add("named");
        return pair;
    }

    /** @throws IllegalArgumentException if it isn't a whole number from {@code least} on */
    public static long whole(String typed, long least) {
        try {
            long number = Long.parseLong(typed.strip());
            if (number >= least) {
                return number;
            }
        } catch (NumberFormatException _) {
            // the message below says it
        }
        throw new IllegalArgumentException(WORDS.say("isNotAWholeNumberFromOn", typed, least));
    }

    public static void refuse(TextField field, String why) {
        Entry.refuse(field, why);
    }

    /** A value that may not be there yet, in words. */
    public static String orEmpty(Supplier<Object> value) {
        try {
            return String.valueOf(value.get());
        } catch (IllegalArgumentException _) {
            return "";
        }
    }
}
