package dev.vat.media;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.vat.core.delivery.Catalogue;
import dev.vat.core.delivery.Codec;
import dev.vat.core.delivery.Fit;
import dev.vat.core.delivery.Frame;
import dev.vat.core.delivery.Placement;
import dev.vat.core.delivery.Treatment;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.time.Rational;
import dev.vat.media.convert.Conversion;
import dev.vat.media.picture.Picture;
import dev.vat.media.picture.SamplePictures;
import dev.vat.media.picture.Samples;
import java.lang.foreign.ValueLayout;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A circle as it is meant, stored in pixels of one shape and delivered in those of another, is round for whoever looks at it. */
class CircleTest {

    private static final Codec CODEC = Catalogue.codec("prores-422-hq");

    /** White where the circle is; its diameter is half of the picture's height as seen. */
    private static Samples circle(Size size, PixelAspect pixel, boolean alpha) {
        float[] grey = new float[Math.toIntExact(size.pixels())];
        float[] full = grey.clone();
        double wide = pixel.ratio().toDouble();
        double radius = size.height() / 4.0;
        for (int y = 0; y < size.height(); y++) {
            for (int x = 0; x < size.width(); x++) {
                double distance = Math.hypot((x + .5 - size.width() / 2.0) * wide, y + .5 - size.height() / 2.0);
                grey[y * size.width() + x] = (float) Math.clamp(radius - distance + .5, 0, 1);
                full[y * size.width() + x] = 1;
            }
        }
        return new Samples(size.width(), size.height(), grey, grey, grey, alpha ? full : null);
    }

    @ParameterizedTest
    @CsvSource({
        "960x540,   1:1,   720x576,   16:15, BARS", "960x540,   1:1,   720x576,   64:45, BARS", "960x540,   1:1,   720x480,   8:9,   BARS",
        "960x540,   1:1,   720x480,   32:27, BARS", "960x540,   1:1,   720x480,   10:11, FILL", "960x540,   1:1,   720x480,   40:33, FILL",
        "960x540,   1:1,   720x576,   12:11, BARS", "960x540,   1:1,   720x576,   16:11, FILL", "720x576,   16:15, 1280x720,  1:1,   BARS",
        "720x576,   64:45, 1280x720,  1:1,   FILL", "720x480,   8:9,   960x540,   1:1,   BARS", "720x480,   32:27, 540x960,   1:1,   FILL",
        "1440x1080, 4:3,   960x540,   1:1,   BARS", "1920x1080, 1:1,   1440x1080, 4:3,   BARS", "540x960,   1:1,   960x540,   1:1,   BARS",
        "960x540,   1:1,   540x540,   1:1,   FILL", "720x576,   16:15, 720x480,   8:9,   BARS",
    })
    void circlesAreRoundAsDisplayed(String size, String pixel, String frame, String framePixel, Fit fit) {
        Size stored = Size.parse(size);
        Frame out = new Frame(Size.parse(frame), aspect(framePixel),
                Placement.of(stored, aspect(pixel), Size.parse(frame), aspect(framePixel), fit,
                        Rational.of(1, 2), Rational.of(1, 2), CODEC.chroma()));
        try (Picture working = SamplePictures.of(circle(stored, aspect(pixel), false));
                Conversion conversion = new Conversion(CODEC, out.size(),
                        Treatment.plain(CODEC, out.size()).withPlacement(out.placement()));
                Picture made = conversion.convert(working)) {
            double across = 0;
            double down = 0;
            for (int x = 0; x < out.size().width(); x++) {
                across += (light(made, x, out.size().height() / 2) + light(made, x, out.size().height() / 2 - 1)) / 2;
            }
            for (int y = 0; y < out.size().height(); y++) {
                down += (light(made, out.size().width() / 2, y) + light(made, out.size().width() / 2 - 1, y)) / 2;
            }
            assertThat(across * out.pixelAspect().ratio().toDouble() / down).isCloseTo(1, within(.005));
        }
    }

    private static PixelAspect aspect(String text) {
        return PixelAspect.of(Long.parseLong(text.substring(0, text.indexOf(':'))), Long.parseLong(text.substring(text.indexOf(':') + 1)));
    }

    /** Luma from 0 to 1. */
    private static double light(Picture picture, int x, int y) {
        int code = picture.plane(0).get(ValueLayout.JAVA_SHORT, (long) y * picture.stride(0) + 2L * x) & 0xffff;
        return (code - 64) / 876.0;
    }
}
