package dev.vat.core.picture;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class ShapeTest {

    /** Display aspect = width x pixel aspect / height, exactly. */
    @ParameterizedTest
    @CsvSource({"720x480, 10:11, 15/11, 655x480", "704x480, 10:11, 4/3, 640x480", "720x480, 8:9, 4/3, 640x480",
        "720x576, 16:15, 4/3, 768x576",
        "720x576, 64:45, 16/9, 1024x576", "1440x1080, 4:3, 16/9, 1920x1080", "1920x1080, 1:1, 16/9, 1920x1080"})
    void pixelAspectMakesTheShapeThatIsSeen(String stored, String pixel, String aspect, String seen) {
        PixelAspect p = PixelAspect.parse(pixel);
        assertThat(p.displayAspect(Size.parse(stored))).hasToString(aspect);
        assertThat(p.seen(Size.parse(stored))).hasToString(seen);
        assertThat(p.isSquare()).isEqualTo(pixel.equals("1:1"));
    }

    @ParameterizedTest
    @CsvSource({"1919x1079, 2, 2, 1918x1078", "1919x1079, 2, 1, 1918x1079", "1920x1080, 2, 2, 1920x1080", "1x1, 2, 2, 2x2"})
    void sizesGoDownToTheirGrid(String size, int widthStep, int heightStep, String down) {
        assertThat(Size.parse(size).downTo(widthStep, heightStep)).hasToString(down);
    }

    @ParameterizedTest
    @ValueSource(strings = {"0x10", "10x0", "-1x5", "40000x10", "10", "axb"})
    void impossibleSizesAreRefused(String size) {
        assertThatIllegalArgumentException().isThrownBy(() -> Size.parse(size));
    }

    @ParameterizedTest
    @CsvSource({"ff8000, FF8000", "#00ff00, 00FF00", "000000, 000000"})
    void coloursAreSixDigits(String typed, String text) {
        assertThat(Rgb.parse(typed)).hasToString(text);
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "fff", "red", "#12345g", "1234567"})
    void whatIsNoColourIsRefused(String typed) {
        assertThatIllegalArgumentException().isThrownBy(() -> Rgb.parse(typed)).withMessageContaining("'" + typed + "'");
    }

    @ParameterizedTest
    @CsvSource({"0:1", "-1:1"})
    void aPixelHasASize(String pixel) {
        assertThatIllegalArgumentException().isThrownBy(() -> PixelAspect.parse(pixel));
    }
}
