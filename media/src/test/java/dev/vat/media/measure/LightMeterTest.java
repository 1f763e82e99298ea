package dev.vat.media.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.vat.core.delivery.Catalogue;
import dev.vat.core.delivery.Codec;
import dev.vat.core.delivery.ColourCoding;
import dev.vat.core.delivery.Treatment;
import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.PictureReading;
import dev.vat.core.picture.Size;
import dev.vat.core.proof.ContentLight;
import dev.vat.core.proof.FrameLight;
import dev.vat.core.proof.Receipt;
import dev.vat.core.recipe.WorkingFormat;
import dev.vat.media.compose.Composer;
import dev.vat.media.convert.Conversion;
import dev.vat.media.picture.Picture;
import dev.vat.media.picture.SamplePictures;
import dev.vat.media.picture.Samples;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Pictures whose light is known: ordinary white is 203 cd/m2 in PQ, and display codes are those of BT.1886. */
class LightMeterTest {

    private static final Size SIZE = Size.of(128, 64);
    private static final double WHITE = 203;
    /** What Rec.709's red has of Rec.2020's. */
    private static final double RED_IN_REC2020 = .6274;

    /** The values that SMPTE ST 2084 gives for its curve. */
    @ParameterizedTest
    @CsvSource({"0,0,0", "0.5080784,100,.01", "0.7518271,1000,.1", "1,10000,0"})
    void theCurveIsThatOfTheStandard(double value, double light, double off) {
        assertThat(LightMeter.light(value)).isCloseTo(light, within(off));
    }

    /** @param share of the picture, from the left, that is of the colour: the rest is black */
    private static Optional<FrameLight> light(String codec, ColourCoding colour, float red, float green, float blue, double share) {
        float[][] rgb = new float[3][Math.toIntExact(SIZE.pixels())];
        float[] colours = {red, green, blue};
        for (int c = 0; c < 3; c++) {
            for (int y = 0; y < SIZE.height(); y++) {
                Arrays.fill(rgb[c], y * SIZE.width(), y * SIZE.width() + (int) (SIZE.width() * share), colours[c]);
            }
        }
        Codec made = Catalogue.codec(codec);
        try (Picture shown = SamplePictures.of(new Samples(SIZE.width(), SIZE.height(), rgb[0], rgb[1], rgb[2], null));
                Composer composer = new Composer(colour.isHighRange() ? WorkingFormat.HIGH : WorkingFormat.W16, false);
                Picture working = composer.compose(shown, PictureReading.of(AlphaKind.NONE, false));
                Conversion conversion = new Conversion(made, SIZE, Treatment.plain(made, SIZE).withColour(colour));
                Picture converted = conversion.convert(working)) {
            return LightMeter.of(converted);
        }
    }

    @ParameterizedTest
    @CsvSource({"h265-main10-420", "h265-main422-10", "prores-4444"})
    void whiteIsWhite(String codec) {
        FrameLight all = light(codec, ColourCoding.PQ, 1, 1, 1, 1).orElseThrow();
        assertThat(all.most()).isCloseTo(WHITE, within(1.5));
        assertThat(all.average()).isCloseTo(WHITE, within(1.5));
        FrameLight quarter = light(codec, ColourCoding.PQ, 1, 1, 1, .25).orElseThrow();
        assertThat(quarter.most()).isCloseTo(WHITE, within(1.5));
        assertThat(quarter.average()).isCloseTo(WHITE / 4, within(1.5));
    }

    @Test
    void theBrightestComponentCounts() {
        assertThat(light("prores-4444", ColourCoding.PQ, 1, 0, 0, 1).orElseThrow().most()).isCloseTo(RED_IN_REC2020 * WHITE, within(1.5));
        assertThat(light("prores-4444", ColourCoding.PQ, .5f, .5f, .5f, 1).orElseThrow().average())
                .isCloseTo(Math.pow(.5, 2.4) * WHITE, within(.5));
    }

    @Test
    void otherCurvesHaveNoLight() {
        assertThat(light("h265-main10-420", ColourCoding.HLG, 1, 1, 1, 1)).isEmpty();
        assertThat(light("h264-high-420", ColourCoding.REC709, 1, 1, 1, 1)).isEmpty();
    }

    @Test
    void aFileIsAsBrightAsItsBrightestFrames() {
        assertThat(ContentLight.of(List.of(new FrameLight(612.4, 20), new FrameLight(90, 33.6), new FrameLight(0, 0))))
                .contains(new ContentLight(612, 34));
        assertThat(ContentLight.of(List.of(new FrameLight(0, 0)))).as("0 would say that nobody knows").contains(new ContentLight(1, 1));
        assertThat(ContentLight.of(Arrays.asList(new FrameLight(5, 1), null))).as("one frame of before that").isEmpty();
        assertThat(new Receipt.FrameLine(0, "00000000", null, 1).light()).isNull();
    }
}
