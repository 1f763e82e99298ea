package dev.vat.media.draw;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.vat.core.burnin.Wording;
import dev.vat.core.delivery.Catalogue;
import dev.vat.core.delivery.Codec;
import dev.vat.core.delivery.Treatment;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.recipe.WorkingFormat;
import dev.vat.core.reel.BarPattern;
import dev.vat.core.reel.GeneratedItem;
import dev.vat.core.reel.ReelFrame;
import dev.vat.core.time.Rational;
import dev.vat.media.compose.Composer;
import dev.vat.media.convert.Conversion;
import dev.vat.media.picture.Picture;
import java.lang.foreign.ValueLayout;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Bars against the formulas of ITU-R BT.601 and BT.709, slates and figures by their shape. */
class DrawingPainterTest {

    /** White, yellow, cyan, green, magenta, red, blue, black. */
    private static final int[] COLOURS = {7, 6, 3, 2, 5, 4, 1, 0};

    private final DrawingPainter painter = new DrawingPainter();

    /** As a codec of ten bits, 4:2:2, gets it. */
    private Picture coded(ReelFrame.Drawing drawing, Size size, PixelAspect pixel) {
        Codec codec = Catalogue.codec("prores-422-hq");
        try (Composer composer = new Composer(WorkingFormat.W16, false);
                Picture working = painter.working(drawing, composer, false, size.width(), size.height(), pixel);
                Conversion conversion = new Conversion(codec, size, Treatment.plain(codec, size))) {
            return conversion.convert(working);
        }
    }

    private static int sample(Picture picture, int plane, double across, double down) {
        int width = plane == 0 ? picture.width() : picture.width() / 2;
        return picture.plane(plane).get(ValueLayout.JAVA_SHORT,
                (long) (down * picture.height()) * picture.stride(plane) + 2L * (int) (across * width)) & 0xffff;
    }

    /** Y' = 64 + 876 E'y, C = 512 + 896 E'c; each bar's middle. */
    @ParameterizedTest
    @CsvSource({"BARS_75, 1920, 1080, .75, .2126, .0722", "BARS_75, 720, 576, .75, .299, .114", "BARS_100, 1920, 1080, 1, .2126, .0722",
        "BARS_100, 720, 486, 1, .299, .114"})
    void barsHaveTheCodeValuesOfTheStandard(BarPattern pattern, int width, int height, double level, double ofRed, double ofBlue) {
        try (Picture bars = coded(new ReelFrame.Bars(pattern), Size.of(width, height), PixelAspect.SQUARE)) {
            for (int i = 0; i < COLOURS.length; i++) {
                double high = COLOURS[i] == 7 ? 1 : level;
                double red = (COLOURS[i] >> 2) * high;
                double green = (COLOURS[i] >> 1 & 1) * high;
                double blue = (COLOURS[i] & 1) * high;
                double y = ofRed * red + (1 - ofRed - ofBlue) * green + ofBlue * blue;
                double across = (i + .5) / COLOURS.length;
                assertThat((double) sample(bars, 0, across, .5)).as("Y' of bar " + i).isCloseTo(64 + 876 * y, within(.51));
                assertThat((double) sample(bars, 1, across, .5)).as("Cb of bar " + i).isCloseTo(512 + 896 * (blue - y) / (2 * (1 - ofBlue)),
                        within(.51));
                assertThat((double) sample(bars, 2, across, .5)).as("Cr of bar " + i).isCloseTo(512 + 896 * (red - y) / (2 * (1 - ofRed)),
                        within(.51));
            }
        }
    }

    /** The rows and columns of RP 219-1: an eighth of grey at each side, a ramp, black and steps of two percent above it at the foot. */
    @Test
    void wideBarsLieAsTheirStandardHasThem() {
        try (Picture bars = coded(new ReelFrame.Bars(BarPattern.WIDE), Size.of(1920, 1080), PixelAspect.SQUARE)) {
            assertThat(sample(bars, 0, .06, .3)).as("40 % grey").isEqualTo(414);
            assertThat(sample(bars, 0, .18, .3)).as("75 % white").isEqualTo(721);
            assertThat(sample(bars, 0, .82, .3)).as("75 % blue").isEqualTo(111);
            assertThat(sample(bars, 0, .06, 7.5 / 12)).as("full cyan").isEqualTo(754);
            assertThat(sample(bars, 0, .5, 8.5 / 12)).as("half way up the ramp").isBetween(500, 510);
            assertThat(sample(bars, 0, .06, .9)).as("15 % grey").isEqualTo(195);
            double bar = .75 / 7;
            assertThat(sample(bars, 0, .125 + bar * 2.5, .9)).as("full white").isEqualTo(940);
            assertThat(sample(bars, 0, .125 + bar * (1.5 + 2 + 1.5 + 1 / 6.), .9)).as("2 %").isEqualTo(82);
            assertThat(sample(bars, 0, .125 + bar * (1.5 + 2 + 1.5 + 5 / 6.), .9)).as("4 %").isEqualTo(99);
        }
    }

    /** Of all that isn't ground: left, top, right and bottom. */
    private static int[] ink(Picture picture) {
        int ground = picture.plane(0).get(ValueLayout.JAVA_BYTE, 0);
        int[] box = {picture.width(), picture.height(), 0, 0};
        for (int y = 0; y < picture.height(); y++) {
            for (int x = 0; x < picture.width(); x++) {
                if (picture.plane(0).get(ValueLayout.JAVA_BYTE, (long) y * picture.stride(0) + x) != ground) {
                    box = new int[] {Math.min(box[0], x), Math.min(box[1], y), Math.max(box[2], x), Math.max(box[3], y)};
                }
            }
        }
        return box;
    }

    @ParameterizedTest
    @CsvSource({"1920, 1080, 1, 1", "720, 576, 16, 11", "720, 480, 8, 9", "64, 36, 1, 1"})
    void theRingOfALeaderIsRoundWhenSeen(int width, int height, int wide, int high) {
        PixelAspect pixel = PixelAspect.of(wide, high);
        try (Picture count = painter.paint(new ReelFrame.Count(8, Rational.of(1, 2)), false, width, height, pixel)) {
            int[] box = ink(count);
            assertThat((box[2] - box[0] + 1) * (double) wide / high).isCloseTo(.76 * Math.min(height, width * (double) wide / high),
                    within(height * .03 + 3));
            assertThat(box[0] + box[2]).isCloseTo(width - 1, within(3));
        }
    }

    @Test
    void aSlateStaysInsideHoweverLongItsWords() {
        List<GeneratedItem.Slate.Entry> entries = IntStream.range(0, 20)
                .mapToObj(i -> new GeneratedItem.Slate.Entry("A label of some length " + i, new Wording("dunes and kites ".repeat(12))))
                .toList();
        try (Picture slate = painter.paint(new ReelFrame.Slate(entries), true, 320, 240, PixelAspect.of(4, 3))) {
            assertThat(slate.planes()).isEqualTo(4);
            int[] box = ink(slate);
            assertThat(box[0]).isGreaterThan(320 * 5 / 100);
            assertThat(box[2]).isLessThan(320 * 95 / 100);
            assertThat(box[1]).isGreaterThan(240 * 5 / 100);
            assertThat(box[3]).isLessThan(240 * 95 / 100);
        }
    }
}
