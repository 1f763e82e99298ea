package dev.vat.desktop.window;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.delivery.Catalogue;
import dev.vat.core.delivery.RateControl;
import dev.vat.core.project.DeliverableEdits;
import dev.vat.core.project.Edits;
import dev.vat.core.time.Rate;
import dev.vat.core.trial.FileForecast;
import dev.vat.desktop.TestFrames;
import dev.vat.desktop.compare.CompareBar;
import dev.vat.desktop.compare.Way;
import dev.vat.media.encode.StillWriter;
import dev.vat.media.picture.Samples;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import java.util.Optional;
import javafx.scene.control.Label;
import javafx.scene.image.Image;
import javafx.scene.image.ImageView;
import javafx.scene.input.Clipboard;
import javafx.scene.input.KeyCode;
import javafx.scene.paint.Color;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** Test encodes, the curve of qualities, comparison and scopes in the real window. */
@Tag("slow")
class JudgingTest extends WindowCase {

    private void programme(int frames) throws Exception {
        drop(TestFrames.png(folder, "kite", frames));
        run(() -> {
            session().chooseRate(Rate.FPS_25);
            session().edit(DeliverableEdits.addTarget(Catalogue.target("web-h264")));
            session().edit(DeliverableEdits.addTarget(Catalogue.target("edit-prores-hq")));
        });
        press("face-out");
        settle();
    }

    private void tried() throws Exception {
        await(() -> !session().forecasts().isGoing() && session().forecasts().seconds().isPresent());
        settle();
    }

    private Optional<FileForecast> forecast(String id) throws Exception {
        return on(() -> session().forecasts().of(session().deliverable(id).orElseThrow()));
    }

    private CompareBar bar() throws Exception {
        return on(() -> (CompareBar) node("compare"));
    }

    @Test
    void aTestEncodeForetellsAndAColumnThatChangesIsTriedAgainByItself() throws Exception {
        programme(60);
        assertThat(text("column-status-web-h264")).startsWith("rough");
        more();
        assertThat(isThere("try-files")).isTrue();
        // In one go: it can't have ended in between.
        assertThat(on(() -> {
            window.mainView().press("try-files");
            session().fail("This stays until the next thing happens.");
            session().edit(Edits.setNaming("{reel}-{target}"));
            return session().forecasts().isGoing();
        })).as("a name changes nothing of it").isTrue();
        tried();
        assertThat(on(() -> session().notices().notice().words())).isEqualTo("This stays until the next thing happens.");
        FileForecast first = forecast("web-h264").orElseThrow();
        assertThat(text("column-status-web-h264")).doesNotContain("rough").contains("dB");
        assertThat(text("try-words")).startsWith("Run and proof: ");
        run(() -> session().edit(DeliverableEdits.setControl("web-h264", new RateControl.Constant(32))));
        assertThat(forecast("web-h264")).as("nothing is said of settings that weren't tried").isEmpty();
        assertThat(forecast("edit-prores-hq")).isPresent();
        tried();
        assertThat(forecast("web-h264").orElseThrow().bytes().middle()).isLessThan(first.bytes().middle());
        run(() -> session().undo());
        tried();
        assertThat(forecast("web-h264")).contains(first);
    }

    @Test
    void aQualityIsPickedFromTheCurveAndFoundForASize() throws Exception {
        programme(60);
        more();
        press("try-steps");
        await(() -> isThere("ladder"));
        fire("step-web-h264-22-normal");
        assertThat(on(() -> session().deliverable("web-h264").orElseThrow().settings().control())).isEqualTo(new RateControl.Constant(22));
        assertThat(text("ladder-words")).contains("(22)");
        enter("ladder-size", "900 GB");
        assertThat(on(() -> session().deliverable("web-h264").orElseThrow().settings().control())).as("the best that was tried")
                .isEqualTo(new RateControl.Constant(15));
        enter("ladder-size", "10 kB");
        assertThat(on(() -> session().deliverable("web-h264").orElseThrow().settings().control()))
                .as("so few small frames are smaller than that at their best").isEqualTo(new RateControl.Constant(15));
        enter("ladder-size", "1 kB");
        assertThat(text("ladder-words")).contains("at least");
        enter("ladder-size", "many");
        assertThat(text("ladder-words")).contains("'many' is no size of a file");
        press("close-ladder");
        assertThat(isThere("ladder")).isFalse();
    }

