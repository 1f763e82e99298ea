package dev.vat.desktop.runs;

import dev.vat.core.run.RunFile;
import dev.vat.core.run.RunPlan;
import dev.vat.core.words.Words;
import dev.vat.desktop.look.Controls;
import dev.vat.desktop.look.Dialogs;
import dev.vat.desktop.look.Moments;
import dev.vat.desktop.look.Parts;
import dev.vat.desktop.look.TallScroll;
import dev.vat.desktop.session.RunLine;
import dev.vat.desktop.session.Runs;
import dev.vat.desktop.session.Session;
import dev.vat.protocol.FileProgress;
import dev.vat.protocol.run.RunHome;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** The foot of the window: what is being made, what was made, and what was interrupted. */
public final class RunsPane extends BorderPane {

    private static final Words WORDS = Words.of(RunsPane.class);

    /** What the window does for a run. */
    public interface RunActions {
        void watch(RunPlan plan, String target, Path file);

        void receipt(Path receipt);

        void history();

        void handOver();
    }

    private static final double MOST_HEIGHT = 176;

    private final Session session;
    private final Dialogs ask;
    private final RunActions window;
    private final Label summary = new Label();
    private final ToggleButton open = Controls.toggle(WORDS.say("allRuns"));
    private final VBox list = new VBox();
    private final TallScroll scroll = new TallScroll(list, () -> MOST_HEIGHT);
    private final MomentPicture moment;
    private final Map<RunLine, RunView> views = new HashMap<>();
    /** Made once each: an interrupted run's line reads its plan and journal. */
    private final Map<RunHome, Region> leftOver = new HashMap<>();
    private final Map<LaterLine.Shown, LaterLine> later = new HashMap<>();
    private boolean everOpened;

    public RunsPane(Session session, Dialogs ask, RunActions window) {
        this.session = session;
        this.ask = ask;
        this.window = window;
        this.moment = new MomentPicture(session.viewer());
        setId("runs");
        getStyleClass().add("runs");
        Label title = new Label(WORDS.say("runs"));
        title.getStyleClass().add("strong");
        summary.setId("runs-summary");
        summary.setMinWidth(0);
        summary.getStyleClass().add("note");
        HBox.setHgrow(summary, Priority.ALWAYS);
        summary.setMaxWidth(Double.MAX_VALUE);
        open.setId("runs-open");
        open.getStyleClass().add("remedy");
        open.setOnAction(_ -> layOut());
        HBox head = new HBox(title, summary, Parts.small("open-hand-over", WORDS.say("handOver"), window::handOver),
                Parts.small("open-history", WORDS.say("history"), window::history), open);
        head.getStyleClass().add("runs-head");
        setTop(head);
    }

    public void toggle() {
        open.fire();
    }

    public void show() {
        Runs runs = session.runs();
        if (!everOpened && (runs.going().isPresent() || !runs.leftOver().isEmpty())) {
            everOpened = true;
            open.setSelected(true);
        }
        views.keySet().retainAll(runs.lines());
        List<Node> nodes = new ArrayList<>();
        leftOver.keySet().retainAll(runs.leftOver());
        runs.leftOver().forEach(home -> nodes.add(leftOver.computeIfAbsent(home, this::leftOver)));
        for (RunLine line : runs.lines()) {
            nodes.add(views.computeIfAbsent(line, this::view));
            views.get(line).show();
        }
        List<LaterLine.Shown> waiting = runs.later().entries().stream().map(w -> new LaterLine.Shown(w, runs.later().state(w))).toList();
        later.keySet().retainAll(waiting);
        waiting.forEach(shown -> nodes.add(later.computeIfAbsent(shown, s -> new LaterLine(s, runs.later(), ask))));
        if (!nodes.equals(list.getChildren())) {
            list.getChildren().setAll(nodes);
        }
        summary.setText(summaryWords(runs));
        moment.show(open.isSelected() ? runs.going().orElse(null) : null);
        layOut();
    }

