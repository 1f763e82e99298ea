package dev.vat.desktop.sheet;

import static dev.vat.desktop.look.Fields.field;
import static dev.vat.desktop.look.Fields.named;
import static dev.vat.desktop.look.Fields.text;

import dev.vat.core.pass.Operation;
import dev.vat.core.pass.Pass;
import dev.vat.core.pass.PassMix;
import dev.vat.core.pass.PassWords;
import dev.vat.core.picture.Rgb;
import dev.vat.core.project.DeliverableEdits;
import dev.vat.core.project.ReelEdits;
import dev.vat.core.project.ShotPasses;
import dev.vat.core.project.Source;
import dev.vat.core.reel.ReelSpan;
import dev.vat.core.resolved.ReelEntry;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;
import dev.vat.desktop.look.Controls;
import dev.vat.desktop.look.Icon;
import dev.vat.desktop.look.Parts;
import dev.vat.desktop.session.Session;
import dev.vat.engine.picture.PassCheck;
import java.util.List;
import javafx.application.Platform;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import javafx.util.StringConverter;

/** The passes that an item's picture is made of again, the highest first as they lie over each other; nothing where there are none. */
final class PassPane extends VBox {

    private static final Words WORDS = Words.of(PassPane.class);

    private final Session session;
    private final ResolvedReel programme;
    private final ReelSpan span;
    private final PassMix now;

    PassPane(Session session, ResolvedReel programme, ReelSpan span, ReelEntry entry) {
        this.session = session;
        this.programme = programme;
        this.span = span;
        this.now = programme.plan().part(span.item()).item().passes();
        setId("passes");
        getStyleClass().add("reading-part");
        List<PassWords.Found> found = ShotPasses.of(session.project().sources(), entry.source(), entry.table());
        if (now == null) {
            if (!found.isEmpty()) {
                getChildren().add(
                        field(WORDS.say("passes"),
                                WORDS.say("found", found.size(), String.join(", ", found.stream().map(f -> f.name()).toList())),
                                Parts.small("passes-on", WORDS.say("putTogetherFromItsPasses"), () -> mix(PassWords.mix(found)))));
            }
            return;
        }
        VBox rows = new VBox();
        rows.getStyleClass().add("pass-rows");
        for (int i = now.passes().size() - 1; i >= 0; i--) {
            rows.getChildren().add(row(i, now.passes().get(i)));
        }
        getChildren().addAll(rows, Parts.wrapped(WORDS.say("putTogetherInLinearLight"), "note"));
        getChildren().add(below());
    }

    private void mix(PassMix mix) {
        session.edit(ReelEdits.mixItem(span.place(), mix));
    }

    private HBox row(int index, Pass pass) {
        CheckBox on = Controls.check(pass.name());
        on.setId("pass-on-" + index);
        on.setMnemonicParsing(false);
        on.setSelected(!pass.off());
        on.getStyleClass().add("pass-name");
        on.setTooltip(new Tooltip(session.project().source(pass.source()).map(Source::name).orElse(WORDS.say("layer", pass.layer()))));
        on.setOnAction(_ -> mix(now.with(index, p -> p.withOff(!on.isSelected()))));
        ComboBox<Operation> operation = new ComboBox<>();
        operation.setId("pass-operation-" + index);
        operation.getItems().setAll(Operation.values());
        operation.setValue(pass.operation());
        operation.setConverter(new StringConverter<>() {
            @Override
            public String toString(Operation value) {
                return value.title();
            }

            @Override
            public Operation fromString(String words) {
                return Operation.parse(words);
            }
        });
        operation.setTooltip(new Tooltip(pass.operation().sentence()));
        operation.setOnAction(_ -> mix(now.with(index, p -> p.withOperation(operation.getValue()))));
        Button up = Parts.icon("pass-up-" + index, Icon.UP, WORDS.say("layItHigher"), () -> mix(now.moved(index, index + 1)));
        up.setDisable(index == now.passes().size() - 1);
        Button down = Parts.icon("pass-down-" + index, Icon.DOWN, WORDS.say("layItLower"), () -> mix(now.moved(index, index - 1)));
        down.setDisable(index == 0);
        HBox row = Parts.row(on, operation,
                named("gain",
                        text("pass-gain-" + index, pass.gainInUse().toDecimal(3), 3,
                                typed -> mix(now.with(index, p -> p.withGain(Rational.parse(typed)))))),
                named("stops",
                        text("pass-exposure-" + index, pass.exposureInUse().toDecimal(2), 3,
                                typed -> mix(now.with(index, p -> p.withExposure(Rational.parse(typed)))))),
                named("tint",
                        text("pass-tint-" + index, pass.tint() == null ? "" : pass.tint().toString(), 4,
                                typed -> mix(now.with(index, p -> p.withTint(typed.isBlank() ? null : Rgb.parse(typed)))))),
                up, down,
                Parts.small("pass-file-" + index, WORDS.say("file"), () -> session.edit(DeliverableEdits.addPassFile(pass.name()))));
        row.getStyleClass().add("pass-row");
        return row;
    }

    private HBox below() {
        Label said = Parts.wrapped("", "note");
        said.setId("passes-against-full");
        Button against = Parts.small("passes-check", WORDS.say("compareWithTheFullPicture"), () -> {});
        against.setOnAction(_ -> {
            against.setDisable(true);
            said.setText(WORDS.say("comparing"));
            PassCheck check = PassCheck.of(programme, span);
            check.run(session.viewer(), done -> Platform.runLater(() -> said.setText(WORDS.say("ofCompared", done, check.frames()))))
                    .whenComplete((report, failure) -> Platform.runLater(() -> {
                        against.setDisable(false);
                        said.setText(failure == null ? report.words() : WORDS.say("thePassesCantBeCompared", failure.getMessage()));
                    }));
        });
        return field(WORDS.say("check"), "", against, Parts.small("passes-off", WORDS.say("theSourcesOwnPicture"), () -> mix(null)), said);
    }
}
