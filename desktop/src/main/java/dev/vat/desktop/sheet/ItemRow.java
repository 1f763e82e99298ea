package dev.vat.desktop.sheet;

import dev.vat.core.delivery.Placement;
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
import dev.vat.core.words.Words;
import dev.vat.desktop.band.ReelStrip;
import dev.vat.desktop.look.Icon;
import dev.vat.desktop.look.Parts;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import javafx.scene.text.TextAlignment;

/** One item of the reel: its first and last picture, what it takes, and how that stands in the reel. */
final class ItemRow extends RowLine {

    private static final Words WORDS = Words.of(ItemRow.class);

    private static final double NUMBER = 22;
    private static final double NOTES = 170;

    private final Thumbnails thumbnails;
    private final Label number = Parts.label("", "mono", "note");
    private final Region joint = Icon.JOINT.node();
    private final HBox pair;
    private final StackPane first;
    private final StackPane last;
    private final Label notes = Parts.wrapped("", "state", "facts");
    private ResolvedReel programme;
    private ReelSpan span;
    private Item item;

    ItemRow(Thumbnails thumbnails) {
        this.thumbnails = thumbnails;
        this.first = thumbnails.empty();
        this.last = thumbnails.empty();
        this.pair = new HBox(first, last);
        pair.getStyleClass().add("pair");
        VBox place = new VBox(joint, number);
        place.setAlignment(Pos.CENTER);
        place.setMinWidth(NUMBER);
        place.setMaxWidth(NUMBER);
        notes.setMaxWidth(NOTES);
        notes.setTextAlignment(TextAlignment.RIGHT);
        line().getChildren().addAll(place, pair, words(), notes);
    }

    /** Says what is known of an item now. */
    void show(ResolvedReel programme, ReelSpan span) {
        this.programme = programme;
        this.span = span;
        stand("item-" + span.place());
        this.item = programme.plan().part(span.item()).item();
        ReelEntry entry = programme.entry(span.item()).orElse(null);
        // What stands between it and the item before stands above its number.
        Parts.present(joint, item.joint() != null);
        joint.setAccessibleText(item.joint() == null ? null : WORDS.say("beginsWithA", item.joint().words()));
        number.setText(Integer.toString(span.place() + 1));
        String title = title(programme, span);
        say(title, title, String.join("  ", unbroken(figures(entry))));
        notes.setText(String.join(" \u00b7 ", notes(entry)));
        Parts.present(pair, entry != null || programme.size().isPresent());
        if (entry != null) {
            long begin = span.count() == 0 ? span.range().first() : programme.plan().shown(span, 0);
            long end = span.count() == 0 ? begin : programme.plan().shown(span, span.count() - 1);
            thumbnails.fill(first, entry.source(), entry.table(), begin);
            thumbnails.fill(last, entry.source(), entry.table(), end);
        } else if (programme.size().isPresent()) {
            ReelStrip strip = new ReelStrip(programme, null, null);
            drawn(strip, span.start() + span.overlap(), first);
            drawn(strip, span.end() - 1, last);
        }
    }

    /** A picture of what Vat draws. */
    private void drawn(ReelStrip strip, long place, StackPane into) {
        strip.recipe(place).ifPresentOrElse(
                recipe -> thumbnails.fill(into, recipe, strip.pixelAspect().seen(programme.size().orElseThrow())),
                () -> thumbnails.clear(into));
    }

    /** What an item is called. */
    static String title(ResolvedReel programme, ReelSpan span) {
        Item item = programme.plan().part(span.item()).item();
        return programme.entry(span.item()).map(e -> e.source().name())
                .orElseGet(() -> item.layout() != null ? item.layout().name() : item.drawn().title());
    }

    /** None of them is broken over two lines. */
    private static List<String> unbroken(List<String> words) {
        return words.stream().map(w -> w.replace(' ', '\u00a0')).toList();
    }

    private List<String> figures(ReelEntry entry) {
        List<String> figures = new ArrayList<>();
        if (entry != null) {
            Sequence s = entry.table().sequence();
            figures.add(s.pattern().number(span.range().first()) + "-" + s.pattern().number(span.range().last()));
        }
        figures.add(WORDS.say("frames", span.count()));
        Rate rate = programme.rate().orElse(null);
        if (rate != null) {
            figures.add(rate.seconds(span.count()).toFixed(3) + " s");
        }
        if (rate != null) {
            figures.add(WORDS.say("at", programme.start().map(s -> s.plusFrames(span.start())).orElse(Timecode.of(span.start(), rate))));
        }
        return figures;
    }

    private List<String> notes(ReelEntry entry) {
        List<String> notes = new ArrayList<>();
        if (entry != null) {
            NameWords.version(entry.table().sequence().location()).ifPresent(version -> notes.add(WORDS.say("version", version)));
        }
        if (item.burnIn() != null) {
            notes.add(WORDS.say("burnInOfItsOwn"));
        }
        if (item.layout() != null) {
            notes.add(WORDS.say("views", item.layout().views().size(), item.layout().arrangement().title(),
                    item.layout().stepInUse().title()));
        }
        if (item.passes() != null) {
            notes.add(WORDS.say("fromPasses", item.passes().on().passes().size()));
        }
        if (item.joint() != null) {
            notes.add(item.joint().words());
        }
        if (entry == null) {
            return notes;
        }
        Playing playing = item.playingInUse();
        Rate own = entry.rate().orElse(null);
        boolean otherRate = own != null && programme.rate().isPresent() && !own.equals(programme.rate().get());
        if (otherRate || playing.conform() != null) {
            notes.add((otherRate ? WORDS.say("to", own.label(), programme.rate().get().label()) : "") + playing.conformInUse().title());
        }
        String tally = programme.plan().tally(span.item()).words();
        if (!tally.isEmpty()) {
            notes.add(tally);
        }
        if (playing.speed() != null) {
            notes.add(WORDS.say("speed", playing.speed()));
        }
        if (playing.reversed()) {
            notes.add(WORDS.say("backwards"));
        }
        long held = playing.head() + playing.tail() + playing.holds().stream().mapToLong(h -> h.places()).sum();
        if (held > 0) {
            notes.add(WORDS.say("held", held));
        }
        programme.placement(entry)
                .ifPresent(p -> notes.add(entry.format().orElseThrow().size() + " " + item.fitInUse().title() + enlarged(p)));
        if (entry.source().reading().gap() != GapPolicy.REFUSE) {
            notes.add(WORDS.say("missingFrames", entry.source().reading().gap().title().toLowerCase(Locale.ROOT)));
        }
        return notes;
    }

    private static String enlarged(Placement placement) {
        return placement.enlargement() > 1 ? WORDS.say("enlargedTimes", Words.decimal(placement.enlargement(), 2)) : "";
    }
}
