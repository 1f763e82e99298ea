package dev.vat.desktop.sheet;

import dev.vat.core.delivery.Deliverable;
import dev.vat.core.project.DeliverableEdits;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.words.Words;
import dev.vat.desktop.look.Controls;
import dev.vat.desktop.look.Dialogs;
import dev.vat.desktop.look.Icon;
import dev.vat.desktop.look.Parts;
import dev.vat.desktop.session.Session;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import javafx.application.Platform;
import javafx.beans.binding.Bindings;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseButton;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/**
 * Deliverables as columns, settings as rows, read across and edited in the cell: arrows move, Enter edits, Escape leaves,
 * Backspace follows the target again. Row labels stay while the columns scroll under them.
 */
public final class OutFace extends VBox {

    private static final Words WORDS = Words.of(OutFace.class);

    private static final double SENTENCE = 22;
    private static final double NAMES = 116;
    private static final double WIDEST_NAMES = 190;
    private static final double HEAD = 62;
    private static final double NARROWEST = 150;
    private static final double ACROSS_BAR = 14;

    /** A line of the sheet: a row, or a heading under which rows are folded. */
    private record Line(OutRow row, OutRow.Group heading) {}

    /** Which cells there are. */
    private record Layout(List<Line> lines, Set<OutRow.Group> opened, List<String> columns) {}

    private final Session session;
    private final Dialogs ask;
    private final Runnable columnChanged;
    private final OutFields fields;
    private final OutMenus menus;
    private final OutEditor editor;
    private final TryingBar trying;
    private final ToggleButton more = Controls.toggle("");
    private final Button add;
    private final GridPane names = new GridPane();
    private final GridPane grid = new GridPane();
    private final ScrollPane across = new ScrollPane(grid);
    private final HBox sheet = new HBox(names, across);
    private final Label sentence = Parts.wrapped("", "note", "sentence");
    private final Set<OutRow.Group> opened = EnumSet.allOf(OutRow.Group.class);
    private final VBox corner = new VBox();
    private final Map<String, OutHead> heads = new HashMap<>();
    private List<Line> lines = List.of();
    private OutCell[][] cells = new OutCell[0][];
    private Layout layout;
    /** The first below its heading. */
    private int line = 1;
    private int column;

    /**
     * @param columnChanged told when another deliverable is in focus @param ladders asked for steps of quality
     * @param adding asked for targets to add, at the button that asks */
    public OutFace(Session session, Dialogs ask, Runnable columnChanged, Runnable ladders, Consumer<Node> adding) {
        this.session = session;
        this.ask = ask;
        this.columnChanged = columnChanged;
        this.fields = new OutFields(session, ask);
        this.menus = new OutMenus(session, ask);
        this.editor = new OutEditor(session, menus, grid, sentence, this::here, this::act, this::show);
        this.trying = new TryingBar(session, ladders);
        setId("out-face");
        more.setId("to-more");
        more.setGraphic(Icon.DOWN.node());
        more.getStyleClass().add("small");
        more.setAccessibleText(WORDS.say("rateDraftAndTestEncodes"));
        more.setTooltip(new Tooltip(WORDS.say("rateDraftAndTestEncodes")));
        more.setOnAction(_ -> show());
        add = Parts.button("add-target", "+", () -> {});
        add.setOnAction(_ -> adding.accept(add));
        add.getStyleClass().add("small");
        add.setTooltip(new Tooltip(WORDS.say("addATarget")));
        add.setAccessibleText(WORDS.say("addATarget"));
        getStyleClass().add("face");
        corner.getStyleClass().add("cell-head");
        corner.getChildren().add(add);
        corner.setMinHeight(HEAD);
        grid.setId("out-grid");
        grid.getStyleClass().add("out-grid");
        names.getStyleClass().add("out-grid");
        names.getColumnConstraints().add(new ColumnConstraints(NAMES, Region.USE_COMPUTED_SIZE, WIDEST_NAMES));
        names.setMinWidth(Region.USE_PREF_SIZE);
        grid.setFocusTraversable(true);
        grid.addEventFilter(KeyEvent.KEY_PRESSED, this::key);
        grid.addEventFilter(KeyEvent.KEY_TYPED, e -> editor.typed(e));
        grid.setOnContextMenuRequested(e -> editor.menu(e, NARROWEST / 2));
        names.setOnContextMenuRequested(e -> editor.menu(e, 0));
        across.setId("out-across");
        across.getStyleClass().add("out-across");
        across.setVbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        across.setFitToWidth(true);
        across.setFocusTraversable(false);
        // Never up and down: row labels beside it don't move. Its own bar for going across needs room below the cells.
        grid.heightProperty().addListener((_, _, height) -> across.setMinHeight(height.doubleValue() + ACROSS_BAR));
        across.vvalueProperty().addListener((_, _, _) -> across.setVvalue(0));
        HBox.setHgrow(across, Priority.ALWAYS);
        sheet.setAlignment(Pos.TOP_LEFT);
        sentence.setId("out-sentence");
        // The sheet must not move under the mouse when another cell has more to say.
        sentence.minHeightProperty().bind(Bindings.createDoubleBinding(() -> Math.max(SENTENCE, sentence.prefHeight(sentence.getWidth())),
                sentence.textProperty(), sentence.widthProperty()));
        sentence.setAlignment(Pos.CENTER_LEFT);
        sentence.setMaxWidth(Double.MAX_VALUE);
        sentence.setMinWidth(0);
    }

