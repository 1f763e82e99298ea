package dev.vat.core.picture;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ShapeSizesTest {

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "2.39 | 1920 | 1:1   | 1920x804 -0.08; 1920x802 +0.17; 1920x800 +0.42",
        "2.39:1 | 1920 | 1:1 | 1920x804 -0.08; 1920x802 +0.17; 1920x800 +0.42",
        "2,39 | 2048 | 1:1   | 2048x856 +0.11; 2048x858 -0.13; 2048x864 -0.82",
        "16:9 | 1920 | 1:1   | 1920x1080 +0.00",
        "16:9 | 1366 | 1:1   | 1366x768 +0.05; 1366x770 -0.21",
        "4:3  | 720  | 16:15 | 720x576 +0.00",
        "16:9 | 1440 | 4:3   | 1440x1080 +0.00",
        "4:3  | 704  | 10:11 | 704x480 +0.00",
    })
    void aShapeIsOfferedAsItsEvenNeighboursWithWhatTheyAreOff(String shape, int width, String pixel, String sizes) {
        assertThat(ShapeSizes.at(ShapeSizes.parse(shape), width, new PixelAspect(ShapeSizes.parse(pixel))).stream()
                .map(c -> "%s %+.2f".formatted(c.size(), c.off())).collect(Collectors.joining("; "))).isEqualTo(sizes);
    }

    @Test
    void whatIsNoShapeIsNamed() {
        assertThatIllegalArgumentException().isThrownBy(() -> ShapeSizes.parse("wide")).withMessageContaining("'wide'");
        assertThatIllegalArgumentException().isThrownBy(() -> ShapeSizes.parse("16:0")).withMessageContaining("'16:0'");
        assertThatIllegalArgumentException().isThrownBy(() -> ShapeSizes.at(ShapeSizes.parse("0"), 1920, PixelAspect.SQUARE))
                .withMessageContaining("above 0");
    }
}
