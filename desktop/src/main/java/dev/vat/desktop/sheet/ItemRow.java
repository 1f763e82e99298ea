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
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.OverrunStyle;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.scene.text.TextAlignment;

/** One item of the reel: its first and last picture, what it takes, and how that stands in the reel. */
final class ItemRow extends HBox {

    private static final Words WORDS = Words.of(ItemRow.class);

    private static final double NUMBER = 22;
    private static final double NOTES = 170;

    private final ResolvedReel programme;
    private final ReelSpan span;
    private final Item item;

    ItemRow(Thumbnails thumbnails, ResolvedReel programme, ReelSpan span) {
        this.programme = programme;
        this.span = span;
        this.item = programme.plan().part(span.item()).item();
        getStyleClass().add("source-line");
        getChildren().add(number());
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
        Label name = Parts.label(title(programme, span), "strong");
        name.setMinWidth(0);
        name.setTextOverrun(OverrunStyle.CENTER_ELLIPSIS);
        name.setTooltip(new Tooltip(name.getText()));
        VBox words = new VBox(name, facts(String.join("  ", unbroken(figures(entry.orElse(null)))), "mono"));
        words.setMinWidth(0);
        words.setAlignment(Pos.CENTER_LEFT);
        HBox.setHgrow(words, Priority.ALWAYS);
        Label notes = facts(String.join(" \u00b7 ", notes(entry.orElse(null))), "state");
        notes.setMaxWidth(NOTES);
        notes.setTextAlignment(TextAlignment.RIGHT);
        getChildren().addAll(words, notes);
    }

    /** What an item is called. */
    static String title(ResolvedReel programme, ReelSpan span) {
        Item item = programme.plan().part(span.item()).item();
        return programme.entry(span.item()).map(e -> e.source().name())
                .orElseGet(() -> item.layout() != null ? item.layout().name() : item.drawn().title());
    }

    private static Label facts(String words, String style) {
        return Parts.wrapped(words, style, "facts");
    }

    /** None of them is broken over two lines. */
    private static List<String> unbroken(List<String> words) {
        return words.stream().map(w -> w.replace(' ', '\u00a0')).toList();
    }

    /** Its number, and above it what stands between it and the item before. */
    private VBox number() {
        VBox number = new VBox(Parts.label(Integer.toString(span.place() + 1), "mono", "note"));
        number.setAlignment(Pos.CENTER);
        number.setMinWidth(NUMBER);
        number.setMaxWidth(NUMBER);
        if (item.joint() != null) {
            Region joint = Icon.JOINT.node();
            joint.setAccessibleText(WORDS.say("beginsWithA", item.joint().words()));
            number.getChildren().addFirst(joint);
        }
        return number;
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
            notes.add("backwards");
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
        return placement.enlargement() > 1 ? WORDS.say("enlargedTimes", "%.2f".formatted(placement.enlargement())) : "";
    }
}
