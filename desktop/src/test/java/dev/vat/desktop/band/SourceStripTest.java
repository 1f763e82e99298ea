package dev.vat.desktop.band;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.vat.core.content.ContentReview;
import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.Depth;
import dev.vat.core.picture.FrameLook;
import dev.vat.core.picture.PictureFormat;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.picture.Stated;
import dev.vat.core.project.Place;
import dev.vat.core.project.Source;
import dev.vat.core.recipe.Recipe;
import dev.vat.core.source.FileKind;
import dev.vat.core.source.FrameCheck;
import dev.vat.core.source.FrameState;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.Interpretation;
import dev.vat.core.source.Reading;
import dev.vat.core.source.Sequence;
import dev.vat.core.source.SequencePattern;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rate;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;

/** How the band and the picture see a source: frames 11 to 40, of which 25 shows 24 again, 30 is cut and 35 still arrives. */
class SourceStripTest {

    private static final PictureFormat FORMAT = new PictureFormat("DPX", Size.of(720, 576), Depth.integer(10), AlphaKind.NONE,
            PixelAspect.of(12, 11), false,
            List.of(), Stated.NOTHING.withTime(Rate.FPS_25, "01:00:00:10"));

    private static final Sequence SEQUENCE = Sequence.of(Path.of("/kite"), new SequencePattern("kite.", 4, ".dpx"), FileKind.DPX,
            LongStream.rangeClosed(11, 40).toArray(), LongStream.rangeClosed(11, 40).toArray(), new long[30]);

    private static FrameLook look(long frame) {
        return new FrameLook((int) frame, true, false, false, frame / 100f, 8, 3, null, null, new byte[FrameLook.PRINT_BYTES]);
    }

    private static FrameTable table() {
        FrameTable.Collector collector = FrameTable.collect(SEQUENCE);
        for (long f = 11; f <= 40; f++) {
            collector.add(f == 30 ? FrameCheck.fault(f, FrameState.CUT_SHORT, "it ends early")
                    : FrameCheck.sound(f, FORMAT, look(f == 25 ? 24 : f), null));
        }
        return collector.build().withArriving(Set.of(35L));
    }

    private static SourceStrip strip(Reading reading) {
        return new SourceStrip(Source.of("s1", Place.of(Path.of("/kite")), SEQUENCE.pattern(), reading), table(),
                ContentReview.of(table()));
    }

    @Test
    void everyStateHasItsMarkAndItsWords() {
        SourceStrip strip = strip(Reading.PLAIN);
        assertThat(strip.count()).isEqualTo(30);
        assertThat(strip.mark(0)).isEqualTo(FrameTrack.Mark.GOOD);
        assertThat(strip.mark(strip.placeOf(25))).isEqualTo(FrameTrack.Mark.SUSPECT);
        assertThat(strip.remark(strip.placeOf(25))).startsWith("repeated? the same picture as 0024");
        assertThat(strip.mark(strip.placeOf(30))).isEqualTo(FrameTrack.Mark.CUT_SHORT);
        assertThat(strip.mark(strip.placeOf(35))).isEqualTo(FrameTrack.Mark.ARRIVING);
        assertThat(strip.remark(strip.placeOf(35))).isEqualTo("arriving: it is still being written");
    }

    @Test
    void whatIsExpectedHasItsPlaceBeforeItIsThere() {
        SourceStrip strip = strip(Reading.PLAIN.withExpected(FrameRange.of(1, 50)));
        assertThat(strip.count()).isEqualTo(50);
        assertThat(strip.number(0)).isEqualTo("0001");
        assertThat(strip.mark(0)).isEqualTo(FrameTrack.Mark.MISSING);
        assertThat(strip.placeOf(11)).isEqualTo(10);
        assertThat(strip.subject(0)).isEmpty();
        assertThat(strip.used()).isEqualTo(FrameRange.of(0, 49));
    }

    @Test
    void shapeRateAndTimecodeAreAsStatedUntilChosen() {
        SourceStrip stated = strip(Reading.PLAIN);
        assertThat(stated.pixelAspect()).isEqualTo(PixelAspect.of(12, 11));
        assertThat(stated.rate()).contains(Rate.FPS_25);
        assertThat(stated.firstTimecode()).hasValue(25 * 3600 + 10);
        SourceStrip chosen = strip(Reading.PLAIN.withRate(Rate.of(24)).withTimecode("00:00:01:00")
                .withPicture(Interpretation.AS_STATED.withPixelAspect(PixelAspect.SQUARE)));
        assertThat(chosen.pixelAspect().isSquare()).isTrue();
        assertThat(chosen.firstTimecode()).hasValue(24);
        assertThat(strip(Reading.PLAIN.withRate(Rate.of(5))).firstTimecode()).as("there is no frame 10 at 5 a second").isEmpty();
    }

    @Test
    void aChangedFileIsAnotherPicture() {
        Recipe before = strip(Reading.PLAIN).recipe(4).orElseThrow();
        long[] times = new long[30];
        times[4] = 77;
        Sequence later = Sequence.of(SEQUENCE.folder(), SEQUENCE.pattern(), FileKind.DPX, LongStream.rangeClosed(11, 40).toArray(),
                new long[30], times);
        Recipe after = new SourceStrip(strip(Reading.PLAIN).source(), FrameTable.unchecked(later), ContentReview.NOTHING).recipe(4)
                .orElseThrow();
        assertThat(((Recipe.Frame) after).stamp().modified()).isEqualTo(77);
        assertThat(after).isNotEqualTo(before);
    }

    @Test
    void lanesShowWhatWasMeasured() {
        SourceStrip strip = strip(Reading.PLAIN);
        assertThat(strip.lane(FrameTrack.Lane.BRIGHTNESS, 9)).isCloseTo(.2, within(.001));
        assertThat(strip.lane(FrameTrack.Lane.SHARPNESS, 9)).isEqualTo(.5);
        assertThat(strip.lane(FrameTrack.Lane.NOISE, 9)).isEqualTo(.5);
        assertThat(strip.lane(FrameTrack.Lane.CHANGE, 9)).isZero();
        assertThat(strip.lane(FrameTrack.Lane.BRIGHTNESS, strip.placeOf(30))).as("nothing was measured").isNegative();
    }
}
