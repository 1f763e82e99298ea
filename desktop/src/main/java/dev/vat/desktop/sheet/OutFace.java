package dev.vat.desktop.sheet;

import dev.vat.core.delivery.Deliverable;
import dev.vat.core.delivery.RoughForecast;
import dev.vat.core.finding.Finding;
import dev.vat.core.picture.Rgb;
import dev.vat.core.project.Edit;
import dev.vat.core.project.Edits;
import dev.vat.core.run.Programme;
import dev.vat.core.time.Rate;
import dev.vat.desktop.look.Ask;
import dev.vat.desktop.look.Icon;
import dev.vat.desktop.look.Parts;
import dev.vat.desktop.studio.Studio;
import dev.vat.engine.protocol.FileProgress;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import javafx.geometry.Bounds;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/**
 * Deliverables as columns, settings as rows, read across and edited in the cell: arrows move, Enter edits, Escape leaves.
 */
public final class OutFace extends VBox {

    private static final double SENTENCE = 46;

    private final Studio studio;
    private final Runnable columnChanged;
    private final OutFields fields;
    private final GridPane grid = new GridPane();
    private final Label sentence = Parts.wrapped("", "note", "sentence");
    private int row;
    private int column;
    private TextField editor;
    private Label[][] cells = new Label[0][];
    private final Map<String, Label> statuses = new HashMap<>();

    /** @param columnChanged told when another deliverable is in focus */
    public OutFace(Studio studio, Ask ask, Runnable columnChanged) {
        this.studio = studio;
        this.columnChanged = columnChanged;
        this.fields = new OutFields(studio, ask);
        setId("out-face");
        getStyleClass().add("face");
        grid.setId("out-grid");
        grid.getStyleClass().add("out-grid");
        grid.setFocusTraversable(true);
        grid.addEventFilter(KeyEvent.KEY_PRESSED, this::key);
        sentence.setId("out-sentence");
        // Always room for two lines: the sheet must not move under the mouse when another cell has more to say.
        sentence.setMinHeight(SENTENCE);
        sentence.setPrefHeight(SENTENCE);
        sentence.setAlignment(Pos.TOP_LEFT);
    }

    /** The deliverable in focus. */
    public Optional<Deliverable> focused() {
        List<Deliverable> all = studio.project().deliverables();
        return column < all.size() ? Optional.of(all.get(column)) : Optional.empty();
    }

    public void show() {
        if (editor != null) {
            return;
        }
        Programme programme = studio.programme().orElse(null);
        if (programme == null || studio.project().deliverables().isEmpty()) {
            getChildren().setAll(fields.folder(), Parts.wrapped("No target yet. Say below who the file is for: each target becomes a column here.", "note", "empty"));
            return;
        }
        column = Math.min(column, studio.project().deliverables().size() - 1);
        build(programme);
        getChildren().setAll(fields.folder(), fields.naming(focused()), fields.rate(programme), sentence, grid);
        focus(row, column);
    }

    /** Under each column's name: how far its file is while it is made, else what it will weigh. */
    public void showProgress() {
        statuses.forEach((target, label) -> label.setText(studio.runs().progress(target).map(OutFace::words)
                .orElseGet(() -> forecast(target))));
    }

    private static String words(FileProgress p) {
        long percent = p.frames() == 0 ? 0 : 100 * p.done() / p.frames();
        return switch (p.stage()) {
            case WAITING, JOINING, FAILED, UNPROVEN, STOPPED -> p.stage().name().toLowerCase(Locale.ROOT);
            case ENCODING, PROVING -> p.stage().name().toLowerCase(Locale.ROOT) + " " + percent + " %";
            case DELIVERED -> p.why() == null ? "proven, " + RoughForecast.bytes(p.bytes()) : p.why();
        };
    }

    private String forecast(String target) {
        return studio.programme().flatMap(p -> studio.deliverable(target).flatMap(d -> OutRow.FORECAST.value(studio.project(), p, d)))
                .map(words -> "rough " + words).orElse("");
    }

