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
import dev.vat.core.words.Words;
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

    private static final Words WORDS = Words.of(DrawnFields.class);

    private final GeneratedItem now;
    private final Consumer<GeneratedItem> change;

    /** @param rate of the reel, or null @param change told what it is to be */
    DrawnFields(GeneratedItem now, Rate rate, Consumer<GeneratedItem> change) {
        this.now = now;
        this.change = change;
        getStyleClass().add("reading-part");
        getChildren().add(length(rate));
        switch (now) {
            case GeneratedItem.Plain plain -> getChildren()
                    .add(field(WORDS.say("colour"), "", text("drawn-colour", plain.colour().toString(), 7,
                            typed -> change.accept(new GeneratedItem.Plain(Rgb.parse(typed), plain.frames())))));
            case GeneratedItem.Bars bars -> {
                getChildren().add(field(WORDS.say("bars"), WORDS.say("figuresAfterITURBT471Those"),
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
        values.add(named(WORDS.say("frames"),
                text("drawn-frames", Long.toString(now.frames()), 6, typed -> change.accept(now.withFrames(Fields.whole(typed, 1))))));
        if (rate != null) {
            values.add(Parts.label(rate.seconds(now.frames()).toFixed(3) + " s", "mono"));
        }
        return field(WORDS.say("length"), now instanceof GeneratedItem.Leader ? WORDS.say("aFigureASecondDownTo2Which") : "",
                values.toArray(Node[]::new));
    }

    private HBox tone(Integer level, Consumer<Integer> chosen) {
        return field(WORDS.say("tone"), WORDS.say("1KHz18DBFSIsTheAlignment"),
                named("dBFS", text("tone", level == null ? "" : level.toString(), 4,
                        typed -> chosen.accept(typed.isBlank() ? null : level(typed)))));
    }

    private static Integer level(String typed) {
        try {
            return Integer.valueOf(typed.strip());
        } catch (NumberFormatException e) {
            throw new IllegalArgumentException(WORDS.say("isNoLevelWriteDecibelsSuch", typed), e);
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
                            Parts.small("slate-out-" + i, WORDS.say("remove"), () -> entry(slate, index, null))));
        }
        lines.getChildren().add(Parts.small("slate-more", WORDS.say("anotherLine"), () -> {
            List<GeneratedItem.Slate.Entry> more = new ArrayList<>(slate.entries());
            more.add(new GeneratedItem.Slate.Entry(WORDS.say("note"), new Wording("-")));
            change.accept(slate.withEntries(more));
        }));
        getChildren().add(field(WORDS.say("lines"), WORDS.say("fieldsSuchAsReelLengthTimecode"), lines));
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
