package dev.vat.core.time;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import java.util.List;
import java.util.Random;
import java.util.TreeSet;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class FrameRangeTest {

    @ParameterizedTest
    @CsvSource({"118-205, 118, 205, 88", "118..205, 118, 205, 88", "118 - 205, 118, 205, 88", "7, 7, 7, 1", "-10--3, -10, -3, 8",
        "-5..5, -5, 5, 11",
        "0001-0010, 1, 10, 10", "5\u20139, 5, 9, 5"})
    void bothEndsAreIncluded(String text, long first, long last, long count) {
        FrameRange range = FrameRange.parse(text);
        assertThat(range).isEqualTo(FrameRange.of(first, last));
        assertThat(range.count()).isEqualTo(count);
        assertThat(range.contains(first) && range.contains(last)).isTrue();
        assertThat(range.contains(last + 1) || range.contains(first - 1)).isFalse();
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "a-b", "5-", "-", "205-118", "1-2-3", "1.5-2", "99999999999999999999"})
    void whatIsNoRangeIsRefused(String text) {
        assertThatIllegalArgumentException().isThrownBy(() -> FrameRange.parse(text));
    }

    @Test
    void setsRunTogetherAndAreWrittenAsRenderersTakeThem() {
        FrameSet set = FrameSet.builder().add(412).add(413).add(414, 416).add(440).build();
        assertThat(set).hasToString("412-416, 440");
        assertThat(set.toText("%04d"::formatted)).isEqualTo("0412-0416, 0440");
        assertThat(FrameSet.builder().build()).isSameAs(FrameSet.EMPTY);
    }

    @Test
    void onlyTheFramesThatWereAddedAreIn() {
        FrameSet twos = FrameSet.builder().add(7).add(9).build();
        assertThat(twos).hasToString("7, 9");
        assertThat(twos.contains(8)).isFalse();
        assertThat(twos.count()).isEqualTo(2);
        assertThat(FrameSet.builder().add(10, 12).add(20).build().frames()).containsExactly(10L, 11L, 12L, 20L);
    }

    @Test
    void manyAtEvenDistancesAreWrittenAsAStretch() {
        FrameSet fives = FrameSet.builder().add(10).add(15).add(20).add(25).add(30).add(35).add(41, 42).add(50).build();
        assertThat(fives).hasToString("10-35 by 5, 41-42, 50");
        assertThat(fives.toText("%03d"::formatted)).isEqualTo("010-035 by 5, 041-042, 050");
        assertThat(FrameSet.builder().add(1).add(4).add(6).add(8).add(10).build()).hasToString("1, 4, 6, 8, 10");
    }

    @Test
    void rangesOfASetMustAscend() {
        assertThatIllegalArgumentException().isThrownBy(() -> new FrameSet(List.of(FrameRange.of(5, 9), FrameRange.of(9, 12))));
    }

    /** Against plain sets of numbers, over many ranges that were thrown together. */
    @ParameterizedTest
    @ValueSource(longs = {11, 12, 13, 14, 15, 16, 17, 18})
    void setsAreWhatPlainSetsOfNumbersAre(long seed) {
        Random random = new Random(seed);
        for (int round = 0; round < 200; round++) {
            TreeSet<Long> plain = new TreeSet<>();
            FrameSet set = FrameSet.EMPTY;
            for (int i = 0; i < 12; i++) {
                long first = random.nextLong(-40, 60);
                FrameRange range = FrameRange.of(first, first + random.nextLong(0, 15));
                boolean more = random.nextInt(3) > 0;
                set = more ? set.plus(new FrameSet(List.of(range))) : set.minus(range);
                for (long frame = range.first(); frame <= range.last(); frame++) {
                    if (more) {
                        plain.add(frame);
                    } else {
                        plain.remove(frame);
                    }
                }
                assertThat(set.ranges().stream().flatMap(r -> LongStream.rangeClosed(r.first(), r.last()).boxed()))
                        .containsExactlyElementsOf(plain);
                assertThat(FrameRange.parse(range.toString())).isEqualTo(range);
                FrameSet whole = set;
                assertThat(LongStream.rangeClosed(-45, 80).allMatch(frame -> whole.contains(frame) == plain.contains(frame))).isTrue();
            }
        }
    }
}
