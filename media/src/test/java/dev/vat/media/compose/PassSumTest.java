package dev.vat.media.compose;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.vat.core.pass.Operation;
import dev.vat.core.pass.Pass;
import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.ColourReading;
import dev.vat.core.picture.PictureReading;
import dev.vat.core.reel.Assembly;
import dev.vat.media.lib.MediaException;
import dev.vat.media.picture.FloatSamples;
import dev.vat.media.picture.Picture;
import dev.vat.media.picture.SamplePictures;
import dev.vat.media.picture.Samples;
import java.lang.foreign.ValueLayout;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** One pixel of each kind, worked out by hand. */
class PassSumTest {

    private static final PictureReading LIGHT = new PictureReading(AlphaKind.PREMULTIPLIED, null, ColourReading.LINEAR);

    /** Grey light, with alpha unless that is below 0. */
    private static PassSum.Decoded light(double value, double alpha) {
        float[] grey = {(float) value};
        float[][] channels = alpha < 0 ? new float[][] {grey, grey, grey} : new float[][] {grey, grey, grey, {(float) alpha}};
        return new PassSum.Decoded(FloatSamples.picture(1, 1, channels), LIGHT);
    }

    private static double[] sum(List<Operation> operations, PassSum.Decoded... passes) {
        List<Pass> named = new ArrayList<>();
        for (int i = 0; i < operations.size(); i++) {
            named.add(Pass.of("pass" + i, null, null, operations.get(i)));
        }
        try (PassSum sums = new PassSum(); Picture sum = sums.sum(new Assembly.Passes(named, ColourReading.LINEAR), List.of(passes))) {
            return new double[] {sum.plane(0).get(ValueLayout.JAVA_FLOAT_UNALIGNED, 0),
                sum.hasAlpha() ? sum.plane(3).get(ValueLayout.JAVA_FLOAT_UNALIGNED, 0) : -1};
        } finally {
            for (PassSum.Decoded pass : passes) {
                pass.picture().close();
            }
        }
    }

    @ParameterizedTest
    @CsvSource({
        // what lies under it, its alpha, what comes onto it, its alpha, and what becomes of both; below 0 for no alpha
        "ADD, .2, .5, .3, .25, .5, .5",
        "ADD, .2, .25, .3, .5, .5, .5",
        "ADD, .2, -1, .3, .5, .5, -1",
        "ADD, .2, .5, 2, -1, 2.2, .5",
        "MULTIPLY, .4, .5, .5, -1, .2, .5",
        "MULTIPLY, .4, .5, .5, .1, .2, .5",
        "OVER, .4, .5, .3, .75, .4, .875",
        "OVER, .4, 1, .2, -1, .2, 1",
        "OVER, .4, -1, .3, .75, .4, -1",
        "SCREEN, .5, .5, .5, .5, .75, .75",
        "SCREEN, .5, -1, 3, -1, 1, -1",
        "MATTE, .6, .8, .5, -1, .3, .4",
        "MATTE, .6, -1, .5, -1, .3, .5",
        "MATTE, .6, .8, 7, -1, .6, .8",
        "ALPHA, .6, -1, .1, .3, .6, .3",
        "ALPHA, .6, .8, .1, -1, .6, .8",
    })
    void whatOneDoesToTheOther(Operation operation, double under, double underAlpha, double onto, double ontoAlpha, double colour,
            double alpha) {
        double[] found = sum(List.of(Operation.ADD, operation), light(under, underAlpha), light(onto, ontoAlpha));
        assertThat(found[0]).isCloseTo(colour, within(1e-6));
        assertThat(found[1]).isCloseTo(alpha, within(1e-6));
    }

    @Test
    void theLowestIsTakenAsItIs() {
        assertThat(sum(List.of(Operation.MULTIPLY), light(.4, .5))[0]).isCloseTo(.4, within(1e-6));
    }

    /** A soft edge of alpha one half, coded as half-bright grey: light .2140, which is .1070 of it where it shows. */
    @Test
    void straightAndMultipliedSoftEdgesAreTheSameLight() {
        float coded = .5f;
        try (Picture straight = SamplePictures
                .of(new Samples(1, 1, new float[] {coded}, new float[] {coded}, new float[] {coded}, new float[] {.5f}))) {
            double[] found = sum(List.of(Operation.ADD),
                    new PassSum.Decoded(straight.share(), PictureReading.of(AlphaKind.STRAIGHT, false)));
            assertThat(found[0]).isCloseTo(.10702, within(1e-4));
            assertThat(found[1]).isCloseTo(.5, within(1e-4));
        }
        try (Picture multiplied = SamplePictures
                .of(new Samples(1, 1, new float[] {coded / 2}, new float[] {coded / 2}, new float[] {coded / 2}, new float[] {.5f}))) {
            double[] found = sum(List.of(Operation.ADD),
                    new PassSum.Decoded(multiplied.share(), PictureReading.of(AlphaKind.PREMULTIPLIED, false)));
            assertThat(found[0]).as("taken apart before it becomes light").isCloseTo(.10702, within(1e-4));
        }
        PassSum.Decoded straightLight = new PassSum.Decoded(light(.8, .5).picture(),
                new PictureReading(AlphaKind.STRAIGHT, null, ColourReading.LINEAR));
        assertThat(sum(List.of(Operation.ADD), straightLight)[0]).isCloseTo(.4, within(1e-6));
    }

    @Test
    void passesOfTwoSizesAreRefusedByName() {
        PassSum.Decoded large = new PassSum.Decoded(FloatSamples.picture(2, 1, new float[][] {{1, 1}, {1, 1}, {1, 1}}), LIGHT);
        assertThatThrownBy(() -> sum(List.of(Operation.ADD, Operation.ADD), light(1, -1), large)).isInstanceOf(MediaException.class)
                .hasMessageContaining("pass0").hasMessageContaining("pass1");
    }
}
