package dev.vat.media;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.vat.core.delivery.Catalogue;
import dev.vat.core.delivery.Codec;
import dev.vat.core.delivery.ColourCoding;
import dev.vat.core.delivery.Treatment;
import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.ColourReading;
import dev.vat.core.picture.PictureReading;
import dev.vat.core.picture.Size;
import dev.vat.core.recipe.WorkingFormat;
import dev.vat.media.compose.Composer;
import dev.vat.media.convert.Conversion;
import dev.vat.media.picture.FloatSamples;
import dev.vat.media.picture.Picture;
import dev.vat.media.picture.SamplePictures;
import dev.vat.media.picture.Samples;
import java.lang.foreign.ValueLayout;
import java.nio.ByteOrder;
import java.util.Arrays;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** High dynamic range against the formulas of Recommendation ITU-R BT.2100, written out here. */
class HighRangeTest {

    private static final Size SIZE = Size.of(64, 48);

    private static final ValueLayout.OfShort BIG_ENDIAN = ValueLayout.JAVA_SHORT_UNALIGNED.withOrder(ByteOrder.BIG_ENDIAN);

    private static Picture grey(float value) {
        float[] plane = new float[Math.toIntExact(SIZE.pixels())];
        Arrays.fill(plane, value);
        return FloatSamples.picture(SIZE.width(), SIZE.height(), new float[][] {plane, plane, plane});
    }

    private static Picture delivered(Codec codec, ColourCoding colour, Picture decoded, boolean linear) {
        try (Composer composer = new Composer(WorkingFormat.HIGH, codec.hasAlpha());
                Conversion conversion = new Conversion(codec, SIZE, Treatment.plain(codec, SIZE).withColour(colour));
                Picture working = composer.compose(decoded, PictureReading.of(AlphaKind.NONE, linear))) {
            return conversion.convert(working);
        }
    }

    private static double pq(double candelas) {
        double y = Math.pow(candelas / 10_000, 0.1593017578125);
        return Math.pow((.8359375 + 18.8515625 * y) / (1 + 18.6875 * y), 78.84375);
    }

    private static double hlg(double candelas) {
        double scene = Math.pow(candelas / 1000, 1 / 1.2);
        return scene <= 1.0 / 12 ? Math.sqrt(3 * scene) : .17883277 * Math.log(12 * scene - .28466892) + .55991073;
    }

    /** The middle sample of the brightness plane, as a share of its limited range. */
    private static double brightness(Picture picture) {
        int stored = picture.plane(0).get(ValueLayout.JAVA_SHORT, 24L * picture.stride(0) + 64) & 0xffff;
        return (stored - 64) / 876.0;
    }

    @ParameterizedTest
    @CsvSource({"0", "0.01", "0.18", "0.5", "1", "2", "4.9"})
    void lightComesOutAsBothCurvesSay(float light) {
        Codec codec = Catalogue.codec("prores-422-hq");
        try (Picture in = grey(light); Picture pq = delivered(codec, ColourCoding.PQ, in, true);
                Picture hlg = delivered(codec, ColourCoding.HLG, in, true)) {
            assertThat(brightness(pq)).isCloseTo(pq(light * 203), within(1.5 / 876));
            assertThat(brightness(hlg)).isCloseTo(hlg(Math.min(1000, light * 203)), within(2.0 / 876));
        }
    }

    /** Codes of Y', Cb and Cr at 10 bits, limited: table 4 of BT.2100. @param coded red, green and blue behind the curve */
    private static double[] codes(double[] coded) {
        double y = .2627 * coded[0] + .6780 * coded[1] + .0593 * coded[2];
        return new double[] {64 + 876 * y, 512 + 896 * (coded[2] - y) / 1.8814, 512 + 896 * (coded[0] - y) / 1.4746};
    }

    /** Light of BT.709's primaries as light of BT.2020's: BT.2087. */
    private static double[] wide(double r, double g, double b) {
        return new double[] {.6274 * r + .3293 * g + .0433 * b, .0691 * r + .9195 * g + .0114 * b, .0164 * r + .0880 * g + .8956 * b};
    }

    /** Patches of colour: HLG's system gamma works on the luminance of a patch, not on each of its colours (BT.2100, table 5). */
    @ParameterizedTest
    @CsvSource({"1, .05, .05", ".05, 1, .05", ".05, .05, 1", "1, 1, .05", ".9, .3, .1", ".2, .5, .8", "3, 1, .3", ".5, .5, .5", "2, .2, 2"})
    void coloursComeOutAsBothCurvesSay(float red, float green, float blue) {
        Codec codec = Catalogue.codec("h265-main422-10");
        double[] light = wide(red, green, blue);
        double luminance = (.2627 * light[0] + .6780 * light[1] + .0593 * light[2]) * 203 / 1000;
        double[] hlg = new double[3];
        double[] pq = new double[3];
        for (int i = 0; i < 3; i++) {
            double scene = light[i] * 203 / 1000 * Math.pow(luminance, (1 - 1.2) / 1.2);
            hlg[i] = scene <= 1.0 / 12 ? Math.sqrt(3 * scene) : .17883277 * Math.log(12 * scene - .28466892) + .55991073;
            pq[i] = pq(light[i] * 203);
        }
        float[][] planes = new float[3][Math.toIntExact(SIZE.pixels())];
        Arrays.fill(planes[0], red);
        Arrays.fill(planes[1], green);
        Arrays.fill(planes[2], blue);
        try (Picture in = FloatSamples.picture(SIZE.width(), SIZE.height(), planes);
                Picture asPq = delivered(codec, ColourCoding.PQ, in, true); Picture asHlg = delivered(codec, ColourCoding.HLG, in, true)) {
            assertThat(means(asPq)).as("PQ").containsExactly(codes(pq), within(.5));
            assertThat(means(asHlg)).as("HLG").containsExactly(codes(hlg), within(.5));
        }
        Codec png = Catalogue.codec("frames-png-16");
        try (Picture in = FloatSamples.picture(SIZE.width(), SIZE.height(), planes);
                Picture asPq = delivered(png, ColourCoding.RGB_PQ, in, true);
                Picture asHlg = delivered(png, ColourCoding.RGB_HLG, in, true)) {
            assertThat(middle(asPq)).as("PQ in PNG").containsExactly(pq, within(.5 / 1023));
            assertThat(middle(asHlg)).as("HLG in PNG").containsExactly(hlg, within(.5 / 1023));
        }
    }

