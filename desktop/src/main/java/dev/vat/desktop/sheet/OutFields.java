package dev.vat.desktop.sheet;

import dev.vat.core.delivery.Deliverable;
import dev.vat.core.delivery.FileNaming;
import dev.vat.core.project.DeliverableEdits;
import dev.vat.core.project.Edits;
import dev.vat.core.project.Place;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.time.Rate;
import dev.vat.core.words.Words;
import dev.vat.desktop.look.Controls;
import dev.vat.desktop.look.Dialogs;
import dev.vat.desktop.look.Entry;
import dev.vat.desktop.look.Menus;
import dev.vat.desktop.look.Parts;
import dev.vat.desktop.session.Session;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.Label;
import javafx.scene.control.MenuItem;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** What holds for all deliverables: where they go, how they are named, and the rate. */
final class OutFields {

    private static final Words WORDS = Words.of(OutFields.class);

    private static final double FOLDER = 150;
    private static final double NAMES = 130;
    private static final double FIELD = 26;
    private static final double LEAST = 90;

    private final Session session;
    private final Dialogs ask;

    OutFields(Session session, Dialogs ask) {
        this.session = session;
        this.ask = ask;
    }

    /**
     * Where the files go and what they are called, on one line.
     *
     * @param shown the deliverable whose name is the live example
     * @param more unfolds what else holds for all
     */
    HBox to(Optional<Deliverable> shown, Node more) {
        Path folder = session.folderOf(session.project());
        TextField path = new TextField(folder == null ? "" : folder.toString());
        path.setId("folder");
        path.setPromptText(WORDS.say("besideTheFirstSourcesFolder"));
        path.setAccessibleText(WORDS.say("folderThatTheFilesGoTo"));
        path.setPrefWidth(FOLDER);
        path.setMinWidth(LEAST);
        HBox.setHgrow(path, Priority.ALWAYS);
        Entry.of(path, typed -> session.edit(Edits.setFolder(typed.isBlank() ? null : Place.of(Path.of(typed.strip())))));
        Button choose = Parts.button("choose-folder", "\u2026", () -> ask.folder(WORDS.say("whereTheFilesGo"), folder)
                .ifPresent(chosen -> session.edit(Edits.setFolder(Place.of(chosen)))));
        choose.setTooltip(new Tooltip(WORDS.say("chooseTheFolder")));
        choose.setAccessibleText(WORDS.say("chooseTheFolder"));
        TextField pattern = new TextField(session.project().naming());
        pattern.setId("naming");
        pattern.setAccessibleText(WORDS.say("namesOfTheFiles"));
        pattern.setTooltip(new Tooltip(WORDS.say("fields", String.join("} {", FileNaming.FIELDS))));
        pattern.setPrefWidth(NAMES);
        pattern.setMinWidth(LEAST);
        Entry.of(pattern, typed -> session.edit(Edits.setNaming(typed)));
        Label example = Parts.name(shown.flatMap(d -> session.programme()
                .flatMap(p -> FactRow.NAME.value(session, p, d))).orElse(""), "mono", "note");
        example.setId("name-example");
        example.setMinHeight(FIELD);
        HBox values = Parts.row(path, choose, pattern, example, more);
        VBox right = new VBox(values);
        HBox.setHgrow(right, Priority.ALWAYS);
        Label to = Parts.label(WORDS.say("to"), "note");
        to.setMinWidth(Region.USE_PREF_SIZE);
        to.setMinHeight(FIELD);
        HBox line = new HBox(to, right);
        line.getStyleClass().add("field");
        return line;
    }

    /** Where files went before. */
    private Button recent() {
        Button recent = Controls.button(WORDS.say("recentFolders"));
        recent.setId("recent-folders");
        return Menus.opens(recent, () -> {
            ContextMenu menu = new ContextMenu();
            for (String folder : session.settings().folders()) {
                MenuItem item = Controls.item(folder);
                item.setOnAction(_ -> session.edit(Edits.setFolder(Place.of(Path.of(folder)))));
                menu.getItems().add(item);
            }
            return menu;
        });
    }

    HBox rate(ResolvedReel programme) {
        FlowPane rates = Parts.choices();
        List<Rate> offered = new ArrayList<>(Rate.USUAL);
        offered.remove(session.settings().lastRate());
        offered.addFirst(session.settings().lastRate());
        for (Rate rate : offered) {
            var button = Controls.toggle(rate.label());
            button.setId("out-rate-" + rate.label());
            button.setSelected(programme.rate().filter(rate::equals).isPresent());
            button.setOnAction(_ -> session.chooseRate(rate));
            rates.getChildren().add(button);
        }
        HBox.setHgrow(rates, Priority.ALWAYS);
        return session.settings().folders().isEmpty() ? field(WORDS.say("rate"), rates, draft())
                : field(WORDS.say("rate"), rates, draft(), recent());
    }

    /** One switch for all columns. */
    private ToggleButton draft() {
        ToggleButton draft = Controls.toggle(WORDS.say("draft"));
        draft.setId("draft");
        draft.setMinWidth(Region.USE_PREF_SIZE);
        draft.setTooltip(new Tooltip(WORDS.say("everyFileAtHalfSizeWith")));
        draft.setSelected(session.project().isDraft());
        draft.setOnAction(_ -> session.edit(DeliverableEdits.setDraft(draft.isSelected())));
        return draft;
    }

    private static HBox field(String name, Region... values) {
        HBox line = Parts.row(values);
        VBox right = new VBox(line);
        HBox.setHgrow(right, Priority.ALWAYS);
        HBox field = new HBox(Parts.label(name, "field-name"), right);
        field.getStyleClass().add("field");
        return field;
    }
}
