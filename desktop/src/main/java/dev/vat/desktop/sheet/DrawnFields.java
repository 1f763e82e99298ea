package dev.vat.desktop.sheet;

import static dev.vat.desktop.look.Fields.choice;
import static dev.vat.desktop.look.Fields.field;
import static dev.vat.desktop.look.Fields.named;
import static dev.vat.desktop.look.Fields.text;

import dev.vat.core.burnin.Wording;
import dev.vat.core.picture.Rgb;
import dev.vat.core.reel.BarPattern;
import dev.vat.core.reel.GeneratedItem;
import dev.vat.core.time.Rate;
import dev.vat.desktop.look.Fields;
import dev.vat.desktop.look.Parts;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import javafx.scene.Node;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** What can be chosen about an item that Vat draws. */
final class DrawnFields extends VBox {

    private final GeneratedItem now;
    private final Consumer<GeneratedItem> change;

    /** @param rate of the reel, or null @param change told what it is to be */
    DrawnFields(GeneratedItem now, Rate rate, Consumer<GeneratedItem> change) {
        this.now = now;
        this.change = change;
        getStyleClass().add("reading-part");
        getChildren().add(length(rate));
        switch (now) {
            case GeneratedItem.Plain plain -> getChildren().add(field("Colour", "", text("drawn-colour", plain.colour().toString(), 7,
                    typed -> change.accept(new GeneratedItem.Plain(Rgb.parse(typed), plain.frames())))));
            case GeneratedItem.Bars bars -> {
                getChildren().add(field("Bars", "Figures after ITU-R BT.471; those for 16:9 in the layout of SMPTE RP 219-1, without "
                        + "its step below black.",
                        choice("bars", BarPattern.values(), bars.pattern(), BarPattern::title, p -> change.accept(bars.withPattern(p)))));
                getChildren().add(tone(bars.tone(), level -> change.accept(bars.withTone(level))));
            }
            case GeneratedItem.Slate slate -> slate(slate);
            case GeneratedItem.Leader leader -> getChildren()
                    .add(tone(leader.tone(), level -> change.accept(new GeneratedItem.Leader(leader.perSecond(), level, leader.frames()))));
        }
    }

    private HBox length(Rate rate) {
        List<Node> values = new ArrayList<>();
        values.add(named("frames",
                text("drawn-frames", Long.toString(now.frames()), 6, typed -> change.accept(now.withFrames(Fields.whole(typed, 1))))));
        if (rate != null) {
            values.add(Parts.label(rate.seconds(now.frames()).toFixed(3) + " s", "mono"));
        }
        return field("Length", now instanceof GeneratedItem.Leader ? "A figure a second down to 2, which stands for one frame; then "
                + "black until the programme begins (SMPTE ST 55)." : "",
                values.toArray(Node[]::new));
    }

    private HBox tone(Integer level, Consumer<Integer> chosen) {
        return field("Tone", "1 kHz; -18 dBFS is the alignment level of EBU R 68, -20 dBFS that of SMPTE RP 155. Nothing for silence.",
                named("dBFS", text("tone", level == null ? "" : level.toString(), 4,
                        typed -> chosen.accept(typed.isBlank() ? null : level(typed)))));
    }

    private static Integer level(String typed) {
        try {
            return Integer.valueOf(typed.strip());
        } catch (NumberFormatException e) {
            throw new IllegalArgumentException("'" + typed + "' is no level: write decibels such as -18", e);
        }
    }

    private void slate(GeneratedItem.Slate slate) {
        VBox lines = new VBox();
        lines.getStyleClass().add("slate-lines");
        for (int i = 0; i < slate.entries().size(); i++) {
            int index = i;
            GeneratedItem.Slate.Entry entry = slate.entries().get(i);
            lines.getChildren()
                    .add(Parts.row(
                            text("slate-label-" + i, entry.label(), 8,
                                    typed -> entry(slate, index, new GeneratedItem.Slate.Entry(typed.strip(), entry.words()))),
                            text("slate-words-" + i, entry.words().text(), 18,
                                    typed -> entry(slate, index,
                                            typed.isBlank() ? null : new GeneratedItem.Slate.Entry(entry.label(), Wording.parse(typed)))),
                            Parts.small("slate-out-" + i, "Remove", () -> entry(slate, index, null))));
        }
        lines.getChildren().add(Parts.small("slate-more", "Another line", () -> {
            List<GeneratedItem.Slate.Entry> more = new ArrayList<>(slate.entries());
            more.add(new GeneratedItem.Slate.Entry("Note", new Wording("-")));
            change.accept(slate.withEntries(more));
        }));
        getChildren().add(field("Lines", "Fields such as {reel}, {length}, {timecode}, {size} and {rate} are filled in.", lines));
    }

    /** @param entry null to take the line out */
    private void entry(GeneratedItem.Slate slate, int index, GeneratedItem.Slate.Entry entry) {
        List<GeneratedItem.Slate.Entry> changed = new ArrayList<>(slate.entries());
        if (entry == null) {
            changed.remove(index);
        } else {
            changed.set(index, entry);
        }
        change.accept(slate.withEntries(changed));
    }
}
