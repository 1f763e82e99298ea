package dev.vat.desktop.runs;

import dev.vat.core.delivery.RoughForecast;
import dev.vat.core.words.Words;
import dev.vat.desktop.look.Clips;
import dev.vat.desktop.look.Icon;
import dev.vat.desktop.look.Parts;
import dev.vat.protocol.FileProgress.Stage;
import dev.vat.protocol.FileProgress;
import java.nio.file.Files;
import java.nio.file.Path;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ProgressBar;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;

/** One file of a run on its line; it stays the same node while its figures change, so that its buttons can be pressed. */
final class RunFileView extends HBox {

    private static final Words WORDS = Words.of(RunFileView.class);

    /** What can be done with a file. */
    interface Acts {
        void watch(String target, Path file);

        void receipt(Path receipt);

        void reveal(Path file);

        void useAnyway(String target);

        /** Shows what is closed of a file that isn't whole yet. */
        void watchDone(String target);
    }

    private final ProgressBar bar = new ProgressBar(0);
    private final Label words = new Label();
    private final Label figures = new Label();
    private final Button watch;
    private final Button done;
    private final Button receipt;
    private final Button reveal;
    private final Button copy;
    private final Button useAnyway;
    private final long planned;
    private FileProgress progress;
    private Stage shownStage;

    RunFileView(String target, String name, long planned, RoughForecast forecast, Acts acts) {
        this.planned = planned;
        getStyleClass().add("run-file");
        setId("run-file-" + target);
        Label title = new Label(name);
        title.setMinWidth(160);
        title.setPrefWidth(160);
        bar.setMinWidth(120);
        bar.setPrefWidth(120);
        words.setMinWidth(0);
        words.setId("run-words-" + target);
        HBox.setHgrow(words, Priority.ALWAYS);
        words.setMaxWidth(Double.MAX_VALUE);
        figures.getStyleClass().add("mono");
        figures.setMinWidth(Region.USE_PREF_SIZE);
        figures.setTooltip(forecast == null ? null : new Tooltip(WORDS.say("forecastBeforeAnythingWas", forecast)));
        watch = Parts.small("watch-" + target, WORDS.say("watch"), () -> acts.watch(target, Path.of(progress.path())));
        done = Parts.small("watch-done-" + target, WORDS.say("watchWhatIsDone"), () -> acts.watchDone(target));
        receipt = Parts.small("receipt-" + target, WORDS.say("receipt"), () -> acts.receipt(Path.of(progress.receipt())));
        reveal = Parts.small("reveal-" + target, WORDS.say("showFolder"), () -> acts.reveal(Path.of(progress.path())));
        copy = Parts.small("copy-path-" + target, WORDS.say("copyPath"), () -> Clips.copy(progress.path()));
        useAnyway = Parts.small("use-anyway-" + target, WORDS.say("useItAnyway"), () -> acts.useAnyway(target));
        useAnyway.setTooltip(new Tooltip(WORDS.say("movesTheFileOutOfTheWork")));
        getChildren().addAll(title, bar, words, figures, watch, done, receipt, reveal, copy, useAnyway);
    }

    /** @param expected what the whole file will weigh by what was made of it, or 0 while that says nothing */
    void show(FileProgress p, long expected) {
        progress = p;
        double part = p.frames() == 0 ? 0 : (double) p.done() / p.frames();
        bar.setProgress(switch (p.stage()) {
            case WAITING -> 0;
            case JOINING, DELIVERED, UNPROVEN -> 1;
            default -> part;
        });
        words.setText(RunWords.of(p, planned));
        figures.setText(
                p.bytes() == 0 ? ""
                        : RoughForecast.bytes(p.bytes()) + (expected > 0 ? WORDS.say("ofSome", RoughForecast.bytes(expected)) : ""));
        if (p.stage() != shownStage) {
            shownStage = p.stage();
            words.setTooltip(p.why() == null ? null : new Tooltip(p.why()));
            style();
        }
        boolean file = p.path() != null;
        Parts.present(watch, file && !Files.isDirectory(Path.of(p.path())) && p.stage() != Stage.FAILED && p.stage() != Stage.STOPPED);
        Parts.present(done, p.bytes() > 0 && (p.stage() == Stage.ENCODING || p.stage() == Stage.STOPPED));
        Parts.present(receipt, p.receipt() != null);
        Parts.present(reveal, file && p.isEnd());
        Parts.present(copy, file && p.isEnd());
        Parts.present(useAnyway, p.stage() == Stage.UNPROVEN);
    }

    private void style() {
        words.getStyleClass().removeAll("good", "fault", "warn");
        bar.getStyleClass().removeAll("good", "fault");
        words.setGraphic(null);
        switch (shownStage) {
            case DELIVERED -> {
                // Taken into use without a proof: that is no success.
                boolean proven = progress.why() == null;
                mark(proven ? Icon.PROVEN : Icon.WARNING, proven ? "good" : "warn");
            }
            case UNPROVEN, FAILED -> mark(Icon.BLOCKER, "fault");
            case STOPPED -> mark(Icon.WARNING, "warn");
            default -> {}
        }
    }

    private void mark(Icon icon, String style) {
        words.setGraphic(icon.node());
        words.getStyleClass().add(style);
        if (!style.equals("warn")) {
            bar.getStyleClass().add(style);
        }
    }
}
