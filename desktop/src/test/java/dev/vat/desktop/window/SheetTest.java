package dev.vat.desktop.window;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.delivery.Ground;
import dev.vat.core.picture.Rgb;
import dev.vat.core.project.Edits;
import dev.vat.core.source.GapPolicy;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rate;
import dev.vat.desktop.TestFrames;
import java.nio.file.Files;
import java.nio.file.Path;
import javafx.scene.control.Labeled;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.Clipboard;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** The three faces: what they say of real frames, and what is typed and pressed in them. */
class SheetTest extends WindowCase {

    private dev.vat.core.source.Reading reading() throws Exception {
        return on(() -> session().project().source("s1").orElseThrow().reading());
    }

    @Test
    void ratesAreButtonsAndAnyOtherIsTyped() throws Exception {
        drop(TestFrames.png(folder, "kite", 6));
        press("rate-24");
        settle();
        assertThat(reading().rate()).isEqualTo(Rate.of(24));
        press("rate-24");
        settle();
        assertThat(on(() -> ((ToggleButton) node("rate-24")).isSelected())).as("pressed again it stays chosen").isTrue();
        enter("rate-other", "12,5");
        assertThat(reading().rate()).isEqualTo(Rate.of(25, 2));
        enter("rate-other", "0");
        assertThat(reading().rate()).isEqualTo(Rate.of(25, 2));
        assertThat(on(() -> node("rate-other").getStyleClass().contains("refused"))).isTrue();
    }

    @Test
    void aChosenButtonLooksTheSameWithTheKeyboard() throws Exception {
        drop(TestFrames.png(folder, "kite", 6));
        press("rate-24");
        settle();
        run(() -> node("band").requestFocus());
        settle();
        var without = on(() -> ((ToggleButton) node("rate-24")).getBackground());
        run(() -> node("rate-24").requestFocus());
        settle();
        assertThat(on(() -> ((ToggleButton) node("rate-24")).getBackground())).isEqualTo(without);
    }

    @Test
    void passesAreOneLineThatOpensAndOnlyTheFirstGoesIntoTheReel() throws Exception {
        Path place = Files.createDirectories(folder.resolve("passes"));
        for (String pass : new String[] {"kite_haze", "kite_sand", "kite_wind"}) {
            try (var files = Files.list(TestFrames.png(folder, pass, 3))) {
                for (Path file : files.toList()) {
                    Files.move(file, place.resolve(file.getFileName()));
                }
            }
        }
        Files.write(place.resolve("kite_sand.0002.png"), new byte[0]);
        TestFrames.old(place.resolve("kite_sand.0002.png"));
        drop(place);
        assertThat(on(() -> session().project().sources().size())).isEqualTo(3);
        assertThat(on(() -> session().project().currentReel().orElseThrow().items())).hasSize(1);
        assertThat(isListed("s3")).as("open, since one of them is selected").isTrue();
        press("kin-kite");
        assertThat(isListed("s3")).isFalse();
        press("kin-kite");
        press("only-trouble");
        assertThat(isListed("s1")).isFalse();
        assertThat(isListed("s2")).isTrue();
        assertThat(text("state-s2")).isEqualTo("1 empty");
        press("only-trouble");
        press("filter");
        hand.write("wind");
        settle();
        assertThat(isListed("s3")).isTrue();
        assertThat(isThere("source-s2")).isFalse();
    }

    @Test
    void lengthIsTypedInFourWaysAndTakenAsSaid() throws Exception {
        drop(TestFrames.png(folder, "kite", 20));
        press("rate-25");
        enter("range-count", "10");
        assertThat(reading().range()).isEqualTo(FrameRange.of(1, 10));
        enter("range-seconds", "0,2");
        assertThat(reading().range()).isEqualTo(FrameRange.of(1, 5));
        enter("range-timecode", "00:00:00:08");
        assertThat(reading().range()).isEqualTo(FrameRange.of(1, 8));
        enter("step", "4");
        assertThat(text("will-make")).isEqualTo("only 1-5, 2 frames, 0.080 s");
        enter("lead-in", "0,08 s");
        assertThat(reading().cadence().leadIn()).isEqualTo(2);
        enter("step", "0");
        assertThat(on(() -> node("step").getStyleClass().contains("refused"))).isTrue();
        enter("lead-in", "soon");
        assertThat(on(() -> node("lead-in").getStyleClass().contains("refused"))).isTrue();
        enter("expected", "1-24");
        assertThat(text("state-s1")).isEqualTo("4 to come");
        enter("render-note", "256 samples, 41 s a frame");
        assertThat(reading().note()).isEqualTo("256 samples, 41 s a frame");
    }

