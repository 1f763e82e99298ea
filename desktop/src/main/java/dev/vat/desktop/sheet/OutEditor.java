package dev.vat.desktop.sheet;

import dev.vat.core.delivery.Deliverable;
import dev.vat.core.project.Edit;
import dev.vat.core.setting.Setting;
import dev.vat.core.setting.SettingView;
import dev.vat.core.words.Words;
import dev.vat.desktop.look.Clips;
import dev.vat.desktop.look.Controls;
import dev.vat.desktop.look.Fields;
import dev.vat.desktop.look.Menus;
import dev.vat.desktop.session.Session;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import javafx.geometry.Bounds;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.Label;
import javafx.scene.control.MenuItem;
import javafx.scene.control.SeparatorMenuItem;
import javafx.scene.control.TextField;
import javafx.scene.input.ContextMenuEvent;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.GridPane;

/**
 * What is done with the cells of the sheet: Enter, F2 and typing open one, Backspace follows the target again, Ctrl+C and Ctrl+V carry a
 * value to other columns, the menu gives it to all of them.
 */
final class OutEditor {

    private static final Words WORDS = Words.of(OutEditor.class);

    /** The cell in focus. @param row null for a heading @param line of the grid */
    record Cell(OutRow row, Deliverable deliverable, Label label, int line, int column) {}

    private final Session session;
    private final OutMenus menus;
    private final GridPane grid;
    private final Label sentence;
    private final Supplier<Optional<Cell>> here;
    private final Runnable act;
    private final Runnable show;
    private TextField editor;
    /** The deliverable whose cell is being typed into. */
    private String edited;
    private ContextMenu menu;
    private Cell copied;

    /** @param act opens the cell in focus, or folds its group @param show shows the sheet anew */
    OutEditor(Session session, OutMenus menus, GridPane grid, Label sentence, Supplier<Optional<Cell>> here, Runnable act, Runnable show) {
        this.session = session;
        this.menus = menus;
        this.grid = grid;
        this.sentence = sentence;
        this.here = here;
        this.act = act;
        this.show = show;
    }

    /** Whether something is being typed or chosen: the sheet must not be made anew under it. */
    boolean isOpen() {
        return editor != null || menu != null && menu.isShowing();
    }

    /** Lets go of what is typed into a column that is gone. */
    void keepToColumns() {
        if (editor != null && session.deliverable(edited).isEmpty()) {
            TextField gone = editor;
            // First, since what loses the keyboard is entered.
            editor = null;
            grid.getChildren().remove(gone);
        }
    }

    /** @return whether the key meant something here */
    boolean key(KeyEvent e) {
        if (editor != null) {
            if (e.getCode() == KeyCode.ESCAPE) {
                stop(true);
                e.consume();
            }
            return editor == null || editor.isFocused();
        }
        boolean plain = !e.isShortcutDown() && !e.isAltDown();
        if (plain && (e.getCode() == KeyCode.ENTER || e.getCode() == KeyCode.F2)) {
            act.run();
        } else if (plain && (e.getCode() == KeyCode.BACK_SPACE || e.getCode() == KeyCode.DELETE)) {
            here.get().ifPresent(this::back);
        } else if (e.isShortcutDown() && !e.isShiftDown() && e.getCode() == KeyCode.C) {
            here.get().ifPresent(this::copy);
        } else if (e.isShortcutDown() && !e.isShiftDown() && e.getCode() == KeyCode.V) {
            here.get().ifPresent(this::paste);
        } else {
            return false;
        }
        e.consume();
        return true;
    }

    /** A figure begins a value anew, where values are typed. */
    void typed(KeyEvent e) {
        if (editor != null || e.isShortcutDown() || e.isAltDown() || !e.getCharacter().chars().allMatch(Character::isDigit)
                || e.getCharacter().isEmpty()) {
            return;
        }
        here.get().filter(cell -> cell.row instanceof SettingRow(Setting setting) && setting.input() == Setting.Input.TYPED
                && cell.row.isEditable(cell.deliverable)).ifPresent(cell -> {
                    type(cell);
                    editor.setText(e.getCharacter());
                    editor.positionCaret(editor.getLength());
                    e.consume();
                });
    }

    private void back(Cell cell) {
        if (cell.row instanceof SettingRow(Setting setting) && setting.differs(cell.deliverable)) {
            session.edit(setting.follow(cell.deliverable.id()));
        }
    }

    // ---- carried to other columns

    private void copy(Cell cell) {
        copied = cell;
        Clips.copy(cell.label.getText());
        sentence.setText(WORDS.say("copiedCtrlVGivesItToAnother", cell.label.getText()));
    }

    private void paste(Cell cell) {
        if (copied == null || cell.row == null || !cell.row.equals(copied.row)) {
            sentence.setText(copied == null || copied.row == null ? WORDS.say("nothingHasBeenCopiedYet")
                    : WORDS.say("whatWasCopiedIsAValueOf", copied.row.title()));
            return;
        }
        give(cell.row, session.deliverable(copied.deliverable.id()).orElse(copied.deliverable), List.of(cell.deliverable));
    }

