package dev.vat.desktop.sheet;

import dev.vat.core.project.Source;
import dev.vat.core.source.Kin;
import dev.vat.core.source.Location;
import dev.vat.core.source.Sequence;
import dev.vat.core.words.Words;
import dev.vat.desktop.look.Controls;
import dev.vat.desktop.look.Dialogs;
import dev.vat.desktop.look.Icon;
import dev.vat.desktop.look.Parts;
import dev.vat.desktop.look.TallScroll;
import dev.vat.desktop.preview.ScenesPane;
import dev.vat.desktop.session.Session;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.function.Consumer;
import java.util.stream.Stream;
import javafx.beans.binding.Bindings;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.MouseButton;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/**
 * What was brought in: a list with one row a source, kin under one row that opens; below it, what is chosen and how it is taken. Several
 * can be chosen at once; Enter adds them to the reel, Delete removes them.
 */
public final class InFace extends VBox {

    private static final Words WORDS = Words.of(InFace.class);

    private static final int FEWEST_TO_FILTER = 3;
    private static final double ROW = 52;
    private static final double NARROWEST_FILTER = 70;
    /** Of the face's height; the list keeps the rest. */
    private static final double MOST_CHOSEN = .56;
    private static final double LEAST_CHOSEN = .2;
    private static final double MOST_SCENES = .45;
    private static final String EMPTY = WORDS.say("nothingHasBeenAddedYetDrop");

    /** A row of the list. */
    private sealed interface Row {
        /** @param word what tells it from its kin; empty for a source by itself */
        record Of(String id, String word, boolean kin) implements Row {}

        record Family(String name, List<String> members, boolean open) implements Row {}

        /** What a search that goes on has found. */
        record Found(String name, String words) implements Row {}
    }

    private final Session session;
    private final Dialogs ask;
    private final Consumer<String> select;
    private final Thumbnails thumbnails;
    /** Families that somebody opened or closed; others are open while the selected source is one of them. */
    private final Map<String, Boolean> folds = new HashMap<>();
    private final TextField words = new TextField();
    private final ToggleButton onlyTrouble = Controls.toggle(WORDS.say("problems"));
    private final Label total = Parts.label("", "note");
    /** Stays while the rows under it are made anew, so that nobody's typing is cut off. */
    private final HBox filterBar = Parts.row(words, onlyTrouble, Parts.space(), total);
    private final HBox looking;
    private final Rows<Row> list = new Rows<>("sources", WORDS.say("sources"), ROW, this::fill);
    private final Label nothing = Parts.wrapped(EMPTY, "note", "empty");
    private final SourcePane chosen;
    private final ScenesPane scenes;
    private List<Location> grouped;
    private List<Kin> kin = List.of();
    private String selected;

