package dev.vat.desktop.look;

import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.OverrunStyle;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;

/** Small pieces that every part of the window is put together from. */
public final class Parts {

    private static final double WRAP = 470;

    private Parts() {}

    public static Label label(String text, String... styles) {
        Label label = new Label(text);
        label.getStyleClass().addAll(styles);
        return label;
    }

    public static Label wrapped(String text, String... styles) {
        Label label = label(text, styles);
        label.setWrapText(true);
        label.setMinHeight(Region.USE_PREF_SIZE);
        return label;
    }

    /** A name that may be cut, then in its middle, and that is whole in its tooltip. */
    public static Label name(String text, String... styles) {
        Label name = label(text, styles);
        name.setMinWidth(0);
        name.setTextOverrun(OverrunStyle.CENTER_ELLIPSIS);
        Tooltip whole = new Tooltip();
        whole.textProperty().bind(name.textProperty());
        name.setTooltip(whole);
        return name;
    }

    public static Button button(String id, String text, Runnable act) {
        Button button = Controls.button(text);
        button.setId(id);
        button.setMinWidth(Region.USE_PREF_SIZE);
        button.setOnAction(_ -> act.run());
        return button;
    }

    /** A button that is a picture. @param words for who points at it, and for screen readers */
    public static Button icon(String id, Icon icon, String words, Runnable act) {
        Button button = button(id, "", act);
        button.setGraphic(icon.node());
        button.getStyleClass().add("small");
        button.setAccessibleText(words);
        button.setTooltip(new Tooltip(words));
        return button;
    }

    /** Things to choose from, side by side, on more lines where there is no room. */
    public static FlowPane choices(String... styles) {
        FlowPane choices = new FlowPane();
        choices.setPrefWrapLength(WRAP);
        choices.getStyleClass().add("choices");
        choices.getStyleClass().addAll(styles);
        return choices;
    }

    public static Region space() {
        Region space = new Region();
        HBox.setHgrow(space, Priority.ALWAYS);
        return space;
    }

    /** A button of a list, lower than the others. */
    public static Button small(String id, String text, Runnable act) {
        Button button = button(id, text, act);
        button.getStyleClass().add("remedy");
        return button;
    }

    /**
     * A button of a list that does what can't be taken back: a second press does it, and whoever goes elsewhere after the first leaves it.
     *
     * @param again what it says after the first press
     */
    public static Button twice(String id, String text, String again, Runnable act) {
        Button button = small(id, text, () -> {});
        button.setOnAction(_ -> {
            if (button.getText().equals(again)) {
                button.setText(text);
                act.run();
            } else {
                button.setText(again);
            }
        });
        button.focusedProperty().addListener((_, _, focused) -> {
            if (!focused) {
                button.setText(text);
            }
        });
        return button;
    }

    /** A node by its id, whatever letters that has; null if there is none. */
    public static Node byId(Node from, String id) {
        if (id.equals(from.getId())) {
            return from;
        }
        if (from instanceof Parent parent) {
            for (Node child : parent.getChildrenUnmodifiable()) {
                Node found = byId(child, id);
                if (found != null) {
                    return found;
                }
            }
        }
        return null;
    }

    /** Whether a node and all that it stands in are visible. */
    public static boolean isShown(Node node) {
        for (Node at = node; at != null; at = at.getParent()) {
            if (!at.isVisible()) {
                return false;
            }
        }
        return true;
    }

    /** Something that takes no room while it isn't there. */
    public static void present(Node node, boolean there) {
        node.setVisible(there);
        node.setManaged(there);
    }

    public static HBox row(Node... nodes) {
        HBox row = new HBox(nodes);
        row.getStyleClass().add("row");
        return row;
    }
}
