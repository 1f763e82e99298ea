package dev.vat.desktop.sheet;

import dev.vat.core.project.Edits;
import dev.vat.core.project.ReelEdits;
import dev.vat.core.reel.Reel;
import dev.vat.core.reel.ReelSpan;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.words.Words;
import dev.vat.desktop.look.Controls;
import dev.vat.desktop.look.Dialogs;
import dev.vat.desktop.look.Menus;
import dev.vat.desktop.look.Parts;
import dev.vat.desktop.session.Session;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.LongConsumer;
import java.util.function.LongSupplier;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/**
 * The items of the reel in their order, and what can be added; below, the chosen item's groups, or those of the whole reel where none is
 * chosen.
 */
public final class ReelFace extends VBox {

    private static final Words WORDS = Words.of(ReelFace.class);

    private static final double ROW = 56;
    private static final double MOST_CHOSEN = .56;
    private final Session session;
    private final Dialogs ask;
    private final LongConsumer seek;
    private final LongSupplier playhead;
    private final Thumbnails thumbnails;
    private final HBox head = Parts.row();
    private final Rows<Integer> list = new Rows<>("items", WORDS.say("itemsOfTheReel"), ROW, this::fill);
    private final FlowPane add = Parts.choices("add-line");
    private final ChosenPane chosen = new ChosenPane("item-pane");
    private ResolvedReel programme;

    /** @param seek told of a reel frame to go to @param playhead the reel frame that is shown */
    public ReelFace(Session session, Dialogs ask, Thumbnails thumbnails, LongConsumer seek, LongSupplier playhead) {
        this.session = session;
        this.ask = ask;
        this.seek = seek;
        this.playhead = playhead;
        this.thumbnails = thumbnails;
        setId("reel-face");
        // What its parts want must never make the window's page taller than the window.
        setMinHeight(0);
        getStyleClass().add("face");
        head.getStyleClass().add("filter-bar");
        list.setMinHeight(ROW * 1.2);
        list.setPrefHeight(ROW * 2);
        list.setPlaceholder(Parts.wrapped(WORDS.say("theReelIsEmptyAddFrames"), "note", "empty"));
        list.setOnChosen(this::chosenChanged);
        list.setActs(() -> acts().menu(), place -> span(place).ifPresent(s -> seek.accept(s.start())), () -> acts().remove());
        list.addEventFilter(KeyEvent.KEY_PRESSED, e -> {
            if (e.isAltDown() && (e.getCode() == KeyCode.UP || e.getCode() == KeyCode.DOWN)) {
                acts().move(e.getCode() == KeyCode.UP ? -1 : 1);
                e.consume();
            }
        });
        VBox.setVgrow(list, Priority.ALWAYS);
        chosen.maxHeightProperty().bind(heightProperty().multiply(MOST_CHOSEN));
        getChildren().addAll(head, list, add, chosen);
    }

    /** The place of the one item that is chosen; -1 for none or several. */
    public int chosenItem() {
        return list.chosen().size() == 1 ? list.chosen().getFirst() : -1;
    }

    /** Chooses an item by its place, or none with -1. */
    public void chooseItem(int place) {
        show();
        if (place < 0) {
            list.getSelectionModel().clearSelection();
        } else {
            list.getSelectionModel().clearAndSelect(place);
        }
    }

    /** Opens a group of the chosen item or of the reel. */
    public void open(String group) {
        chosen.open(group);
        show();
    }

    public void show() {
        programme = session.programme().filter(p -> !p.plan().spans().isEmpty()).orElse(null);
        list.showRows(programme == null ? List.of() : programme.plan().spans().stream().map(ReelSpan::place).toList());
        Parts.present(add, programme != null);
        Parts.present(chosen, programme != null);
        head.getChildren().setAll(name(), Parts.space());
        if (programme != null) {
            head.getChildren().addAll(total());
            ReelAdds adds = new ReelAdds(session, programme, list.chosen().isEmpty() ? -1 : list.chosen().getFirst(), this::added);
            add.getChildren().setAll(adds.drawn());
            add.getChildren().addAll(adds.views());
            showChosen();
        }
    }

    private void added(int place) {
        show();
        list.choose(place);
        showChosen();
    }

    private Optional<ReelSpan> span(int place) {
        return programme == null ? Optional.empty()
                : programme.plan().spans().stream().filter(s -> s.place() == place).findFirst();
    }

