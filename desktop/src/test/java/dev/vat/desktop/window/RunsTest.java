package dev.vat.desktop.window;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.vat.core.delivery.Catalogue;
import dev.vat.core.finding.Observed;
import dev.vat.core.picture.PictureChoice;
import dev.vat.core.project.DeliverableEdits;
import dev.vat.core.project.Edits;
import dev.vat.core.project.Place;
import dev.vat.core.project.Project;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.run.RunPlan;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.Sequence;
import dev.vat.core.time.Rate;
import dev.vat.desktop.TestFrames;
import dev.vat.desktop.session.Session;
import dev.vat.engine.run.RunPlanner;
import dev.vat.engine.source.SourceFinder;
import dev.vat.engine.viewer.Viewer;
import dev.vat.protocol.run.RunHome;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import javafx.scene.control.ProgressBar;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** The foot of the window: runs that go on, are paused, stopped, watched, and left over from before. */
class RunsTest extends WindowCase {

    /** A run that was planned and then cut off, as an earlier start would have left it. */
    private RunPlan cutOff(Path frames) throws Exception {
        Sequence sequence = SourceFinder.find(frames).sequences().getFirst();
        Project project = Edits.bringIn(List.of(sequence.location()), Edits.Layout.ONE_PROGRAMME).apply(Project.EMPTY);
        project = Edits.setFolder(Place.of(folder.resolve("out")))
                .apply(DeliverableEdits.addTarget(Catalogue.WEB_H264).apply(Edits.setRate(Rate.FPS_25).apply(project)));
        try (Viewer viewer = new Viewer(places)) {
            FrameTable table = viewer.check(sequence, false, PictureChoice.MAIN, _ -> {}).join();
            assertThat(new Observed(Map.of("s1", table), Observed.Destination.UNKNOWN).tables()).hasSize(1);
            RunPlan plan = RunPlanner.ofSystem().plan(project, ResolvedReel.of(project, Map.of("s1", table)).orElseThrow(),
                    folder.resolve("out"), Map.of(),
                    RunPlan.CHOSEN, viewer.library());
            RunHome.create(places, plan);
            return plan;
        }
    }

    private void reopen() throws Exception {
        on(() -> {
            window.close();
            window = new VatWindow(window.stage(), places, answers, _ -> desktop);
            return null;
        });
    }

    @Test
    @Tag("torture")
    void whatWasInterruptedIsSaidAndMadeAgainOnceItsFolderIsBack() throws Exception {
        cutOff(TestFrames.png(folder, "kite", 8));
        reopen();
        await(() -> !session().runs().leftOver().isEmpty());
        await(() -> isThere("again-interrupted"));
        assertThat(text("runs-summary")).isEqualTo("1 run didn't make everything");
        press("again-interrupted");
        await(() -> session().runs().isIdle() && session().notices().notice().words().contains("out isn't there: bring it back"));
        assertThat(isThere("again-interrupted")).as("it is still offered").isTrue();
        Files.createDirectory(folder.resolve("out"));
        press("again-interrupted");
        made();
        assertThat(folder.resolve("out/kite_web.mp4")).exists();
        assertThat(RunHome.all(places)).as("nothing is left to clear away").isEmpty();
        assertThat(text("runs-summary")).isEqualTo("1 of 1 file made and proven");
    }

    @Test
    void whatWasInterruptedIsClearedAway() throws Exception {
        cutOff(TestFrames.png(folder, "kite", 2));
        reopen();
        await(() -> isThere("discard-interrupted"));
        press("discard-interrupted");
        assertThat(text("discard-interrupted")).as("encoded parts aren't deleted at one press").isEqualTo("Press again to delete");
        press("discard-interrupted");
        await(() -> RunHome.all(places).isEmpty());
        await(() -> session().notices().notice().words().contains("cleared away"));
        assertThat(folder.resolve("kite/kite.0001.png")).exists();
    }

