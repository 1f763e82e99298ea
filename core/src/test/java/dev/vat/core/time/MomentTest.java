package dev.vat.core.time;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class MomentTest {

    @ParameterizedTest
    @CsvSource({"12,25,12/25,12", "-12,25,-12/25,-12", "0.5 s,25,1/2,24000 smp", "'0,48 s',25,12/25,12", "4800 smp,25,1/10,4800 smp",
        "-1 smp,25,-1/48000,-1 smp",
        "00:00:01:12,25,37/25,37", "00:01:00;02,30000/1001,3003/50,1800", "1/3 s,25,1/3,16000 smp", "1/7 s,25,1/7,0.142857 s"})
    void timesAreTypedInFourWays(String typed, String rate, String seconds, String words) {
        Rational parsed = Moment.parse(typed, Rate.parse(rate));
        assertThat(parsed).isEqualTo(Rational.parse(seconds));
        assertThat(Moment.words(parsed, Rate.parse(rate))).isEqualTo(words);
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "x", "1.2.3 s", "00:00:01:25", "s"})
    void whatIsNoTimeIsNamed(String typed) {
        assertThatThrownBy(() -> Moment.parse(typed, Rate.FPS_25)).isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("'" + typed + "'").hasMessageContaining("smp");
    }
}
