package dev.vat.core.proof;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;
import static org.assertj.core.api.Assertions.within;

import dev.vat.core.delivery.Catalogue;
import dev.vat.core.delivery.RateControl;
import dev.vat.core.delivery.Settings;
import dev.vat.core.picture.Size;
import dev.vat.core.time.Rate;
import java.util.Arrays;
import java.util.List;
import java.util.function.LongUnaryOperator;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class RateLinesTest {

    private static final Settings H264 = Catalogue.WEB_H264.settings();
    private static final Size FULL = Size.of(1920, 1080);

    private static PictureBits pictures(int frames, LongUnaryOperator bytes) {
        return PictureBits.ofBytes(LongStream.range(0, frames).map(bytes).toArray(), Rate.FPS_25);
    }

    private static RatePromise asked(RateControl control) {
        return RatePromise.of(H264.withControl(control), FULL, Rate.FPS_25, 250, 2);
    }

    private static List<Comparison.Line> lines(RateControl control, PictureBits found, Double psnr) {
        return RateLines.of(asked(control), found, new Receipt.Quality(psnr, psnr, 1, 0, "kite.0001.png", null));
    }

    @Test
    void everyPictureCounts() {
        PictureBits bits = pictures(50, i -> 1000 + i);
        assertThat(bits.seconds()).isEqualTo(2);
        assertThat(bits.average()).isCloseTo((50_000 + 49 * 25) * 8 / 2.0, within(1e-6));
    }

    /** What must be there at once decides, not the mean. */
    @Test
    void theLeastRateIsThatOfTheHardestStretch() {
        PictureBits even = pictures(100, _ -> 5000);
        assertThat(even.leastRate(40_000).orElseThrow()).as("one picture at a time").isCloseTo(1_000_000, within(20.0));
        assertThat(even.leastRate(400_000).orElseThrow()).as("ten are there at the start").isCloseTo(3_600_000 / 3.96, within(20.0));
        PictureBits burst = pictures(100, i -> i >= 50 && i < 60 ? 25_000 : 1000);
        assertThat(burst.leastRate(200_000).orElseThrow()).as("nine in nine twenty-fifths").isCloseTo(1_800_000 / .36, within(60.0));
        assertThat(burst.leastRate(199_999)).as("one alone is larger").isEmpty();
    }

    /** Held against every stretch, one by one, as the standards say it. */
    @Test
    void noStretchOfAnyLengthIsForgotten() {
        long[] bytes = LongStream.range(0, 60).map(i -> 2000 + (i * 7919 % 13) * 1500).toArray();
        PictureBits bits = PictureBits.ofBytes(bytes, Rate.FPS_25);
        long buffer = 400_000;
        double hardest = 0;
        for (int i = 0; i < bytes.length; i++) {
            for (int j = i + 1; j < bytes.length; j++) {
                long stretch = Arrays.stream(bytes, i, j + 1).sum() * 8;
                hardest = Math.max(hardest, (stretch - buffer) * 25.0 / (j - i));
            }
        }
        assertThat(bits.leastRate(buffer).orElseThrow()).isCloseTo(hardest, within(hardest * 2e-5));
        assertThat(bits.isNeverShort(hardest + 1, buffer)).isTrue();
        assertThat(bits.isNeverShort(hardest - 1, buffer)).isFalse();
    }

    @Test
    void constantIsNeitherTooMuchNorTooLittle() {
        PictureBits even = pictures(250, i -> i % 2 == 0 ? 6000 : 4000);
        assertThat(even.isConstant(1_000_000, 100_000)).isTrue();
        assertThat(even.isConstant(1_000_000, 40_000)).as("a picture has 48,000").isFalse();
        assertThat(even.isConstant(900_000, 100_000)).as("it runs dry").isFalse();
        assertThat(even.isConstant(1_100_000, 100_000)).as("it runs over").isFalse();
    }

    @ParameterizedTest
    @CsvSource({"average,5000,40,true", "average,5149,40,true", "average,5160,40,false", "average,4840,40,false", "average,4840,50,true",
        "average,5160,50,false", "twice,5049,40,true", "twice,5060,40,false"})
    void anAverageIsKept(String how, long bytes, double psnr, boolean agrees) {
        RateControl control = how.equals("twice") ? new RateControl.TwoPass(1_000_000) : new RateControl.Average(1_000_000);
        Comparison.Line line = lines(control, pictures(250, _ -> bytes), psnr).getFirst();
        assertThat(line.name()).isEqualTo("average bit rate");
        assertThat(line.planned()).isEqualTo(how.equals("twice") ? "1 Mbit/s, within 1 %" : "1 Mbit/s, within 3 %");
        assertThat(line.agrees()).as(line.found()).isEqualTo(agrees);
        assertThat(line.found().endsWith("the pictures need no more")).isEqualTo(bytes == 4840 && psnr == 50);
    }

    @Test
    void aShortFileComesAsNearAsItCan() {
        assertThat(lines(new RateControl.Average(1_000_000), pictures(239, _ -> 6000), 40.0)).first()
                .isEqualTo(new Comparison.Line("average bit rate", "1 Mbit/s, as near as 239 frames allow", "1.2 Mbit/s", true));
    }

    @Test
    void aCapHoldsInEveryStretch() {
        RateControl capped = new RateControl.Capped(20, 1_000_000, 500_000);
        assertThat(lines(capped, pictures(100, _ -> 5000), 40.0)).singleElement().isEqualTo(
                new Comparison.Line("peak bit rate", "at most 1 Mbit/s, buffer of 0.5 s", "884 kbit/s", true));
        assertThat(lines(capped, pictures(10, _ -> 5000), 40.0)).extracting(Comparison.Line::found).containsExactly(
                "the buffer holds all of it");
        assertThat(lines(capped, pictures(100, i -> i >= 50 && i < 75 ? 9000 : 100), 40.0)).singleElement()
                .matches(l -> !l.agrees()).extracting(Comparison.Line::found).isEqualTo("1.35 Mbit/s");
        assertThat(lines(capped, pictures(100, i -> i == 50 ? 63_000 : 100), 40.0)).singleElement()
                .matches(l -> !l.agrees()).extracting(Comparison.Line::found).isEqualTo("a picture is larger than the buffer");
    }

    @Test
    void whatIsConstantSaysSo() {
        RateControl steady = new RateControl.Steady(1_000_000);
        assertThat(lines(steady, pictures(300, _ -> 5000), 40.0)).extracting(Comparison.Line::name, Comparison.Line::found)
                .containsExactly(tuple("average bit rate", "1 Mbit/s"), tuple("constant bit rate", "even throughout"));
        assertThat(lines(steady, pictures(300, i -> i < 150 ? 4000 : 6000), 40.0).getLast())
                .isEqualTo(new Comparison.Line("constant bit rate", "1 Mbit/s, buffer of 1 s", "the buffer runs dry or over", false));
    }

    /** The least level for 1080p25 with so much on average is 4: 20,000 kbit/s times 1.25, into 25,000 times 1.25. */
    @Test
    void aLevelIsALimitOfAnAverage() {
        assertThat(asked(new RateControl.TwoPass(8_000_000))).isEqualTo(new RatePromise(8_000_000L, 1, 25_000_000L, 31_250_000L, false));
        assertThat(RatePromise.of(Catalogue.target("web-vp9").settings().withControl(new RateControl.Average(4_000_000)), FULL,
                Rate.FPS_25, 250, 2)).isEqualTo(new RatePromise(4_000_000L, 25, null, null, false));
        assertThat(asked(new RateControl.Constant(20))).isNull();
        assertThat(asked(new RateControl.FileSize(10_000_000))).as("it may be smaller").isEqualTo(
                new RatePromise(null, 0, 25_000_000L, 31_250_000L, false));
        assertThat(asked(new RateControl.Steady(8_000_000)).capAlone()).isNotNull();
        assertThat(asked(new RateControl.TwoPass(8_000_000)).capAlone().average()).as("the rest was to come later").isNull();
    }

    @Test
    void whereNothingWasAskedNothingIsSaid() {
        assertThat(RateLines.of(null, pictures(9, _ -> 1), null)).isEmpty();
        assertThat(RateLines.of(asked(new RateControl.Average(1_000_000)), null, null)).isEmpty();
    }
}
