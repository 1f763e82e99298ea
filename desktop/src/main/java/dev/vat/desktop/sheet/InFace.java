package dev.vat.desktop.sheet;

import dev.vat.core.picture.PictureFormat;
import dev.vat.core.project.Edits;
import dev.vat.core.project.Source;
import dev.vat.core.source.FrameState;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.GapPolicy;
import dev.vat.core.source.ResumeAdvice;
import dev.vat.core.source.Sequence;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rate;
import dev.vat.desktop.look.Ask;
import dev.vat.desktop.look.Clips;
import dev.vat.desktop.look.Icon;
import dev.vat.desktop.look.Parts;
import dev.vat.desktop.studio.Studio;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeMap;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** What was brought in: one line a source, the reading of the selected one unfolded under it. */
public final class InFace extends VBox {

    private final Studio studio;
    private final Ask ask;
    private final Consumer<String> select;

    public InFace(Studio studio, Ask ask, Consumer<String> select) {
        this.studio = studio;
        this.ask = ask;
        this.select = select;
        setId("in-face");
        getStyleClass().add("face");
    }

    /** @param selected id of the source whose reading is unfolded */
    public void show(String selected) {
        List<VBox> rows = new ArrayList<>();
        for (Source source : studio.project().sources()) {
            rows.add(row(source, source.id().equals(selected)));
        }
        getChildren().setAll(rows);
        if (rows.isEmpty()) {
            getChildren().add(Parts.wrapped("Nothing has been brought in. Drop a folder, or one frame of a sequence, anywhere on this "
                    + "window.\n\nIn holds the sources as they are found, every frame checked. Reel puts them in order. Out says what "
                    + "is made of them.", "note", "empty"));
        }
    }

    private VBox row(Source source, boolean selected) {
        FrameTable table = studio.table(source.id());
        VBox row = new VBox(head(source, table), figures(source, table));
        row.setId("source-" + source.id());
        row.getStyleClass().add("source-row");
        if (selected) {
            row.getStyleClass().add("selected");
            if (table != null) {
                row.getChildren().add(reading(source, table));
            }
        }
        row.setOnMousePressed(_ -> select.accept(source.id()));
        row.setAccessibleText(source.name());
        return row;
    }

    private HBox head(Source source, FrameTable table) {
        Label name = Parts.label(source.name(), "strong");
        Label state = Parts.label("", "state");
        state.setId("state-" + source.id());
        if (table == null) {
            state.setText(studio.watch().trouble(source.id()).orElse("looking"));
            studio.watch().trouble(source.id()).ifPresent(_ -> mark(state, Icon.BLOCKER, "fault"));
        } else {
            state(state, source, table);
        }
        return Parts.row(name, Parts.space(), state);
    }

    private void state(Label label, Source source, FrameTable table) {
        List<FrameTable.Fault> faults = table.faults();
        ResumeAdvice advice = ResumeAdvice.of(table);
        long missing = advice.missing().ranges().stream().mapToLong(r -> (r.last() - r.first()) / table.sequence().step() + 1).sum();
        String wrong = faultWords(faults, missing);
        if (studio.watch().isChecking(source.id())) {
            label.setText("checking " + studio.watch().checked(source.id()) + " of " + table.sequence().count()
                    + (wrong.isEmpty() ? "" : ", " + wrong));
        } else if (!wrong.isEmpty()) {
            label.setText(wrong);
            mark(label, Icon.BLOCKER, "fault");
        } else if (table.isChecked()) {
            label.setText("all good");
            mark(label, Icon.PROVEN, "good");
        } else {
            label.setText("check stopped");
        }
    }

    private static String faultWords(List<FrameTable.Fault> faults, long missing) {
        String present = faults.stream().collect(Collectors.groupingBy(FrameTable.Fault::state, TreeMap::new,
                Collectors.counting())).entrySet().stream().map(e -> e.getValue() + " " + e.getKey().label())
                .collect(Collectors.joining(", "));
        return (missing == 0 ? "" : missing + " missing" + (present.isEmpty() ? "" : ", ")) + present;
    }

    private static void mark(Label label, Icon icon, String style) {
        label.setGraphic(icon.node());
        label.getStyleClass().add(style);
    }

    private Region figures(Source source, FrameTable table) {
        if (table == null) {
            return Parts.wrapped(source.folder().absolute(), "note");
        }
        Sequence s = table.sequence();
        String range = s.pattern().number(s.first()) + " to " + s.pattern().number(s.last())
                + (s.step() == 1 ? "" : " by " + s.step());
        String files = s.count() == 1 ? "1 file" : s.count() + " files";
        String length = source.reading().statedRate().map(r -> r.seconds(frames(source, s)).toFixed(3) + " s at " + r.label()).orElse("no rate yet");
        String look = table.format().map(f -> f.size() + "   " + f.depth() + (f.linear() ? " linear" : "") + "   alpha " + table.alpha().label())
                .orElse(table.counts().getOrDefault(FrameState.UNCHECKED, 0) > 0 ? "" : "nothing could be decoded");
        FlowPane figures = new FlowPane();
        figures.getStyleClass().add("figures");
        for (String figure : new String[] {range, files, length, look}) {
            figures.getChildren().add(Parts.label(figure, "mono"));
        }
        return figures;
    }

    private static long frames(Source source, Sequence s) {
        FrameRange range = source.reading().rangeIn(s);
        return (range.last() - s.firstOnGrid(range.first())) / s.step() + 1;
    }

