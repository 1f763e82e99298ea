package dev.vat.desktop.sheet;

import dev.vat.core.burnin.Line;
import dev.vat.core.burnin.Spot;
import dev.vat.core.burnin.Wording;
import dev.vat.core.layout.Arrangement;
import dev.vat.core.picture.Size;
import dev.vat.core.project.Edits;
import dev.vat.core.project.ReelEdits;
import dev.vat.core.project.Source;
import dev.vat.core.reel.BarPattern;
import dev.vat.core.reel.BroadcastHead;
import dev.vat.core.reel.GeneratedItem;
import dev.vat.core.reel.Item;
import dev.vat.core.reel.Layout;
import dev.vat.core.reel.Reel;
import dev.vat.core.reel.ReelSpan;
import dev.vat.core.reel.View;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.time.Rate;
import dev.vat.core.words.Words;
import dev.vat.desktop.look.Controls;
import dev.vat.desktop.look.Dialogs;
import dev.vat.desktop.look.Menus;
import dev.vat.desktop.look.Parts;
import dev.vat.desktop.session.Session;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import java.util.function.LongConsumer;
import java.util.function.LongSupplier;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.Tooltip;
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
    private static final int SLATE_SECONDS = 5;
    private static final int BARS_SECONDS = 10;
    /** As many as one makes out beside each other. */
    private static final int MOST_VIEWS = 9;
    private static final int WIDEST = 3840;

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
            add.getChildren().setAll(drawn());
            add.getChildren().addAll(views());
            showChosen();
        }
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

    // ---- what can be added

    /** What Vat draws goes before the item that is chosen, or in front; black behind it, or to the end. */
    private List<Node> drawn() {
        Rate rate = programme.rate().orElse(Rate.FPS_25);
        int second = rate.timecodeBase();
        int items = programme.reel().items().size();
        int selected = list.chosen().isEmpty() ? -1 : list.chosen().getFirst();
        int before = selected >= 0 && selected < items ? selected : 0;
        int behind = selected >= 0 && selected < items ? selected + 1 : items;
        String today = LocalDate.now().toString();
        List<Node> ways = new ArrayList<>();
        ways.add(Parts.label(WORDS.say("add"), "note"));
        ways.add(Parts.small("add-black", WORDS.say("black"),
                () -> session.edit(ReelEdits.addDrawn(behind, GeneratedItem.Plain.black(second)))));
        ways.add(Parts.small("add-slate", WORDS.say("slate"),
                () -> add(before, BroadcastHead.slate(today, SLATE_SECONDS * (long) second), rate)));
        ways.add(Parts.small("add-leader", WORDS.say("countdownLeader"), () -> add(before, GeneratedItem.Leader.of(second), rate)));
        ways.add(Parts.small("add-bars", WORDS.say("barsAndTone"), () -> add(before,
                new GeneratedItem.Bars(BarPattern.BARS_75, GeneratedItem.Bars.EBU_LEVEL, BARS_SECONDS * (long) second), rate)));
        programme.shape().ifPresent(shape -> {
            Button broadcast = Parts.small("add-head", WORDS.say("broadcastHead"),
                    () -> session.edit(ReelEdits.addHead(BroadcastHead.of(rate, shape.size(), shape.pixelAspect(), today))));
            broadcast.setTooltip(new Tooltip(WORDS.say("barsAndToneSlateCountdown")));
            ways.add(broadcast);
        });
        return ways;
    }

    /** Several sources in one picture: those of the reel, or all there are. */
    private List<Node> views() {
        List<String> ofReel = programme.reel().items().stream().map(Item::source).filter(Objects::nonNull).distinct().toList();
        List<String> all = session.project().sources().stream().filter(s -> !s.location().isSound()).map(Source::id).toList();
        List<Item> items = (ofReel.size() > 1 ? ofReel : all).stream().limit(MOST_VIEWS).map(Item::of).toList();
        List<Node> ways = new ArrayList<>();
        if (items.size() > 1) {
            List<View> views = items.stream().map(i -> View.of(i).withCaption(Line.of(Wording.parse("{source} {frame}"), Spot.BOTTOM_LEFT)))
                    .toList();
            int across = (int) Math.ceil(Math.sqrt(views.size()));
            ways.add(
                    Parts.small("add-views", WORDS.say("sideBySide", items.size()),
                            () -> layOut(Layout.of(WORDS.say("views"),
                                    programme.size().map(s -> side(s, across, Math.ceilDiv(views.size(), across))).orElse(null),
                                    new Arrangement.Grid(across), views))));
            session.layouts().all().forEach(kept -> ways.add(
                    Parts.small("add-layout-" + kept.name().toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-"),
                            WORDS.say("asIn", kept.name()),
                            () -> layOut(kept.withItems(items)))));
        }
        return ways;
    }

    /** So large that every view is as large as its source, if such a picture is of a usual size. */
    private static Size side(Size one, int across, int down) {
        return one.width() * across > WIDEST ? one : Size.of(one.width() * across, one.height() * down);
    }

    private void layOut(Layout layout) {
        int last = session.project().currentReel().map(r -> r.items().size()).orElse(0);
        session.edit(ReelEdits.addLayout(layout));
        show();
        list.choose(last);
        showChosen();
    }

    private void add(int before, GeneratedItem drawn, Rate rate) {
        session.edit(before == 0 ? ReelEdits.addInFront(drawn, rate) : ReelEdits.addDrawn(before, drawn));
    }
}
