package dev.vat.desktop.sheet;

import static dev.vat.desktop.look.Fields.choice;
import static dev.vat.desktop.look.Fields.field;
import static dev.vat.desktop.look.Fields.named;
import static dev.vat.desktop.look.Fields.text;

import dev.vat.core.burnin.Line;
import dev.vat.core.burnin.Spot;
import dev.vat.core.burnin.Wording;
import dev.vat.core.delivery.Fit;
import dev.vat.core.layout.Area;
import dev.vat.core.layout.Arrangement;
import dev.vat.core.layout.Border;
import dev.vat.core.layout.InStep;
import dev.vat.core.picture.Rgb;
import dev.vat.core.project.Source;
import dev.vat.core.reel.Conform;
import dev.vat.core.reel.Item;
import dev.vat.core.reel.Layout;
import dev.vat.core.reel.Playing;
import dev.vat.core.reel.View;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;
import dev.vat.desktop.look.Controls;
import dev.vat.desktop.look.Menus;
import dev.vat.desktop.look.Parts;
import dev.vat.desktop.session.Session;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.UnaryOperator;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** One view of a layout: what it shows, how that lies in its place, its border and caption. */
final class ViewFields extends VBox {

    private static final Words WORDS = Words.of(ViewFields.class);

    private final Session session;
    private final ResolvedReel programme;
    private final Layout layout;
    private final int index;
    private final View now;
    private final Consumer<Layout> change;

    ViewFields(Session session, ResolvedReel programme, Layout layout, int index, Consumer<Layout> change) {
        this.session = session;
        this.programme = programme;
        this.layout = layout;
        this.index = index;
        this.now = layout.views().get(index);
        this.change = change;
        setId("view-" + index);
        getStyleClass().add("view-fields");
        String name = session.project().source(now.item().source()).map(Source::name)
                .orElseGet(() -> now.item().drawn() == null ? WORDS.say("aSourceThatIsGone") : WORDS.say("nothingYet"));
        Button source = Controls.button(name);
        source.setId("view-source-" + index);
        source.setMnemonicParsing(false);
        source.setOnAction(_ -> Menus.below(source,
                LayoutPane.sources(session, s -> set(v -> v.withItem(Item.of(s.id()).withFit(v.item().fit()))))));
        HBox head = Parts.row(Parts.label(WORDS.say("view", (index + 1)), "field-name"), source, Parts.space());
        head.getChildren().addAll(order());
        getChildren().addAll(head, picture());
        if (now.item().source() != null) {
            getChildren().add(frames());
        }
        getChildren().add(written());
    }

    private void set(UnaryOperator<View> how) {
        change.accept(layout.withView(index, how));
    }

    private List<Node> order() {
        Button forwards = Parts.small("view-up-" + index, WORDS.say("earlier"), () -> change.accept(layout.moved(index, index - 1)));
        forwards.setDisable(index == 0);
        Button back = Parts.small("view-down-" + index, WORDS.say("later"), () -> change.accept(layout.moved(index, index + 1)));
        back.setDisable(index == layout.views().size() - 1);
        Button out = Parts.small("view-out-" + index, WORDS.say("remove"), () -> change.accept(layout.without(index)));
        out.setDisable(layout.views().size() == 1);
        return List.of(forwards, back, out);
    }

    private Node picture() {
        List<Node> values = new ArrayList<>();
        if (layout.arrangement() instanceof Arrangement.Free free) {
            values.add(named("place %", text("view-area-" + index, free.areas(layout.views().size()).get(index).toString(), 10,
                    typed -> change.accept(LayoutPane.placed(layout, index, Area.parse(typed))))));
        }
        values.addAll(Arrays.asList(choice("view-fit-" + index, Fit.values(), now.item().fitInUse(), Fit::title,
                f -> set(v -> v.withItem(v.item().withFit(f))))));
        values.add(named("part %", text("view-crop-" + index, now.crop() == null ? "" : now.crop().toString(), 6,
                typed -> set(v -> v.withCrop(typed.isBlank() ? null : Area.parse(typed))))));
        Border border = now.border();
        values.add(named("border %", text("view-border-" + index, border == null ? "" : border.width().toDecimal(2), 3,
                typed -> set(v -> v.withBorder(typed.isBlank() || typed.strip().equals("0") ? null
                        : new Border(Rational.parse(typed), border == null ? Rgb.WHITE : border.colour()))))));
        if (border != null) {
            values.add(named("colour", text("view-border-colour-" + index, border.colour().toString(), 7,
                    typed -> set(v -> v.withBorder(new Border(border.width(), Rgb.parse(typed)))))));
        }
        return field(WORDS.say("picture"), "", values.toArray(Node[]::new));
    }

    /** Else there is nothing to bring to the reel's rate. */
    private boolean isOfAnotherRate() {
        Optional<Rate> own = session.project().source(now.item().source()).filter(s -> session.watch().table(s.id()) != null)
                .flatMap(s -> s.reading().rateOf(session.watch().table(s.id())));
        return own.isEmpty() || !own.equals(programme.rate());
    }

    /** Which of its frames a source shows and, where views keep time, how it comes to the reel's rate. */
    private Node frames() {
        List<Node> values = new ArrayList<>();
        FrameRange range = now.item().range();
        values.add(text("view-range-" + index, range == null ? "" : range.toString(), 6,
                typed -> set(v -> v.withItem(v.item().withRange(typed.isBlank() ? null : FrameRange.parse(typed))))));
        if (layout.stepInUse() != InStep.FRAMES && isOfAnotherRate()) {
            Playing playing = now.item().playingInUse();
            Conform chosen = playing.conformInUse() == Conform.EVERY ? Conform.NEAREST : playing.conformInUse();
            values.addAll(Arrays.asList(choice("view-conform-" + index, new Conform[] {Conform.NEAREST, Conform.STEP, Conform.BLEND},
                    chosen, Conform::title, c -> set(v -> v.withItem(v.item().withPlaying(playing.withConform(c)))))));
        }
        return field(WORDS.say("frames"), "", values.toArray(Node[]::new));
    }

    private Node written() {
        Line line = now.caption();
        List<Node> values = new ArrayList<>();
        values.add(text("view-caption-" + index, line == null ? "" : line.words().text(), 15,
                typed -> set(v -> v.withCaption(typed.isBlank() ? null
                        : line == null ? Line.of(Wording.parse(typed), Spot.BOTTOM_LEFT) : line.withWords(Wording.parse(typed))))));
        if (line != null) {
            values.add(BurnInPane.spots("view-caption-" + index, line.at(), spot -> set(v -> v.withCaption(line.withSpot(spot)))));
            values.add(named("% high", text("view-caption-size-" + index, BurnInPane.number(line.size()), 3,
                    typed -> set(v -> v.withCaption(line.withSize(BurnInPane.percent(typed)))))));
            values.add(named("% dark", text("view-caption-ground-" + index, Integer.toString(line.ground()), 3,
                    typed -> set(v -> v.withCaption(line.withGround((int) BurnInPane.percent(typed)))))));
        }
        FlowPane places = Parts.choices();
        places.getChildren().addAll(values);
        return field(WORDS.say("caption"), line == null ? WORDS.say("suchAsSourceFrameCamera") : "", places);
    }
}
