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
import dev.vat.core.time.Timecode;
import dev.vat.desktop.look.Controls;
import dev.vat.desktop.look.Dialogs;
import dev.vat.desktop.look.Fields;
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
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** The items of the reel in their order, with the length that follows from them. */
public final class ReelFace extends VBox {

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
    private int selected = -1;

    /** @param seek told of a reel frame to go to @param playhead the reel frame that is shown */
    public ReelFace(Session session, Dialogs ask, LongConsumer seek, LongSupplier playhead) {
        this.session = session;
        this.ask = ask;
        this.seek = seek;
        this.playhead = playhead;
        this.thumbnails = new Thumbnails(session.viewer());
        setId("reel-face");
        getStyleClass().add("face");
    }

    public void show() {
        List<Node> rows = new ArrayList<>();
        if (session.project().reels().size() > 1) {
            rows.add(reels());
        }
        Optional<ResolvedReel> programme = session.programme();
        if (programme.isEmpty() || programme.get().plan().spans().isEmpty()) {
            rows.add(Parts.wrapped("The reel is empty. Bring frames in, or add a source to it from the In face.", "note", "empty"));
        } else {
            for (ReelSpan span : programme.get().plan().spans()) {
                rows.add(item(programme.get(), span));
            }
            rows.add(total(programme.get()));
            rows.add(drawn(programme.get()));
            rows.add(views(programme.get()));
            rows.add(rate(programme.get()));
            rows.add(start(programme.get()));
            rows.add(new SoundPane(session, programme.get()));
            rows.add(burnIn(programme.get()));
        }
        getChildren().setAll(rows);
    }

    private FlowPane reels() {
        FlowPane choices = Parts.choices("reel-choice");
        choices.getChildren().add(Parts.label("Reels", "field-name"));
        for (Reel reel : session.project().reels()) {
            ToggleButton button = Controls.toggle(reel.name());
            button.setId("reel-" + reel.id());
            button.setSelected(reel.id().equals(session.project().reel()));
            button.setOnAction(_ -> session.edit(Edits.chooseReel(reel.id())));
            choices.getChildren().add(button);
        }
        return choices;
    }

    private VBox item(ResolvedReel programme, ReelSpan span) {
        boolean open = span.place() == selected;
        VBox row = new VBox(new ItemRow(session, thumbnails, programme, span));
        row.setId("item-" + span.place());
        row.getStyleClass().add("source-row");
        if (open) {
            row.getStyleClass().add("selected");
            row.getChildren().add(new ItemPane(session, ask, programme, span, playhead));
        }
        row.setUserData(new Dragged.OfItem(span.place()));
        row.setOnDragDetected(_ -> row.startFullDrag());
        row.setOnMouseDragOver(e -> show(row,
                Dragged.of(e).orElse(null) instanceof Dragged.OfItem ? e.getY() < row.getHeight() / 2 ? "drop-above" : "drop-below" : ""));
        row.setOnMouseDragExited(_ -> show(row, ""));
        row.setOnMouseDragReleased(e -> {
            if (Dragged.of(e).orElse(null) instanceof Dragged.OfItem(int from)) {
                move(from, span.place() + (e.getY() < row.getHeight() / 2 ? 0 : 1));
            }
        });
        row.setOnMouseClicked(_ -> {
            if (selected != span.place()) {
                selected = span.place();
                show();
                seek.accept(span.start());
            }
        });
        return row;
    }

    /** Where what is dragged would go. */
    private static void show(VBox row, String where) {
        row.getStyleClass().removeAll("drop-above", "drop-below");
        if (!where.isEmpty()) {
            row.getStyleClass().add(where);
        }
    }

    /** @param before the number of the item before which it goes to stand, counted while it still is where it was */
    private void move(int from, int before) {
        int to = before > from ? before - 1 : before;
        if (to != from) {
            selected = selected == from ? to : -1;
            session.edit(ReelEdits.moveItem(from, to));
        }
    }

    private HBox total(ResolvedReel programme) {
        long count = programme.plan().count();
        String length = programme.rate().map(r -> words(r, count)).orElse("no rate yet");
        long own = programme.plan().programmeEnd() - programme.plan().programmeStart();
        HBox total = Parts.row(Parts.label("Reel", "strong"), Parts.label(count + " frames", "mono"), Parts.label(length, "mono"));
        if (own < count) {
            total.getChildren().add(Parts.label("of which " + own + " of the programme itself", "note"));
        }
        total.getStyleClass().add("total");
        total.setId("reel-total");
        return total;
    }

