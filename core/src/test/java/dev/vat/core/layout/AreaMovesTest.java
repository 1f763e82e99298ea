package dev.vat.core.layout;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.time.Rational;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class AreaMovesTest {

    private static Rational percent(int of) {
        return Rational.of(of, 100);
    }

    @ParameterizedTest
    @CsvSource({"0 0 50 50, 10, 20, 10 20 50 50", "0 0 50 50, -5, -5, 0 0 50 50", "40 40 50 50, 30, 30, 50 50 50 50",
        "0 0 100 100, 10, 10, 0 0 100 100"})
    void anAreaMovesAsFarAsThereIsPicture(String from, int right, int down, String to) {
        assertThat(Area.parse(from).movedBy(percent(right), percent(down))).isEqualTo(Area.parse(to));
    }

    @ParameterizedTest
    @CsvSource({"0 0 50 50, false, false, 70, 60, 0 0 70 60", "20 20 50 50, true, true, 10, 30, 10 30 60 40",
        "20 20 50 50, true, false, 90, 90, 68 20 2 70", "20 20 50 50, false, false, 0, 0, 20 20 2 2",
        "20 20 50 50, false, true, 130, -20, 20 0 80 70"})
    void aCornerGoesWhileTheOppositeOneStays(String from, boolean left, boolean top, int x, int y, String to) {
        assertThat(Area.parse(from).withCorner(left, top, percent(x), percent(y))).isEqualTo(Area.parse(to));
    }

    @Test
    void zoomingGoesRoundTheMiddleAndStaysReadable() {
        assertThat(Area.ALL.zoomed(Rational.of(1, 2))).isEqualTo(Area.parse("25 25 50 50"));
        assertThat(Area.parse("60 60 40 40").zoomed(Rational.of(2))).isEqualTo(Area.parse("20 20 80 80").movedBy(percent(20), percent(20)));
        Area area = Area.ALL;
        for (int i = 0; i < 200; i++) {
            area = area.zoomed(i % 3 == 2 ? Rational.of(10, 9) : Rational.of(9, 10));
            assertThat(area.width().denominator()).isLessThanOrEqualTo(200);
        }
        assertThat(area.width()).isGreaterThanOrEqualTo(Rational.of(1, 50));
    }
}