    private void build(Programme programme) {
        List<Deliverable> all = studio.project().deliverables();
        grid.getChildren().clear();
        grid.getColumnConstraints().clear();
        statuses.clear();
        ColumnConstraints names = new ColumnConstraints(104);
        grid.getColumnConstraints().add(names);
        grid.add(head("", null), 0, 0);
        for (int c = 0; c < all.size(); c++) {
            ColumnConstraints wide = new ColumnConstraints(100, 160, Double.MAX_VALUE);
            wide.setHgrow(Priority.ALWAYS);
            grid.getColumnConstraints().add(wide);
            grid.add(head(all.get(c).targetInCatalogue().title(), all.get(c)), c + 1, 0);
        }
        OutRow[] rows = OutRow.values();
        cells = new Label[rows.length][all.size()];
        for (int r = 0; r < rows.length; r++) {
            Label name = Parts.label(rows[r].title(), "cell-name");
            name.setMaxWidth(Double.MAX_VALUE);
            grid.add(name, 0, r + 1);
            for (int c = 0; c < all.size(); c++) {
                cells[r][c] = cell(programme, rows[r], all, r, c);
                grid.add(cells[r][c], c + 1, r + 1);
            }
        }
    }

    private VBox head(String title, Deliverable deliverable) {
        Label label = Parts.wrapped(title, "strong");
        HBox.setHgrow(label, Priority.ALWAYS);
        HBox line = new HBox(label);
        line.setAlignment(Pos.CENTER_LEFT);
        VBox head = new VBox(line);
        head.getStyleClass().add("cell-head");
        if (deliverable != null) {
            Label status = Parts.label("", "note");
            status.setId("column-status-" + deliverable.target());
            statuses.put(deliverable.target(), status);
            head.getChildren().add(status);
            Button out = Parts.button("drop-" + deliverable.target(), "", () -> studio.edit(Edits.removeTarget(deliverable.target())));
            out.setGraphic(Icon.CLOSE.node());
            out.getStyleClass().add("small");
            out.setAccessibleText("Remove " + title);
            line.getChildren().add(out);
            Tooltip.install(head, new Tooltip(deliverable.targetInCatalogue().plays()));
        }
        return head;
    }

    private Label cell(Programme programme, OutRow which, List<Deliverable> all, int r, int c) {
        Deliverable deliverable = all.get(c);
        Optional<String> value = which.value(studio.project(), programme, deliverable);
        Label cell = Parts.label(value.orElse(which.absence(programme, deliverable)), "cell");
        cell.setId("cell-" + which.name().toLowerCase(Locale.ROOT) + "-" + deliverable.target());
        cell.setMaxWidth(Double.MAX_VALUE);
        cell.setMinWidth(0);
        cell.setTooltip(new Tooltip(cell.getText()));
        if (value.isEmpty()) {
            cell.getStyleClass().add("absent");
        } else if (c > 0 && value.equals(which.value(studio.project(), programme, all.get(c - 1)))) {
            cell.setText(cell.getText() + "  \u00b7 same");
        }
        String rule = switch (which) {
            case SIZE -> "size-odd";
            case ALPHA, FLATTEN -> "alpha-flattened";
            case DEPTH -> "depth-reduced";
            case NAME -> "name-clash";
            default -> "";
        };
        studio.findings().all().stream().filter(f -> f.id().equals(rule) && deliverable.target().equals(f.target()))
                .findFirst().ifPresent(f -> style(cell, f));
        cell.setOnMousePressed(e -> {
            focus(r, c);
            grid.requestFocus();
            if (e.getClickCount() == 2) {
                edit();
            }
            // The scroll pane around would take the keyboard away again.
            e.consume();
        });
        return cell;
    }

    private static void style(Label cell, Finding finding) {
        switch (finding.severity()) {
            case BLOCKER -> cell.getStyleClass().add("fault");
            case WARNING -> cell.getStyleClass().add("warn");
            case NOTE -> { }
        }
        cell.setTooltip(new Tooltip(finding.text()));
    }

