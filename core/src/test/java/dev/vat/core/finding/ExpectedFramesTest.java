package dev.vat.core.finding;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.project.Edit;
import dev.vat.core.project.SourceEdits;
import dev.vat.core.source.Cadence;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.Frames;
import dev.vat.core.source.Sequence;
import dev.vat.core.picture.Size;
import dev.vat.core.preview.CaptureWish;
import dev.vat.core.preview.Preview;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rate;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;

/** Which frames there should be, where nobody said it. */
class ExpectedFramesTest {

    @Test
    void numbersInStepsPlayTooFastUntilSomebodySaysHowTheyPlay() {
        Case steps = new Case(Frames.good("a", 1, 13).without(2, 3, 4, 6, 7, 8, 10, 11, 12).table());
        assertThat(steps.one("numbers-in-steps").text()).contains("steps of 4");
        assertThat(steps.find().mayRun()).isTrue();
        Edit asFound = SourceEdits.setCadence("s1", Cadence.PLAIN);
        assertThat(steps.mend("numbers-in-steps", 0).plays()).as("each shown for four").isEqualTo(16);
        assertThat(steps.find().all()).extracting(Finding::id).doesNotContain("numbers-in-steps");
        assertThat(steps.edit(asFound).mend("numbers-in-steps", 1).plays()).as("four times as fast").isEqualTo(4);
        assertThat(steps.find().all()).extracting(Finding::id).doesNotContain("numbers-in-steps");
        assertThat(steps.edit(asFound).mend("numbers-in-steps", 2).one("frames-wanted").text()).contains("0002-0004, 0006-0008, 0010-0012");
    }

    @Test
    void framesADigitApartBlockUntilSomebodySaysWhatTheyAre() {
        FrameTable table = Frames.good("a", 1, 190).without(LongStream.rangeClosed(81, 180).toArray()).table();
        Case strays = new Case(table);
        assertThat(strays.one("numbers-apart").text()).contains("181-190").contains("0181 instead of 0081");
        assertThat(strays.find().mayRun()).isFalse();
        assertThat(strays.mend("numbers-apart", 0).find().mayRun()).isTrue();
        assertThat(new Case(table).mend("numbers-apart", 1).one("frames-wanted").text()).contains("0081-0180");
    }

    @Test
    void fewerFramesThanItsKinAreSaid() {
        Case kin = new Case(Frames.good("kite_haze", 1, 30).table(), Frames.good("kite_sand", 1, 40).table());
        assertThat(kin.one("fewer-than-kin").text()).contains("1-30").contains("1-40");
        assertThat(kin.mend("fewer-than-kin", 0).one("frames-wanted").text()).contains("0031-0040");
        FrameTable movie = FrameTable.unchecked(Sequence.ofMovie(Path.of("/frames/kite_sand"), "kite_sand.mov", 40, 1, 1));
        assertThat(new Case(Frames.good("kite_haze", 1, 30).table(), movie).find().all()).as("counted from 0").extracting(Finding::id)
                .doesNotContain("fewer-than-kin");
    }

    /** It comes before what kin have: somebody said so. */
    @Test
    void fewerFramesThanTheApprovedPreviewHasAreSaid() {
        Case render = new Case(Frames.good("pier_haze", 1, 30).table(), Frames.good("pier_sand", 1, 40).table());
        assertThat(render.with(preview("pier", true)).one("fewer-than-approved").text()).contains("1-30").contains("pier_v002 has 1-184");
        assertThat(render.find().all()).extracting(Finding::id).doesNotContain("fewer-than-kin");
        assertThat(render.mend("fewer-than-approved", 0).one("frames-wanted").text()).contains("0031-0184");
        assertThat(render.find().all()).as("it was said").extracting(Finding::id).doesNotContain("fewer-than-approved");
        for (Preview other : List.of(preview("pier", false), preview("tower", true))) {
            assertThat(new Case(Frames.good("pier_haze", 1, 30).table()).with(other).find().all()).extracting(Finding::id)
                    .doesNotContain("fewer-than-approved");
        }
    }

    private static Preview preview(String camera, boolean approved) {
        CaptureWish wish = new CaptureWish(camera, FrameRange.of(1, 184), 1, false, Size.of(480, 270), "shadowed", List.of(), 0, true,
                true);
        return new Preview(camera + "_v002.mp4", "Marram Flats", camera, 1, Rate.FPS_25, wish, "2031-05-04T10:00:00Z", 184, null, 1000,
                null,
                null, approved, Map.of());
    }
}
