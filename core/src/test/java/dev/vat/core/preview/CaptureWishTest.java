package dev.vat.core.preview;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.vat.core.picture.Size;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rate;
import java.util.List;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class CaptureWishTest {

    private static final CameraFacts PIER = new CameraFacts("pier", "From the pier", FrameRange.of(1, 184), 184L, 0);
    private static final CameraFacts SAND = new CameraFacts("sand", null, FrameRange.of(300, 470), 470L, 200);
    private static final SceneFacts SCENE = new SceneFacts("Marram Flats", 1, Rate.FPS_25, FrameRange.of(1, 600), Size.of(960, 540),
            List.of(PIER, SAND),
            List.of(new Choice("flat", null, false), new Choice("lit", "with light", false)),
            List.of(new Choice("sky", null, false), new Choice("boxes", "boxes around things", true)), null, null, false);

    @Test
    void theUsualWishLeavesConstructionOutAndRunsTheLeadIn() {
        CaptureWish wish = CaptureWish.of(SCENE, SAND);
        assertThat(wish.range()).isEqualTo(FrameRange.of(300, 470));
        assertThat(wish.size()).isEqualTo(Size.of(480, 270));
        assertThat(wish.classes()).containsExactly("sky");
        assertThat(wish.shading()).isEqualTo("lit");
        assertThat(wish.leadIn()).isEqualTo(200);
        assertThat(CaptureAdvice.of(SCENE, wish)).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({"1-184, 1, true, 184, 184", "1-184, 5, true, 37, 184", "1-184, 5, false, 37, 37", "1-50, 5, true, 10, 50",
        "7-7, 1, false, 1, 1", "-3-3, 2, true, 4, 7"})
    void countsAreExact(String range, long every, boolean keep, long drawn, long shown) {
        CaptureWish wish = CaptureWish.of(SCENE, PIER).withRange(FrameRange.parse(range)).withEvery(every).withKeepLength(keep);
        assertThat(wish.drawn()).isEqualTo(drawn);
        assertThat(wish.shown()).isEqualTo(shown);
        assertThat(LongStream.range(0, drawn).map(wish::times).sum()).as("each drawn frame for as long as it stands for").isEqualTo(shown);
        assertThat(wish.frame(drawn - 1)).isLessThanOrEqualTo(wish.range().last());
        assertThat(wish.withLeadIn(12).run(drawn - 1)).isEqualTo(12 + wish.frame(drawn - 1) - wish.range().first());
    }

    @ParameterizedTest
    @CsvSource({"960x540, 50, 480x270", "960x540, 25, 240x136", "2048x858, 50, 1024x430", "1920x1080, 75, 1440x810", "20x20, 25, 16x16"})
    void percentsAreTheNearestThatCanBePacked(String full, int percent, String size) {
        assertThat(CaptureWish.scaled(Size.parse(full), percent)).isEqualTo(Size.parse(size));
    }

    @Test
    void whatCannotBeWishedIsSaid() {
        CaptureWish wish = CaptureWish.of(SCENE, PIER);
        assertThatThrownBy(() -> wish.withEvery(0)).hasMessageContaining("from 1 to the 184 frames");
        assertThatThrownBy(() -> wish.withEvery(185)).hasMessageContaining("not 185");
        assertThatThrownBy(() -> wish.withLeadIn(-1)).hasMessageContaining("-1 frames");
        assertThatThrownBy(() -> wish.withSize(Size.of(8000, 8))).hasMessageContaining("8000x8");
    }

    @Test
    void theIdleTailIsNamedWithItsRemedy() {
        CaptureWish wish = CaptureWish.of(SCENE, PIER).withRange(SCENE.timeline());
        List<CaptureAdvice> advice = CaptureAdvice.of(SCENE, wish);
        assertThat(advice).singleElement().satisfies(a -> {
            assertThat(a.text()).isEqualTo("Nothing moves after 0184: 416 frames would stand still.");
            assertThat(a.remedy()).isEqualTo("Capture 0001-0184");
            assertThat(a.then().range()).isEqualTo(FrameRange.of(1, 184));
            assertThat(CaptureAdvice.of(SCENE, a.then())).isEmpty();
        });
    }

    @Test
    void everyOtherAdviceIsMendedByItsRemedy() {
        CaptureWish careless = CaptureWish.of(SCENE, SAND).withLeadIn(0).withClasses(List.of("sky", "boxes"));
        assertThat(CaptureAdvice.of(SCENE, careless)).extracting(CaptureAdvice::text).containsExactly(
                "The scene wants 200 frames (8 s) run before the first one, so that what drifts has settled; none are.",
                "Construction marks will be in the picture: boxes around things.");
        assertThat(CaptureAdvice.of(SCENE, careless.withRange(FrameRange.of(10, 20)))).extracting(CaptureAdvice::remedy)
                .contains("Capture 0300-0470", "Run 200 before", "Leave them out");
        CaptureWish mended = careless;
        for (List<CaptureAdvice> left = CaptureAdvice.of(SCENE, mended); !left.isEmpty(); left = CaptureAdvice.of(SCENE, mended)) {
            mended = left.getFirst().then();
        }
        assertThat(mended).isEqualTo(CaptureWish.of(SCENE, SAND));
        assertThat(CaptureAdvice.of(SCENE, mended.withRange(FrameRange.of(400, 900))).getFirst().remedy()).isEqualTo("Capture 0400-0600");
        SceneFacts without = new SceneFacts("Marram Flats", 2, Rate.FPS_25, FrameRange.of(1, 600), Size.of(960, 540), List.of(PIER), null,
                null, null, null, false);
        assertThat(CaptureAdvice.of(without, mended).getFirst().text()).isEqualTo("The scene has no camera 'sand' any more.");
    }

    @ParameterizedTest
    @CsvSource({"AAAAAAAA, -1", "ABCDEFGG, -1", "ABCDDDDDDD, 3", "ABABBBBBBB, 3", "ABCDEFGHI, -1"})
    void aTailThatStandsStillIsSeen(String pictures, int after) {
        IdleTail tail = new IdleTail();
        pictures.chars().forEach(tail::add);
        assertThat(tail.after().orElse(-1)).isEqualTo(after);
    }

    @Test
    void aSceneThatSaysTooLittleIsRefusedInWords() {
        assertThatThrownBy(() -> new SceneFacts("Flats", 1, null, FrameRange.of(1, 2), Size.of(2, 2), null, null, null, null, null, false))
                .hasMessage("The scene Flats doesn't say its rate");
        assertThatThrownBy(() -> new SceneFacts(" ", 1, Rate.FPS_25, null, null, null, null, null, null, null, false))
                .hasMessageContaining("what it is called");
        assertThatThrownBy(() -> new CameraFacts("", null, null, null, 0)).hasMessageContaining("no name");
        assertThatThrownBy(() -> new CameraFacts("pier", null, null, null, -4)).hasMessageContaining("-4 frames");
    }
}