    /** What Vat draws goes before the item that is open, or in front; black behind it, or to the end. */
    private HBox drawn(ResolvedReel programme) {
        Rate rate = programme.rate().orElse(Rate.FPS_25);
        int second = rate.timecodeBase();
        int items = programme.reel().items().size();
        int before = selected >= 0 && selected < items ? selected : 0;
        int behind = selected >= 0 && selected < items ? selected + 1 : items;
        String today = LocalDate.now().toString();
        List<Node> ways = new ArrayList<>();
        ways.add(Parts.small("add-black", "Black", () -> session.edit(ReelEdits.addDrawn(behind, GeneratedItem.Plain.black(second)))));
        ways.add(Parts.small("add-slate", "Slate", () -> add(before, BroadcastHead.slate(today, SLATE_SECONDS * (long) second), rate)));
        ways.add(Parts.small("add-leader", "Countdown leader", () -> add(before, GeneratedItem.Leader.of(second), rate)));
        ways.add(Parts.small("add-bars", "Bars and tone", () -> add(before,
                new GeneratedItem.Bars(BarPattern.BARS_75, GeneratedItem.Bars.EBU_LEVEL, BARS_SECONDS * (long) second), rate)));
        programme.shape().ifPresent(shape -> ways.add(Parts.small("add-head", "Broadcast head, programme at 10:00:00:00",
                () -> session.edit(ReelEdits.addHead(BroadcastHead.of(rate, shape.size(), shape.pixelAspect(), today))))));
        HBox field = Fields.field("Add", "", ways.toArray(Node[]::new));
        field.getStyleClass().add("total");
        return field;
    }

    /** Several sources in one picture: those of the reel, or all there are. */
    private HBox views(ResolvedReel programme) {
        List<String> ofReel = programme.reel().items().stream().map(Item::source).filter(Objects::nonNull).distinct().toList();
        List<String> all = session.project().sources().stream().filter(s -> !s.location().isSound()).map(Source::id).toList();
        List<Item> items = (ofReel.size() > 1 ? ofReel : all).stream().limit(MOST_VIEWS).map(Item::of).toList();
        List<Node> ways = new ArrayList<>();
        if (items.size() > 1) {
            List<View> views = items.stream().map(i -> View.of(i).withCaption(Line.of(Wording.parse("{source} {frame}"), Spot.BOTTOM_LEFT)))
                    .toList();
            int across = (int) Math.ceil(Math.sqrt(views.size()));
            ways.add(
                    Parts.small("add-views", items.size() + " sources side by side",
                            () -> layOut(Layout.of("Views",
                                    programme.size().map(s -> side(s, across, Math.ceilDiv(views.size(), across))).orElse(null),
                                    new Arrangement.Grid(across), views))));
            session.layouts().all().forEach(kept -> ways.add(
                    Parts.small("add-layout-" + kept.name().toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-"), "As in " + kept.name(),
                            () -> layOut(kept.withItems(items)))));
        }
        HBox field = Fields.field("Views", ways.isEmpty() ? "With two sources or more, they can stand in one picture."
                : "In one picture, as an item of its own at the reel's end.", ways.toArray(Node[]::new));
        field.getStyleClass().add("total");
        return field;
    }

    /** So large that every view is as large as its source, if such a picture is of a usual size. */
    private static Size side(Size one, int across, int down) {
        return one.width() * across > WIDEST ? one : Size.of(one.width() * across, one.height() * down);
    }

    private void layOut(Layout layout) {
        selected = session.project().currentReel().map(r -> r.items().size()).orElse(0);
        session.edit(ReelEdits.addLayout(layout));
    }

    private void add(int before, GeneratedItem drawn, Rate rate) {
        session.edit(before == 0 ? ReelEdits.addInFront(drawn, rate) : ReelEdits.addDrawn(before, drawn));
    }

    private VBox burnIn(ResolvedReel programme) {
        HBox head = Parts.row(Parts.label("Burn-in", "strong"), Parts.label("Written into every file that isn't set to be clean.", "note"));
        head.getStyleClass().add("total");
        return new VBox(head, new BurnInPane(ask, "reel-burn-in", programme.reel().burnIn(), b -> session.edit(ReelEdits.burnIn(b))));
    }

    /** The reel's own rate: what plays at another one is conformed. */
    private HBox rate(ResolvedReel programme) {
        List<Rate> offered = new ArrayList<>(Rate.USUAL);
        programme.rate().filter(r -> !offered.contains(r)).ifPresent(offered::addFirst);
        offered.addFirst(null);
        HBox field = Fields.field("Reel at",
                programme.reel().rate() == null ? "Every item is brought to the first source's rate."
                        : "Every item is brought to this rate.",
                Fields.choice("reel-rate", offered.toArray(Rate[]::new), programme.reel().rate(),
                        r -> r == null ? "as the first source" : r.label(), r -> session.edit(ReelEdits.setRate(r))));
        field.getStyleClass().add("total");
        return field;
    }

    private HBox start(ResolvedReel programme) {
        HBox field = Fields.field("Starts at", "Timecode of the first frame, written into MP4, MOV, Matroska and MXF; with ; for "
                + "drop-frame.",
                Fields.text("reel-start", programme.reel().start() == null ? "" : programme.reel().start(), 10, typed -> {
                    String label = typed.strip();
                    if (!label.isEmpty()) {
                        Timecode.parse(label, programme.rate().orElse(Rate.FPS_25));
                    }
                    session.edit(ReelEdits.setStart(label.isEmpty() ? null : label));
                }));
        field.getStyleClass().add("total");
        return field;
    }

    private static String words(Rate rate, long count) {
        return rate.seconds(count).toFixed(3) + " s, " + Timecode.of(count, rate) + " at " + rate.label();
    }
}
