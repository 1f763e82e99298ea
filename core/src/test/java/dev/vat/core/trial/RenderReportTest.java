package dev.vat.core.trial;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;

class RenderReportTest {

    private static PairLikeness like(int most) {
        return new PairLikeness(most == 0 ? null : 40.0, most == 0 ? 1 : .99, most, new float[PairLikeness.COLUMNS * PairLikeness.ROWS], 0);
    }

    @Test
    void whatOneLacksRepeatsOrHasSuddenlyOtherwiseIsNamed() {
        Map<Long, PairLikeness> likeness = new HashMap<>();
        for (long p = 0; p < 100; p++) {
            likeness.put(p, like(p == 42 ? 257 * 9 : 257));
        }
        String report = RenderReport.of(new RenderReport.Render("kite v01", Set.of(7L), Set.of(20L, 21L)),
                new RenderReport.Render("kite v02", Set.of(), Set.of(20L)), likeness, p -> Long.toString(1001 + p));
        assertThat(report).contains("Only kite v02 has 1008").contains("kite v01 alone repeats the frame before at 1022")
                .contains("1043: 40.00 dB").doesNotContain("1044:").doesNotContain("Only kite v01");
    }

    @Test
    void oneCodeInOneFrameOfManyEqualOnesIsSudden() {
        Map<Long, PairLikeness> likeness = new HashMap<>();
        for (long p = 0; p < 640; p++) {
            likeness.put(p, like(p == 333 ? 257 : 0));
        }
        assertThat(RenderReport.sudden(likeness)).containsExactly(333L);
        likeness.put(333L, like(0));
        assertThat(RenderReport.of(new RenderReport.Render("a", Set.of(), Set.of()), new RenderReport.Render("b", Set.of(), Set.of()),
                likeness, Long::toString)).contains("Not a bit differs in any frame");
    }
}
