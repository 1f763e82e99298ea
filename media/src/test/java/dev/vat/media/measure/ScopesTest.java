package dev.vat.media.measure;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.flash.Luminance;
import dev.vat.core.trial.FrameCost;
import dev.vat.media.encode.QuickLook;
import dev.vat.media.picture.CodeValues;
import dev.vat.media.picture.Picture;
import dev.vat.media.picture.SamplePictures;
import dev.vat.media.picture.Samples;
import java.lang.foreign.ValueLayout;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** Scopes against figures worked out by hand on test patterns; differences that were planted; what a quick look sees. */
class ScopesTest {

    private static final int WIDTH = 64;
    private static final int HEIGHT = 32;

    /** Eight-bit 4:2:0 of limited range, one code all over each plane. */
    private static Picture flat(int y, int cb, int cr) {
        Picture picture = Picture.allocate("yuv420p", WIDTH, HEIGHT);
        int[] codes = {y, cb, cr};
        for (int plane = 0; plane < 3; plane++) {
            picture.plane(plane).fill((byte) codes[plane]);
        }
        picture.frame().colorspace(1).color_range(1);
        return picture;
    }

    private static int only(int[] counts) {
        int[] there = IntStream.range(0, counts.length).filter(i -> counts[i] > 0).toArray();
        assertThat(there).hasSize(1);
        return there[0];
    }

    @Test
    void aFlatPictureIsOnePointInEveryScope() {
        // BT.709, limited: 75 % red is Y' 51, Cb 109, Cr 212, and R' 180, G' and B' 16 give or take the rounding of these codes.
        try (Scopes scopes = new Scopes(); Picture red = flat(51, 109, 212)) {
            scopes.look(red);
            for (int[] column : scopes.waveform(16)) {
                assertThat(only(column)).isEqualTo(51 * 4);
            }
            int[][] vectors = scopes.vectors();
            assertThat(vectors[109][212]).isEqualTo(WIDTH * HEIGHT);
            int[][] parade = scopes.parade(4);
            assertThat(only(parade[0])).isBetween(180 * 4 - 4, 180 * 4 + 4);
            assertThat(only(parade[4])).isBetween(16 * 4 - 4, 16 * 4 + 4);
            assertThat(only(parade[8])).isBetween(16 * 4 - 6, 16 * 4 + 6);
            assertThat(scopes.histogram()[0][204]).isEqualTo(WIDTH * HEIGHT);
            assertThat(scopes.levels()).startsWith("Y 204 to 204").contains("0.00 % outside");
        }
    }

    @Test
    void whatIsTooBrightIsCountedAndAPercentIsTolerated() {
        try (Scopes scopes = new Scopes(); Picture grey = flat(126, 128, 128)) {
            for (int x = 0; x < 16; x++) {
                grey.plane(0).set(ValueLayout.JAVA_BYTE, x, (byte) 254);
            }
            assertThat(scopes.look(grey).levels()).contains("Y 504 to 1016").contains("0.78 % outside").doesNotContain("more than");
            for (int x = 16; x < 32; x++) {
                grey.plane(0).set(ValueLayout.JAVA_BYTE, x, (byte) 254);
            }
            assertThat(scopes.look(grey).levels()).contains("1.56 % outside").contains("more than 1 %");
        }
    }

    @Test
    void fullRangeRgbIsReadInLimitedCodes() {
        float[] ramp = new float[WIDTH * HEIGHT];
        for (int i = 0; i < ramp.length; i++) {
            ramp[i] = (i % WIDTH) / (float) (WIDTH - 1);
        }
        try (Scopes scopes = new Scopes(); Picture grey = SamplePictures.of(new Samples(WIDTH, HEIGHT, ramp, ramp, ramp, null))) {
            int[][] waveform = scopes.look(grey).waveform(WIDTH);
            assertThat(only(waveform[0])).isEqualTo(64);
            assertThat(only(waveform[WIDTH - 1])).isEqualTo(940);
            for (int x = 0; x < WIDTH; x++) {
                assertThat(only(waveform[x])).isBetween((int) (64 + 876.0 * x / (WIDTH - 1)) - 1, (int) (64 + 876.0 * x / (WIDTH - 1)) + 1);
            }
        }
    }

    private static Picture noise(long seed, int width, int height) {
        Random random = new Random(seed);
        float[][] planes = new float[3][width * height];
        for (float[] plane : planes) {
            for (int i = 0; i < plane.length; i++) {
                plane[i] = random.nextInt(200) * 257 / 65535f;
            }
        }
        return SamplePictures.of(new Samples(width, height, planes[0], planes[1], planes[2], null));
    }

