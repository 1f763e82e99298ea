package dev.vat.media.picture;

import static org.assertj.core.api.Assertions.assertThat;

import java.lang.foreign.ValueLayout;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class WideningTest {

    @ParameterizedTest
    @ValueSource(ints = {8, 9, 10, 11, 12, 13, 14, 15})
    void everyCodeComesBackAndTheEndsStayTheEnds(int bits) {
        int highest = (1 << bits) - 1;
        assertThat(Widening.widened(0, bits)).isZero();
        assertThat(Widening.widened(highest, bits)).isEqualTo(65535);
        for (int code = 0; code <= highest; code++) {
            int wide = Widening.widened(code, bits);
            assertThat(wide >> 16 - bits).as("cut off").isEqualTo(code);
            assertThat(Math.round(wide * (double) highest / 65535)).as("rounded").isEqualTo(code);
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"gbrp10le", "gbrp12le", "gray10le", "gbrp9le", "gbrap10le"})
    void everyPlaneIsWidened(String format) {
        try (Picture picture = Picture.filled(format, 5, 3, p -> {
            for (int plane = 0; plane < p.planes(); plane++) {
                p.plane(plane).set(ValueLayout.JAVA_SHORT_UNALIGNED, 2L * p.stride(plane) + 4, (short) ((1 << p.bits()) - 1 - plane));
            }
        }); Picture wide = Widening.of(picture)) {
            assertThat(Widening.isNeeded(picture)).isTrue();
            assertThat(Widening.isNeeded(wide)).isFalse();
            for (int plane = 0; plane < wide.planes(); plane++) {
                int code = (1 << picture.bits()) - 1 - plane;
                assertThat(wide.plane(plane).get(ValueLayout.JAVA_SHORT_UNALIGNED, 2L * wide.stride(plane) + 4) & 0xffff)
                        .isEqualTo(Widening.widened(code, picture.bits()));
            }
        }
    }
}
