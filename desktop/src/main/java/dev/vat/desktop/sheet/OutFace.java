package dev.vat.desktop.sheet;

import dev.vat.core.delivery.Deliverable;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.words.Words;
import dev.vat.desktop.look.Controls;
import dev.vat.desktop.look.Dialogs;
import dev.vat.desktop.look.Icon;
import dev.vat.desktop.look.Parts;
import dev.vat.desktop.session.Session;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.application.Platform;
import javafx.beans.binding.Bindings;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.VBox;

/**
 * Deliverables as columns, settings as rows, read across and edited in the cell: arrows move, Enter edits, Escape leaves,
 * Backspace follows the target again. Row labels stay while the columns scroll under them.
 */
public final class OutFace extends VBox {

    private static final Words WORDS = Words.of(OutFace.class);

    private static final double SENTENCE = 22;

    private final Session session;
    private final Dialogs ask;
    private final Runnable columnChanged;
    private final OutFields fields;
    private final OutMenus menus;
    private final OutEditor editor;
    private final TryingBar trying;
    private final ToggleButton more = Controls.toggle("");
    private final Button add;
    private final OutGrid sheet;
    /** That of the sheet, which has the keyboard. */
    private final GridPane grid;
    private final Label sentence = Parts.wrapped("", "note", "sentence");
    /** The first below its heading. */
    private int line = 1;
    private int column;

    /**
     * @param columnChanged told when another deliverable is in focus @param ladders asked for steps of quality
     * @param adding asked for targets to add, at the button that asks
     */
    public OutFace(Session session, Dialogs ask, Runnable columnChanged, Runnable ladders, Consumer<Node> adding) {
        this.session = session;
        this.ask = ask;
        this.columnChanged = columnChanged;
        this.fields = new OutFields(session, ask);
        this.menus = new OutMenus(session, ask);
        this.add = Parts.button("add-target", "+", () -> {});
        this.sheet = new OutGrid(session, menus, add, presses());
        this.grid = sheet.cells();
        this.editor = new OutEditor(session, menus, grid, sentence, this::here, this::act, this::show);
        this.trying = new TryingBar(session, ladders);
        setId("out-face");
        more.setId("to-more");
        more.setGraphic(Icon.DOWN.node());
        more.getStyleClass().add("small");
        more.setAccessibleText(WORDS.say("rateDraftAndTestEncodes"));
        more.setTooltip(new Tooltip(WORDS.say("rateDraftAndTestEncodes")));
        more.setOnAction(_ -> show());
        add.setOnAction(_ -> adding.accept(add));
        add.getStyleClass().add("small");
        add.setTooltip(new Tooltip(WORDS.say("addATarget")));
        add.setAccessibleText(WORDS.say("addATarget"));
        getStyleClass().add("face");
        grid.addEventFilter(KeyEvent.KEY_PRESSED, this::key);
        grid.addEventFilter(KeyEvent.KEY_TYPED, e -> editor.typed(e));
        grid.setOnContextMenuRequested(e -> editor.menu(e, OutGrid.NARROWEST / 2));
        sheet.names().setOnContextMenuRequested(e -> editor.menu(e, 0));
        sentence.setId("out-sentence");
        // The sheet must not move under the mouse.
        sentence.minHeightProperty().bind(Bindings.createDoubleBinding(() -> Math.max(SENTENCE, sentence.prefHeight(sentence.getWidth())),
                sentence.textProperty(), sentence.widthProperty()));
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
        return OutRow.titles();
    }

    /** The groups that are folded, by their names. */
    public List<String> folded() {
        return sheet.folded();
    }

    /** Folds these groups, and opens the others. */
    public void fold(List<String> groups) {
        sheet.foldOnly(groups);
    }

    /** Brings the keyboard to a column. @param id of the deliverable */
    public void goToColumn(String id) {
        show();
        int place = columns().stream().map(Deliverable::id).toList().indexOf(id);
        if (place >= 0 && !sheet.isEmpty()) {
            go(line, place);
            Platform.runLater(grid::requestFocus);
        }
    }

