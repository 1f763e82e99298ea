package dev.vat.desktop.sheet;

import dev.vat.core.words.Words;
import dev.vat.desktop.look.Parts;
import dev.vat.desktop.session.Forecasts;
import dev.vat.desktop.session.Session;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;

/** Test encodes: to begin one, how far it is, and how long the run will take. */
final class TryingBar extends HBox {

    private static final Words WORDS = Words.of(TryingBar.class);

    private final Session session;
    private final Button start;
    private final Button cancel;
    private final Button steps;
    private final Label words = Parts.label("", "note");

    TryingBar(Session session, Runnable ladders) {
        this.session = session;
        start = Parts.button("try-files", WORDS.say("testEncode"), () -> session.forecasts().start());
        start.setTooltip(
                new Tooltip(WORDS.say("encodesShortExcerptsWith")));
        cancel = Parts.button("cancel-try", WORDS.say("cancel"), () -> session.forecasts().cancel());
        steps = Parts.button("try-steps", WORDS.say("compareQualities"), ladders);
        steps.setTooltip(new Tooltip(WORDS.say("triesSeveralQualitiesOn")));
        words.setId("try-words");
        words.setMinWidth(0);
        getChildren().addAll(Parts.label(WORDS.say("forecast"), "field-name"), start, cancel, steps, words);
        setAlignment(Pos.CENTER_LEFT);
        getStyleClass().add("field");
        setId("trying");
    }

    void show() {
        Forecasts now = session.forecasts();
        Parts.present(start, !now.isGoing());
        Parts.present(cancel, now.isGoing());
        start.setDisable(!now.canStart());
        steps.setDisable(!now.canStart());
        words.setText(now.isGoing() ? WORDS.say("testEncode2", now.words())
                : now.seconds().map(s -> WORDS.say("runAndProof", ForecastWords.time(s)))
                        .orElse(now.canStart() ? WORDS.say("roughUntilATestEncode") : ""));
    }
}
