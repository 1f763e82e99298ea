package dev.vat.desktop.trial;

import dev.vat.core.delivery.Deliverable;
import dev.vat.core.delivery.RateControl;
import dev.vat.core.delivery.RoughForecast;
import dev.vat.core.project.DeliverableEdits;
import dev.vat.core.trial.DeliverableForecast;
import dev.vat.core.trial.FileForecast;
import dev.vat.core.words.Words;
import dev.vat.desktop.look.Controls;
import dev.vat.desktop.look.Parts;
import dev.vat.desktop.session.Forecasts;
import dev.vat.desktop.session.Session;
import dev.vat.desktop.sheet.ForecastWords;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** Steps of quality of one or several files on the same excerpts: bytes against likeness, to be picked from. */
public final class LadderPage extends BorderPane {

    private static final Words WORDS = Words.of(LadderPage.class);

    private final Session session;
    private final List<Forecasts.Ladder> ladders;
    private final LadderChart chart;
    private final Label words = Parts.wrapped(WORDS.say("eachPointIsOneQualityTried"), "note");

    /** @param all tries the qualities of every column beside these @param close puts the page away */
    public LadderPage(Session session, List<Forecasts.Ladder> ladders, Runnable all, Runnable close) {
        this.session = session;
        this.ladders = ladders;
        this.chart = new LadderChart(ladders, this::isChosen, this::tell, this::pick);
        setId("ladder");
        getStyleClass().addAll("receipt", "history");
        Label title = Parts.label(WORDS.say("bytesAgainstLikeness"), "receipt-title");
        title.setMinWidth(Region.USE_PREF_SIZE);
        ToggleButton ssim = Controls.toggle("SSIM");
        ssim.setId("ladder-ssim");
        ssim.setTooltip(new Tooltip(WORDS.say("structuralLikenessInPlace")));
        ssim.setOnAction(_ -> chart.setSsim(ssim.isSelected()));
        Button others = Parts.button("ladder-all", WORDS.say("allColumns"), all);
        others.setTooltip(new Tooltip(WORDS.say("theQualitiesOfEveryColumn")));
        Parts.present(others, ladders.size() < session.project().deliverablesOn().size());
        HBox head = new HBox(title, Parts.space(), others, ssim, Parts.button("close-ladder", WORDS.say("backToThePicture"), close));
        head.getStyleClass().add("receipt-head");
        words.setId("ladder-words");
        words.setMinHeight(36);
        VBox below = new VBox(6, words, solver());
        below.getStyleClass().add("history-acts");
        setTop(head);
        setCenter(chart);
        setBottom(below);
    }

    /** Whether a step is what its deliverable has now. */
    private boolean isChosen(Deliverable deliverable, Deliverable step) {
        return session.deliverable(deliverable.id()).filter(
                now -> now.settings().control().equals(step.settings().control()) && now.settings().effort() == step.settings().effort())
                .isPresent();
    }

    private void tell(Deliverable deliverable, Deliverable step, FileForecast file) {
        words.setText(deliverable.title() + ", " + step.settings().codec().words(step.settings().control())
                + (step.settings().codec().hasEffort() ? ", " + step.settings().effort().title() : "") + ": "
                + ForecastWords.line(file));
    }

    private void pick(Deliverable deliverable, Deliverable step) {
        session.edit(DeliverableEdits.setQuality(deliverable.id(), step.settings().control(), step.settings().effort()));
        chart.refresh();
        words.setText(WORDS.say("isMadeWithNow", deliverable.title(), step.settings().codec().words(step.settings().control())));
    }

    /** Takes a size, and finds the best quality whose file is no larger. */
    private HBox solver() {
        TextField size = new TextField();
        size.setId("ladder-size");
        size.setPromptText("25 MB");
        size.setPrefColumnCount(7);
        Label label = Parts.label(WORDS.say("noLargerThan"), "note");
        size.setOnAction(_ -> solve(size.getText()));
        HBox line = Parts.row(label, size, Parts.button("ladder-solve", WORDS.say("takeTheBestQuality"), () -> solve(size.getText())));
        ladders.stream().filter(l -> l.deliverable().settings().codec().quality() != null).findFirst()
                .ifPresent(l -> line.getChildren().add(Parts.label(WORDS.say("for", l.deliverable().title()), "note")));
        return line;
    }

    private void solve(String text) {
        Forecasts.Ladder ladder = ladders.getFirst();
        try {
            long bytes = RateControl.FileSize.parse(text).bytes();
            Map<Integer, FileForecast> steps = new LinkedHashMap<>();
            ladder.steps().forEach((step, file) -> {
                if (step.settings().effort() == ladder.deliverable().settings().effort()
                        && step.settings().control() instanceof RateControl.Constant(int number)) {
                    steps.put(number, file);
                }
            });
            Optional<Integer> best = DeliverableForecast.qualityFor(bytes, steps, ladder.deliverable().settings().codec().quality());
            if (best.isEmpty()) {
                words.setText(WORDS.say("noneOfTheQualitiesThatWere", RoughForecast.bytes(bytes)));
                return;
            }
            pick(ladder.deliverable(), ladder.deliverable().withControl(new RateControl.Constant(best.get())));
        } catch (IllegalArgumentException e) {
            words.setText(e.getMessage() + ".");
        }
    }
}