    /** @param scenes what stands above the sources @param select told of the id of the source that is chosen */
    public InFace(Session session, Dialogs ask, Thumbnails thumbnails, ScenesPane scenes, Consumer<String> select) {
        this.scenes = scenes;
        this.session = session;
        this.ask = ask;
        this.select = select;
        this.thumbnails = thumbnails;
        this.chosen = new SourcePane(session, ask);
        setId("in-face");
        // What its parts want must never make the window's page taller than the window.
        setMinHeight(0);
        getStyleClass().add("face");
        words.setId("filter");
        words.setPromptText(WORDS.say("filterByName"));
        words.setAccessibleText(WORDS.say("filterSourcesByName"));
        words.setPrefColumnCount(14);
        words.textProperty().addListener((_, _, _) -> show(selected));
        onlyTrouble.setId("only-trouble");
        onlyTrouble.setMinWidth(Region.USE_PREF_SIZE);
        total.setMinWidth(Region.USE_PREF_SIZE);
        words.setMinWidth(NARROWEST_FILTER);
        onlyTrouble.setOnAction(_ -> show(selected));
        filterBar.getStyleClass().add("filter-bar");
        looking = Parts.row(Parts.label(WORDS.say("lookingIntoFolders"), "strong"), Parts.space(),
                Parts.button("stop-looking", WORDS.say("stopLooking"), () -> session.search().stop()));
        looking.getStyleClass().add("filter-bar");
        list.setPlaceholder(nothing);
        list.setOnChosen(this::chosenChanged);
        list.setActs(() -> acts().menu(), row -> {
            if (row instanceof Row.Family family) {
                fold(family);
            } else {
                acts().addToReel();
            }
        }, () -> acts().remove());
        VBox.setVgrow(list, Priority.ALWAYS);
        // In a low window what is set of the chosen one needs room, too.
        list.setMinHeight(ROW * 1.5);
        list.setPrefHeight(ROW * 2.5);
        // Whoever looks at a scene wants to see it, and of the rest only as much as leaves the list its rows.
        chosen.maxHeightProperty().bind(Bindings.when(scenes.visibleProperty()).then(heightProperty().multiply(LEAST_CHOSEN))
                .otherwise(heightProperty().multiply(MOST_CHOSEN)));
        TallScroll above = new TallScroll(scenes, () -> getHeight() * MOST_SCENES);
        above.managedProperty().bind(scenes.managedProperty());
        above.visibleProperty().bind(scenes.visibleProperty());
        above.setMinHeight(Region.USE_PREF_SIZE);
        above.setMaxHeight(Region.USE_PREF_SIZE);
        getChildren().addAll(above, looking, filterBar, list, chosen);
    }

    /** Opens a group of the chosen source. */
    public void open(String group) {
        chosen.open(group);
        show(selected);
    }

    /** @param selected id of the source that is looked at, or null */
    public void show(String selected) {
        boolean other = !Objects.equals(selected, this.selected);
        this.selected = selected;
        scenes.show();
        List<Source> sources = session.project().sources();
        boolean going = session.search().isGoing();
        Parts.present(looking, going);
        Parts.present(filterBar, !going && sources.size() >= FEWEST_TO_FILTER);
        long troubled = sources.stream().filter(s -> SourceState.hasTrouble(session, s)).count();
        onlyTrouble.setText(WORDS.say("problems2", troubled));
        onlyTrouble.setDisable(troubled == 0 && !onlyTrouble.isSelected());
        long frames = sources.stream().map(s -> session.watch().table(s.id())).filter(Objects::nonNull).mapToLong(t -> t.sequence().count())
                .sum();
        total.setText(WORDS.say("sourcesFrames", sources.size(), frames));
        List<Row> rows = going ? session.search().soFar().stream().map(InFace::found).toList() : rows(sources);
        nothing.setText(sources.isEmpty() ? EMPTY : onlyTrouble.isSelected() ? WORDS.say("noSourceHasAnythingToLook")
                : WORDS.say("noSourceHasThisInItsName"));
        list.showRows(rows);
        if (other || list.chosen().isEmpty()) {
            rows.stream().filter(r -> r instanceof Row.Of(String id, String _, boolean _) && id.equals(selected)).findFirst()
                    .ifPresent(list::choose);
        }
        chosen.show(chosen());
    }

    private static Row found(Sequence sequence) {
        return new Row.Found(sequence.name(), WORDS.say("filesSoFar", sequence.count(), sequence.folder()));
    }

    private List<Row> rows(List<Source> sources) {
        List<Row> rows = new ArrayList<>();
        for (Kin kin : kin(sources)) {
            List<Kin.Member> members = kin.members().stream().filter(m -> passes(sources.get(m.index()))).toList();
            if (members.isEmpty()) {
                continue;
            }
            if (!kin.isFamily()) {
                rows.add(new Row.Of(sources.get(members.getFirst().index()).id(), "", false));
                continue;
            }
            List<String> ids = members.stream().map(m -> sources.get(m.index()).id()).toList();
            boolean open = folds.getOrDefault(kin.name(), ids.contains(selected));
            rows.add(new Row.Family(kin.name(), ids, open));
            if (open) {
                members.forEach(m -> rows.add(new Row.Of(sources.get(m.index()).id(), m.word().isEmpty() ? kin.name() : m.word(), true)));
            }
        }
        return rows;
    }