    /** Brings the keyboard to a row. @param id as {@link #rows} has it */
    public void goTo(String id) {
        Arrays.stream(OutRow.Group.values()).filter(g -> g.rows().stream().anyMatch(r -> r.id().equals(id))).forEach(sheet.opened()::add);
        show();
        for (int r = 0; r < sheet.lines().size(); r++) {
            if (sheet.lines().get(r).row() != null && sheet.lines().get(r).row().id().equals(id) && !sheet.isEmpty()) {
                go(r, column);
                // After whatever was opened over the sheet has given the keyboard back.
                Platform.runLater(grid::requestFocus);
            }
        }
    }

    /** Whether deliverables stand here as columns. */
    public boolean isSheet() {
        return !sheet.isEmpty();
    }

    /** The row in focus in one sentence, to stand under the sheet. */
    public Label sentence() {
        return sentence;
    }

    public void show() {
        editor.keepToColumns();
        // What is being typed or chosen isn't taken away; the sheet is made anew when that is over.
        if (editor.isOpen()) {
            return;
        }
        ResolvedReel programme = session.programme().orElse(null);
        if (programme == null || columns().isEmpty()) {
            sheet.clear();
            getChildren().setAll(fields.to(Optional.empty(), more), Parts.wrapped(columns().isEmpty()
                    ? WORDS.say("noTargetYetSayBelowWhoThe")
                    : WORDS.say("nothingIsInTheReelYetEach"), "note", "empty"));
            return;
        }
        column = Math.min(column, columns().size() - 1);
        sheet.show(programme, columns());
        showProgress();
        List<Node> parts = more.isSelected() ? List.of(fields.to(focused(), more), fields.rate(programme), trying, sheet)
                : List.of(fields.to(focused(), more), sheet);
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
            VBox own = BurnInPane.ofFile(session, ask, d);
            getChildren().add(own);
        });
    }

    /** Under each column's name: how far its file is while it is made, else what it will weigh. */
    public void showProgress() {
        trying.show();
        sheet.showProgress();
    }

    private void fold(OutRow.Group group) {
        sheet.fold(group);
        show();
    }

    /** Shows at the cells what stands in the way now. */
    public void showFindings() {
        sheet.judge();
    }

    private OutGrid.Presses presses() {
        return new OutGrid.Presses() {
            @Override
            public void name(int r) {
                focus(r, column);
                grid.requestFocus();
            }

            @Override
            public void heading(int r) {
                focus(r, column);
                fold(sheet.lines().get(r).heading());
            }

            @Override
            public void cell(int r, int c, MouseEvent e) {
                boolean again = r == line && c == column && grid.isFocused();
                focus(r, c);
                grid.requestFocus();
                // A click on the cell that is in focus already opens it.
                if (e.getButton() == MouseButton.PRIMARY && (again || e.getClickCount() == 2)) {
                    act();
                }
                // The scroll pane around would take the keyboard away again.
                e.consume();
            }
        };
    }

    private void focus(int r, int c) {
        if (sheet.isEmpty()) {
            return;
        }
        boolean other = c != column;
        line = Math.clamp(r, 0, sheet.lines().size() - 1);
        column = Math.clamp(c, 0, sheet.columns() - 1);
        OutCell cell = sheet.cell(line, column);
        sheet.mark(cell);
        OutGrid.Line now = sheet.lines().get(line);
        String title = now.row() == null ? now.heading().title() : now.row().title();
        sentence.setText(now.row() == null ? WORDS.say("enterShowsOrHidesTheseRows") : sentence(now.row(), columns().get(column))
                + (now.row().differs(columns().get(column)) ? WORDS.say("backspaceFollowsTheTarget") : ""));
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
        Scrolls.reveal(sheet.cell(line, column));
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
        return sheet.isEmpty() ? Optional.empty()
                : Optional.of(new OutEditor.Cell(sheet.lines().get(line).row(), columns().get(column), sheet.cell(line, column), line + 1,
                        column));
    }

    /** Enter and the like: a heading folds, a cell is edited. */
    private void act() {
        if (sheet.lines().get(line).row() == null) {
            fold(sheet.lines().get(line).heading());
        } else {
            here().ifPresent(editor::edit);
        }
    }
}