    private VBox reading(Source source, FrameTable table) {
        VBox reading = new VBox();
        reading.setId("reading");
        reading.getStyleClass().add("reading");
        reading.getChildren().addAll(rate(source), range(source, table), gap(source));
        table.format().filter(PictureFormat::linear).ifPresent(_ -> reading.getChildren().add(
                Parts.wrapped("Linear light, Rec.709 primaries, exposure 0, shown through the sRGB curve.", "note")));
        if (!table.sequence().kind().hasChecksum()) {
            reading.getChildren().add(Parts.wrapped(table.sequence().kind().title()
                    + " files carry no checksum: a changed byte inside the picture can't be noticed.", "note"));
        }
        table.notes().forEach((note, frames) -> reading.getChildren().add(
                Parts.wrapped(frames.toText(table.sequence().pattern()::number) + " " + note, "note")));
        if (table.sequence().count() == 1) {
            reading.getChildren().add(Parts.wrapped(
                    "1 file where a sequence was expected: was the renderer set to a single frame?", "note"));
        }
        reading.getChildren().add(acts(source, table));
        return reading;
    }

    private HBox rate(Source source) {
        FlowPane rates = Parts.choices();
        List<Rate> offered = new ArrayList<>(Rate.USUAL);
        offered.remove(studio.offeredRate());
        offered.addFirst(studio.offeredRate());
        source.reading().statedRate().filter(r -> !offered.contains(r)).ifPresent(offered::addFirst);
        ToggleGroup group = new ToggleGroup();
        for (Rate rate : offered) {
            ToggleButton button = new ToggleButton(rate.label());
            button.setId("rate-" + rate.label());
            button.setToggleGroup(group);
            button.setSelected(rate.equals(source.reading().rate()));
            button.setOnAction(_ -> studio.edit(Edits.setSourceRate(source.id(), rate)));
            rates.getChildren().add(button);
        }
        TextField other = new TextField();
        other.setId("rate-other");
        other.setPromptText("other");
        other.setPrefColumnCount(6);
        other.setOnAction(_ -> {
            try {
                Rate rate = Rate.parse(other.getText());
                other.clear();
                studio.edit(Edits.setSourceRate(source.id(), rate));
            } catch (IllegalArgumentException e) {
                refuse(other, e.getMessage());
            }
        });
        rates.getChildren().add(other);
        return field("Rate", rates);
    }

    private HBox range(Source source, FrameTable table) {
        Sequence s = table.sequence();
        TextField range = new TextField(source.reading().rangeIn(s).toString());
        range.setId("range");
        range.setPrefColumnCount(12);
        range.setOnAction(_ -> {
            try {
                FrameRange wanted = range.getText().isBlank() ? null : FrameRange.parse(range.getText());
                studio.edit(Edits.setRange(source.id(), s.range().equals(wanted) ? null : wanted));
            } catch (IllegalArgumentException e) {
                refuse(range, e.getMessage());
            }
        });
        long count = frames(source, s);
        Label effect = Parts.label((count == 1 ? "1 frame" : count + " frames") + source.reading().statedRate()
                .map(r -> " at " + r.label() + " = " + r.seconds(count).toFixed(3) + " s").orElse(""), "note");
        HBox line = new HBox(range, effect);
        line.getStyleClass().add("row");
        return field("Range", line);
    }

    private HBox gap(Source source) {
        FlowPane policies = Parts.choices();
        ToggleGroup group = new ToggleGroup();
        for (GapPolicy policy : GapPolicy.values()) {
            ToggleButton button = new ToggleButton(policy.title());
            button.setId("gap-" + policy.id());
            button.setToggleGroup(group);
            button.setSelected(policy == source.reading().gap());
            button.setOnAction(_ -> studio.edit(Edits.setGap(source.id(), policy)));
            policies.getChildren().add(button);
        }
        policies.getChildren().add(Parts.label(source.reading().gap().sentence(), "note"));
        return field("Holes", policies);
    }

    private static HBox field(String name, Region value) {
        Label label = Parts.label(name, "field-name");
        HBox.setHgrow(value, Priority.ALWAYS);
        HBox field = new HBox(label, value);
        field.getStyleClass().add("field");
        return field;
    }

    private static void refuse(TextField field, String why) {
        field.getStyleClass().add("refused");
        field.setTooltip(new Tooltip(why));
        field.setAccessibleHelp(why);
        field.selectAll();
    }

    private FlowPane acts(Source source, FrameTable table) {
        FlowPane acts = Parts.choices();
        ResumeAdvice advice = ResumeAdvice.of(table);
        if (!advice.wanted().isEmpty()) {
            acts.getChildren().add(Parts.button("copy-ranges", "Copy " + shortened(advice.toText(table.sequence().pattern())), 
                    () -> Clips.copy(advice.toText(table.sequence().pattern()))));
        }
        if (studio.watch().isChecking(source.id())) {
            acts.getChildren().add(Parts.button("stop-check", "Stop checking", () -> studio.watch().cancel(source.id())));
        } else {
            acts.getChildren().add(Parts.button("check-again", "Check again", () -> studio.watch().again(source)));
        }
        acts.getChildren().add(Parts.button("add-item", "Add to reel", () -> studio.edit(Edits.addItem(source.id()))));
        acts.getChildren().add(Parts.button("reveal-source", "Show folder", () -> ask.reveal(source.folder().path())));
        acts.getChildren().add(Parts.button("remove-source", "Remove", () -> studio.edit(Edits.removeSource(source.id()))));
        advice.next().ifPresent(next -> acts.getChildren().add(
                Parts.label("next to render " + table.sequence().pattern().number(next), "note")));
        return acts;
    }

    private static String shortened(String text) {
        return text.length() <= 26 ? text : text.substring(0, 24) + "\u2026";
    }
}