    /** Another render of the same frames, of which one has a block that is a little brighter. */
    private Path other(int frames, int spoilt) throws Exception {
        Path place = TestFrames.png(folder, "other", frames);
        float[][] planes = new float[3][96 * 54];
        for (int i = 0; i < planes[0].length; i++) {
            planes[0][i] = (i % 96 + spoilt - 1) % 96 / 96f;
            planes[1][i] = (i / 96) / 54f + (i % 96 >= 32 && i % 96 < 48 && i / 96 >= 16 && i / 96 < 32 ? 1 / 255f : 0);
            planes[2][i] = .4f;
        }
        TestFrames.old(Files.write(place.resolve("other.%04d.png".formatted(spoilt)),
                StillWriter.PNG16.write(new Samples(96, 54, planes[0], planes[1], planes[2], null))));
        return place;
    }

    @Test
    void twoRendersAreHeldAgainstEachOtherAndTheOneFrameThatDiffersIsAKeyAway() throws Exception {
        drop(TestFrames.png(folder, "kite", 40));
        drop(other(40, 23));
        press("source-s1");
        settle();
        press("compare-with");
        choose("compare-source-s2");
        assertThat(bar().isGoing()).isTrue();
        await(() -> bar().isMeasured());
        settle();
        assertThat(text("compare-worst")).isEqualTo("Worst: 0023");
        type(KeyCode.Z);
        settle();
        assertThat(text("picture-number")).isEqualTo("0023");
        assertThat(text("compare-likeness")).contains("at most 1.0 of 255");
        press("compare-report");
        assertThat(on(() -> Clipboard.getSystemClipboard().getString())).contains("Sudden differences:").contains("  0023: ")
                .doesNotContain("  0022: ");
        for (Way way : Way.values()) {
            press("way-" + way.name().toLowerCase(Locale.ROOT));
            settle();
            ImageView second = (ImageView) node("second-picture");
            assertThat(on(() -> second.isVisible() && second.getImage() != null)).as(way.name()).isEqualTo(way == Way.BESIDE);
        }
        press("way-flip");
        type(KeyCode.X);
        settle();
        assertThat(on(() -> ((ImageView) node("second-picture")).isVisible())).as("flipped").isTrue();
        type(KeyCode.X);
        settle();
        assertThat(on(() -> ((ImageView) node("second-picture")).isVisible())).isFalse();
        press("compare-with");
        choose("compare-source-s1");
        await(() -> bar().isMeasured());
        settle();
        assertThat(text("compare-worst")).as("against itself it is measured anew").isEqualTo("No frame differs");
        press("compare-with");
        choose("compare-source-s2");
        press("compare-later");
        await(() -> bar().isMeasured());
        assertThat(text("compare-worst")).as("one frame apart hardly any is alike").isNotEqualTo("Worst: 0023");
        press("compare-close");
        assertThat(isThere("compare")).isFalse();
    }

    @Test
    void theLineOfAWipeIsDraggedAndTurned() throws Exception {
        drop(TestFrames.png(folder, "kite", 10));
        drop(TestFrames.png(folder, "dune", 10));
        press("source-s1");
        settle();
        press("compare-with");
        choose("compare-source-s2");
        settle();
        press("compare-later");
        settle();
        await(() -> bar().isMeasured());
        settle();
        Color besides = shownAt(.52, .5);
        Color left = shownAt(.48, .5);
        double before = on(() -> node("wipe-middle").localToScene(node("wipe-middle").getBoundsInLocal()).getCenterX());
        // One move: the platform without a display may lose those that follow; a real one hands on all of them.
        hand.moveTo(node("wipe-middle")).press().moveBy(60, 0).release();
        settle();
        double after = on(() -> node("wipe-middle").localToScene(node("wipe-middle").getBoundsInLocal()).getCenterX());
        assertThat(after).isGreaterThan(before + 30);
        assertThat(shownAt(.52, .5)).as("the line went past it").isNotEqualTo(besides);
        assertThat(shownAt(.48, .5)).isEqualTo(left);
        Color above = shownAt(.9, .02);
        for (int turn = 0; turn < 6; turn++) {
            type(KeyCode.H);
        }
        settle();
        assertThat(shownAt(.9, .02)).as("the line was turned over it").isNotEqualTo(above);
    }

