package dev.vat.desktop.sheet;

import dev.vat.core.words.Words;
import dev.vat.core.delivery.Deliverable;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.desktop.look.Icon;
import dev.vat.desktop.look.Parts;
import dev.vat.desktop.session.Session;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.BiConsumer;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** Deliverables as columns and settings as rows under headings that fold. Names of rows stay while the columns scroll beside them. */
final class OutGrid extends HBox {

    private static final Words WORDS = Words.of(OutGrid.class);

    static final double NARROWEST = 150;

    private static final double NAMES = 116;
    private static final double WIDEST_NAMES = 190;
    private static final double HEAD = 62;
    private static final double ACROSS_BAR = 14;

    /** A line of the sheet: a row, or a heading under which rows are folded; the other is null. */
    record Line(OutRow row, OutRow.Group heading) {}

    /** Which cells there are. */
    private record Layout(List<Line> lines, Set<OutRow.Group> opened, List<String> columns) {}

    /** What is done with the mouse. */
    interface Presses {
        void name(int line);

        void heading(int line);

        void cell(int line, int column, MouseEvent e);
    }

    private final Session session;
    private final OutMenus menus;
    private final Presses presses;
    private final GridPane names = new GridPane();
    private final GridPane grid = new GridPane();
    private final VBox corner;
    private final Map<String, OutHead> heads = new HashMap<>();
    private final Set<OutRow.Group> opened = EnumSet.allOf(OutRow.Group.class);
    private OutCell[][] cells = new OutCell[0][];
    private Layout layout = new Layout(List.of(), Set.of(), List.of());

    /** @param add stands over the names */
    OutGrid(Session session, OutMenus menus, Node add, Presses presses) {
        this.session = session;
        this.menus = menus;
        this.presses = presses;
        corner = new VBox(add);
        corner.getStyleClass().add("cell-head");
        corner.setMinHeight(HEAD);
        grid.setId("out-grid");
        grid.getStyleClass().add("out-grid");
        grid.setFocusTraversable(true);
        names.getStyleClass().add("out-grid");
        names.getColumnConstraints().add(new ColumnConstraints(NAMES, Region.USE_COMPUTED_SIZE, WIDEST_NAMES));
        names.setMinWidth(Region.USE_PREF_SIZE);
        ScrollPane across = new ScrollPane(grid);
        across.setId("out-across");
        across.getStyleClass().add("out-across");
        across.setVbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        across.setFitToWidth(true);
        across.setFocusTraversable(false);
        // Never up and down: row labels beside it don't move. Its own bar for going across needs room below the cells.
        grid.heightProperty().addListener((_, _, height) -> across.setMinHeight(height.doubleValue() + ACROSS_BAR));
        across.vvalueProperty().addListener((_, _, _) -> across.setVvalue(0));
        HBox.setHgrow(across, Priority.ALWAYS);
        setAlignment(Pos.TOP_LEFT);
        getChildren().addAll(names, across);
    }

    /** Where the keyboard is. */
    GridPane cells() {
        return grid;
    }

    GridPane names() {
        return names;
    }

    Set<OutRow.Group> opened() {
        return opened;
    }

    List<Line> lines() {
        return layout.lines;
    }

    boolean isEmpty() {
        return cells.length == 0;
    }

    OutCell cell(int line, int column) {
        return cells[line][column];
    }

    int columns() {
        return layout.columns.size();
    }

    /** Nothing stands here any more. */
    void clear() {
        cells = new OutCell[0][];
        layout = new Layout(List.of(), Set.of(), List.of());
    }

    /** Folds a group, or opens it. */
    void fold(OutRow.Group group) {
        if (!opened.remove(group)) {
            opened.add(group);
        }
    }

    /** Makes cells for rows and columns that weren't there, and brings all up to date. */
    void show(ResolvedReel programme, List<Deliverable> columns) {
        Layout wanted = new Layout(visible(), Set.copyOf(opened), columns.stream().map(Deliverable::id).toList());
        if (!wanted.equals(layout)) {
            layout = wanted;
            lay(columns);
        }
        for (int c = 0; c < columns.size(); c++) {
            head(columns.get(c), c);
            for (int r = 0; r < cells.length; r++) {
                Line line = layout.lines.get(r);
                if (line.row == null) {
                    cells[r][c].show(line.heading, columns.get(c), opened.contains(line.heading));
                } else {
                    cells[r][c].show(programme, columns.get(c));
                }
            }
        }
    }

