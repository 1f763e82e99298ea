package dev.vat.core.delivery;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.time.Rate;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class CatalogueTest {

    @Test
    void targetsHaveDistinctIdsAndWords() {
        assertThat(Catalogue.targets()).hasSizeGreaterThanOrEqualTo(24);
        assertThat(Catalogue.targets()).extracting(Target::id).doesNotHaveDuplicates();
        assertThat(Catalogue.targets()).extracting(Target::title).doesNotHaveDuplicates();
        assertThat(Catalogue.targets()).extracting(Target::shortName).doesNotHaveDuplicates();
        assertThat(Catalogue.targets()).allSatisfy(t -> {
            assertThat(t.why()).isNotBlank();
            assertThat(t.codec().containers()).contains(t.container());
            assertThat(Catalogue.target(t.id())).isSameAs(t);
            assertThat(Catalogue.codec(t.codec().id())).isSameAs(t.codec());
        });
    }

    @Test
    void anUnknownTargetIsRefusedNamingThoseThereAre() {
        assertThatIllegalArgumentException().isThrownBy(() -> Catalogue.target("tape")).withMessageContaining("'tape'")
                .withMessageContaining("web-h264");
    }

    @Test
    void aCodecInAContainerThatCantHoldItIsNoTarget() {
        assertThatIllegalArgumentException()
                .isThrownBy(() -> new Target("x", "x", "x", "x", "x", Settings.of(ProRes.HQ_422, Container.MP4)))
                .withMessageContaining("ProRes 422 HQ").withMessageContaining("MP4");
    }

    @ParameterizedTest
    @CsvSource({
        "web-h264, 1919x1079, false, 1918x1078",
        "edit-prores-hq, 1920x1079, true, 1920x1079",
        "edit-prores-hq, 1919x1079, false, 1918x1079",
        "alpha-prores-4444, 1919x1079, true, 1919x1079"})
    void oddSizesFallOnTheChromaGridOrAreCropped(String target, String size, boolean fits, String cropped) {
        Deliverable deliverable = Deliverable.of(Catalogue.target(target));
        assertThat(deliverable.fitsGrid(Size.parse(size))).isEqualTo(fits);
        assertThat(deliverable.withCropToGrid(true).frameFor(Size.parse(size), PixelAspect.SQUARE).size()).hasToString(cropped);
    }

    @Test
    void depthSaysWhatIsCodedAndWhatIsRead() {
        assertThat(ProRes.P4444.depthText()).isEqualTo("10-bit coded, read as 12");
        assertThat(H264.HIGH_420.depthText()).isEqualTo("8-bit");
    }

    @ParameterizedTest
    @CsvSource({"999, 999 B", "1000, 1.00 kB", "1420000000, 1.42 GB", "99950, 100 kB", "12345678, 12.3 MB", "999600, 1.00 MB",
        "5000000000000, 5.00 TB"})
    void bytesAreDecimal(long bytes, String text) {
        assertThat(RoughForecast.bytes(bytes)).isEqualTo(text);
    }

    @Test
    void aRoughForecastIsARangeThatGrowsWithPictureAndAlpha() {
        RoughForecast opaque = RoughForecast.of(Settings.of(ProRes.P4444, Container.MOV), Size.of(1920, 1080), 250, Rate.FPS_25, false);
        RoughForecast seeThrough = RoughForecast.of(Settings.of(ProRes.P4444, Container.MOV), Size.of(1920, 1080), 250, Rate.FPS_25, true);
        assertThat(opaque.lowBytes()).isLessThan(opaque.highBytes());
        assertThat(seeThrough.highBytes()).isGreaterThan(opaque.highBytes());
        assertThat(opaque.toString()).startsWith("rough: ");
        assertThat(opaque.plus(opaque).lowBytes()).isEqualTo(2 * opaque.lowBytes());
    }
}