    private List<Deliverable> columns() {
        return session.project().deliverables();
    }

    /** The deliverable in focus. */
    public Optional<Deliverable> focused() {
        return column < columns().size() ? Optional.of(columns().get(column)) : Optional.empty();
    }

    /** What the rows are called, by their ids. */
    public Map<String, String> rows() {
        Map<String, String> rows = new LinkedHashMap<>();
        Arrays.stream(OutRow.Group.values()).flatMap(g -> g.rows().stream()).forEach(row -> rows.put(row.id(), row.title()));
        return rows;
    }

    /** The groups that are folded, by their names. */
    public List<String> folded() {
        return Arrays.stream(OutRow.Group.values()).filter(g -> !opened.contains(g)).map(Enum::name).toList();
    }

    /** Folds these groups, and opens the others. */
    public void fold(List<String> groups) {
        opened.clear();
        Arrays.stream(OutRow.Group.values()).filter(g -> !groups.contains(g.name())).forEach(opened::add);
    }

    /** Brings the keyboard to a column. @param id of the deliverable */
    public void goToColumn(String id) {
        show();
        for (int c = 0; c < columns().size(); c++) {
            if (columns().get(c).id().equals(id) && cells.length > 0) {
                go(line, c);
                Platform.runLater(grid::requestFocus);
            }
        }
    }

    /** Brings the keyboard to a row. @param id as {@link #rows} has it */
    public void goTo(String id) {
        Arrays.stream(OutRow.Group.values()).filter(g -> g.rows().stream().anyMatch(r -> r.id().equals(id))).forEach(opened::add);
        show();
        for (int r = 0; r < lines.size(); r++) {
            if (lines.get(r).row != null && lines.get(r).row.id().equals(id) && cells.length > r) {
                go(r, column);
                // After whatever was opened over the sheet has given the keyboard back.
                Platform.runLater(grid::requestFocus);
            }
        }
    }

    /** Whether deliverables stand here as columns. */
    public boolean isSheet() {
        return cells.length > 0;
    }

    /** The row in focus in one sentence, to stand under the sheet. */
    public Label sentence() {
        return sentence;
    }

