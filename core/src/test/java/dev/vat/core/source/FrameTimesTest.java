package dev.vat.core.source;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;
import java.util.Arrays;
import java.util.stream.IntStream;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class FrameTimesTest {

    private static final Rational MILLISECOND = Rational.of(1, 1000);

    private static long[] rounded(Rate rate, int frames, int ticksPerSecond) {
        return IntStream.range(0, frames).mapToLong(i -> rate.seconds(i).times(ticksPerSecond).round()).toArray();
    }

    @ParameterizedTest(name = "{0} in ticks of 1/{1}, stated {2}")
    @CsvSource({"25, 12800, 25, 25", "25, 1000, 1000, 25", "30, 1000, 1000, 30", "24000/1001, 1000, 24000/1001, 24000/1001",
        "24000/1001, 1000, , 24000/1001", "30000/1001, 90000, , 30000/1001", "60000/1001, 1000, , 60000/1001", "12, 100, , 12",
        "30, 100, , 30", "50, 90000, 25, 50", "23, 11500, , 23", "1/2, 1000, , 1/2", "60, 1000000, 1000, 60"})
    void evenFramesKeepTheirRateWhateverIsStated(String rate, int ticksPerSecond, String stated, String expected) {
        Rate even = Rate.parse(rate);
        Rate claim = stated == null || stated.equals("1000") ? null : Rate.parse(stated);
        FrameTimes times = FrameTimes.of(rounded(even, 300, ticksPerSecond), 0, Rational.of(1, ticksPerSecond), claim);
        assertThat(times.rate()).isEqualTo(Rate.parse(expected));
        assertThat(times.count()).isEqualTo(300);
        assertThat(times.uneven()).isEmpty();
        assertThat(IntStream.range(0, 300).allMatch(i -> times.at(i) == i)).isTrue();
    }

    @Test
    void aPauseLastsAsLongAsItDoes() {
        // 30 a second, in milliseconds; after the tenth frame nothing for a second.
        long[] before = rounded(Rate.of(30), 10, 1000);
        long[] after = Arrays.stream(rounded(Rate.of(30), 10, 1000)).map(t -> t + 1300).toArray();
        long[] all = LongStream.concat(Arrays.stream(before), Arrays.stream(after)).toArray();
        FrameTimes times = FrameTimes.of(all, 33, MILLISECOND, null);
        assertThat(times.rate()).isEqualTo(Rate.of(30));
        assertThat(times.count()).isEqualTo(49);
        assertThat(IntStream.range(0, times.count()).map(times::at).toArray()).startsWith(0, 1, 2).endsWith(17, 18, 19)
                .containsSequence(9, 9, 9, 9, 9);
        assertThat(times.at(39)).as("1.3 s").isEqualTo(10);
        ClipFacts.Uneven uneven = times.uneven().orElseThrow();
        assertThat(uneven.longest()).isEqualTo(Rational.of(1));
        assertThat(uneven.places()).isEqualTo(1);
        assertThat(uneven.unseen()).isZero();
    }

    @Test
    void whatIsTooShortToBeSeenIsCounted() {
        long[] ticks = {0, 40, 80, 90, 120, 160, 200, 240};
        FrameTimes times = FrameTimes.of(ticks, 40, MILLISECOND, null);
        assertThat(times.rate()).isEqualTo(Rate.of(25));
        assertThat(IntStream.range(0, times.count()).map(times::at).toArray()).containsExactly(0, 1, 3, 4, 5, 6, 7);
        assertThat(times.uneven().orElseThrow().unseen()).isEqualTo(1);
    }

    @Test
    void aLittleJitterIsNoOtherRate() {
        long[] ticks = {0, 33, 67, 112, 133, 167, 200, 233, 267, 300};
        FrameTimes times = FrameTimes.of(ticks, 33, MILLISECOND, Rate.of(30));
        assertThat(times.rate()).isEqualTo(Rate.of(30));
        assertThat(times.count()).isEqualTo(10);
        assertThat(times.at(4)).isEqualTo(4);
        assertThat(times.uneven().orElseThrow().places()).isEqualTo(2);
    }

    @Test
    void oneFrameOrNoneHasTheStatedRate() {
        assertThat(FrameTimes.of(new long[] {7}, 0, MILLISECOND, Rate.of(50)).rate()).isEqualTo(Rate.of(50));
        assertThat(FrameTimes.of(new long[0], 0, MILLISECOND, null).count()).isZero();
    }

    @Test
    void aBrokenTimeMakesNoEndlessMovie() {
        FrameTimes times = FrameTimes.of(new long[] {0, 40, 80, 120, 9_000_000_000_000L}, 40, MILLISECOND, Rate.FPS_25);
        assertThat(times.count()).isEqualTo(5);
        assertThat(times.at(4)).isEqualTo(4);
        assertThat(times.uneven().orElseThrow().places()).isEqualTo(1);
    }

    @Test
    void framesAtOneTimeAreNoDivisionByNothing() {
        FrameTimes times = FrameTimes.of(new long[] {5, 5, 5}, 0, MILLISECOND, null);
        assertThat(times.count()).isPositive();
        assertThat(times.at(times.count() - 1)).isEqualTo(2);
    }
}
