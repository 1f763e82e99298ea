package dev.vat.core.picture;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Colours that no code point stands for. */
class OwnColourTest {

    private static final double[] REC709 = {.640, .330, .300, .600, .150, .060, .3127, .3290};

    /** The factors from SMPTE ST 2065-1 to Rec.709 that are published with Bradford's adaptation. */
    @Test
    void widePrimariesBecomeRec709ByThePublishedFactors() {
        double[] places = {.7347, .2653, 0, 1, .0001, -.077, .32168, .33767};
        double[] published = {2.52169, -1.13413, -.38756, -.27648, 1.37272, -.09624, -.01538, -.15298, 1.16835};
        List<Double> light = OwnColour.ofPlaces(places, OwnCurve.power(1)).orElseThrow().light();
        for (int i = 0; i < 9; i++) {
            assertThat(light.get(i)).as("factor " + i).isCloseTo(published[i], within(.0006));
        }
    }

    @ParameterizedTest
    @CsvSource({".64,.33,.21,.71,.15,.06,.3127,.3290", ".7347,.2653,.1596,.8404,.0366,.0001,.3457,.3585",
        ".64,.33,.3,.6,.15,.06,.3127,.3290"})
    void whiteStaysWhite(double rx, double ry, double gx, double gy, double bx, double by, double wx, double wy) {
        List<Double> light = OwnColour.ofPlaces(new double[] {rx, ry, gx, gy, bx, by, wx, wy}, OwnCurve.SRGB).orElseThrow().light();
        for (int row = 0; row < 3; row++) {
            assertThat(light.get(3 * row) + light.get(3 * row + 1) + light.get(3 * row + 2)).isCloseTo(1, within(1e-9));
        }
    }

    @Test
    void rec709StaysItself() {
        assertThat(OwnColour.ofPlaces(REC709, OwnCurve.SRGB).orElseThrow().light()).usingComparatorForType(
                (a, b) -> Math.abs(a - b) < 1e-9 ? 0 : Double.compare(a, b), Double.class)
                .isEqualTo(OwnColour.of(OwnCurve.SRGB).light());
        double[] profile = {.43607, .22249, .01392, .38515, .71687, .09708, .14307, .06061, .7141};
        List<Double> light = OwnColour.ofD50(profile, OwnCurve.SRGB).orElseThrow().light();
        for (int i = 0; i < 9; i++) {
            assertThat(light.get(i)).isCloseTo(i % 4 == 0 ? 1 : 0, within(.001));
        }
    }

    @Test
    void placesOnOneLineAreNoColours() {
        assertThat(OwnColour.ofPlaces(new double[8], OwnCurve.SRGB)).isEmpty();
        assertThat(OwnColour.ofPlaces(new double[] {.1, .1, .2, .2, .3, .3, .3127, .3290}, OwnCurve.SRGB)).isEmpty();
        assertThat(OwnColour.ofD50(new double[9], OwnCurve.SRGB)).isEmpty();
    }

    /** Scanned film: white, black, a grey card at density 1.0 above the base, and what lies beyond. */
    @ParameterizedTest
    @CsvSource({"685,1", "95,0", "470,.184", "445,.150", "1023,13.52", "0,-.0055"})
    void printingDensityBecomesLight(double code, double light) {
        assertThat(OwnCurve.FILM.light(code / 1023)).isCloseTo(light, within(.01));
    }

    @ParameterizedTest
    @CsvSource({"13,.5,.2140", "13,.03,.00232", "4,.5,.2176", "8,.5,.5", "1,.5,.1895", "5,.5,.1436"})
    void codePointsHaveTheirCurves(int transfer, double value, double light) {
        assertThat(OwnCurve.ofCodePoint(transfer).orElseThrow().light(value)).isCloseTo(light, within(.0001));
        assertThat(OwnCurve.ofCodePoint(transfer).orElseThrow().light(1)).isCloseTo(1, within(.0001));
    }

    @Test
    void curvesOfHighRangeHaveCodePointsOfTheirOwn() {
        assertThat(OwnCurve.ofCodePoint(16)).isEmpty();
        assertThat(OwnCurve.ofCodePoint(18)).isEmpty();
    }
}
