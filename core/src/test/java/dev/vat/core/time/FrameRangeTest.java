package dev.vat.core.time;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class FrameRangeTest {

    @ParameterizedTest
    @CsvSource({"118-205, 118, 205, 88", "118..205, 118, 205, 88", "118 - 205, 118, 205, 88", "7, 7, 7, 1", "-10--3, -10, -3, 8", "-5..5, -5, 5, 11",
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
    void framesAStepApartAreNeighbours() {
        assertThat(FrameSet.builder(5).add(10).add(15).add(20).add(30).build()).hasToString("10-20, 30");
    }

    @Test
    void rangesOfASetMustAscend() {
        assertThatIllegalArgumentException().isThrownBy(() -> new FrameSet(java.util.List.of(FrameRange.of(5, 9), FrameRange.of(9, 12))));
    }
}