    private Color shownAt(double across, double down) throws Exception {
        return on(() -> {
            Image image = ((ImageView) node("first-picture")).getImage();
            return image.getPixelReader().getColor((int) (across * image.getWidth()), (int) (down * image.getHeight()));
        });
    }

    @Test
    void aTestEncodeIsWatchedBesideWhatItsEncoderWasGiven() throws Exception {
        programme(60);
        more();
        press("try-files");
        tried();
        press("compare-with");
        choose("compare-trial-web-h264");
        await(() -> bar().isMeasured());
        settle();
        assertThat(text("compare-names")).isEqualTo("as in H.264 for the web  |  test encode of H.264 for the web");
        assertThat(text("compare-likeness")).contains("dB");
        type(KeyCode.DIGIT4);
        settle();
        assertThat(text("levels")).startsWith("Y ").contains("% outside");
        assertThat(on(() -> ((ImageView) node("scope-waveform")).getImage())).isNotNull();
        type(KeyCode.D);
        settle();
        hand.moveTo(node("picture"));
        await(() -> isThere("values") && ((Label) node("values")).getText().contains("8-bit"));
        assertThat(text("values")).contains("1  Y ").contains("shown ").contains("\n2  Y ");
    }

    @Test
    void aFileIsFoundByWhatIsInItAndItsFramesAreTakenForSomebodyElse() throws Exception {
        programme(6);
        fire("make");
        made();
        Path delivered = Path.of(on(() -> session().runs().lines().getFirst().files().getFirst().path()));
        Path moved = Files.move(delivered, folder.resolve("from a friend.mp4"));
        press("open-history");
        await(() -> isThere("history-again"));
        enter("history-note", "the cut of May");
        await(() -> Files.exists(places.history().resolveSibling("history-notes.jsonl")));
        enter("history-words", "cut of may");
        await(() -> ((Label) node("history-summary")).getText().startsWith("1 "));
        answers.file = moved;
        press("history-find");
        await(() -> ((Label) node("history-summary")).getText().contains("under another name"));
        answers.file = folder.resolve("kite").resolve("kite.0001.png");
        press("history-find");
        await(() -> session().notices().notice().words().contains("wasn't made here"));
        press("history-another");
        settle();
        assertThat(on(() -> session().project().deliverables())).isEmpty();
        assertThat(on(() -> session().project().sources())).hasSize(1);
        assertThat(on(() -> session().notices().notice().words())).contains("choose who the file is for");
    }

    @Test
    void aReceiptBecomesASheetToHandOver() throws Exception {
        programme(6);
        fire("make");
        made();
        Path delivered = Path.of(on(() -> session().runs().lines().getFirst().files().stream().filter(f -> f.target().equals("web-h264"))
                .findFirst().orElseThrow().path()));
        press("receipt-web-h264");
        press("write-sheet");
        await(() -> session().notices().notice().words().startsWith("Written: "));
        assertThat(delivered.resolveSibling(delivered.getFileName() + ".proof.pdf")).isNotEmptyFile();
        assertThat(delivered.resolveSibling(delivered.getFileName() + ".proof.html")).isNotEmptyFile();
    }

    /** What holds for all files is folded. */
    private void more() throws Exception {
        if (!isThere("try-files")) {
            press("to-more");
            settle();
        }
    }
}
