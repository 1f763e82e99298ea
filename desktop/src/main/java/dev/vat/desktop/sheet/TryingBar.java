package dev.vat.desktop.sheet;

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

    private final Session session;
    private final Button start;
    private final Button cancel;
    private final Button steps;
    private final Label words = Parts.label("", "note");

    TryingBar(Session session, Runnable ladders) {
        this.session = session;
        start = Parts.button("try-files", "Test encode", () -> session.foretelling().start());
        start.setTooltip(
                new Tooltip("Encodes short excerpts with every column's settings, and forecasts file size, encode time and picture "
                        + "quality (Ctrl+T)"));
        cancel = Parts.button("cancel-try", "Cancel", () -> session.foretelling().cancel());
        steps = Parts.button("try-steps", "Compare qualities\u2026", ladders);
        steps.setTooltip(new Tooltip("Tries several qualities on the same excerpts, and draws file size against quality"));
        words.setId("try-words");
        words.setMinWidth(0);
        getChildren().addAll(Parts.label("Forecast", "field-name"), start, cancel, steps, words);
        setAlignment(Pos.CENTER_LEFT);
        getStyleClass().add("field");
        setId("trying");
    }

    void show() {
        Forecasts now = session.foretelling();
        Parts.present(start, !now.isGoing());
        Parts.present(cancel, now.isGoing());
        start.setDisable(!now.canStart());
        steps.setDisable(!now.canStart());
        words.setText(now.isGoing() ? "Test encode: " + now.words() : now.seconds().map(s -> "Run and proof: " + ForecastWords.time(s))
                .orElse(now.canStart() ? "Rough until a test encode." : ""));
    }
}