    private List<Line> visible() {
        List<Line> visible = new ArrayList<>();
        for (OutRow.Group group : OutRow.Group.values()) {
            visible.add(new Line(null, group));
            if (opened.contains(group)) {
                group.rows().forEach(row -> visible.add(new Line(row, null)));
            }
        }
        return visible;
    }

    private void lay(List<Deliverable> columns) {
        names.getChildren().clear();
        grid.getChildren().clear();
        grid.getColumnConstraints().clear();
        heads.clear();
        corner.minHeightProperty().unbind();
        names.add(corner, 0, 0);
        cells = new OutCell[layout.lines.size()][columns.size()];
        for (int c = 0; c < columns.size(); c++) {
            ColumnConstraints wide = new ColumnConstraints(NARROWEST, NARROWEST, Double.MAX_VALUE);
            wide.setHgrow(Priority.ALWAYS);
            grid.getColumnConstraints().add(wide);
        }
        for (int r = 0; r < cells.length; r++) {
            Label name = name(layout.lines.get(r), r);
            names.add(name, 0, r + 1);
            for (int c = 0; c < columns.size(); c++) {
                int line = r;
                int column = c;
                cells[r][c] = new OutCell(session, layout.lines.get(r).row, columns.get(c));
                cells[r][c].setOnMousePressed(e -> presses.cell(line, column, e));
                grid.add(cells[r][c], c, r + 1);
            }
            name.minHeightProperty().bind(cells[r][0].heightProperty());
        }
    }

    private Label name(Line line, int r) {
        Label name = Parts.label(line.row != null ? line.row.title() : line.heading.title(), "cell-name");
        name.setMaxWidth(Double.MAX_VALUE);
        name.setOnMousePressed(_ -> presses.name(r));
        if (line.heading != null) {
            name.setId("fold-" + line.heading.name().toLowerCase(Locale.ROOT));
            name.getStyleClass().add("fold");
            name.setGraphic((opened.contains(line.heading) ? Icon.DOWN : Icon.STEP_FORWARD).node());
            name.setOnMousePressed(e -> {
                presses.heading(r);
                e.consume();
            });
        }
        return name;
    }

    /** The heading of a column, made anew where it says something else. */
    private void head(Deliverable deliverable, int c) {
        OutHead before = heads.get(deliverable.id());
        if (before != null && before.isOf(deliverable)) {
            return;
        }
        grid.getChildren().remove(before);
        OutHead head = new OutHead(session, menus, deliverable);
        head.setMinHeight(HEAD);
        if (c == 0) {
            corner.minHeightProperty().bind(head.heightProperty());
        }
        heads.put(deliverable.id(), head);
        grid.add(head, c, 0);
    }

    /** Does something with the heading of each column, given by its deliverable's id. */
    void eachHead(BiConsumer<String, OutHead> act) {
        heads.forEach(act);
    }

    /** Shows at the cells what stands in the way now. */
    void judge() {
        for (int r = 0; r < cells.length; r++) {
            if (layout.lines.get(r).row != null) {
                Arrays.stream(cells[r]).forEach(OutCell::judge);
            }
        }
    }

    /** Marks the one cell that has the keyboard. */
    void mark(OutCell here) {
        Arrays.stream(cells).flatMap(Arrays::stream).forEach(each -> each.setHere(each == here));
    }

    /** The groups that are folded, by their names. */
    List<String> folded() {
        return Arrays.stream(OutRow.Group.values()).filter(g -> !opened.contains(g)).map(Enum::name).toList();
    }

    /** Folds these groups, and opens the others. */
    void foldOnly(List<String> groups) {
        opened.clear();
        Arrays.stream(OutRow.Group.values()).filter(g -> !groups.contains(g.name())).forEach(opened::add);
    }

    /** Under each column's name: how far its file is while it is made, else what it will weigh. */
    void showProgress() {
        eachHead((id, head) -> head.show(session.runs().progress(id).orElse(null), forecast(id)));
    }

    private String forecast(String id) {
        Deliverable deliverable = session.deliverable(id).orElse(null);
        if (deliverable == null || deliverable.off()) {
            return WORDS.say("off");
        }
        return session.forecasts().of(deliverable).map(ForecastWords::brief)
                .orElseGet(() -> session.programme().flatMap(p -> FactRow.FORECAST.value(session, p, deliverable))
                        .map(w -> WORDS.say("rough", w))
                        .orElse(""));
    }
}
