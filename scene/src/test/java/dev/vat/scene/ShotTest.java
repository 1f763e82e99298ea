package dev.vat.scene;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class ShotTest {

    private static final int WIDTH = 160;
    private static final int HEIGHT = 90;

    @ParameterizedTest
    @EnumSource(Shot.class)
    void theSameFrameIsAlwaysTheSamePicture(Shot shot) {
        Drawing first = shot.draw(7, WIDTH, HEIGHT);
        Drawing second = shot.draw(7, WIDTH, HEIGHT);
        assertThat(first.channels().keySet()).isEqualTo(second.channels().keySet()).contains("R", "G", "B");
        first.channels().forEach((name, values) -> assertThat(values).as(name).hasSize(WIDTH * HEIGHT).isEqualTo(second.channel(name)));
    }

    @ParameterizedTest
    @EnumSource(Shot.class)
    void somethingMovesFromFrameToFrame(Shot shot) {
        Drawing now = shot.draw(4, WIDTH, HEIGHT);
        Drawing later = shot.draw(9, WIDTH, HEIGHT);
        assertThat(now.channels().keySet()).anyMatch(name -> !Arrays.equals(now.channel(name), later.channel(name)));
    }

    @ParameterizedTest
    @EnumSource(Shot.class)
    void valuesAreFiniteAndOnlyLightGoesBeyondOne(Shot shot) {
        shot.draw(3, WIDTH, HEIGHT).channels().forEach((name, values) -> {
            for (float v : values) {
                assertThat(Float.isFinite(v) && v >= 0 && (shot == Shot.GLOW || v <= 1)).as("%s %s: %s", shot, name, v).isTrue();
            }
        });
    }

    /** So that banding would show: neighbours in the sky differ by less than an eighth of an 8-bit step on average. */
    @Test
    void theSkyIsSmoothAndTheGrassIsNot() {
        float[] red = Shot.DUNES.draw(0, 960, 540).channel("R");
        assertThat(roughness(red, 960, 4, 60)).isLessThan(1 / 255f);
        assertThat(roughness(red, 960, 500, 530)).isGreaterThan(8 / 255f);
    }

    private static double roughness(float[] values, int width, int fromRow, int toRow) {
        double sum = 0;
        int count = 0;
        for (int y = fromRow; y < toRow; y++) {
            for (int x = 1; x < width / 6; x++) {
                sum += Math.abs(values[y * width + x] - values[y * width + x - 1]);
                count++;
            }
        }
        return sum / count;
    }

    @Test
    void theTitleIsSoftAndSeeThrough() {
        float[] alpha = Shot.TITLE.draw(20, WIDTH, HEIGHT).channel("A");
        Set<Float> levels = new TreeSet<>();
        for (float a : alpha) {
            levels.add(a);
        }
        assertThat(levels).hasSizeGreaterThan(20).contains(0f);
        assertThat(Shot.TITLE.draw(0, WIDTH, HEIGHT).channel("A")).as("before its first letter").containsOnly(0f);
    }

    @Test
    void theLowSunIsLinearLightWithPassesThatAddUp() {
        Drawing sun = Shot.GLOW.draw(5, WIDTH, HEIGHT);
        assertThat(sun.channels().keySet().stream().filter(n -> n.contains(".")).map(n -> n.substring(0, n.indexOf('.'))).distinct())
                .hasSizeGreaterThan(1);
        float brightest = 0;
        for (float v : sun.channel("R")) {
            brightest = Math.max(brightest, v);
        }
        assertThat(brightest).as("brighter than white").isGreaterThan(1);
    }

    @Test
    void thereIsAProgrammeOfSomeTenSeconds() {
        assertThat(Arrays.stream(Shot.values()).mapToInt(Shot::frames).sum()).isBetween(225, 275);
        assertThat(Shot.DUNES.frames()).isEqualTo(96);
    }

    @Test
    void bellsAreStruckOnTheirFramesAndNothingClips() {
        float[] sound = Wind.samples();
        assertThat(sound).hasSize(Wind.RATE * Wind.SECONDS);
        float highest = 0;
        for (float sample : sound) {
            highest = Math.max(highest, Math.abs(sample));
        }
        assertThat(highest).isBetween(.2f, 1f);
        for (int frame : Wind.bells()) {
            int start = frame * Wind.RATE / 25;
            assertThat(energy(sound, start, start + 4800)).as("at frame %d", frame).isGreaterThan(5 * energy(sound, start - 4800, start));
        }
    }

    private static double energy(float[] sound, int from, int to) {
        double sum = 0;
        for (int i = from; i < to; i++) {
            sum += sound[i] * sound[i];
        }
        return sum;
    }
}
