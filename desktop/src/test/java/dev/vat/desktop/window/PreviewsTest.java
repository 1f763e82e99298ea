package dev.vat.desktop.window;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.finding.Finding;
import dev.vat.core.picture.Size;
import dev.vat.core.preview.Preview;
import dev.vat.core.project.Source;
import dev.vat.core.source.FrameTable;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.FrameSet;
import dev.vat.desktop.band.FrameTrack;
import dev.vat.desktop.compare.CompareBar;
import dev.vat.desktop.look.Clips;
import dev.vat.desktop.session.LiveScene;
import dev.vat.engine.standin.SceneProcess;
import dev.vat.protocol.FileProgress;
import dev.vat.protocol.RenderOrder;
import dev.vat.worker.standin.StandInRender;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;
import javafx.scene.control.Labeled;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** From a scene over previews to the final file, as somebody does it in the window; the scene is the stand-in, in its own process. */
class PreviewsTest extends WindowCase {

    @BeforeEach
    void startScene() throws Exception {
        choose("add", "menu-start-scene");
        await(() -> isThere("capture-sand") && live().picture("sand").isPresent());
    }

    private LiveScene live() {
        return session().scenes().all().getFirst();
    }

    private SceneProcess scene() throws Exception {
        return on(() -> session().scenes().standIn().orElseThrow());
    }

    private void captured(int kept) throws Exception {
        await(() -> !session().previews().captures().isGoing() && session().previews().all().size() == kept);
        settle();
    }

    /** The few frames at the end of the first camera's keys, small: it is quick. */
    private void chooseFrames(String range) throws Exception {
        if (!on(() -> ((ToggleButton) node("capture-pier")).isSelected())) {
            press("capture-pier");
        }
        press("capture-percent-25");
        enter("capture-range", range);
    }

    private Source preview() throws Exception {
        return on(() -> session().project().sources().getFirst());
    }

    private Finding finding(String id) throws Exception {
        return on(() -> session().findings().all().stream().filter(f -> f.id().equals(id)).findFirst().orElse(null));
    }

    private void render(Path into, String range) throws Exception {
        new StandInRender(new RenderOrder(into.toString(), "pier", "pier", FrameRange.parse(range), Size.of(192, 108), false, 2, 0, 0,
                false, null, List.of())).run((_, _) -> {});
    }

    @Test
    void aCameraIsCapturedPlayedPutIntoTheReelCapturedAgainApprovedAndHeldToItsRender() throws Exception {
        assertThat(text("camera-pier")).isEqualTo("keys 0001-0184");
        chooseFrames("176-600");
        assertThat(on(() -> node("capture").lookupAll(".warn").stream().map(n -> ((Labeled) n).getText()).toList()))
                .containsExactly("Nothing moves after 0184: 416 frames would stand still.");
        press("advice-capture-0176-0184");
        assertThat(text("capture-now")).isEqualTo("Capture 9 frames");
        assertThat(text("capture-length")).isEqualTo("9 frames, 0.36 s at 25");
        assertThat(on(() -> node("make").localToScene(0, 0).getY())).as("the page isn't taller than the window").isPositive();
        press("capture-test");
        await(() -> isThere("capture-picture"));
        assertThat(text("capture-forecast")).startsWith("Frame 0180 as it will be captured. One after the other: 9 frames x ");
        press("capture-now");
        captured(1);
        assertThat(preview().name()).isEqualTo("pier_v001.mp4");
        assertThat(on(() -> window.mainView().strip().number(0))).as("by the scene's own numbers").isEqualTo("176");
        assertThat(reelIsEmpty()).as("a preview goes into no reel by itself").isTrue();
        type(KeyCode.P);
        settle();
        assertThat(reel().items()).singleElement().satisfies(i -> assertThat(i.source()).isEqualTo("s1"));

        scene().take(2);
        await(() -> text0("camera-pier").endsWith("the scene was changed since"));
        fire("capture-now");
        captured(2);
        assertThat(preview().name()).as("it takes the place of the one before").isEqualTo("pier_v002.mp4");
        assertThat(reel().items()).hasSize(1);
        press("story-pier");
        await(() -> isThere("preview-pier_v001") && isThere("preview-pier_v002"));
        fire("tick-pier_v001");
        fire("tick-pier_v002");
        fire("approve-pier_v002");
        await(() -> session().previews().all().stream().anyMatch(Preview::approved) && isThere("approve-pier_v002"));
        fire("story-compare");
        await(() -> isThere("compare") && ((CompareBar) node("compare")).isMeasured());
        assertThat(text("compare-likeness")).as("another take").contains("dB");
        press("compare-close");

        Path render = folder.resolve("pier_final");
        render(render, "176-180");
        drop(render);
        on(() -> {
            window.mainView().steering().selectSource("s2");
            return null;
        });
        await(() -> session().watch().table("s2") != null);
        open("missing");
        await(() -> isThere("expect-approved"));
        fire("expect-approved");
        await(() -> finding("approved-frames") != null);
        assertThat(finding("approved-frames").text()).isEqualTo("pier.####.png: the render has 5 of the approved 9.");
        assertThat(finding("approved-frames").evidence()).contains("pier_v002").contains("0176-0184");
        render(render, "181-184");
        await(() -> finding("approved-frames").text().endsWith("the render has all of the approved 9 frames."));
        press("target-edit-prores-hq");
        settle();
        press("make");
        made();
        assertThat(on(() -> session().runs().lines().getFirst().files())).singleElement().satisfies(f -> {
            assertThat(f.stage()).isEqualTo(FileProgress.Stage.DELIVERED);
            assertThat(Path.of(f.path())).exists();
        });
    }