    @Test
    void aRunIsPausedGoesOnAndIsStopped() throws Exception {
        drop(TestFrames.png(folder, "kite", 900));
        press("target-edit-prores-hq");
        settle();
        press("make");
        await(() -> session().runs().going().isPresent() && session().runs().going().get().framesRead() > 3);
        fire("pause-run");
        await(() -> text0("pause-run").equals("Go on") && text0("runs-summary").equals("kite: paused"));
        double before = on(this::progress);
        assertThat(before).isLessThan(1);
        fire("pause-run");
        await(() -> progress() > before);
        fire("stop-run");
        await(() -> session().runs().isIdle());
        settle();
        assertThat(text("run-words-edit-prores-hq")).startsWith("stopped at frame ");
        assertThat(folder.resolve("delivered")).isDirectoryNotContaining("glob:**/kite_edit.mov");
        fire("again-run");
        made();
        assertThat(folder.resolve("delivered/kite_edit.mov")).exists();
    }

    private double progress() {
        return ((ProgressBar) node("run-file-edit-prores-hq").lookup(".progress-bar")).getProgress();
    }

    private String text0(String id) {
        return ((javafx.scene.control.Labeled) node(id)).getText();
    }

    @Test
    void theDesktopIsToldHowFarARunIsAndWhoLooksAtItNeedsNoNotification() throws Exception {
        drop(TestFrames.png(folder, "kite", 3));
        press("target-web-h264");
        settle();
        press("make");
        made();
        assertThat(on(() -> List.copyOf(told))).contains("progress").endsWith("ended").noneMatch(t -> t.contains(" / "));
    }

    @Test
    void runsAreShownAndHiddenByKey() throws Exception {
        drop(TestFrames.png(folder, "kite", 3));
        press("target-web-h264");
        settle();
        press("make");
        made();
        assertThat(isThere("run-file-web-h264")).isTrue();
        hand.push(KeyCode.CONTROL, KeyCode.R);
        settle();
        assertThat(node("run-file-web-h264")).isNull();
    }

    /** The picture stands still and whole whatever opens below it. */
    @Test
    void aPausedPictureMakesRoomForRuns() throws Exception {
        drop(TestFrames.png(folder, "kite", 3, 54, 96, false));
        press("target-web-h264");
        settle();
        press("make");
        made();
        settle();
        // Whether the runs are open by now is another matter: it stands whole with them and without.
        double now = bottomOfPicture();
        assertThat(now).isLessThanOrEqualTo(bottomOfItsPlace());
        hand.push(KeyCode.CONTROL, KeyCode.R);
        settle();
        assertThat(Math.abs(bottomOfPicture() - now)).isGreaterThan(20);
        assertThat(bottomOfPicture()).isLessThanOrEqualTo(bottomOfItsPlace());
        hand.push(KeyCode.CONTROL, KeyCode.R);
        settle();
        // Whichever way it was: one of the two presses took room from it.
        assertThat(bottomOfPicture()).isCloseTo(now, within(1.0)).isLessThanOrEqualTo(bottomOfItsPlace());
    }

    private double bottomOfItsPlace() throws Exception {
        return on(() -> {
            var area = node("first-picture").getParent();
            return area.localToScene(area.getLayoutBounds()).getMaxY();
        }) + 1;
    }

    private double bottomOfPicture() throws Exception {
        return on(() -> node("first-picture").localToScene(node("first-picture").getLayoutBounds()).getMaxY());
    }

    @Test
    void theProjectIsSavedUnderANameAndOpenedAgain() throws Exception {
        drop(TestFrames.png(folder, "kite", 3));
        answers.project = folder.resolve("kites.vat");
        run(() -> window.mainView().press("save-as"));
        await(() -> Files.exists(folder.resolve("kites.vat")));
        Session first = session();
        run(first.files()::startAnew);
        settle();
        assertThat(isThere("welcome")).isTrue();
        run(() -> window.mainView().press("open-project"));
        await(() -> !session().project().isEmpty());
        settle();
        assertThat(text("state-s1")).isEqualTo("all good");
    }
}
