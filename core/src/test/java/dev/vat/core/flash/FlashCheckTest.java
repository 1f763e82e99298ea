package dev.vat.core.flash;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rate;
import java.util.Arrays;
import java.util.List;
import java.util.function.IntFunction;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class FlashCheckTest {

    private static final int NO_RED = 128;

    /** A picture of which a share, from the top, is one luma and the rest black. */
    private static Luminance picture(int luma, double share, int red) {
        byte[] lumas = new byte[Luminance.CELLS];
        byte[] reds = new byte[Luminance.CELLS];
        Arrays.fill(reds, (byte) NO_RED);
        for (int i = 0; i < share * Luminance.CELLS; i++) {
            lumas[i] = (byte) luma;
            reds[i] = (byte) red;
        }
        return new Luminance(lumas, reds);
    }

    private static List<FrameRange> found(int frames, IntFunction<Luminance> at) {
        FlashCheck check = new FlashCheck(Rate.FPS_25);
        for (int f = 0; f < frames; f++) {
            check.add(at.apply(f));
        }
        return check.found();
    }

    @ParameterizedTest
    @CsvSource({
        // frames of one half of a flash, luma, share of the picture, whether it is too often
        "3, 200, 1.0, true", "2, 200, .5, true", "3, 200, .3, true", "3, 200, .2, false", "3, 60, 1.0, false", "6, 200, 1.0, false",
        "25, 255, 1.0, false"})
    void onlyStrongFlashesOverEnoughOfThePictureMoreThanThreeTimesASecondAreFound(int half, int luma, double share, boolean tooOften) {
        List<FrameRange> found = found(100, f -> picture(f / half % 2 == 0 ? luma : 0, share, NO_RED));
        assertThat(!found.isEmpty()).isEqualTo(tooOften);
    }

    @Test
    void theFramesAreNamed() {
        List<FrameRange> found = found(150, f -> picture(f >= 50 && f < 75 && f / 2 % 2 == 0 ? 220 : 0, 1, NO_RED));
        assertThat(found).hasSize(1);
        assertThat(found.getFirst().first()).isBetween(49L, 53L);
        assertThat(found.getFirst().last()).isBetween(60L, 77L);
    }

    @Test
    void saturatedRedCountsThoughItIsDark() {
        // Pure red of half strength: luma 27, Cr 128 + .5 * 127 of its half.
        assertThat(found(100, f -> picture(f / 3 % 2 == 0 ? 27 : 0, 1, f / 3 % 2 == 0 ? 192 : NO_RED))).isNotEmpty();
        assertThat(found(100, f -> picture(f / 3 % 2 == 0 ? 27 : 0, 1, NO_RED))).as("grey as dark as that").isEmpty();
    }

    @Test
    void aSlowFadeAndACutAreNoFlashes() {
        assertThat(found(200, f -> picture(f, 1, NO_RED))).isEmpty();
        assertThat(found(200, f -> picture(f < 100 ? 20 : 230, 1, NO_RED))).isEmpty();
    }
}
