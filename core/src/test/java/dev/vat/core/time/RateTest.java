package dev.vat.core.time;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class RateTest {

    @ParameterizedTest
    @CsvSource({"19001/317, 60000/1001", "60000/1001, 60000/1001", "24000/1001, 24000/1001", "19001/318, 19001/318", "12, 12",
        "1000000/41708, 250000/10427"})
    void whatIsAPublishedRateToTheNanosecondIsTakenAsThat(String read, String taken) {
        assertThat(Rate.parse(read).toNanosecond()).isEqualTo(Rate.parse(taken));
    }

    @ParameterizedTest
    @CsvSource(delimiter = ';', value = {"25;25;25", "23.976;24000/1001;23.976", "23,98;24000/1001;23.976", "29.97;30000/1001;29.97",
        "59.94;60000/1001;59.94", "119.88;120000/1001;119.88", "24000/1001;24000/1001;23.976", "12.5;25/2;12.5", "1/60;1/60;0.017"})
    void roundedDecimalsStandForTheirFractions(String typed, String exact, String label) {
        Rate rate = Rate.parse(typed);
        assertThat(rate).hasToString(exact);
        assertThat(rate.label()).isEqualTo(label);
        assertThat(Rate.parse(rate.toString())).isEqualTo(rate);
    }

    @ParameterizedTest
    @ValueSource(strings = {"0", "-25", "1000", "481", "fast", "", "25fps", "1/61"})
    void whatIsNoRateIsRefusedWithItsText(String typed) {
        assertThatIllegalArgumentException().isThrownBy(() -> Rate.parse(typed)).withMessageContaining("'" + typed + "'");
    }

    @ParameterizedTest
    @CsvSource({"25, 96, 96/25", "24000/1001, 24, 1001/1000", "30000/1001, 30000, 1001", "60, 0, 0"})
    void lengthIsFramesOverRate(String rate, long frames, String seconds) {
        assertThat(Rate.parse(rate).seconds(frames)).hasToString(seconds);
    }

    @ParameterizedTest
    @CsvSource({"24000/1001, 24, false", "30000/1001, 30, true", "60000/1001, 60, true", "30, 30, false", "25/2, 13, false",
        "1/2, 1, false"})
    void timecodeBaseAndDropFrame(String rate, int base, boolean drop) {
        assertThat(Rate.parse(rate).timecodeBase()).isEqualTo(base);
        assertThat(Rate.parse(rate).allowsDropFrame()).isEqualTo(drop);
    }

    @Test
    void usualRatesAscendWithoutDoubles() {
        assertThat(Rate.USUAL).isSorted().doesNotHaveDuplicates().contains(Rate.FPS_25);
    }
}