    private void focus(int r, int c) {
        if (cells.length == 0) {
            return;
        }
        boolean other = c != column;
        for (Label[] line : cells) {
            for (Label cell : line) {
                cell.getStyleClass().remove("here");
            }
        }
        row = Math.clamp(r, 0, cells.length - 1);
        column = Math.clamp(c, 0, cells[0].length - 1);
        Label cell = cells[row][column];
        cell.getStyleClass().add("here");
        sentence.setText(OutRow.values()[row].sentence());
        grid.setAccessibleText(OutRow.values()[row].title() + " of "
                + studio.project().deliverables().get(column).targetInCatalogue().title() + ": " + cell.getText());
        if (other) {
            columnChanged.run();
        }
    }

    private void go(int toRow, int toColumn) {
        focus(toRow, toColumn);
        reveal(cells[row][column]);
    }

    /** Scrolls as little as needed for a cell to be seen. */
    private void reveal(Node cell) {
        for (Parent at = getParent(); at != null; at = at.getParent()) {
            if (at instanceof ScrollPane pane) {
                double hidden = getHeight() - pane.getViewportBounds().getHeight();
                if (hidden <= 0) {
                    return;
                }
                Bounds place = sceneToLocal(cell.localToScene(cell.getBoundsInLocal()));
                double top = pane.getVvalue() * hidden;
                double highest = Math.max(0, place.getMinY());
                double wanted = Math.clamp(top, Math.min(highest, place.getMaxY() - pane.getViewportBounds().getHeight()), highest);
                pane.setVvalue(wanted / hidden);
            }
        }
    }

    private void key(KeyEvent e) {
        if (editor != null) {
            if (e.getCode() == KeyCode.ESCAPE) {
                stopEditing(true);
                e.consume();
            }
            return;
        }
        switch (e.getCode()) {
            case UP -> go(row - 1, column);
            case DOWN -> go(row + 1, column);
            case LEFT -> go(row, column - 1);
            case RIGHT -> go(row, column + 1);
            case ENTER -> edit();
            default -> {
                return;
            }
        }
        e.consume();
    }

    private void edit() {
        Deliverable deliverable = studio.project().deliverables().get(column);
        OutRow which = OutRow.values()[row];
        if (!which.isEditable(deliverable)) {
            return;
        }
        if (which == OutRow.SIZE) {
            studio.edit(Edits.cropToGrid(deliverable.target(), !deliverable.cropToGrid()));
            return;
        }
        editor = new TextField(which == OutRow.FLATTEN ? deliverable.flatten().toString()
                : studio.programme().flatMap(Programme::rate).map(Rate::toString).orElse(""));
        editor.setId("cell-editor");
        grid.add(editor, column + 1, row + 1);
        editor.applyCss();
        editor.requestFocus();
        editor.selectAll();
        editor.setOnAction(_ -> commit(which, deliverable, true));
        editor.focusedProperty().addListener((_, _, focused) -> {
            // A click or Tab elsewhere enters what was typed, too.
            if (!focused && editor != null) {
                commit(which, deliverable, false);
            }
        });
    }

    /** @param stay whether the keyboard stays on the sheet, and a value that can't be used in its editor */
    private void commit(OutRow which, Deliverable deliverable, boolean stay) {
        Edit edit;
        try {
            edit = which == OutRow.FLATTEN ? Edits.setFlatten(deliverable.target(), Rgb.parse(editor.getText()))
                    : Edits.setRateEverywhere(Rate.parse(editor.getText()));
        } catch (IllegalArgumentException e) {
            if (stay) {
                sentence.setText(e.getMessage());
                editor.getStyleClass().add("refused");
            } else {
                stopEditing(false);
                sentence.setText(e.getMessage() + ". The value stays as it was.");
            }
            return;
        }
        stopEditing(stay);
        studio.edit(edit);
    }

    private void stopEditing(boolean keepFocus) {
        if (editor != null) {
            TextField done = editor;
            editor = null;
            grid.getChildren().remove(done);
            if (keepFocus) {
                grid.requestFocus();
            }
            show();
        }
    }
}