    /** Names are looked into anew only when other sources are there. */
    private List<Kin> kin(List<Source> sources) {
        List<Location> locations = sources.stream().map(Source::location).toList();
        if (!locations.equals(grouped)) {
            grouped = locations;
            kin = Kin.group(locations);
        }
        return kin;
    }

    private boolean passes(Source source) {
        return source.name().toLowerCase(Locale.ROOT).contains(words.getText().toLowerCase(Locale.ROOT))
                && (!onlyTrouble.isSelected() || SourceState.hasTrouble(session, source));
    }

    // ---- what is chosen

    private List<Source> chosen() {
        return list.chosen().stream().flatMap(row -> switch (row) {
            case Row.Of(String id, String _, boolean _) -> Stream.of(id);
            case Row.Family(String _, List<String> members, boolean _) -> members.stream();
            case Row.Found _ -> Stream.<String>empty();
        }).distinct().flatMap(id -> session.project().source(id).stream()).toList();
    }

    private void chosenChanged() {
        chosen.show(chosen());
        if (list.getSelectionModel().getSelectedItem() instanceof Row.Of(String id, String _, boolean _)
                && !id.equals(selected)) {
            selected = id;
            select.accept(id);
        }
    }

    private SourceMenu acts() {
        return new SourceMenu(session, ask, chosen());
    }

    private void fold(Row.Family family) {
        folds.put(family.name, !family.open);
        show(selected);
    }

    // ---- rows on the screen

    private void fill(ListCell<Row> cell, Row row) {
        switch (row) {
            case Row.Found(String name, String said) -> cell
                    .setGraphic(new VBox(Parts.label(name, "strong"), Parts.label(said, "note")));
            case Row.Family family -> family(cell, family);
            case Row.Of of -> session.project().source(of.id).ifPresent(source -> source(cell, of, source));
        }
    }

    private void source(ListCell<Row> cell, Row.Of row, Source source) {
        cell.setAccessibleText(source.name() + ", " + SourceState.of(session, source, session.watch().table(row.id)).words());
        if (row.kin && !cell.getStyleClass().contains("kin")) {
            cell.getStyleClass().add("kin");
        }
        SourceRow line = cell.getGraphic() instanceof SourceRow there ? there : new SourceRow(session, thumbnails);
        line.show(source, row.word);
        cell.setGraphic(line);
        cell.setOnDragDetected(_ -> {
            // Its way ends on the reel's tab. What is dragged with others takes them along.
            List<String> ids = chosen().stream().map(Source::id).toList();
            cell.setUserData(new Dragged.OfSources(ids.contains(row.id) ? ids : List.of(row.id)));
            cell.startFullDrag();
        });
    }

    private void family(ListCell<Row> cell, Row.Family row) {
        cell.setId("kin-" + row.name.replaceAll("[^A-Za-z0-9]+", "-"));
        cell.setAccessibleText(
                WORDS.say("thatBelongTogether", row.name, row.members.size(), (row.open ? WORDS.say("open") : WORDS.say("folded"))));
        Label name = Parts.label(row.name, "strong");
        name.setGraphic((row.open ? Icon.DOWN : Icon.STEP_FORWARD).node());
        long troubled = row.members.stream().flatMap(id -> session.project().source(id).stream())
                .filter(s -> SourceState.hasTrouble(session, s)).count();
        Label state = Parts.label(troubled == 0 ? "" : WORDS.say("ofThemToLookAt", troubled), "state", "warn");
        if (troubled > 0) {
            state.setGraphic(Icon.WARNING.node());
        }
        HBox line = Parts.row(name, Parts.label(WORDS.say("thatBelongTogether2", row.members.size()), "note"), Parts.space(), state);
        line.setAlignment(Pos.CENTER_LEFT);
        cell.setGraphic(line);
        cell.setOnMouseClicked(e -> {
            if (e.getButton() == MouseButton.PRIMARY) {
                fold(row);
            }
        });
    }
}
