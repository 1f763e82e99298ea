package dev.vat.desktop.window;

import dev.vat.core.finding.Severity;
import dev.vat.desktop.look.Controls;
import dev.vat.desktop.look.Icon;
import dev.vat.desktop.look.Parts;
import dev.vat.desktop.session.Session;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;

/** The top of the window: whose project this is, what stands in the way, and the one main action. */
final class HeadBar extends HBox {

    private final Session session;
    private final Label name = new Label();
    private final Label where = new Label();
    private final Label willMake = new Label();
    private final Label blockers = new Label();
    private final Label warnings = new Label();
    private final Button undo;
    private final Button redo;
    private final Button make = Controls.button("");

    HeadBar(Session session, Commands commands) {
        this.session = session;
        getStyleClass().add("head");
        Label mark = new Label("Vat", Icon.MARK.node());
        mark.getStyleClass().add("vat-mark");
        mark.setMinWidth(Region.USE_PREF_SIZE);
        name.getStyleClass().add("project-name");
        name.setId("project-name");
        where.getStyleClass().add("where");
        where.setMinWidth(0);
        willMake.getStyleClass().add("will-make");
        willMake.setId("will-make");
        willMake.setMinWidth(Region.USE_PREF_SIZE);
        tally(blockers, "blockers", Icon.BLOCKER, "fault");
        tally(warnings, "warnings", Icon.WARNING, "warn");
        undo = button(commands, "undo", Icon.UNDO);
        redo = button(commands, "redo", Icon.REDO);
        make.setId("make");
        make.getStyleClass().add("main-action");
        make.setMinWidth(Region.USE_PREF_SIZE);
        make.setOnAction(_ -> commands.named("make").run());
        make.setTooltip(new Tooltip("Make the files (" + commands.named("make").keysText() + ")"));
        Region space = new Region();
        HBox.setHgrow(space, Priority.ALWAYS);
        Button frames = text(commands, "open-frames", "Add\u2026");
        Button project = text(commands, "open-project", "Open\u2026");
        Button save = text(commands, "save-as", "Save as\u2026");
        Button search = text(commands, "search", "Find a command\u2026");
        getChildren().addAll(mark, name, where, space, frames, project, save, undo, redo, search, willMake, blockers, warnings, make);
    }

    private static void tally(Label label, String id, Icon icon, String style) {
        label.setId(id);
        label.setGraphic(icon.node());
        label.getStyleClass().addAll("tally", style);
        label.setMinWidth(Region.USE_PREF_SIZE);
    }

    private static Button button(Commands commands, String id, Icon icon) {
        Button button = text(commands, id, "");
        button.setGraphic(icon.node());
        button.setAccessibleText(commands.named(id).text());
        button.getStyleClass().add("small");
        return button;
    }

    private static Button text(Commands commands, String id, String text) {
        Command command = commands.named(id);
        Button button = Parts.button(id, text, command::run);
        button.setTooltip(new Tooltip(command.text() + (command.keys() == null ? "" : " (" + command.keysText() + ")")));
        return button;
    }

    void show() {
        boolean empty = session.project().isEmpty();
        name.setText(empty ? "" : session.project().name());
        where.setText(empty || session.file() == null ? "" : (session.isUntitled() ? "kept by Vat until saved" : session.file().toString())
                + (session.isOnlyRead() ? ", open elsewhere too: not saved here" : session.isSaved() ? "" : ", saving"));
        willMake.setText(session.making().detail());
        count(blockers, empty ? 0 : session.count(Severity.BLOCKER), "blocker");
        count(warnings, empty ? 0 : session.count(Severity.WARNING), "warning");
        make.setText(session.making().label());
        make.setDisable(!session.making().canMake() && !session.making().isArmed());
        undo.setDisable(session.undoName().isEmpty());
        redo.setDisable(session.redoName().isEmpty());
        undo.getTooltip().setText(session.undoName().map(n -> "Undo " + n).orElse("Nothing to undo"));
        redo.getTooltip().setText(session.redoName().map(n -> "Redo " + n).orElse("Nothing to redo"));
    }

    private static void count(Label label, long count, String word) {
        label.setText(count + " " + word + (count == 1 ? "" : "s"));
        Parts.present(label, count > 0);
    }
}