    public void show() {
        if (editor.isOpen()) {
            // What is being typed or chosen isn't taken away; the sheet is made anew when that is over.
            return;
        }
        ResolvedReel programme = session.programme().orElse(null);
        if (programme == null || columns().isEmpty()) {
            cells = new OutCell[0][];
            layout = null;
            getChildren().setAll(fields.to(Optional.empty(), more), Parts.wrapped(columns().isEmpty()
                    ? WORDS.say("noTargetYetSayBelowWhoThe")
                    : WORDS.say("nothingIsInTheReelYetEach"), "note", "empty"));
            return;
        }
        column = Math.min(column, columns().size() - 1);
        build(programme);
        List<Node> parts = new ArrayList<>(List.of(fields.to(focused(), more)));
        if (more.isSelected()) {
            parts.addAll(List.of(fields.rate(programme), trying));
        }
        parts.add(sheet);
        // What stays is left where it is: what comes into the scene anew is styled anew.
        if (getChildren().contains(sheet)) {
            getChildren().remove(0, getChildren().indexOf(sheet));
            getChildren().addAll(0, parts.subList(0, parts.size() - 1));
        } else {
            getChildren().setAll(parts);
        }
        trying.show();
        showBurnIn();
        focus(line, column);
    }

    /** Of the column in focus, where it has its own. */
    private void showBurnIn() {
        getChildren().removeIf(n -> "file-burn-in".equals(n.getId()));
        focused().filter(d -> d.burnIn() != null).ifPresent(d -> {
            VBox own = new VBox(Parts.label(WORDS.say("burnInOf", d.title()), "strong"),
                    new BurnInPane(ask, "own-burn-in", d.burnIn(),
                            b -> session.edit(DeliverableEdits.follow(d.id(), x -> x.withBurnIn(b)))));
            own.setId("file-burn-in");
            own.getStyleClass().addAll("reading", "file-burn-in");
            getChildren().add(own);
        });
    }

    /** Under each column's name: how far its file is while it is made, else what it will weigh. */
    public void showProgress() {
        trying.show();
        heads.forEach((id, head) -> head.show(session.runs().progress(id).orElse(null), forecast(id)));
    }

    private String forecast(String id) {
        Deliverable deliverable = session.deliverable(id).orElse(null);
        if (deliverable == null || deliverable.off()) {
            return WORDS.say("off");
        }
        return session.foretelling().of(deliverable).map(ForecastWords::brief)
                .orElseGet(() -> session.programme().flatMap(p -> FactRow.FORECAST.value(session, p, deliverable))
                        .map(w -> WORDS.say("rough", w))
                        .orElse(""));
    }

    private List<Line> visibleLines() {
        List<Line> visible = new ArrayList<>();
        for (OutRow.Group group : OutRow.Group.values()) {
            visible.add(new Line(null, group));
            if (opened.contains(group)) {
                group.rows().forEach(row -> visible.add(new Line(row, null)));
            }
        }
        return visible;
    }

    /** Makes cells for rows and columns that weren't there, and brings all up to date. */
    private void build(ResolvedReel programme) {
        Layout wanted = new Layout(visibleLines(), Set.copyOf(opened), columns().stream().map(Deliverable::id).toList());
        if (!wanted.equals(layout)) {
            layout = wanted;
            lay();
        }
        for (int c = 0; c < columns().size(); c++) {
            head(c);
            for (int r = 0; r < lines.size(); r++) {
                if (lines.get(r).row == null) {
                    cells[r][c].show(lines.get(r).heading, columns().get(c), opened.contains(lines.get(r).heading));
                } else {
                    cells[r][c].show(programme, columns().get(c));
                }
            }
        }
        showProgress();
    }

    private void lay() {
        lines = layout.lines();
        names.getChildren().clear();
        grid.getChildren().clear();
        grid.getColumnConstraints().clear();
        heads.clear();
        corner.minHeightProperty().unbind();
        names.add(corner, 0, 0);
        cells = new OutCell[lines.size()][columns().size()];
        for (int c = 0; c < columns().size(); c++) {
            ColumnConstraints wide = new ColumnConstraints(NARROWEST, NARROWEST, Double.MAX_VALUE);
            wide.setHgrow(Priority.ALWAYS);
            grid.getColumnConstraints().add(wide);
        }
        for (int r = 0; r < lines.size(); r++) {
            Label name = name(lines.get(r), r);
            names.add(name, 0, r + 1);
            for (int c = 0; c < columns().size(); c++) {
                cells[r][c] = new OutCell(session, lines.get(r).row, columns().get(c));
                press(cells[r][c], r, c);
                grid.add(cells[r][c], c, r + 1);
            }
            name.minHeightProperty().bind(cells[r][0].heightProperty());
        }
    }