    /** Gives a value to columns, as one edit; those that can't have it are named. */
    private void give(OutRow row, Deliverable from, List<Deliverable> columns) {
        if (!(row instanceof SettingRow(Setting setting))) {
            return;
        }
        SettingView view = OutRow.view(session);
        List<Edit> edits = new ArrayList<>();
        List<String> refusals = new ArrayList<>();
        for (Deliverable to : columns) {
            try {
                Deliverable given = setting.carry(view, from, to);
                if (!given.equals(to)) {
                    edits.add(setting.edit(to.id(), _ -> given));
                }
            } catch (IllegalArgumentException e) {
                refusals.add(e.getMessage());
            }
        }
        if (!edits.isEmpty()) {
            session.edit(Edit.together(edits));
        }
        if (!refusals.isEmpty()) {
            session.say(String.join(". ", refusals) + ".");
        }
    }

    // ---- the menu

    /** @param aside how far from the cell's edge it opens by keys */
    void menu(ContextMenuEvent e, double aside) {
        here.get().filter(cell -> cell.row != null).ifPresent(cell -> {
            menu = menuOf(cell);
            menu.setOnHidden(_ -> show.run());
            if (e.isKeyboardTrigger()) {
                Bounds at = cell.label.localToScreen(cell.label.getLayoutBounds());
                menu.show(grid, at.getMinX() + aside, at.getMaxY());
            } else {
                menu.show(grid, e.getScreenX(), e.getScreenY());
            }
        });
        e.consume();
    }

    private ContextMenu menuOf(Cell cell) {
        List<Deliverable> others = session.project().deliverables().stream().filter(d -> !d.id().equals(cell.deliverable.id())).toList();
        MenuItem change = Controls.item("cell-change", WORDS.say("changeEnter"), act);
        change.setDisable(!cell.row.isEditable(cell.deliverable));
        MenuItem copy = Controls.item("cell-copy", WORDS.say("copyCtrlC"), () -> copy(cell));
        MenuItem paste = Controls.item("cell-paste", WORDS.say("pasteCtrlV"), () -> paste(cell));
        paste.setDisable(copied == null || !cell.row.equals(copied.row));
        MenuItem all = Controls.item("cell-to-all", WORDS.say("sameInAllColumns", cell.label.getText()),
                () -> give(cell.row, cell.deliverable, others));
        all.setDisable(others.isEmpty() || !(cell.row instanceof SettingRow) || !cell.row.isEditable(cell.deliverable));
        MenuItem target = Controls.item("cell-as-target", WORDS.say("asTheTargetHasItBackspace"), () -> back(cell));
        target.setDisable(!cell.row.differs(cell.deliverable));
        MenuItem targets = Controls.item("cell-as-targets", WORDS.say("allColumnsAsTheirTargets"), () -> {
            if (cell.row instanceof SettingRow(Setting setting)) {
                session.edit(Edit.together(session.project().deliverables().stream().map(d -> setting.follow(d.id())).toList()));
            }
        });
        targets.setDisable(session.project().deliverables().stream().noneMatch(cell.row::differs));
        return new ContextMenu(change, new SeparatorMenuItem(), copy, paste, all, new SeparatorMenuItem(), target, targets);
    }

    // ---- another value

    void edit(Cell cell) {
        if (editor != null) {
            // A value that is refused stays until it is mended or taken back.
            editor.requestFocus();
            return;
        }
        if (!cell.row.isEditable(cell.deliverable)) {
            return;
        }
        switch (cell.row) {
            case SettingRow(Setting setting) when setting.input() == Setting.Input.CHOSEN -> {
                menu = menus.choices(setting, cell.deliverable);
                menu.setOnHidden(_ -> show.run());
                Menus.below(cell.label, menu);
            }
            case SettingRow(Setting setting) when setting.input() == Setting.Input.FILE -> menus.look(cell.deliverable);
            default -> type(cell);
        }
    }

    private void type(Cell cell) {
        edited = cell.deliverable.id();
        editor = new TextField(cell.row.text(OutRow.view(session), cell.deliverable));
        editor.setId("cell-editor");
        editor.setAccessibleText(WORDS.say("of", cell.row.title(), cell.deliverable.title()));
        grid.add(editor, cell.column, cell.line);
        editor.applyCss();
        editor.requestFocus();
        editor.selectAll();
        editor.setOnAction(_ -> commit(cell, true));
        editor.focusedProperty().addListener((_, _, focused) -> {
            // A click or Tab elsewhere enters what was typed, too.
            if (!focused && editor != null) {
                commit(cell, false);
            }
        });
    }

    /** @param stay whether the keyboard stays on the sheet */
    private void commit(Cell cell, boolean stay) {
        Edit edit;
        try {
            edit = cell.row.typed(OutRow.view(session), cell.deliverable, editor.getText());
        } catch (IllegalArgumentException e) {
            Fields.refuse(editor, e.getMessage());
            sentence.setText(e.getMessage());
            return;
        }
        stop(stay);
        session.edit(edit);
    }

    private void stop(boolean keepFocus) {
        if (editor != null) {
            TextField done = editor;
            editor = null;
            grid.getChildren().remove(done);
            if (keepFocus) {
                grid.requestFocus();
            }
            show.run();
        }
    }
}
