package dev.vat.desktop.sheet;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.function.BiConsumer;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.collections.ListChangeListener;
import javafx.geometry.Bounds;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.SelectionMode;
import javafx.scene.input.ContextMenuEvent;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;

/**
 * A list of rows of one height, of which several can be chosen; only those on the screen are made. Arrows walk it, Enter acts on a row,
 * Delete removes what is chosen, the right button and Shift+F10 open the menu.
 *
 * @param <T> what a row stands for; rows that are equal keep being chosen when all is shown anew
 */
final class Rows<T> extends ListView<T> {

    private static final double ASIDE = 40;

    private final List<Cell> cells = new ArrayList<>();
    private final double height;
    private final BiConsumer<ListCell<T>, T> filler;
    private Supplier<ContextMenu> menus = () -> null;
    private Consumer<T> enter = _ -> {};
    private Runnable remove = () -> {};
    private Runnable chosenChanged = () -> {};
    private ContextMenu menu;
    private boolean showing;

    /**
     * @param name for screen readers
     * @param filler puts a row's content into its cell; asked again whenever anything may have changed, so that it keeps what the cell
     *     has as its graphic where that can show the row, too
     */
    Rows(String id, String name, double height, BiConsumer<ListCell<T>, T> filler) {
        this.height = height;
        this.filler = filler;
        setId(id);
        getStyleClass().add("rows");
        setAccessibleText(name);
        setFixedCellSize(height);
        setCellFactory(_ -> new Cell());
        getSelectionModel().setSelectionMode(SelectionMode.MULTIPLE);
        getSelectionModel().getSelectedItems().addListener((ListChangeListener<T>) _ -> {
            if (!showing) {
                chosenChanged.run();
            }
        });
        addEventFilter(KeyEvent.KEY_PRESSED, this::key);
        setOnContextMenuRequested(this::menu);
    }

    /** @param menus what can be done with what is chosen, or null @param enter told of the row that Enter was pressed on */
    void setActs(Supplier<ContextMenu> menus, Consumer<T> enter, Runnable remove) {
        this.menus = menus;
        this.enter = enter;
        this.remove = remove;
    }

    /** @param listener told when somebody chose other rows */
    void setOnChosen(Runnable listener) {
        chosenChanged = listener;
    }

    /** The rows that are chosen, in their order. */
    List<T> chosen() {
        return getSelectionModel().getSelectedItems().stream().filter(Objects::nonNull).toList();
    }

    /** Shows rows; those on the screen are brought up to date, the list keeps its place. */
    void showRows(List<T> rows) {
        showing = true;
        if (!getItems().equals(rows)) {
            List<T> before = chosen();
            getItems().setAll(rows);
            getSelectionModel().clearSelection();
            before.stream().filter(rows::contains).forEach(getSelectionModel()::select);
        }
        showing = false;
        cells.forEach(Cell::fill);
    }

    /** Chooses one row, or none with null, without telling. */
    void choose(T row) {
        showing = true;
        if (row == null) {
            getSelectionModel().clearSelection();
        } else if (!chosen().contains(row)) {
            getSelectionModel().clearAndSelect(getItems().indexOf(row));
            scrollTo(row);
        }
        showing = false;
    }

    private void key(KeyEvent e) {
        if (e.isShortcutDown() || e.isAltDown() || e.isShiftDown() || chosen().isEmpty()) {
            return;
        }
        if (e.getCode() == KeyCode.ENTER) {
            enter.accept(getSelectionModel().getSelectedItem());
        } else if (e.getCode() == KeyCode.DELETE || e.getCode() == KeyCode.BACK_SPACE) {
            remove.run();
        } else {
            return;
        }
        e.consume();
    }

    private void menu(ContextMenuEvent e) {
        if (menu != null) {
            menu.hide();
        }
        menu = chosen().isEmpty() ? null : menus.get();
        if (menu != null && e.isKeyboardTrigger()) {
            Bounds at = cells.stream().filter(c -> c.isSelected() && c.isVisible()).findFirst()
                    .map(c -> c.localToScreen(c.getLayoutBounds())).orElseGet(() -> localToScreen(getLayoutBounds()));
            menu.show(this, at.getMinX() + ASIDE, at.getMinY() + height / 2);
        } else if (menu != null) {
            menu.show(this, e.getScreenX(), e.getScreenY());
        }
        e.consume();
    }

    private final class Cell extends ListCell<T> {

        Cell() {
            cells.add(this);
            // As wide as the list, whatever stands in it.
            setPrefWidth(0);
        }

        @Override
        protected void updateItem(T row, boolean empty) {
            boolean other = empty || !Objects.equals(row, getItem());
            super.updateItem(row, empty);
            if (other) {
                forget();
            }
            fill();
        }

        private void forget() {
            // Each change of these has the style of the whole row looked up again.
            if (getId() != null) {
                setId(null);
            }
            setAccessibleText(null);
            setUserData(null);
            setOnDragDetected(null);
            setOnMouseDragOver(null);
            setOnMouseDragExited(null);
            setOnMouseDragReleased(null);
            setOnMouseClicked(null);
            List.of("kin", "drop-above", "drop-below").forEach(getStyleClass()::remove);
        }

        private void fill() {
            if (isEmpty() || getItem() == null) {
                setGraphic(null);
            } else {
                filler.accept(this, getItem());
            }
        }
    }
}
