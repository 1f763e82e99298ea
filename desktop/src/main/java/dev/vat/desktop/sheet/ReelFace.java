package dev.vat.desktop.sheet;

import dev.vat.core.project.Edits;
import dev.vat.core.reel.Reel;
import dev.vat.core.reel.ReelPlan;
import dev.vat.core.run.Programme;
import dev.vat.core.source.Sequence;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Timecode;
import dev.vat.desktop.look.Icon;
import dev.vat.desktop.look.Parts;
import dev.vat.desktop.studio.Studio;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.LongConsumer;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** The items of the reel in their order, with the length that follows from them. */
public final class ReelFace extends VBox {

    private final Studio studio;
    private final LongConsumer seek;

    public ReelFace(Studio studio, LongConsumer seek) {
        this.studio = studio;
        this.seek = seek;
        setId("reel-face");
        getStyleClass().add("face");
    }

    public void show() {
        List<Node> rows = new ArrayList<>();
        if (studio.project().reels().size() > 1) {
            rows.add(reels());
        }
        Optional<Programme> programme = studio.programme();
        if (programme.isEmpty() || programme.get().entries().isEmpty()) {
            rows.add(Parts.wrapped("The reel is empty. Bring frames in, or add a source to it from the In face.", "note", "empty"));
        } else {
            List<ReelPlan.Span> spans = programme.get().plan().spans();
            for (ReelPlan.Span span : spans) {
                rows.add(item(programme.get(), span, spans.size()));
            }
            rows.add(total(programme.get()));
        }
        getChildren().setAll(rows);
    }

    private FlowPane reels() {
        FlowPane choices = Parts.choices("reel-choice");
        choices.getChildren().add(Parts.label("Reels", "field-name"));
        for (Reel reel : studio.project().reels()) {
            ToggleButton button = new ToggleButton(reel.name());
            button.setId("reel-" + reel.id());
            button.setSelected(reel.id().equals(studio.project().reel()));
            button.setOnAction(_ -> studio.edit(Edits.chooseReel(reel.id())));
            choices.getChildren().add(button);
        }
        return choices;
    }

    private VBox item(Programme programme, ReelPlan.Span span, int items) {
        Programme.Entry entry = programme.entries().get(span.item());
        Sequence s = entry.table().sequence();
        int index = span.item();
        Button up = icon("up-" + index, Icon.UP, "Earlier", () -> studio.edit(Edits.moveItem(index, index - 1)));
        up.setDisable(index == 0);
        Button down = icon("down-" + index, Icon.DOWN, "Later", () -> studio.edit(Edits.moveItem(index, index + 1)));
        down.setDisable(index == items - 1);
        Button out = icon("out-" + index, Icon.CLOSE, "Take out of the reel", () -> studio.edit(Edits.removeItem(index)));
        String number = Integer.toString(index + 1);
        HBox head = Parts.row(Parts.label(number, "mono", "note"), Parts.label(s.name(), "strong"), Parts.space(), up, down, out);
        FlowPane figures = new FlowPane();
        figures.getStyleClass().add("figures");
        figures.getChildren().addAll(
                Parts.label(s.pattern().number(span.range().first()) + " to " + s.pattern().number(span.range().last()), "mono"),
                Parts.label(span.count() == 1 ? "1 frame" : span.count() + " frames", "mono"),
                Parts.label("from " + start(programme, span), "mono"),
                Parts.label("every frame plays once", "note"),
                Parts.label("holes: " + entry.source().reading().gap().title().toLowerCase(Locale.ROOT), "note"));
        VBox row = new VBox(head, figures);
        row.setId("item-" + index);
        row.getStyleClass().add("source-row");
        row.setOnMouseClicked(_ -> seek.accept(span.start()));
        return row;
    }

    private static String start(Programme programme, ReelPlan.Span span) {
        return programme.rate().map(r -> Timecode.of(span.start(), r).toString()).orElse("reel frame " + span.start());
    }

    private static Button icon(String id, Icon icon, String words, Runnable act) {
        Button button = Parts.button(id, "", act);
        button.setGraphic(icon.node());
        button.getStyleClass().add("small");
        button.setAccessibleText(words);
        button.setTooltip(new Tooltip(words));
        return button;
    }

    private static HBox total(Programme programme) {
        long count = programme.plan().count();
        String length = programme.rate().map(r -> words(r, count)).orElse("no rate yet");
        HBox total = Parts.row(Parts.label("Programme", "strong"), Parts.label(count + " frames", "mono"), Parts.label(length, "mono"));
        total.getStyleClass().add("total");
        total.setId("reel-total");
        return total;
    }

    private static String words(Rate rate, long count) {
        return rate.seconds(count).toFixed(3) + " s, " + Timecode.of(count, rate) + " at " + rate.label();
    }
}
