package dev.vat.engine.content;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.content.ContentFault.Kind;
import dev.vat.core.content.ContentFault;
import dev.vat.core.content.ContentReview;
import dev.vat.media.picture.Samples;
import dev.vat.scene.Shot;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.function.Supplier;
import java.util.stream.Stream;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** Planted faults are found where they were planted; what only looks like one passes. */
class ContentChecksTest {

    @TempDir
    private Path folder;

    private static Arguments clean(String name, Supplier<Footage> footage) {
        return Arguments.of(name, footage);
    }

    static Stream<Arguments> cleanShots() {
        return Stream.of(
                clean("kites over dunes", () -> Footage.of(Shot.DUNES, 0, 96)),
                clean("a kite close by", () -> Footage.of(Shot.KITE, 0, 64)),
                clean("lettering with alpha", () -> Footage.of(Shot.TITLE, 0, 48)),
                clean("low sun", () -> Footage.of(Shot.GLOW, 0, 42)),
                clean("cuts", () -> Footage.of(Shot.DUNES, 0, 20).then(Footage.of(Shot.KITE, 10, 3)).then(Footage.of(Shot.DUNES, 60, 20))
                        .then(Footage.of(Shot.KITE, 30, 20))),
                clean("fade out and in", () -> Footage.of(Shot.DUNES, 0, 60).each(20, 30, i -> (v, _, _, _) -> v * (30 - i) / 10f)
                        .each(31, 41, i -> (v, _, _, _) -> v * (i - 31) / 10f)),
                clean("flash of one frame", () -> Footage.of(Shot.DUNES, 0, 40).change(20, (_, _, _, _) -> 1)),
                clean("flash over the picture", () -> Footage.of(Shot.KITE, 0, 40).change(20, (v, _, _, _) -> Math.min(1, v * 1.8f + .1f))),
                clean("held on twos", () -> Footage.of(Shot.KITE, 0, 24).held(2)),
                clean("held on threes", () -> Footage.of(Shot.DUNES, 0, 16).held(3)),
                clean("a drawing held amid motion",
                        () -> Footage.of(Shot.KITE, 0, 20).then(Footage.of(Shot.KITE, 20, 1).held(10)).then(Footage.of(Shot.KITE, 21, 20))),
                clean("grain all over", () -> Footage.of(Shot.DUNES, 0, 40).noise(0, 39, .01, 5)),
                clean("exposure ramp", () -> Footage.of(Shot.KITE, 0, 40).each(0, 39, i -> (v, _, _, _) -> v * (.4f + i / 80f))),
                clean("a lamp that blinks",
                        () -> Footage.of(Shot.KITE, 0, 48).each(0, 47,
                                i -> (v, x, y, _) -> i % 8 == 0 && x > 30 && x < 50 && y > 30 && y < 50 ? 1 : v)),
                clean("something small passes fast", () -> Footage.of(Shot.DUNES, 0, 40).each(12, 24,
                        i -> (v, x, y, _) -> Math.abs(x - (i - 10) * 18) < 9 && Math.abs(y - 60) < 9 ? 1 : v)));
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("cleanShots")
    @Tag("slow")
    void cleanFootageRaisesNothing(String name, Supplier<Footage> footage) throws IOException {
        ContentReview review = footage.get().review(folder);
        // The lettering stands still once it is there: that is no fault, and said as what it is.
        assertThat(review.faults()).as(name).allSatisfy(f -> assertThat(f.kind()).isEqualTo(Kind.STILL_TAIL));
        assertThat(review.faults().isEmpty()).isEqualTo(!name.startsWith("lettering"));
    }

    private ContentFault only(Footage footage, Kind kind) throws IOException {
        List<ContentFault> faults = footage.review(folder).faults();
        assertThat(faults).as("all that was found").hasSize(1);
        assertThat(faults.getFirst().kind()).isEqualTo(kind);
        return faults.getFirst();
    }

    @Test
    void aRepeatedFrameIsFound() throws IOException {
        Footage footage = Footage.of(Shot.DUNES, 0, 60);
        ContentFault fault = only(footage.put(30, footage.frames.get(29)), Kind.REPEATED);
        assertThat(fault.frames()).containsExactly(Footage.number(30));
        assertThat(fault.beside()).isEqualTo(Footage.number(29));
    }

    @Test
    void aPictureFromFurtherBackIsFound() throws IOException {
        Footage footage = Footage.of(Shot.DUNES, 0, 60);
        ContentFault fault = only(footage.put(40, footage.frames.get(31)), Kind.REPEATED);
        assertThat(fault.frames()).containsExactly(Footage.number(40));
        assertThat(fault.beside()).isEqualTo(Footage.number(31));
    }

    @Test
    void aTornFrameIsFoundWhicheverPartIsOld() throws IOException {
        for (boolean upper : new boolean[] {true, false}) {
            Footage footage = Footage.of(Shot.DUNES, 0, 60);
            Samples old = footage.frames.get(24);
            int edge = 112;
            footage.change(25, (v, x, y, c) -> y < edge == upper
                    ? (c == 0 ? old.red() : c == 1 ? old.green() : old.blue())[y / 2 * Footage.WIDTH + x / 2] : v);
            ContentFault fault = only(footage, Kind.TORN);
            assertThat(fault.frames()).containsExactly(Footage.number(25));
            assertThat(fault.evidence()).contains(upper ? "upper" : "lower");
        }
    }

    @Test
    void aFrameOfWhichTheLowerPartWasNeverRenderedIsFound() throws IOException {
        ContentFault fault = only(Footage.of(Shot.KITE, 0, 40).change(12, (v, _, y, _) -> y > 100 ? 0 : v), Kind.TORN);
        assertThat(fault.frames()).containsExactly(Footage.number(12));
    }

    @Test
    void blankFramesAreFound() throws IOException {
        assertThat(only(Footage.of(Shot.DUNES, 0, 40).change(17, (_, _, _, _) -> 0), Kind.BLANK).frames())
                .containsExactly(Footage.number(17));
        assertThat(only(Footage.of(Shot.KITE, 0, 40).each(17, 18, _ -> (_, _, _, _) -> .3f), Kind.BLANK).frames())
                .containsExactly(Footage.number(17), Footage.number(18));
    }

    @Test
    void somethingThatPopsForOneFrameIsFound() throws IOException {
        ContentFault fault = only(
                Footage.of(Shot.DUNES, 0, 60).change(33, (v, x, y, _) -> x > 200 && x < 250 && y > 40 && y < 80 ? v * .4f : v), Kind.POP);
        assertThat(fault.frames()).containsExactly(Footage.number(33));
        assertThat(fault.evidence()).contains("right");
    }

    @Test
    void aNoisyFrameIsFound() throws IOException {
        Footage footage = Footage.of(Shot.DUNES, 0, 40).noise(0, 39, .01, 5);
        assertThat(only(footage.noise(21, 21, .05, 9), Kind.NOISE).frames()).containsExactly(Footage.number(21));
    }

    @Test
    void aLaterRenderOverAnEarlierOneIsFoundByTimeAndContent() throws IOException {
        Footage footage = Footage.of(Shot.KITE, 0, 30).then(Footage.of(Shot.DUNES, 30, 66));
        footage.written(0, 29, 100_000).written(30, 95, 0);
        ContentFault fault = only(footage, Kind.OVERWRITTEN);
        assertThat(fault.range()).hasToString(Footage.number(0) + "-" + Footage.number(29));
        assertThat(fault.beside()).isEqualTo(Footage.number(30));
    }

    @Test
    void framesRenderedAgainLaterAreOfTwoSessionsAndNoMore() throws IOException {
        Footage footage = Footage.of(Shot.DUNES, 0, 96).written(0, 95, 0).written(40, 44, 100_000);
        ContentFault fault = only(footage, Kind.SESSIONS);
        assertThat(fault.frames()).containsExactly(Footage.number(40), Footage.number(41), Footage.number(42), Footage.number(43),
                Footage.number(44));
    }

    @Test
    void aRenderThatWasTakenUpAgainIsNothingOdd() throws IOException {
        Footage footage = Footage.of(Shot.DUNES, 0, 96).written(0, 50, 0).written(51, 95, 100_000);
        assertThat(footage.review(folder).faults()).isEmpty();
    }

    @Test
    void aStartThatHasNotSettledIsFoundWithItsLength() throws IOException {
        Footage footage = Footage.of(Shot.DUNES, 0, 96);
        for (int i = 0; i < 14; i++) {
            float strength = (14 - i) / 14f;
            int phase = i * 37;
            footage.change(i,
                    (v, x, y, _) -> v + strength * .25f * (float) Math.sin((x + phase) * .11) * (float) Math.cos((y * 2 + phase) * .07));
        }
        ContentFault fault = only(footage, Kind.UNSETTLED);
        assertThat(fault.frames().size()).isBetween(11, 15);
    }

    @Test
    void stillEndsAreFound() throws IOException {
        Footage footage = Footage.of(Shot.KITE, 0, 1).held(12).then(Footage.of(Shot.KITE, 1, 30))
                .then(Footage.of(Shot.KITE, 31, 1).held(20));
        ContentReview review = footage.review(folder);
        assertThat(review.of(Kind.STILL_HEAD)).singleElement().satisfies(f -> assertThat(f.frames()).hasSize(12));
        assertThat(review.of(Kind.STILL_TAIL)).singleElement().satisfies(f -> assertThat(f.frames()).hasSize(20));
        assertThat(review.faults()).hasSize(2);
    }

    /** Something bright that flies through the picture, so fast, in a shot of so many frames. */
    @ParameterizedTest
    @CsvSource({"DUNES, 48, 20, 20", "DUNES, 24, 2, 20", "KITE, 48, 36, 45", "KITE, 24, 12, 60", "DUNES, 48, 30, 90", "DUNES, 24, 12, 30"})
    void whatFliesThroughThePictureTouchesTheEdgeAndIsNoPop(String name, int count, int from, int speed) throws IOException {
        Footage footage = Footage.of(name.equals("KITE") ? Shot.KITE : Shot.DUNES, 0, count);
        for (int i = from; i < count; i++) {
            int left = (i - from) * speed - 60;
            footage.change(i, (v, x, y, _) -> x > left && x < left + 60 && y > 60 && y < 110 ? .95f : v);
        }
        ContentReview review = footage.review(folder);
        assertThat(review.of(Kind.POP)).isEmpty();
        assertThat(review.of(Kind.EDGE)).singleElement().satisfies(f -> assertThat(f.evidence()).contains("right"));
    }

    @Test
    void actionThatLeavesThePictureIsFound() throws IOException {
        Footage footage = Footage.of(Shot.KITE, 0, 48).each(20, 30,
                i -> (v, x, y, _) -> Math.abs(x - (280 + (i - 20) * 8)) < 14 && Math.abs(y - 90) < 14 ? .95f : v);
        ContentFault fault = only(footage, Kind.EDGE);
        assertThat(fault.evidence()).contains("right");
        assertThat(fault.range().first()).isBetween(Footage.number(21), Footage.number(25));
    }

    @Test
    void sixteenBitFilesWithEightBitValuesAreFound() throws IOException {
        Footage footage = Footage.of(Shot.KITE, 0, 24);
        footage.each(0, 23, _ -> (v, _, _, _) -> Math.round(v * 255) / 255f);
        assertThat(only(footage, Kind.EIGHT_BIT).frames()).hasSize(24);
    }
}
