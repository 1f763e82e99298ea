package dev.vat.core.delivery;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.Depth;
import dev.vat.core.picture.PictureFormat;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.time.Rational;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PlacementTest {

    private static String text(Placement.Box box) {
        return box.width() + "x" + box.height() + "+" + box.x() + "+" + box.y();
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        // the same shape is scaled whole
        "1920x1080 | 1:1   | 1280x720  | 1:1   | BARS    | YUV420 | 1920x1080+0+0    | 1280x720+0+0",
        // wide into 16:9: 2.39 leaves 138 and 138 rows, on even rows
        "2048x858  | 1:1   | 1920x1080 | 1:1   | BARS    | YUV420 | 2048x858+0+0     | 1920x804+0+138",
        // 4:3 into 16:9
        "720x576   | 16:15 | 1920x1080 | 1:1   | BARS    | YUV420 | 720x576+0+0      | 1440x1080+240+0",
        "1920x1080 | 1:1   | 720x576   | 16:15 | BARS    | YUV420 | 1920x1080+0+0    | 720x432+0+72",
        "1920x1080 | 1:1   | 720x576   | 64:45 | BARS    | YUV420 | 1920x1080+0+0    | 720x576+0+0",
        "1920x1080 | 1:1   | 1440x1080 | 4:3   | BARS    | YUV420 | 1920x1080+0+0    | 1440x1080+0+0",
        // portrait and square take the middle
        "1920x1080 | 1:1   | 1080x1920 | 1:1   | FILL    | YUV420 | 608x1080+656+0   | 1080x1920+0+0",
        "1920x1080 | 1:1   | 1080x1080 | 1:1   | FILL    | YUV420 | 1080x1080+420+0  | 1080x1080+0+0",
        "1080x1920 | 1:1   | 1920x1080 | 1:1   | FILL    | YUV420 | 1080x608+0+656   | 1920x1080+0+0",
        "1080x1920 | 1:1   | 1920x1080 | 1:1   | BARS    | YUV420 | 1080x1920+0+0    | 608x1080+656+0",
        "960x540   | 1:1   | 640x480   | 1:1   | STRETCH | YUV420 | 960x540+0+0      | 640x480+0+0",
        // pixel for pixel: cut where it is larger, bars where it is smaller
        "960x540   | 1:1   | 640x720   | 1:1   | PIXELS  | YUV420 | 640x540+160+0    | 640x540+0+90",
        // 4:1:1 wants bars that four divides
        "640x640   | 1:1   | 720x480   | 8:9   | BARS    | YUV411 | 640x640+0+0      | 540x480+88+0",
    })
    void picturesKeepTheirShapeInAnyFrame(String picture, String pixel, String frame, String framePixel, Fit fit, Chroma grid, String from,
            String to) {
        Placement placement = Placement.of(Size.parse(picture), aspect(pixel), Size.parse(frame), aspect(framePixel), fit,
                Rational.of(1, 2), Rational.of(1, 2), grid);
        assertThat(text(placement.from())).isEqualTo(from);
        assertThat(text(placement.to())).isEqualTo(to);
        if (fit == Fit.BARS || fit == Fit.FILL) {
            assertThat(new Frame(Size.parse(frame), aspect(framePixel), placement).roundness(aspect(pixel))).isCloseTo(1, within(.005));
        }
    }

    private static PixelAspect aspect(String text) {
        return PixelAspect.of(Long.parseLong(text.substring(0, text.indexOf(':'))), Long.parseLong(text.substring(text.indexOf(':') + 1)));
    }

    /** 1920 wide into a square of 1080: 840 columns are cut off, half of them on the left. */
    @Test
    void aPictureThatIsCutOffIsDraggedAsFarAsItGoes() {
        Size picture = Size.of(1920, 1080);
        Framing middle = Framing.of(Size.of(1080, 1080), Fit.FILL);
        Placement now = Placement.of(picture, PixelAspect.SQUARE, Size.of(1080, 1080), PixelAspect.SQUARE, Fit.FILL, Rational.of(1, 2),
                Rational.of(1, 2), Chroma.YUV420);
        assertThat(now.from().x()).isEqualTo(420);
        assertThat(now.room(picture)).isEqualTo(new Placement.Room(420 / 1080.0, 420 / 1080.0, 0, 0));
        assertThat(middle.moved(now, picture, 84 / 1080.0, 0).across()).as("to the right shows more of the left")
                .isEqualTo(Rational.of(2, 5));
        assertThat(middle.moved(now, picture, -10, 0).across()).isEqualTo(Rational.ONE);
        assertThat(middle.moved(now, picture, 10, 0).across()).isEqualTo(Rational.ZERO);
        assertThat(middle.moved(now, picture, 0, .3).down()).as("nothing is cut off above or below").isEqualTo(Rational.of(1, 2));
    }

    @Test
    void whereACutOffPictureIsLookedAtCanBeMoved() {
        Placement left = Placement.of(Size.of(1920, 1080), PixelAspect.SQUARE, Size.of(1080, 1080), PixelAspect.SQUARE, Fit.FILL,
                Rational.ZERO,
                Rational.of(1, 2), Chroma.YUV420);
        Placement right = Placement.of(Size.of(1920, 1080), PixelAspect.SQUARE, Size.of(1080, 1080), PixelAspect.SQUARE, Fit.FILL,
                Rational.ONE,
                Rational.of(1, 2), Chroma.YUV420);
        assertThat(text(left.from())).isEqualTo("1080x1080+0+0");
        assertThat(text(right.from())).isEqualTo("1080x1080+840+0");
    }

    @Test
    void whatIsDoneIsSaidInWords() {
        Deliverable square = Deliverable.of(Catalogue.target("social-square"));
        Frame frame = square.frameFor(Size.of(3840, 2160), PixelAspect.SQUARE);
        assertThat(frame.describe(Size.of(3840, 2160), PixelAspect.SQUARE))
                .isEqualTo(List.of("1680 of 3840 columns are cut off", "scaled from 2160x2160 to 1080x1080"));
        assertThat(frame.headroom()).isEqualTo(2);
        Frame bars = square.withFraming(Framing.of(Size.of(1080, 1080), Fit.BARS)).frameFor(Size.of(1920, 1080), PixelAspect.SQUARE);
        assertThat(bars.describe(Size.of(1920, 1080), PixelAspect.SQUARE)).containsExactly("scaled from 1920x1080 to 1080x608",
                "bars of 236 and 236 pixels above and below");
        assertThat(Deliverable.of(Catalogue.WEB_H264).frameFor(Size.of(640, 360), PixelAspect.SQUARE).describe(Size.of(640, 360),
                PixelAspect.SQUARE)).isEmpty();
    }

    /** DV has one size and two shapes: the nearer one is taken. */
    @ParameterizedTest
    @CsvSource({"1920x1080, 64:45", "768x576, 16:15", "1440x1080, 16:15", "1280x720, 64:45"})
    void aCodecWithItsOwnSizeAndShapesTakesTheNearest(String reel, String pixel) {
        Frame frame = Deliverable.of(Catalogue.target("broadcast-dv-625")).frameFor(Size.parse(reel), PixelAspect.SQUARE);
        assertThat(frame.size()).hasToString("720x576");
        assertThat(frame.pixelAspect()).hasToString(pixel);
    }

    @ParameterizedTest
    @CsvSource({"1280x720, 1280x720", "50 %, 960x540", "33.3%, 640x360", "1280 wide, 1280x720", "540 high, 960x540", "'2,39', 1920x804",
        "16:9 at 1280, 1280x720", "1.85 1998 wide, 1998x1080", "1280 X 720, "})
    void sizesAreTypedInSeveralWays(String text, String size) {
        PictureFormat reel = new PictureFormat("PNG", Size.of(1920, 1080), Depth.integer(8), AlphaKind.NONE, PixelAspect.SQUARE, false,
                List.of());
        if (size == null) {
            assertThatIllegalArgumentException().isThrownBy(() -> SizeWish.parse(text, reel));
        } else {
            assertThat(SizeWish.parse(text, reel)).hasToString(size);
        }
    }

    @Test
    void aShareNeedsToKnowOfWhat() {
        assertThatIllegalArgumentException().isThrownBy(() -> SizeWish.parse("50 %", null)).withMessageContaining("isn't known yet");
        assertThat(SizeWish.parse("", null)).isNull();
        assertThatIllegalArgumentException().isThrownBy(() -> SizeWish.parse("large", null)).withMessageContaining("'large'");
    }
}