    @Test
    void rangesAreTypedWithTheirEffectBeside() throws Exception {
        drop(TestFrames.png(folder, "kite", 20));
        press("rate-25");
        enter("range", "5-14");
        assertThat(reading().range()).isEqualTo(FrameRange.of(5, 14));
        assertThat(text("band-range")).isEqualTo("0001 to 0020, 20 frames; only 0005 to 0014, 10 frames");
        assertThat(text("will-make")).isEqualTo("only 5-14, 10 frames, 0.400 s");
        press("trim-whole");
        settle();
        assertThat(reading().range()).isNull();
        enter("range", "20-5");
        assertThat(on(() -> node("range").getStyleClass().contains("refused"))).isTrue();
        assertThat(reading().range()).isNull();
    }

    @Test
    void faultsAreNamedInTheRowOnTheBandAndAmongTheFindings() throws Exception {
        Path frames = TestFrames.png(folder, "kite", 12);
        Files.delete(frames.resolve("kite.0004.png"));
        TestFrames.old(Files.write(frames.resolve("kite.0007.png"), new byte[0]));
        drop(frames);
        press("target-web-h264");
        settle();
        assertThat(text("state-s1")).isEqualTo("1 missing, 1 empty");
        assertThat(on(() -> node("legend").lookupAll(".legend").stream().map(n -> ((Labeled) n).getText()).toList()))
                .contains("good 10", "empty 1", "missing 1");
        press("remedy-frames-wanted-0");
        assertThat(on(() -> Clipboard.getSystemClipboard().getString())).isEqualTo("0004, 0007");
        type(KeyCode.N);
        settle();
        assertThat(text("picture-number")).isEqualTo("0004");
        assertThat(text("picture-trouble")).isEqualTo("missing: there is no kite.0004.png");
        press("more-frames-wanted");
        press("remedy-frames-wanted-1");
        settle();
        assertThat(reading().gap()).isEqualTo(GapPolicy.HOLD);
        assertThat(on(() -> window.stage().getScene().getFocusOwner().getId())).as("the button is gone: keys mean frames again")
                .isEqualTo("band");
        assertThat(isThere("finding-frames-filled")).isTrue();
        press("face-reel");
        settle();
        assertThat(on(() -> node("legend").lookupAll(".legend").stream().map(n -> ((Labeled) n).getText()).toList()))
                .contains("filled 2");
    }

    @Test
    void namesFollowTheirPatternWithALiveExample() throws Exception {
        drop(TestFrames.png(folder, "kite", 3));
        press("target-web-h264");
        press("face-out");
        settle();
        assertThat(text("name-example")).isEqualTo("kite_web.mp4");
        enter("naming", "{reel}_{size}");
        assertThat(text("name-example")).isEqualTo("kite_96x54.mp4");
        enter("naming", "{what}");
        assertThat(isThere("finding-name-pattern")).isTrue();
        answers.folder = folder.resolve("chosen");
        press("choose-folder");
        settle();
        assertThat(on(() -> session().project().folder().path())).isEqualTo(folder.resolve("chosen"));
    }

    @Test
    @Tag("torture")
    void whatIsTypedSurvivesWhatHappensMeanwhile() throws Exception {
        drop(TestFrames.png(folder, "kite", 3));
        press("target-web-h264");
        press("face-out");
        settle();
        run(() -> {
            node("naming").requestFocus();
            ((TextField) node("naming")).setText("{reel}_half typ");
        });
        run(() -> session().edit(Edits.setRate(Rate.of(30))));
        settle();
        assertThat(on(() -> ((TextField) node("naming")).getText())).isEqualTo("{reel}_half typ");
        assertThat(on(() -> node("naming").isFocused())).isTrue();
    }

    @Test
    void colourBehindTransparencyIsChosenFromItsFinding() throws Exception {
        drop(TestFrames.png(folder, "kite", 3, 96, 54, true));
        press("target-web-h264");
        settle();
        answers.colour = new Rgb(1, 2, 3);
        press("remedy-alpha-flattened-0");
        settle();
        assertThat(on(() -> session().deliverable("web-h264").orElseThrow().flatten())).isEqualTo(new Ground.Colour(new Rgb(1, 2, 3)));
    }

    @Test
    void notesUnfoldOnDemand() throws Exception {
        drop(TestFrames.png(folder, "kite", 3));
        press("target-web-h264");
        settle();
        assertThat(isThere("finding-depth-reduced")).isFalse();
        press("notes");
        settle();
        assertThat(isThere("finding-depth-reduced")).isTrue();
    }

    @Test
    void sourcesAreRemovedAndCheckedAgain() throws Exception {
        Path frames = TestFrames.png(folder, "kite", 4);
        drop(frames);
        TestFrames.old(Files.write(frames.resolve("kite.0002.png"), new byte[0]));
        press("check-again");
        settle();
        assertThat(text("state-s1")).isEqualTo("1 empty");
        choose("source-menu", "reveal-source");
        assertThat(answers.revealed).containsExactly(frames);
        choose("source-menu", "remove-source");
        settle();
        assertThat(isThere("welcome")).isTrue();
        assertThat(frames.resolve("kite.0001.png")).as("frames are never touched").exists();
        press("undo");
        settle();
        assertThat(text("state-s1")).isEqualTo("1 empty");
    }
}
