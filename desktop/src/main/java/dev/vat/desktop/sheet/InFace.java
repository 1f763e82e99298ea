package dev.vat.desktop.sheet;

import dev.vat.core.project.Source;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.Kin;
import dev.vat.core.source.Sequence;
import dev.vat.desktop.look.Controls;
import dev.vat.desktop.look.Dialogs;
import dev.vat.desktop.look.Icon;
import dev.vat.desktop.look.Parts;
import dev.vat.desktop.preview.ScenesPane;
import dev.vat.desktop.session.Session;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Consumer;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/**
 * What was brought in: one line a source, kin under one line that opens, the reading of the selected source unfolded under
 * it.
 */
public final class InFace extends VBox {

    private static final int FEWEST_TO_FILTER = 3;
    private static final String EMPTY = "Nothing has been brought in yet. Drop a folder, a whole tree, one frame of a sequence, a "
            + "movie or a "
            + "sound anywhere on this window.\n\n"
            + "In shows what was found: every frame file is looked into, and what is missing, empty, cut short or odd is named, "
            + "with the frame numbers to render again ready to copy.\n\n"
            + "Reel puts the sources in order. Out says what is made of them, and for whom.";

    private final Session session;
    private final Dialogs ask;
    private final Consumer<String> select;
    private final Thumbnails thumbnails;
    /** Families that somebody opened or closed; others are open while the selected source is one of them. */
    private final Map<String, Boolean> folds = new HashMap<>();
    private final TextField words = new TextField();
    private final ToggleButton onlyTrouble = Controls.toggle("Problems only");
    /** Stays while the rows under it are made anew, so that nobody's typing is cut off. */
    private final HBox filterBar = Parts.row(Parts.label("Show", "note"), words, onlyTrouble);
    private final VBox list = new VBox();
    private final ScenesPane scenes;
    private String selected;

    /** @param scenes what stands above the sources */
    public InFace(Session session, Dialogs ask, ScenesPane scenes, Consumer<String> select) {
        this.scenes = scenes;
        this.session = session;
        this.ask = ask;
        this.select = select;
        this.thumbnails = new Thumbnails(session.viewer());
        setId("in-face");
        getStyleClass().add("face");
        words.setId("filter");
        words.setPromptText("part of a name");
        words.setPrefColumnCount(14);
        words.textProperty().addListener((_, _, _) -> show(selected));
        onlyTrouble.setId("only-trouble");
        onlyTrouble.setOnAction(_ -> show(selected));
        filterBar.getStyleClass().add("filter-bar");
        getChildren().addAll(scenes, filterBar, list);
    }

    /** @param selected id of the source whose reading is unfolded */
    public void show(String selected) {
        this.selected = selected;
        scenes.show();
        List<Source> sources = session.project().sources();
        List<Node> rows = new ArrayList<>();
        if (session.search().isGoing()) {
            rows.addAll(soFar());
        } else if (sources.isEmpty()) {
            rows.add(Parts.wrapped(EMPTY, "note", "empty"));
        }
        Parts.present(filterBar, sources.size() >= FEWEST_TO_FILTER);
        int shown = 0;
        for (Kin kin : Kin.group(sources.stream().map(Source::location).toList())) {
            List<Kin.Member> members = kin.members().stream().filter(m -> passes(sources.get(m.index()))).toList();
            shown += members.size();
            if (members.isEmpty()) {
                continue;
            }
            if (!kin.isFamily()) {
                rows.add(row(sources.get(members.getFirst().index()), "", selected));
                continue;
            }
            boolean inside = members.stream().anyMatch(m -> sources.get(m.index()).id().equals(selected));
            boolean open = folds.getOrDefault(kin.name(), inside);
            rows.add(family(kin, sources, members, open, selected));
            if (open) {
                members.forEach(m -> {
                    VBox row = row(sources.get(m.index()), m.word().isEmpty() ? kin.name() : m.word(), selected);
                    row.getStyleClass().add("kin");
                    rows.add(row);
                });
            }
        }
        if (shown == 0 && !sources.isEmpty()) {
            rows.add(Parts.wrapped(onlyTrouble.isSelected() ? "No source has anything to look at." : "No source has this in its name.",
                    "note", "empty"));
        }
        list.getChildren().setAll(rows);
    }

    /** Rows of what a search has found while it goes on. */
    private List<Node> soFar() {
        List<Node> rows = new ArrayList<>();
        HBox head = Parts.row(Parts.label("Looking into folders", "strong"), Parts.space(),
                Parts.button("stop-looking", "Stop looking", () -> session.search().stop()));
        head.getStyleClass().add("filter-bar");
        rows.add(head);
        for (Sequence found : session.search().soFar()) {
            VBox row = new VBox(Parts.label(found.name(), "strong"),
                    Parts.label(found.count() + " files so far   " + found.folder(), "note"));
            row.getStyleClass().add("source-row");
            rows.add(row);
        }
        return rows;
    }

    private boolean passes(Source source) {
        return source.name().toLowerCase(Locale.ROOT).contains(words.getText().toLowerCase(Locale.ROOT))
                && (!onlyTrouble.isSelected() || SourceRow.hasTrouble(session, source));
    }

    private HBox family(Kin kin, List<Source> sources, List<Kin.Member> members, boolean open, String selected) {
        ToggleButton fold = Controls.toggle(kin.name());
        fold.setId("kin-" + kin.name().replaceAll("[^A-Za-z0-9]+", "-"));
        fold.setSelected(open);
        fold.setGraphic((fold.isSelected() ? Icon.DOWN : Icon.STEP_FORWARD).node());
        fold.getStyleClass().add("kin-fold");
        fold.setOnAction(_ -> {
            folds.put(kin.name(), fold.isSelected());
            show(selected);
        });
        long troubled = members.stream().filter(m -> SourceRow.hasTrouble(session, sources.get(m.index()))).count();
        Label state = Parts.label(troubled == 0 ? "" : troubled + " of them to look at", "state", "warn");
        if (troubled > 0) {
            state.setGraphic(Icon.WARNING.node());
        }
        HBox line = Parts.row(fold, Parts.label(members.size() + " that belong together", "note"), Parts.space(), state);
        line.getStyleClass().add("kin-line");
        return line;
    }

    private VBox row(Source source, String word, String selected) {
        FrameTable table = session.table(source.id());
        VBox row = new VBox(new SourceRow(session, thumbnails, source, word));
        row.setId("source-" + source.id());
        row.getStyleClass().add("source-row");
        if (source.id().equals(selected)) {
            row.getStyleClass().add("selected");
            row.getChildren()
                    .add(table != null ? new ReadingPane(session, ask, source, table) : new SourceActs(session, ask, source, null));
        }
        row.setOnMousePressed(_ -> select.accept(source.id()));
        // Its way ends on the reel's tab.
        row.setUserData(new Dragged.OfSource(source.id()));
        row.setOnDragDetected(_ -> row.startFullDrag());
        row.setAccessibleText(source.name());
        return row;
    }
}