    @Test
    void oneCodeInOneBlockIsSeenAtAnySizeAndMeasuredAsWhatItIs() {
        try (Picture first = noise(3, 640, 360); Picture second = noise(3, 640, 360)) {
            assertThat(Differences.extremes(first, second).most()).isZero();
            for (int y = 160; y < 176; y++) {
                for (int x = 320; x < 336; x++) {
                    long at = (long) y * second.stride(0) + 2L * x;
                    second.plane(0).set(ValueLayout.JAVA_SHORT_UNALIGNED, at,
                            (short) (second.plane(0).get(ValueLayout.JAVA_SHORT_UNALIGNED, at) + 257));
                }
            }
            assertThat(Differences.extremes(first, second)).isEqualTo(new Differences.Extremes(257, 0));
            second.plane(1).set(ValueLayout.JAVA_SHORT_UNALIGNED, 0, (short) 65535);
            assertThat(Differences.extremes(first, second).whiter()).as("one sample of three planes").isEqualTo(1 / (3.0 * 640 * 360));
            assertThat(Differences.extremes(second, second).whiter()).as("white in both").isZero();
            second.plane(1).set(ValueLayout.JAVA_SHORT_UNALIGNED, 0, first.plane(1).get(ValueLayout.JAVA_SHORT_UNALIGNED, 0));
            for (int[] size : new int[][] {{640, 360}, {160, 90}, {41, 23}, {1280, 720}}) {
                try (Picture shown = Differences.of(first, second, new Differences.Show(64, false, false), size[0], size[1])) {
                    int bright = 0;
                    for (int y = 0; y < shown.height(); y++) {
                        for (int x = 0; x < shown.width(); x++) {
                            int value = shown.plane(0).get(ValueLayout.JAVA_SHORT_UNALIGNED, (long) y * shown.stride(0) + 2L * x) & 0xffff;
                            assertThat(value).isIn(0, 257 * 64);
                            bright += value > 0 ? 1 : 0;
                        }
                    }
                    assertThat(bright).as(Arrays.toString(size)).isPositive().isLessThan(shown.width() * shown.height() / 20);
                }
            }
            try (Picture signed = Differences.of(first, second, new Differences.Show(16, true, false), 640, 360)) {
                assertThat(signed.plane(0).get(ValueLayout.JAVA_SHORT_UNALIGNED, 170L * signed.stride(0) + 2 * 330) & 0xffff)
                        .isEqualTo(32768 + 257 * 16 / 2);
                assertThat(signed.plane(0).get(ValueLayout.JAVA_SHORT_UNALIGNED, 0) & 0xffff).isEqualTo(32768);
            }
            float[] cells = Differences.cells(first, second, 40, 23);
            assertThat(cells).contains(0f);
            assertThat(cells[11 * 40 + 20]).isPositive();
        }
    }

    @Test
    void samplesAreSaidAsTheyAreStored() {
        try (Picture yuv = flat(51, 109, 212); Picture rgb = noise(1, 8, 8)) {
            assertThat(CodeValues.at(yuv, 63, 31)).isEqualTo("Y 51  Cb 109  Cr 212, 8-bit");
            int green = rgb.plane(0).get(ValueLayout.JAVA_SHORT_UNALIGNED, 2L * rgb.stride(0) + 2 * 3) & 0xffff;
            assertThat(CodeValues.at(rgb, 3, 2)).contains("G " + green + "  ").endsWith("16-bit");
        }
    }

    @Test
    void aQuickLookFindsHardFramesCutsAndBrightness() {
        List<Luminance> seen = new ArrayList<>();
        List<FrameCost> costs;
        try (QuickLook look = new QuickLook(seen::add)) {
            for (int f = 0; f < 30; f++) {
                float[] plane = new float[320 * 180];
                Arrays.fill(plane, f < 10 ? .1f : .8f);
                try (Picture still = SamplePictures.of(new Samples(320, 180, plane, plane, plane, null));
                        Picture hard = noise(f, 320, 180)) {
                    look.look(f < 20 ? still : hard);
                }
            }
            costs = look.finish();
        }
        assertThat(costs).hasSize(30);
        assertThat(costs.get(0).key()).isTrue();
        assertThat(costs.get(25).after()).isGreaterThan(20 * costs.get(5).after());
        assertThat(costs.get(25).alone()).isGreaterThan(5 * costs.get(5).alone());
        assertThat(seen).hasSize(30);
        assertThat(seen.get(3).luma()[100] & 0xff).isBetween(24, 27);
        assertThat(seen.get(13).luma()[100] & 0xff).isBetween(203, 205);
    }
}