    /** Red, green and blue of one pixel as PNG's encoder takes it, from 0 to 1. */
    private static double[] middle(Picture picture) {
        assertThat(picture.formatName()).isEqualTo("rgb48be");
        double[] rgb = new double[3];
        for (int c = 0; c < 3; c++) {
            short code = picture.plane(0).get(BIG_ENDIAN, 24L * picture.stride(0) + 32 * 6 + c * 2);
            rgb[c] = (code & 0xffff) / 65_535.;
        }
        return rgb;
    }

    /** Of each plane: what is dithered is right in the mean. */
    private static double[] means(Picture picture) {
        double[] means = new double[3];
        for (int p = 0; p < 3; p++) {
            int width = p == 0 ? SIZE.width() : SIZE.width() / 2;
            double sum = 0;
            for (int y = 0; y < SIZE.height(); y++) {
                for (int x = 0; x < width; x++) {
                    sum += picture.plane(p).get(ValueLayout.JAVA_SHORT, (long) y * picture.stride(p) + 2L * x) & 0xffff;
                }
            }
            means[p] = sum / (width * (double) SIZE.height());
        }
        return means;
    }

    /** Report ITU-R BT.2408: graphics white is 58 % of PQ and 75 % of HLG. */
    @Test
    void ordinaryWhiteStandsWhereTheReportPutsIt() {
        Codec codec = Catalogue.codec("h265-main10-420");
        try (Picture white = SamplePictures.of(TestPictures.flat(SIZE.width(), SIZE.height(), 1, 1, 1, 1));
                Picture pq = delivered(codec, ColourCoding.PQ, white, false);
                Picture hlg = delivered(codec, ColourCoding.HLG, white, false)) {
            assertThat(brightness(pq)).isCloseTo(.58, within(.002));
            assertThat(brightness(hlg)).isCloseTo(.75, within(.002));
        }
    }

    /** What a still of light is made of comes back, within half precision and the sixteen bits between. */
    @ParameterizedTest
    @CsvSource({"0.01", "0.18", "1", "7.5", "40"})
    void lightGoesOutAsLight(float light) {
        Codec codec = Catalogue.codec("frames-exr");
        try (Picture in = grey(light); Picture out = delivered(codec, ColourCoding.LINEAR, in, true)) {
            float found = out.plane(0).get(ValueLayout.JAVA_FLOAT, 24L * out.stride(0) + 64);
            assertThat(found / light).isCloseTo(1f, within(.004f));
        }
    }

    /** What a file states of its curve counts when light is made of it, and what was chosen counts more. */
    @ParameterizedTest
    @CsvSource({",, 2.4", "13,, srgb", "4,, 2.2", "1,, 2.4", "13, BT1886, 2.4", ", SRGB, srgb", "1, GAMMA22, 2.2"})
    void displayCodesBecomeLightByTheStatedCurve(Integer stated, ColourReading.Curve chosen, String curve) {
        Codec codec = Catalogue.codec("frames-exr");
        ColourReading reading = ColourReading.DISPLAY.withTags(null, stated).withToLight(chosen);
        for (double code : new double[] {.02, .25, .5, .9}) {
            double expected = curve.equals("srgb") ? code <= .04045 ? code / 12.92 : Math.pow((code + .055) / 1.055, 2.4)
                    : Math.pow(code, Double.parseDouble(curve));
            float[] plane = new float[Math.toIntExact(SIZE.pixels())];
            Arrays.fill(plane, (float) code);
            try (Picture whole = SamplePictures.of(new Samples(SIZE.width(), SIZE.height(), plane, plane, plane, null));
                    Picture single = grey((float) code)) {
                for (Picture in : new Picture[] {whole, single}) {
                    assertThat(lightOf(codec, in, reading)).isCloseTo(expected, within(.0003 + expected * .002));
                }
            }
        }
    }

    private static double lightOf(Codec codec, Picture in, ColourReading reading) {
        try (Composer composer = new Composer(WorkingFormat.HIGH, false);
                Conversion conversion = new Conversion(codec, SIZE, Treatment.plain(codec, SIZE));
                Picture working = composer.compose(in, new PictureReading(AlphaKind.NONE, null, reading));
                Picture light = conversion.convert(working)) {
            return light.plane(0).get(ValueLayout.JAVA_FLOAT, 24L * light.stride(0) + 64 * 2);
        }
    }
}
