package dev.vat.desktop.sheet;

import dev.vat.core.delivery.Placement;
import dev.vat.core.project.ReelEdits;
import dev.vat.core.reel.Item;
import dev.vat.core.reel.Playing;
import dev.vat.core.reel.ReelSpan;
import dev.vat.core.resolved.ReelEntry;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.source.GapPolicy;
import dev.vat.core.source.NameWords;
import dev.vat.core.source.Sequence;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Timecode;
import dev.vat.desktop.band.ReelStrip;
import dev.vat.desktop.look.Icon;
import dev.vat.desktop.look.Parts;
import dev.vat.desktop.session.Session;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** One item of the reel: its first and last picture, what it takes, and how that stands in the reel. */
final class ItemRow extends HBox {

    private final Session session;
    private final ResolvedReel programme;
    private final ReelSpan span;
    private final Item item;

    ItemRow(Session session, Thumbnails thumbnails, ResolvedReel programme, ReelSpan span) {
        this.session = session;
        this.programme = programme;
        this.span = span;
        this.item = programme.plan().part(span.item()).item();
        getStyleClass().add("source-line");
        Optional<ReelEntry> entry = programme.entry(span.item());
        entry.ifPresent(e -> {
            long first = span.count() == 0 ? span.range().first() : programme.plan().shown(span, 0);
            long last = span.count() == 0 ? first : programme.plan().shown(span, span.count() - 1);
            HBox pair = new HBox(thumbnails.of(e.source(), e.table(), first), thumbnails.of(e.source(), e.table(), last));
            pair.getStyleClass().add("pair");
            getChildren().add(pair);
        });
        if (entry.isEmpty() && programme.size().isPresent()) {
            drawn(thumbnails);
        }
        HBox head = Parts.row(Parts.label(Integer.toString(span.place() + 1), "mono", "note"),
                Parts.label(entry.map(e -> e.source().name())
                        .orElseGet(() -> item.layout() != null ? item.layout().name() : item.drawn().title()), "strong"),
                Parts.space());
        head.getChildren().addAll(buttons());
        FlowPane figures = new FlowPane();
        figures.getStyleClass().add("figures");
        figures(entry.orElse(null)).forEach(words -> figures.getChildren().add(Parts.label(words, "mono")));
        FlowPane notes = new FlowPane();
        notes.getStyleClass().add("figures");
        notes(entry.orElse(null)).forEach(words -> notes.getChildren().add(Parts.label(words, "note")));
        VBox words = new VBox(head, figures, notes);
        words.setMinWidth(0);
        HBox.setHgrow(words, Priority.ALWAYS);
        getChildren().add(words);
    }

    /** First and last picture of what Vat draws. */
    private void drawn(Thumbnails thumbnails) {
        ReelStrip strip = new ReelStrip(programme, null, null);
        HBox pair = new HBox();
        pair.getStyleClass().add("pair");
        for (long place : new long[] {span.start() + span.overlap(), span.end() - 1}) {
            strip.recipe(place)
                    .ifPresent(s -> pair.getChildren().add(thumbnails.of(s, strip.pixelAspect().seen(programme.size().orElseThrow()))));
        }
        getChildren().add(pair);
    }

    private List<Button> buttons() {
        int place = span.place();
        Button up = icon("up-" + place, Icon.UP, "Earlier", () -> session.edit(ReelEdits.moveItem(place, place - 1)));
        up.setDisable(place == 0);
        Button down = icon("down-" + place, Icon.DOWN, "Later", () -> session.edit(ReelEdits.moveItem(place, place + 1)));
        down.setDisable(place == programme.reel().items().size() - 1);
        return List.of(up, down, icon("out-" + place, Icon.CLOSE, "Take out of the reel", () -> session.edit(ReelEdits.removeItem(place))));
    }

    static Button icon(String id, Icon icon, String words, Runnable act) {
        Button button = Parts.button(id, "", act);
        button.setGraphic(icon.node());
        button.getStyleClass().add("small");
        button.setAccessibleText(words);
        button.setTooltip(new Tooltip(words));
        return button;
    }

    private List<String> figures(ReelEntry entry) {
        List<String> figures = new ArrayList<>();
        if (entry != null) {
            Sequence s = entry.table().sequence();
            figures.add(s.pattern().number(span.range().first()) + " to " + s.pattern().number(span.range().last()));
        }
        figures.add(span.count() == 1 ? "1 frame" : span.count() + " frames");
        Rate rate = programme.rate().orElse(null);
        if (rate != null) {
            figures.add(rate.seconds(span.count()).toFixed(3) + " s");
        }
        figures.add("from " + (rate == null ? "reel frame " + span.start()
                : programme.start().map(s -> s.plusFrames(span.start())).orElse(Timecode.of(span.start(), rate))));
        return figures;
    }

    private List<String> notes(ReelEntry entry) {
        List<String> notes = new ArrayList<>();
        if (entry != null) {
            NameWords.version(entry.table().sequence().location()).ifPresent(version -> notes.add("version " + version));
        }
        if (item.burnIn() != null) {
            notes.add("burn-in of its own");
        }
        if (item.layout() != null) {
            notes.add(item.layout().views().size() + " views, " + item.layout().arrangement().title() + ", "
                    + item.layout().stepInUse().title());
        }
        if (item.passes() != null) {
            notes.add("from " + item.passes().on().passes().size() + " passes");
        }
        if (item.joint() != null) {
            notes.add("begins with a " + item.joint().words());
        }
        if (entry == null) {
            return notes;
        }
        Playing playing = item.playingInUse();
        Rate own = entry.rate().orElse(null);
        boolean otherRate = own != null && programme.rate().isPresent() && !own.equals(programme.rate().get());
        notes.add((otherRate ? own.label() + " to " + programme.rate().get().label() + ", " : "") + playing.conformInUse().title());
        String tally = programme.plan().tally(span.item()).words();
        if (!tally.isEmpty()) {
            notes.add(tally);
        }
        if (playing.speed() != null) {
            notes.add("speed " + playing.speed());
        }
        if (playing.reversed()) {
            notes.add("backwards");
        }
        long held = playing.head() + playing.tail() + playing.holds().stream().mapToLong(h -> h.places()).sum();
        if (held > 0) {
            notes.add("held for " + held);
        }
        programme.placement(entry)
                .ifPresent(p -> notes.add(entry.format().orElseThrow().size() + " " + item.fitInUse().title() + enlarged(p)));
        if (entry.source().reading().gap() != GapPolicy.REFUSE) {
            notes.add("missing frames: " + entry.source().reading().gap().title().toLowerCase(Locale.ROOT));
        }
        return notes;
    }

    private static String enlarged(Placement placement) {
        return placement.enlargement() > 1 ? ", enlarged %.2f times".formatted(placement.enlargement()) : "";
    }
}
