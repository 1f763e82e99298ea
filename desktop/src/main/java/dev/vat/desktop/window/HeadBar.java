package dev.vat.desktop.window;

import dev.vat.core.finding.Severity;
import dev.vat.core.words.Words;
import dev.vat.desktop.look.Controls;
import dev.vat.desktop.look.Icon;
import dev.vat.desktop.look.Menus;
import dev.vat.desktop.look.Parts;
import dev.vat.desktop.session.Session;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import javafx.scene.control.Button;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.Label;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuItem;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;

/** The top of the window: whose project this is, what stands in the way, and the one main action. */
final class HeadBar extends HBox {

    private static final Words WORDS = Words.of(HeadBar.class);

    private final Session session;
    private final Button name = Controls.button("");
    private final Label where = Parts.name("", "where");
    private final Label willMake = new Label();
    private final Button blockers = Controls.button("");
    private final Button warnings = Controls.button("");
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
        name.setMinWidth(Region.USE_PREF_SIZE);
        name.setAccessibleHelp(WORDS.say("opensSavesAndStartsProjects"));
        Menus.opens(name, () -> menu(commands));
        willMake.getStyleClass().add("will-make");
        willMake.setId("will-make");
        willMake.setMinWidth(Region.USE_PREF_SIZE);
        tally(blockers, "blockers", Icon.BLOCKER, "fault", commands);
        tally(warnings, "warnings", Icon.WARNING, "warn", commands);
        undo = button(commands, "undo", Icon.UNDO);
        redo = button(commands, "redo", Icon.REDO);
        make.setId("make");
        make.getStyleClass().add("main-action");
        make.setMinWidth(Region.USE_PREF_SIZE);
        make.setOnAction(_ -> commands.named("make").run());
        make.setTooltip(new Tooltip(WORDS.say("makeTheFiles", commands.named("make").keysText())));
        Region space = new Region();
        HBox.setHgrow(space, Priority.ALWAYS);
        Button add = Parts.button("add", WORDS.say("add"), () -> {});
        add.setTooltip(new Tooltip(WORDS.say("addFramesMoviesSoundsOr")));
        Menus.opens(add, () -> menu(commands, List.of("open-files", "open-frames", "start-scene")));
        Button search = text(commands, "search", WORDS.say("findACommand"));
        getChildren().addAll(mark, name, where, space, add, undo, redo, search, willMake, blockers, warnings, make);
    }

    /** What can be done with the project as a whole. */
    private ContextMenu menu(Commands commands) {
        ContextMenu menu = menu(commands, List.of("new", "open-project", "save-as", "show-project"));
        Menu recent = Controls.menu(WORDS.say("recentProjects"));
        session.settings().recent().stream().map(Path::of).filter(Files::exists).forEach(path -> {
            MenuItem item = Controls.item(path.toString());
            item.setOnAction(_ -> session.files().open(path));
            recent.getItems().add(item);
        });
        recent.setDisable(recent.getItems().isEmpty());
        menu.getItems().add(recent);
        return menu;
    }

    /** These commands, each with its keys. */
    private static ContextMenu menu(Commands commands, List<String> ids) {
        ContextMenu menu = new ContextMenu();
        for (String id : ids) {
            Command command = commands.named(id);
            MenuItem item = Controls.item(command.text() + (command.keys() == null ? "" : "    " + command.keysText()));
            item.setId("menu-" + id);
            item.setDisable(!command.enabled().getAsBoolean());
            item.setOnAction(_ -> command.run());
            menu.getItems().add(item);
        }
        return menu;
    }

    private static void tally(Button label, String id, Icon icon, String style, Commands commands) {
        label.setOnAction(_ -> commands.named("findings").run());
        label.setTooltip(new Tooltip(WORDS.say("toTheFindings")));
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
        name.setText(empty ? WORDS.say("project") : session.project().name());
        where.setText(empty || session.files().file() == null ? ""
                : (session.files().isUntitled() ? WORDS.say("notSavedYet") : session.files().file().toString())
                        + (session.files().isOnlyRead() ? WORDS.say("openElsewhereTooNotSaved")
                                : session.files().isSaved() ? "" : WORDS.say("saving")));
        willMake.setText(session.making().detail());
        count(blockers, empty ? 0 : session.findings().count(Severity.BLOCKER), "blockers");
        count(warnings, empty ? 0 : session.findings().count(Severity.WARNING), "warnings");
        make.setText(session.making().label());
        make.setDisable(!session.making().canMake() && !session.making().isArmed());
        undo.setDisable(session.undoName().isEmpty());
        redo.setDisable(session.redoName().isEmpty());
        undo.getTooltip().setText(session.undoName().map(n -> WORDS.say("undo", n)).orElse(WORDS.say("nothingToUndo")));
        redo.getTooltip().setText(session.redoName().map(n -> WORDS.say("redo", n)).orElse(WORDS.say("nothingToRedo")));
    }

    private static void count(Button label, long count, String key) {
        label.setText(WORDS.say(key, count));
        Parts.present(label, count > 0);
    }
}