    /** The heading of a column, made anew where it says something else. */
    private void head(int c) {
        Deliverable deliverable = columns().get(c);
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

    private Label name(Line which, int r) {
        Label name = Parts.label(which.row != null ? which.row.title() : which.heading.title(), "cell-name");
        name.setMaxWidth(Double.MAX_VALUE);
        name.setOnMousePressed(_ -> {
            focus(r, column);
            grid.requestFocus();
        });
        if (which.heading != null) {
            boolean open = opened.contains(which.heading);
            name.setId("fold-" + which.heading.name().toLowerCase(Locale.ROOT));
            name.getStyleClass().add("fold");
            name.setGraphic((open ? Icon.DOWN : Icon.STEP_FORWARD).node());
            name.setOnMousePressed(e -> {
                focus(r, column);
                fold(which.heading);
                e.consume();
            });
        }
        return name;
    }

    private void fold(OutRow.Group group) {
        if (!opened.remove(group)) {
            opened.add(group);
        }
        show();
    }

    /** Shows at the cells what stands in the way now. */
    public void showFindings() {
        for (int r = 0; r < cells.length; r++) {
            if (lines.get(r).row != null) {
                Arrays.stream(cells[r]).forEach(OutCell::judge);
            }
        }
    }

    private void press(OutCell cell, int r, int c) {
        cell.setOnMousePressed(e -> {
            boolean again = r == line && c == column && grid.isFocused();
            focus(r, c);
            grid.requestFocus();
            // A click on the cell that is in focus already opens it.
            if (e.getButton() == MouseButton.PRIMARY && (again || e.getClickCount() == 2)) {
                act();
            }
            // The scroll pane around would take the keyboard away again.
            e.consume();
        });
    }

    private void focus(int r, int c) {
        if (cells.length == 0) {
            return;
        }
        boolean other = c != column;
        line = Math.clamp(r, 0, cells.length - 1);
        column = Math.clamp(c, 0, cells[0].length - 1);
        OutCell cell = cells[line][column];
        Arrays.stream(cells).flatMap(Arrays::stream).forEach(each -> each.setHere(each == cell));
        Line now = lines.get(line);
        String title = now.row == null ? now.heading.title() : now.row.title();
        sentence.setText(now.row == null ? WORDS.say("enterShowsOrHidesTheseRows") : sentence(now.row, columns().get(column))
                + (now.row.differs(columns().get(column)) ? WORDS.say("backspaceFollowsTheTarget") : ""));
        sentence.setTooltip(new Tooltip(sentence.getText()));
        grid.setAccessibleText(WORDS.say("of", title, columns().get(column).title(), cell.getText()));
        if (other) {
            showBurnIn();
            columnChanged.run();
        }
    }

    private String sentence(OutRow row, Deliverable deliverable) {
        return session.programme().isEmpty() ? "" : row.sentence(OutRow.view(session), deliverable);
    }

    private void go(int toLine, int toColumn) {
        focus(toLine, toColumn);
        Scrolls.reveal(cells[line][column]);
    }

    private void key(KeyEvent e) {
        if (editor.key(e)) {
            return;
        }
        switch (e.getCode()) {
            case UP -> go(line - 1, column);
            case DOWN -> go(line + 1, column);
            case LEFT -> go(line, column - 1);
            case RIGHT -> go(line, column + 1);
            default -> {
                return;
            }
        }
        e.consume();
    }

    /** The cell in focus. */
    private Optional<OutEditor.Cell> here() {
        if (cells.length == 0) {
            return Optional.empty();
        }
        return Optional.of(new OutEditor.Cell(lines.get(line).row, columns().get(column), cells[line][column], line + 1, column));
    }

    /** Enter and the like: a heading folds, a cell is edited. */
    private void act() {
        if (lines.get(line).row == null) {
            fold(lines.get(line).heading);
        } else {
            here().ifPresent(editor::edit);
        }
    }
}
