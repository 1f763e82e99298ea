package dev.vat.core.delivery;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import dev.vat.core.run.EncoderOptions;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class MasteringDisplayTest {

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"P3, 1000 cd/m2|P3, 0.0001 to 1000 cd/m2", "p3 4000|P3, 0.0001 to 4000 cd/m2",
        "Rec.2020, 0,005 to 4000 nits|Rec.2020, 0.005 to 4000 cd/m2", "rec709 0.05 to 100|Rec.709, 0.05 to 100 cd/m2"})
    void isReadAsPeopleSayItAndSaidAsItIsRead(String typed, String said) {
        assertThat(MasteringDisplay.parse(typed)).hasToString(said);
        assertThat(MasteringDisplay.parse(said)).isEqualTo(MasteringDisplay.parse(typed));
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "bright", "P3", "P4, 1000", "P3, 3", "P3, 10001", "P3, 0 to 1000", "P3, 6 to 1000", "P3, 0.00001 to 1000"})
    void whatIsNoDisplayIsRefused(String typed) {
        assertThatIllegalArgumentException().isThrownBy(() -> MasteringDisplay.parse(typed));
    }

    /** The usual values of SMPTE ST 2086 for P3 with D65. */
    @Test
    void isCountedAsTheStandardCounts() {
        assertThat(MasteringDisplay.parse("P3, 1000").units()).containsExactly(34_000L, 16_000L, 13_250L, 34_500L, 7500L, 3000L, 15_635L,
                16_450L, 10_000_000L, 1L);
        assertThat(EncoderOptions.mastered(Map.of("x265-params", "open-gop=0"), MasteringDisplay.parse("P3, 1000")).get("x265-params"))
                .isEqualTo("open-gop=0:hdr10=1:master-display=G(13250,34500)B(7500,3000)R(34000,16000)WP(15635,16450)L(10000000,1)");
        assertThat(EncoderOptions.mastered(Map.of("crf", "20"), MasteringDisplay.parse("P3, 1000"))).containsOnlyKeys("crf");
    }

    @Test
    void onlyFilesInPqHaveAPlaceForIt() {
        MasteringDisplay display = MasteringDisplay.parse("P3, 1000");
        Deliverable pq = Deliverable.of(Catalogue.target("hdr-pq"));
        assertThat(pq.withMastering(display).mastering()).isEqualTo(display);
        assertThat(pq.withMastering(display).withMastering(null)).isEqualTo(pq);
        assertThatIllegalArgumentException().isThrownBy(() -> Deliverable.of(Catalogue.target("web-h264")).withMastering(display))
                .withMessageContaining("in PQ");
        assertThatIllegalArgumentException().isThrownBy(() -> Deliverable.of(Catalogue.target("hdr-hlg")).withMastering(display));
    }
}
