package dev.vat.core.time;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class RationalTest {

    @ParameterizedTest
    @CsvSource({"25, 25", "24000/1001, 24000/1001", "50/2, 25", "16:15, 16/15", "12.5, 25/2", "-3/6, -1/2", "3/-6, -1/2",
        "0/7, 0", " 1 / 3 , 1/3", "0.041, 41/1000"})
    void isReadExactlyAndKeptInLowestTerms(String text, String lowest) {
        assertThat(Rational.parse(text)).hasToString(lowest);
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "x", "1/0", "1/2/3", "1e3", "99999999999999999999", "1,5", "NaN"})
    void whatIsNoFractionIsRefusedWithItsText(String text) {
        assertThatIllegalArgumentException().isThrownBy(() -> Rational.parse(text)).withMessageContaining(text);
    }

    @ParameterizedTest
    @CsvSource({"1/2, 1/3, 5/6, 1/6, 1/6, 3/2", "24000/1001, 1, 25001/1001, 22999/1001, 24000/1001, 24000/1001",
        "-1/4, 1/2, 1/4, -3/4, -1/8, -1/2"})
    void arithmeticIsExact(String a, String b, String sum, String difference, String product, String quotient) {
        Rational x = Rational.parse(a);
        Rational y = Rational.parse(b);
        assertThat(x.plus(y)).hasToString(sum);
        assertThat(x.minus(y)).hasToString(difference);
        assertThat(x.times(y)).hasToString(product);
        assertThat(x.dividedBy(y)).hasToString(quotient);
    }

    @ParameterizedTest
    @CsvSource({"7/2, 3, 4", "-7/2, -4, -3", "10/3, 3, 3", "11/3, 3, 4", "5, 5, 5", "-1/3, -1, 0"})
    void floorGoesDownAndRoundGoesToTheNearest(String value, long floor, long round) {
        assertThat(Rational.parse(value).floor()).isEqualTo(floor);
        assertThat(Rational.parse(value).round()).isEqualTo(round);
    }

    @ParameterizedTest
    @CsvSource({"24000/1001, 3, 23.976, 23.976", "25, 3, 25, 25.000", "1/3, 2, 0.33, 0.33", "2/3, 1, 0.7, 0.7", "100, 0, 100, 100"})
    void decimalsAreForReadingOnly(String value, int places, String shortest, String fixed) {
        assertThat(Rational.parse(value).toDecimal(places)).isEqualTo(shortest);
        assertThat(Rational.parse(value).toFixed(places)).isEqualTo(fixed);
    }

    @Test
    void largeProductsMeetInTheMiddleInsteadOfOverflowing() {
        Rational large = Rational.of(Long.MAX_VALUE, 3);
        assertThat(large.times(Rational.of(3, Long.MAX_VALUE))).isEqualTo(Rational.ONE);
        assertThat(large.compareTo(Rational.of(Long.MAX_VALUE, 2))).isNegative();
        assertThatThrownBy(() -> large.times(large)).isInstanceOf(ArithmeticException.class);
    }

    @Test
    void equalValuesAreEqual() {
        assertThat(Rational.of(2, 4)).isEqualTo(Rational.of(1, 2)).isEqualByComparingTo(Rational.of(3, 6));
    }
}