    private RunView view(RunLine line) {
        RunView view = new RunView(line, new RunFileView.Acts() {
            @Override
            public void watch(String target, Path file) {
                window.watch(line.run().plan(), target, file);
            }

            @Override
            public void receipt(Path receipt) {
                window.receipt(receipt);
            }

            @Override
            public void reveal(Path file) {
                ask.reveal(file);
            }

            @Override
            public void useAnyway(String target) {
                session.runs().useAnyway(line, target);
            }

            @Override
            public void watchDone(String target) {
                session.runs().joinDone(line.run().home(), target, file -> window.watch(line.run().plan(), target, file));
            }
        }, on -> session.runs().pause(line, on), () -> session.runs().goOn(line.run().home()),
                () -> session.runs().endEarly(line.run().home()), () -> session.runs().discard(line.run().home()));
        view.setId("run-" + line.run().plan().run());
        return view;
    }

    private Region leftOver(RunHome home) {
        Label words = new Label();
        words.setMinWidth(0);
        words.getStyleClass().add("warn");
        HBox.setHgrow(words, Priority.ALWAYS);
        words.setMaxWidth(Double.MAX_VALUE);
        try {
            RunPlan plan = home.plan();
            words.setText(WORDS.say("startedNotMadeNothingHalf",
                    (home.hasEnded() ? WORDS.say("notFinished") : WORDS.say("interrupted")) + plan.reel(),
                    Moments.dated(plan.made()),
                    home.unfinished().stream().map(RunFile::title).collect(Collectors.joining(", "))));
        } catch (IOException e) {
            words.setText(WORDS.say("anInterruptedRunCantBeRead", e.getMessage()));
        }
        HBox line = new HBox(words, Parts.small("again-interrupted", WORDS.say("goOn"), () -> session.runs().goOn(home)),
                Parts.small("end-early-interrupted", WORDS.say("endEarly"), () -> session.runs().endEarly(home)),
                Parts.twice("discard-interrupted", WORDS.say("deleteEncodedParts"), WORDS.say("pressAgainToDelete"),
                        () -> session.runs().discard(home)));
        line.getStyleClass().addAll("run", "row");
        line.setId("interrupted-" + home.folder().getFileName());
        return line;
    }

    private static String summaryWords(Runs runs) {
        if (runs.going().isPresent()) {
            RunLine line = runs.going().get();
            long proven = line.files().stream().filter(f -> f.stage() == FileProgress.Stage.DELIVERED).count();
            String files = WORDS.say("made", Math.round(100 * line.share()),
                    (proven == 0 ? "" : WORDS.say("ofProven", proven, line.files().size())),
                    (line.secondsLeft() < 0 ? "" : WORDS.say("leftForTheWhole", RunWords.left(Math.round(line.secondsLeft())))));
            int waiting = runs.later().entries().size();
            String more = waiting == 0 ? "" : WORDS.say("moreWaiting", waiting);
            return line.run().plan().reel() + ": "
                    + (line.held() != null ? WORDS.say("holdingStill", line.held())
                            : line.isPaused() ? WORDS.say(line.isResting() ? "paused" : "pausing") : files)
                    + more;
        }
        if (!runs.leftOver().isEmpty()) {
            return runs.leftOver().size() == 1 ? WORDS.say("1RunDidntMakeEverything")
                    : WORDS.say("runsDidntMakeEverything", runs.leftOver().size());
        }
        if (runs.lines().isEmpty()) {
            return WORDS.say("nothingHasBeenMadeYet");
        }
        long proven = runs.lines().stream().flatMap(l -> l.files().stream())
                .filter(f -> f.stage() == FileProgress.Stage.DELIVERED && f.why() == null).count();
        long all = runs.lines().stream().mapToLong(l -> l.files().size()).sum();
        return WORDS.say("ofFilesMadeAndProven", proven, all);
    }

    private void layOut() {
        boolean shown = open.isSelected() && !list.getChildren().isEmpty();
        setCenter(shown ? scroll : null);
        setRight(shown && session.runs().going().isPresent() ? moment : null);
    }
}