    /** The reel's name, with the others where there are some. */
    private Node name() {
        String name = session.project().currentReel().map(Reel::name).orElse("");
        if (session.project().reels().size() < 2) {
            return Parts.name(name, "strong");
        }
        Button reels = Parts.button("reels", name, () -> {});
        reels.getStyleClass().add("strong");
        reels.setAccessibleHelp(WORDS.say("choosesAnotherReel"));
        return Menus.opens(reels, () -> {
            ContextMenu menu = new ContextMenu();
            for (Reel reel : session.project().reels()) {
                menu.getItems().add(Controls.item("reel-" + reel.id(), reel.name(), () -> session.edit(Edits.chooseReel(reel.id()))));
            }
            return menu;
        });
    }

    private List<Node> total() {
        long count = programme.plan().count();
        long own = programme.plan().programmeEnd() - programme.plan().programmeStart();
        Label length = Parts.label(WORDS.say("frames", count,
                programme.rate().map(r -> WORDS.say("sAtFps", r.seconds(count).toFixed(3), r.label())).orElse(WORDS.say("noRateYet"))),
                "mono");
        length.setId("reel-total");
        List<Node> total = new ArrayList<>(List.of(length));
        if (own < count) {
            total.addFirst(Parts.label(WORDS.say("ofTheProgrammeItself", own), "note"));
        }
        programme.size().ifPresent(size -> total.addFirst(Parts.label(size.toString(), "mono")));
        total.forEach(label -> ((Label) label).setMinWidth(Region.USE_PREF_SIZE));
        return total;
    }

    // ---- what is chosen

    private void chosenChanged() {
        if (programme != null) {
            showChosen();
            if (list.chosen().size() == 1) {
                span(list.chosen().getFirst()).ifPresent(s -> seek.accept(s.start()));
            }
        }
    }

    private ItemMenu acts() {
        return new ItemMenu(session, programme, list.chosen(), list::choose);
    }

    private void showChosen() {
        List<Integer> places = list.chosen();
        if (places.isEmpty()) {
            chosen.show(WORDS.say("wholeReel"), List.of(),
                    new ReelGroups(session, ask, programme).groups());
            return;
        }
        ItemMenu acts = acts();
        Button more = Parts.small("item-menu", WORDS.say("more"), () -> {});
        Menus.opens(more, () -> acts().menu());
        List<Node> buttons = List.of(Parts.small("whole-reel", WORDS.say("wholeReel"), () -> {
            list.choose(null);
            showChosen();
        }), Parts.small("repeat-item", WORDS.say("duplicate"), acts::duplicate),
                Parts.small("remove-item", WORDS.say("remove"), acts::remove), more);
        Optional<ReelSpan> span = places.size() == 1 ? span(places.getFirst()) : Optional.empty();
        chosen.show(span.map(s -> (s.place() + 1) + "  " + ItemRow.title(programme, s)).orElse(WORDS.say("itemsChosen", places.size())),
                buttons,
                span.map(s -> new ItemGroups(session, ask, programme, s, playhead).groups()).orElse(List.of()));
    }

    // ---- rows on the screen

    private void fill(ListCell<Integer> cell, Integer place) {
        ReelSpan span = span(place).orElse(null);
        if (span == null) {
            return;
        }
        cell.setAccessibleText(WORDS.say("frames2", (place + 1), ItemRow.title(programme, span), span.count()));
        ItemRow line = cell.getGraphic() instanceof ItemRow there ? there : new ItemRow(thumbnails);
        line.show(programme, span);
        cell.setGraphic(line);
        cell.setUserData(new Dragged.OfItem(place));
        cell.setOnDragDetected(_ -> cell.startFullDrag());
        cell.setOnMouseDragOver(e -> show(cell,
                Dragged.of(e).orElse(null) instanceof Dragged.OfItem ? e.getY() < cell.getHeight() / 2 ? "drop-above" : "drop-below" : ""));
        cell.setOnMouseDragExited(_ -> show(cell, ""));
        cell.setOnMouseDragReleased(e -> {
            if (Dragged.of(e).orElse(null) instanceof Dragged.OfItem(int from)) {
                move(from, place + (e.getY() < cell.getHeight() / 2 ? 0 : 1));
            }
        });
    }

    /** Where what is dragged would go. */
    private static void show(Node row, String where) {
        row.getStyleClass().removeAll("drop-above", "drop-below");
        if (!where.isEmpty()) {
            row.getStyleClass().add(where);
        }
    }

    /** @param before the number of the item before which it goes to stand, counted while it still is where it was */
    private void move(int from, int before) {
        int to = before > from ? before - 1 : before;
        if (to != from) {
            session.edit(ReelEdits.moveItem(from, to));
            list.choose(to);
        }
    }
}
