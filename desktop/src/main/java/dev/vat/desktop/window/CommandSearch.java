package dev.vat.desktop.window;

import dev.vat.core.words.Words;
import dev.vat.desktop.look.TallScroll;
import dev.vat.desktop.sheet.Scrolls;
import java.util.List;
import java.util.function.Supplier;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;

/** Finds commands, settings and sources by their words or what people call them: type, choose with the arrows, Enter does it. */
final class CommandSearch extends StackPane {

    private static final Words WORDS = Words.of(CommandSearch.class);

    private static final double TALLEST = 396;
    private static final double FROM_TOP = 120;

    private final Commands commands;
    private final Supplier<List<Command>> more;
    private final Runnable leave;
    private final TextField typed = new TextField();
    private final VBox lines = new VBox();
    private List<Command> found = List.of();
    private int here;

    /** @param more what there is to find besides, as it is now */
    CommandSearch(Commands commands, Supplier<List<Command>> more, Runnable leave) {
        this.commands = commands;
        this.more = more;
        this.leave = leave;
        setId("command-search");
        getStyleClass().add("veil");
        typed.setId("command-typed");
        typed.setPromptText(WORDS.say("whatDoYouWantToDo"));
        typed.setAccessibleText(WORDS.say("whatDoYouWantToDo"));
        typed.textProperty().addListener(_ -> find());
        VBox box = new VBox(typed, new TallScroll(lines, () -> TALLEST));
        box.getStyleClass().add("command-search");
        box.setMaxHeight(Region.USE_PREF_SIZE);
        // From one place downwards, so that no line moves while fewer are found.
        StackPane.setAlignment(box, Pos.TOP_CENTER);
        StackPane.setMargin(box, new Insets(FROM_TOP, 0, 0, 0));
        getChildren().add(box);
        addEventFilter(KeyEvent.KEY_PRESSED, this::key);
        setOnMousePressed(e -> {
            if (e.getTarget() == this) {
                leave.run();
            }
        });
        setVisible(false);
    }

    void open() {
        typed.clear();
        find();
        setVisible(true);
        typed.applyCss();
        typed.requestFocus();
    }

    private void find() {
        found = commands.matching(typed.getText(), more.get()).stream().filter(c -> !c.id().equals("search")).toList();
        here = 0;
        lines.getChildren().setAll(found.stream().map(this::line).toList());
        mark();
        if (found.isEmpty()) {
            lines.getChildren().setAll(new Label(WORDS.say("nothingThatCanBeDoneOrSet")));
        }
    }

    private HBox line(Command command) {
        Label text = new Label(command.text());
        text.setWrapText(true);
        HBox.setHgrow(text, Priority.ALWAYS);
        text.setMaxWidth(Double.MAX_VALUE);
        Label keys = new Label(command.keysText());
        keys.getStyleClass().add("keys");
        keys.setMinWidth(Region.USE_PREF_SIZE);
        HBox line = new HBox(text, keys);
        line.getStyleClass().add("command-line");
        line.setId("command-" + command.id());
        line.setOnMouseClicked(_ -> choose(command));
        return line;
    }

    private void mark() {
        for (int i = 0; i < lines.getChildren().size(); i++) {
            lines.getChildren().get(i).getStyleClass().remove("here");
            if (i == here) {
                lines.getChildren().get(i).getStyleClass().add("here");
                Scrolls.reveal(lines.getChildren().get(i));
            }
        }
    }

    private void key(KeyEvent e) {
        if (e.getCode() == KeyCode.ESCAPE) {
            leave.run();
        } else if (e.getCode() == KeyCode.ENTER) {
            if (here < found.size()) {
                choose(found.get(here));
            }
        } else if (e.getCode() == KeyCode.DOWN || e.getCode() == KeyCode.UP) {
            here = Math.clamp(here + (e.getCode() == KeyCode.DOWN ? 1 : -1), 0, Math.max(0, found.size() - 1));
            mark();
        } else {
            return;
        }
        e.consume();
    }

    private void choose(Command command) {
        leave.run();
        command.run();
    }
}
