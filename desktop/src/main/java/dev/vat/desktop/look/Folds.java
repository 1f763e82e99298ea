package dev.vat.desktop.look;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Supplier;
import javafx.scene.Node;
import javafx.scene.control.ContentDisplay;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/**
 * Settings in groups: each is one line that says its value, and opens in place for its fields. One is open at a time, and stays open when
 * all is shown anew.
 */
public final class Folds extends VBox {

    /**
     * One group.
     *
     * @param id of its line, behind {@code group-}
     * @param value what is set, in words
     * @param tone a style for the value such as {@code fault}, or empty
     * @param fields what it is set with, made when it is opened
     */
    public record Group(String id, String title, String value, String tone, Supplier<List<Node>> fields) {
        public static Group of(String id, String title, String value, Supplier<List<Node>> fields) {
            return new Group(id, title, value, "", fields);
        }

        public Group withTone(String style) {
            return new Group(id, title, value, style, fields);
        }
    }

    private static final double LINE_SIDES = 28;

    private final List<Group> groups = new ArrayList<>();
    private String open;

    public Folds() {
        getStyleClass().add("folds");
    }

    /** Opens a group, or none with null; it is shown with what is given next. */
    public void open(String id) {
        open = id;
    }

    public void show(List<Group> all) {
        groups.clear();
        groups.addAll(all);
        build();
    }

    private void build() {
        List<Node> lines = new ArrayList<>();
        for (Group group : groups) {
            boolean opened = group.id.equals(open);
            lines.add(line(group, opened));
            if (opened) {
                VBox fields = new VBox();
                fields.getStyleClass().add("fold-fields");
                fields.getChildren().addAll(group.fields.get());
                lines.add(fields);
            }
        }
        getChildren().setAll(lines);
    }

    private ToggleButton line(Group group, boolean opened) {
        Label title = Parts.wrapped(group.title, "fold-title");
        Label value = Parts.wrapped(group.value, "fold-value");
        value.setMinWidth(0);
        if (!group.tone.isEmpty()) {
            value.getStyleClass().add(group.tone);
        }
        HBox.setHgrow(value, Priority.ALWAYS);
        HBox words = new HBox(title, (opened ? Icon.DOWN : Icon.STEP_FORWARD).node(), value);
        words.getStyleClass().add("fold-words");
        ToggleButton line = Controls.toggle("");
        line.setId("group-" + group.id);
        line.getStyleClass().add("fold");
        line.setContentDisplay(ContentDisplay.GRAPHIC_ONLY);
        line.setGraphic(words);
        line.setMaxWidth(Double.MAX_VALUE);
        words.prefWidthProperty().bind(line.widthProperty().subtract(LINE_SIDES));
        line.setSelected(opened);
        line.setAccessibleText(group.title + ": " + group.value);
        line.setOnAction(_ -> {
            open = opened ? null : group.id;
            build();
            Node again = lookup("#group-" + group.id);
            if (again != null) {
                again.requestFocus();
            }
        });
        return line;
    }
}