    private String text0(String id) {
        return node(id) instanceof Labeled words ? words.getText() : "";
    }

    private boolean reelIsEmpty() throws Exception {
        return on(() -> session().project().currentReel().map(r -> r.items().isEmpty()).orElse(true));
    }

    @Test
    void theDirectorsNotesBecomeMarks() throws Exception {
        chooseFrames("176-184");
        fire("capture-all");
        await(() -> session().previews().captures().isGoing());
        fire("stop-capture");
        await(() -> !session().previews().captures().isGoing());
        settle();
        int before = on(() -> session().previews().all().size());
        fire("capture-now");
        captured(before + 1);
        press("director-reel");
        settle();
        assertThat(reel().name()).isEqualTo("director");
        assertThat(on(() -> session().project().deliverables().getFirst().burnIn().isNothing())).isFalse();
        run(() -> Clips.copy("pier 0178 kite too low\n00:00:00:05 too dark"));
        run(() -> window.mainView().press("paste-marks"));
        settle();
        FrameSet marked = preview().reading().marked();
        assertThat(marked.contains(178)).as(on(() -> session().notices().notice().words())).isTrue();
        assertThat(marked.contains(181)).isTrue();
        assertThat(preview().reading().remarks()).containsEntry(178L, "kite too low");
        FrameTrack shown = on(() -> window.mainView().strip());
        assertThat(shown.title()).as("the marks are seen on the reel itself").isEqualTo("director");
        long place = on(() -> session().programme().orElseThrow().plan().spans().getFirst().start()) + 2;
        assertThat(shown.mark(place).name()).isEqualTo("MARKED");
        assertThat(shown.remark(place)).contains(" 178, marked: kite too low");
    }

    @Test
    @Tag("process")
    @Tag("slow")
    void aCapturesProcessIsKilledAndWhatWasClosedIsKept() throws Exception {
        // A line about what was done goes by itself after a while: what is said is heard as it comes.
        List<String> said = new CopyOnWriteArrayList<>();
        run(() -> session().addListener(() -> said.add(session().notices().notice().words())));
        chooseFrames("1-184");
        fire("capture-now");
        await(() -> session().previews().captures().share() > .4);
        ProcessHandle.of(on(() -> session().previews().captures().worker().orElseThrow())).orElseThrow().destroyForcibly();
        captured(1);
        assertThat(said).anySatisfy(words -> assertThat(words).contains("pier_v001.mp4: ").contains("of 184 frames, The capture was lost"));
        assertThat(on(() -> session().previews().all().getFirst().drawn())).isGreaterThanOrEqualTo(50);
        assertThat(preview().name()).isEqualTo("pier_v001.mp4");
    }

    @Test
    @Tag("process")
    @Tag("slow")
    void aSceneThatIsKilledIsSaidAndWhatIsThereIsKept() throws Exception {
        chooseFrames("1-184");
        fire("capture-now");
        await(() -> session().previews().captures().share() > .1);
        scene().kill();
        await(() -> !session().previews().captures().isGoing());
        await(() -> session().scenes().all().isEmpty());
        settle();
        Preview kept = on(() -> session().previews().all().getFirst());
        assertThat(kept.isWhole()).isFalse();
        assertThat(kept.why()).contains("has gone");
        assertThat(preview().name()).isEqualTo("pier_v001.mp4");
        FrameTable table = on(() -> session().watch().table("s1"));
        assertThat(table.sequence().range()).isEqualTo(kept.range());
        assertThat(on(() -> window.mainView().can("start-scene"))).as("it can be started again").isTrue();
        press("source-s1");
        settle();
        assertThat(on(() -> session().previews().of(session().project().sources().getFirst()))).contains(kept);
        on(() -> {
            window.mainView().press("undo");
            return null;
        });
        assertThat(on(() -> session().project().sources())).as("even that can be undone").isEmpty();
        assertThat(on(() -> session().previews().all())).as("the preview is still kept").hasSize(1);
    }
}
