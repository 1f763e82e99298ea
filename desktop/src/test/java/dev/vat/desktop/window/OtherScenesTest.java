package dev.vat.desktop.window;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.desktop.studio.LiveScene;
import dev.vat.engine.feed.RawFormat;
import dev.vat.engine.standin.Manners;
import dev.vat.engine.standin.StandInFeed;
import java.io.IOException;
import java.util.List;
import javafx.scene.control.Labeled;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;

/** Scenes that aren't as one would wish them: they hand over files alone, can't draw a frame, hang up. */
class OtherScenesTest extends WindowCase {

    private StandInFeed scene;

    @AfterEach
    void end() throws IOException {
        if (scene != null) {
            scene.close();
        }
    }

    private LiveScene live(Manners manners) throws Exception {
        scene = StandInFeed.start(places.scenes(), 1, manners);
        await(() -> !studio().scenes().all().isEmpty());
        return on(() -> studio().scenes().all().getFirst());
    }

    private List<String> words() throws Exception {
        return on(() -> node("scenes").lookupAll(".label").stream().map(n -> ((Labeled) n).getText()).filter(t -> t.startsWith("It can't be seen")).toList());
    }

    @Test
    void aSceneThatWritesFilesIsSeenTestedAndCaptured() throws Exception {
        // In the middle of the first camera's frames, where its picture is taken.
        LiveScene live = live(Manners.GOOD.withFiles().withAbsent(92));
        await(() -> live.picture("tower").isPresent() && live.picture("sand").isPresent() && live.unseen("pier").isPresent());
        settle();
        assertThat(live.picture("tower").orElseThrow().format()).as("a PNG file may have alpha").isEqualTo(RawFormat.RGBA8);
        assertThat(live.picture("pier")).isEmpty();
        assertThat(words()).as("the others are there all the same").containsExactly("It can't be seen: Marram Flats: frame 92 isn't to be had.");
        press("capture-tower");
        press("capture-percent-25");
        enter("capture-range", "170-180");
        press("capture-test");
        await(() -> isThere("capture-picture"));
        assertThat(text("capture-forecast")).startsWith("Frame 0175 as it will be captured. One after the other: 11 frames x 0.");
        press("capture-now");
        await(() -> !studio().previews().isGoing() && studio().previews().all().size() == 1);
        assertThat(on(() -> studio().previews().all().getFirst().isWhole())).isTrue();
    }

    @Test
    void aSceneThatHangsUpIsSaidAndAskedAgain() throws Exception {
        LiveScene live = live(Manners.GOOD.withGone(92));
        await(() -> live.trouble().isPresent());
        settle();
        assertThat(live.trouble().orElseThrow()).startsWith("Marram Flats has gone");
        assertThat(on(() -> node("scenes").lookupAll(".fault").stream().map(n -> ((Labeled) n).getText()).toList())).containsExactly(live.trouble().orElseThrow() + ".");
        scene.close();
        await(() -> studio().scenes().all().isEmpty());
        assertThat(isThere("start-scene")).isTrue();
    }

    @Test
    void aProcessStandsReadyWhileSomebodyLooksAtWhatIsToBeCaptured() throws Exception {
        LiveScene live = live(Manners.GOOD);
        await(() -> live.picture("sand").isPresent() && isThere("capture-sand"));
        assertThat(waiting()).isZero();
        press("capture-tower");
        await(() -> waiting() == 1);
        press("capture-tower");
        await(() -> waiting() == 0);
    }

    private static long waiting() {
        return ProcessHandle.current().children().filter(ProcessHandle::isAlive).filter(p -> p.info().commandLine().orElse("").endsWith(" capture")).count();
    }
}
