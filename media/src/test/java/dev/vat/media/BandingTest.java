package dev.vat.media;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.vat.core.delivery.Catalogue;
import dev.vat.core.delivery.Codec;
import dev.vat.core.delivery.Treatment;
import dev.vat.core.picture.Size;
import dev.vat.media.convert.Conversion;
import dev.vat.media.picture.Picture;
import dev.vat.media.picture.SamplePictures;
import dev.vat.media.picture.Samples;
import java.lang.foreign.ValueLayout;
import java.util.Arrays;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A slow ramp of 16 bits, such as a dusk sky is, in fewer bits: dither keeps its mean and breaks its bands up. */
class BandingTest {

    private static final Size SIZE = Size.of(2048, 64);
    private static final double FROM = .25;
    private static final double TO = .29;

    private static Samples ramp() {
        float[] grey = new float[Math.toIntExact(SIZE.pixels())];
        for (int i = 0; i < grey.length; i++) {
            grey[i] = (float) (FROM + (TO - FROM) * (i % SIZE.width()) / SIZE.width());
        }
        return new Samples(SIZE.width(), SIZE.height(), grey, grey, grey, null);
    }

    @ParameterizedTest
    @CsvSource({"h264-high-420, 8", "dnxhr-hq, 8", "prores-422-hq, 10", "h265-main10-420, 10"})
    void noBandIsWiderThanTheDepthForces(String id, int bits) {
        Codec codec = Catalogue.codec(id);
        try (Picture working = SamplePictures.of(ramp()); Conversion conversion = new Conversion(codec, SIZE, Treatment.plain(codec, SIZE));
                Picture made = conversion.convert(working)) {
            double[] means = new double[SIZE.width()];
            int same = 0;
            int longest = 0;
            for (int x = 0; x < SIZE.width(); x++) {
                int[] codes = new int[SIZE.height()];
                for (int y = 0; y < codes.length; y++) {
                    long at = (long) y * made.stride(0);
                    codes[y] = bits > 8 ? made.plane(0).get(ValueLayout.JAVA_SHORT, at + 2L * x) & 0xffff
                            : made.plane(0).get(ValueLayout.JAVA_BYTE, at + x) & 0xff;
                }
                means[x] = Arrays.stream(codes).average().orElseThrow();
                same = Arrays.stream(codes).distinct().count() == 1 ? same + 1 : 0;
                longest = Math.max(longest, same);
            }
            double steps = 1 << bits - 8;
            double band = SIZE.width() / ((TO - FROM) * 219 * steps);
            assertThat(longest).as("columns of one code, where a band without dither is %.0f wide", band).isLessThan((int) (band / 4));
            for (int x = 8; x < SIZE.width() - 8; x++) {
                double exact = (16 + 219 * (FROM + (TO - FROM) * x / SIZE.width())) * steps;
                assertThat(Arrays.stream(means, x - 8, x + 9).average().orElseThrow()).as("around column " + x).isCloseTo(exact,
                        within(.12));
            }
        }
    }
}
