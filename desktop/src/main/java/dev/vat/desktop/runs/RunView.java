package dev.vat.desktop.runs;

import dev.vat.core.run.RunPlan;
import dev.vat.desktop.studio.RunLine;
import dev.vat.engine.protocol.FileProgress;
import java.util.LinkedHashMap;
import java.util.Map;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** One run: what it makes, and each of its files on a line. */
final class RunView extends VBox {

    private final RunLine line;
    private final Button pause = new Button("Pause");
    private final Button stop = new Button("Stop");
    private final Button again = new Button("Make the rest");
    private final Button discard = new Button("Clear away");
    private final Map<String, RunFileView> files = new LinkedHashMap<>();

    RunView(RunLine line, RunFileView.Acts acts, Runnable makeAgain, Runnable clearAway) {
        this.line = line;
        getStyleClass().add("run");
        RunPlan plan = line.run().plan();
        Label name = new Label(plan.reel());
        name.getStyleClass().add("strong");
        Label what = new Label(plan.frames() + " frames at " + plan.rate().label() + ", into " + plan.folder());
        what.getStyleClass().add("note");
        what.setMinWidth(0);
        HBox.setHgrow(what, Priority.ALWAYS);
        what.setMaxWidth(Double.MAX_VALUE);
        set(pause, "pause-run", () -> line.pause(!line.isPaused()));
        set(stop, "stop-run", () -> line.run().stop());
        set(again, "again-run", makeAgain);
        set(discard, "discard-run", clearAway);
        HBox head = new HBox(name, what, pause, stop, again, discard);
        head.getStyleClass().add("row");
        getChildren().add(head);
        for (FileProgress file : line.files()) {
            RunFileView view = new RunFileView(file.target(), acts);
            files.put(file.target(), view);
            getChildren().add(view);
        }
        show();
    }

    private static void set(Button button, String id, Runnable act) {
        button.setId(id);
        button.getStyleClass().add("remedy");
        button.setMinWidth(Region.USE_PREF_SIZE);
        button.setOnAction(_ -> act.run());
    }

    void show() {
        for (FileProgress file : line.files()) {
            files.get(file.target()).show(file);
        }
        pause.setText(line.isPaused() ? "Go on" : "Pause");
        present(pause, line.isGoing());
        present(stop, line.isGoing());
        present(again, line.isUnfinished());
        present(discard, line.isUnfinished());
    }

    private static void present(Region node, boolean there) {
        node.setVisible(there);
        node.setManaged(there);
    }
}
