package dev.vat.desktop.runs;

import dev.vat.core.run.RunPlan;
import dev.vat.core.words.Words;
import dev.vat.desktop.look.Parts;
import dev.vat.desktop.session.RunLine;
import dev.vat.protocol.FileProgress;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.function.Consumer;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** One run: what it makes, and each of its files on a line. */
final class RunView extends VBox {

    private static final Words WORDS = Words.of(RunView.class);

    private final RunLine line;
    private final Button pause;
    private final Button stop;
    private final Button again;
    private final Button early;
    private final Button discard;
    private final Map<String, RunFileView> files = new LinkedHashMap<>();

    /**
     * @param pausing told whether to pause or to go on
     * @param endEarly makes files of what is closed of a run that doesn't go on
     */
    RunView(RunLine line, RunFileView.Acts acts, Consumer<Boolean> pausing, Runnable goOn, Runnable endEarly, Runnable clearAway) {
        this.line = line;
        getStyleClass().add("run");
        RunPlan plan = line.run().plan();
        Label name = new Label(plan.reel());
        name.getStyleClass().add("strong");
        Label what = new Label(
                WORDS.say("framesInto", plan.frames(), plan.rate().label(), plan.folder()));
        what.getStyleClass().add("note");
        what.setMinWidth(0);
        HBox.setHgrow(what, Priority.ALWAYS);
        what.setMaxWidth(Double.MAX_VALUE);
        pause = Parts.small("pause-run", WORDS.say("pause"), () -> pausing.accept(!line.isPaused()));
        stop = Parts.small("stop-run", WORDS.say("stop"), () -> line.run().stop());
        again = Parts.small("again-run", WORDS.say("goOn"), goOn);
        early = Parts.small("end-early", WORDS.say("endEarly"), () -> {
            if (line.isGoing()) {
                line.run().endEarly();
            } else {
                endEarly.run();
            }
        });
        early.setTooltip(new Tooltip(WORDS.say("readsNothingMoreAndMakes")));
        discard = Parts.twice("discard-run", WORDS.say("deleteEncodedParts"), WORDS.say("pressAgainToDelete"), clearAway);
        HBox head = new HBox(name, what, pause, early, stop, again, discard);
        head.getStyleClass().add("row");
        getChildren().add(head);
        for (FileProgress file : line.files()) {
            RunFileView view = new RunFileView(file.target(), line.title(file.target()), file.frames(), line.forecast(file.target()), acts);
            files.put(file.target(), view);
            getChildren().add(view);
        }
        show();
    }

    void show() {
        for (FileProgress file : line.files()) {
            files.get(file.target()).show(file, line.expectedBytes(file));
        }
        pause.setText(line.isPaused() ? WORDS.say("goOn") : WORDS.say("pause"));
        Parts.present(pause, line.isGoing());
        Parts.present(stop, line.isGoing());
        Parts.present(early, line.isGoing() || line.isUnfinished());
        Parts.present(again, line.isUnfinished());
        Parts.present(discard, line.isUnfinished());
    }
}
