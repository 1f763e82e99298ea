package dev.vat.desktop.band;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.desktop.band.FrameTrack.Mark;
import java.util.Map;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class BandViewTest {

    private static BandView of(long count, Map<Long, Mark> marks) {
        BandView view = new BandView();
        view.setStrip(new TestStrip(count, marks, null));
        return view;
    }

    @Test
    void oneBadFrameInAMillionKeepsAMark() {
        for (long bad : new long[] {0, 1, 499_999, 123_456, 999_999}) {
            BandView view = of(1_000_000, Map.of(bad, Mark.CUT_SHORT));
            assertThat(IntStream.range(0, 1252).filter(c -> view.worst(c, 1252) == Mark.CUT_SHORT).count()).as("frame %d", bad)
                    .isBetween(1L, 2L);
        }
    }

    @Test
    void theWorstOfAColumnIsShown() {
        BandView view = of(1000, Map.of(3L, Mark.MISMATCH, 4L, Mark.MISSING, 5L, Mark.UNCHECKED));
        assertThat(view.worst(0, 100)).isEqualTo(Mark.MISSING);
        assertThat(view.worst(50, 100)).isEqualTo(Mark.GOOD);
        assertThat(of(10, Map.of(3L, Mark.UNCHECKED)).worst(0, 1)).as("unchecked before good").isEqualTo(Mark.UNCHECKED);
    }

    @Test
    void everyPlaceIsInSomeColumnAtEveryZoom() {
        BandView view = of(997, Map.of());
        for (int step = 0; step < 12; step++) {
            for (double place = Math.ceil(view.first()); place + 1 <= view.first() + view.shown(); place++) {
                double x = view.xOf(place, 640);
                assertThat(view.placeAt(x + 1e-6, 640)).isEqualTo((long) place);
            }
            view.zoom(.6, 320, 640);
        }
    }

    @Test
    void zoomingKeepsThePlaceUnderThePointerAndStaysInside() {
        BandView view = of(10_000, Map.of());
        long before = view.placeAt(400, 1000);
        view.zoom(.25, 400, 1000);
        assertThat(view.placeAt(400, 1000)).isEqualTo(before);
        assertThat(view.shown()).isEqualTo(2500);
        view.move(1e9);
        assertThat(view.first() + view.shown()).isEqualTo(10_000);
        view.zoom(1e-9, 0, 1000);
        assertThat(view.shown()).as("forty pixels a frame are the closest").isEqualTo(25);
        view.zoom(1e9, 0, 1000);
        assertThat(view.shown()).isEqualTo(10_000);
        assertThat(view.first()).isZero();
    }

    @Test
    void aPlaceIsBroughtIntoView() {
        BandView view = of(1000, Map.of());
        view.zoom(.1, 0, 1000);
        view.reveal(500);
        assertThat(view.first()).isEqualTo(401);
        view.reveal(10);
        assertThat(view.first()).isEqualTo(10);
    }

    @Test
    void theSameLengthKeepsTheViewAnotherShowsEverything() {
        BandView view = of(1000, Map.of());
        view.zoom(.1, 0, 1000);
        view.setStrip(new TestStrip(1000, Map.of(5L, Mark.EMPTY), null));
        assertThat(view.shown()).isEqualTo(100);
        view.setStrip(new TestStrip(20, Map.of(), null));
        assertThat(view.shown()).isEqualTo(20);
        view.setStrip(null);
        assertThat(view.count(Mark.GOOD)).isZero();
    }

    @Test
    void troubleIsFoundInBothDirections() {
        BandView view = of(100, Map.of(10L, Mark.FILLED, 20L, Mark.MISSING, 30L, Mark.UNCHECKED));
        assertThat(view.nextTrouble(0, true)).isEqualTo(10);
        assertThat(view.nextTrouble(10, true)).isEqualTo(20);
        assertThat(view.nextTrouble(20, true)).as("not checked is no fault").isEqualTo(-1);
        assertThat(view.nextTrouble(20, false)).isEqualTo(10);
        assertThat(view.count(Mark.GOOD)).isEqualTo(97);
    }

    @Test
    void rulerStepsAreRoundAndLeaveRoomForTheirLabels() {
        BandView view = of(100_000, Map.of());
        for (int i = 0; i < 30; i++) {
            long step = view.rulerStep(1200, 90);
            assertThat(step / view.shown() * 1200).isGreaterThanOrEqualTo(90 * .999);
            assertThat(Long.toString(step)).matches("[125]0*");
            view.zoom(.7, 0, 1200);
        }
    }
}
