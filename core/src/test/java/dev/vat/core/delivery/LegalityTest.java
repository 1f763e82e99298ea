package dev.vat.core.delivery;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.time.Rate;
import java.util.HashSet;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class LegalityTest {

    /** All pairs there are: the legal ones say nothing, each of the others why, naming both and where the codec may stand. */
    @Test
    void everyIllegalPairIsRefusedWithItsOwnReason() {
        Set<String> reasons = new HashSet<>();
        int refused = 0;
        for (Codec codec : Catalogue.codecs()) {
            for (Container container : Container.values()) {
                String reason = Legality.against(codec, container).orElse(null);
                assertThat(reason == null).as(codec + " in " + container).isEqualTo(codec.containers().contains(container));
                if (reason != null) {
                    refused++;
                    reasons.add(reason);
                    assertThat(reason).contains(codec.title()).contains(container.title());
                    codec.containers().forEach(c -> assertThat(reason).contains(c.title()));
                }
            }
        }
        assertThat(reasons).as("no two are alike").hasSize(refused);
        assertThat(refused).isGreaterThan(200);
    }

    @Test
    void theCatalogueHangsTogether() {
        assertThat(Catalogue.codecs()).extracting(Codec::id).doesNotHaveDuplicates();
        assertThat(Catalogue.codecs()).extracting(Codec::title).doesNotHaveDuplicates();
        for (Codec codec : Catalogue.codecs()) {
            assertThat(Legality.against(codec, codec.usualControl())).as(codec.id()).isEmpty();
            assertThat(codec.plays()).as(codec.id()).endsWith(".");
            assertThat(codec.lowBitsPerPixel()).as(codec.id()).isLessThan(codec.highBitsPerPixel());
            assertThat(codec.controls().contains(RateControl.Kind.QUALITY)).as(codec.id()).isEqualTo(codec.quality() != null);
            assertThat(codec.partContainer().isFolder()).as("parts are files").isFalse();
        }
        for (Target target : Catalogue.targets()) {
            assertThat(target.settings().sound().containers().contains(target.container()) || !target.container().carriesSound())
                    .as(target.id()).isTrue();
        }
    }

    /** MXF as it is written here has no word for the fields of ProRes: mediainfo takes its frames for whole ones. */
    @Test
    void interlacedFramesGoOnlyWhereTheContainerSaysSo() {
        assertThat(Legality.against(ProRes.HQ_422, Container.MXF, Scan.TOP_FIRST, Rate.FPS_25)).get().asString()
                .isEqualTo("MXF files of ProRes 422 HQ call every frame whole, so that lines can't be interlaced, top field first; "
                        + "take MOV or Matroska");
        assertThat(Legality.against(ProRes.HQ_422, Container.MXF, Scan.PROGRESSIVE, Rate.FPS_25)).isEmpty();
        assertThat(Legality.against(ProRes.HQ_422, Container.MOV, Scan.TOP_FIRST, Rate.FPS_25)).isEmpty();
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "h264-high-420  | 8192x4320 | 25       | goes up to 4096x2304",
        "dnxhr-hq       | 128x72    | 25       | needs a width of 256 or more",
        "dv25-625       | 960x540   | 25       | is defined for 720x576 only, not 960x540",
        "avc-intra-100  | 1920x1080 | 50       | is defined at 23.976, 25, 29.97 only, not at 50",
        "dnxhd-175-x    | 1920x1080 | 29.97    | is defined at 23.976, 24, 25 only, not at 29.97",
        "prores-422-hq  | 8192x4320 | 120      | ",
        "dv25-525       | 720x480   | 29.97    | ",
    })
    void sizesAndRatesHaveTheirLimits(String id, String size, String rate, String why) {
        Codec codec = Catalogue.codec(id);
        String found = Legality.against(codec, Size.parse(size)).or(() -> Legality.against(codec, Rate.parse(rate))).orElse(null);
        if (why == null) {
            assertThat(found).isNull();
        } else {
            assertThat(found).startsWith(codec.title()).contains(why);
        }
    }

    @Test
    void pixelsThatArentSquareNeedAPlaceToSaySo() {
        PixelAspect wide = PixelAspect.of(16, 15);
        assertThat(Legality.against(ProRes.HQ_422, Container.MOV, wide)).isEmpty();
        assertThat(Legality.against(FrameByFrame.MJPEG_422, Container.AVI, wide).orElseThrow()).contains("AVI can't say").contains("16:15");
        assertThat(Legality.against(Vc3.HR_HQ, Container.MXF, wide)).isPresent();
        assertThat(Legality.against(Broadcast.DV25_625, Container.AVI, wide)).as("DV says it itself").isEmpty();
        assertThat(Legality.against(Broadcast.DV25_625, Container.MOV, PixelAspect.SQUARE).orElseThrow()).contains("16:15 or 64:45");
    }

    @Test
    void whatIsLegalButUnwiseIsSaid() {
        assertThat(Legality.unwise(H264.HIGH444_8, Container.MP4)).containsExactly("H.264 4:4:4 plays almost nowhere.");
        assertThat(Legality.unwise(Lossless.V210, Container.AVI)).singleElement().asString()
                .contains("AVI can't say what its colours mean");
        assertThat(Legality.unwise(H264.HIGH_420, Container.MP4)).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({
        "MP4, FLAC, 2, ",
        "WEBM, OPUS, 2, ",
        "WEBM, AAC, 2, Opus",
        "MXF, AAC, 2, 'PCM 16-bit, PCM 24-bit'",
        "AVI, FLAC, 2, 'PCM 16-bit, PCM 24-bit'",
        "MP4, MP3, 6, up to 2 channels",
        "MP4, AC3, 6, ",
        "MP4, AC3, 8, up to 6 channels"})
    void soundStandsWhereItMay(Container container, SoundCodec sound, int channels, String why) {
        String found = sound.against(container, channels).orElse(null);
        if (why == null) {
            assertThat(found).isNull();
        } else {
            assertThat(found).contains(why).contains(sound.title());
        }
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|',
            value = {"17 | very good (17)", "very good (12) | very good (12)", " 22 | good (22)", "average 8 Mbit/s | average 8 Mbit/s",
                "8 Mbit/s | average 8 Mbit/s", "25 MB | file of 25.0 MB", "8M two passes | average 8 Mbit/s in two passes",
                "800k | average 800 kbit/s", "constant 1,5 M | constant 1.5 Mbit/s", "20, at most 12 Mbit/s | good (20), at most 12 Mbit/s",
                "good (20), at most 12 Mbit/s | good (20), at most 12 Mbit/s",
                "20, at most 12M over 2 s | good (20), at most 12 Mbit/s over 2 s"})
    void rateControlIsTypedAsItIsShown(String typed, String shown) {
        RateControl control = H264.HIGH_420.control(typed);
        assertThat(H264.HIGH_420.words(control)).isEqualTo(shown);
        assertThat(H264.HIGH_420.control(shown)).isEqualTo(control);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|',
            value = {
                "h264-high-420 | 99 | not 99",
                "h264-high-420 | pretty | neither a quality, a bit rate nor a size",
                "av1-8 | 25 MB | has no setting 'file size'",
                "h264-high-420 | constant 8M two passes | a first pass would find nothing",
                "prores-422-hq | 17 | 'set by the profile'",
                "vp9-420 | constant 8 Mbit/s | has no setting 'constant bit rate'",
                "ffv1-rgb-8 | 3 | 'without loss'",
                "h264-high-420 | average | neither",
                "av1-8 | 1k | from 10 kbit/s"})
    void whatACodecDoesntHaveIsRefusedInWords(String id, String typed, String why) {
        assertThatIllegalArgumentException().isThrownBy(() -> Catalogue.codec(id).control(typed)).withMessageContaining(why);
    }

    @Test
    void whatRunsThroughTheWholeFileCantBeCut() {
        assertThat(H264.HIGH_420.partForm(new RateControl.Constant(20))).isEqualTo(PartForm.STRETCH);
        assertThat(H264.HIGH_420.partForm(new RateControl.Average(8_000_000))).isEqualTo(PartForm.WHOLE);
        assertThat(H264.HIGH_420.partForm(new RateControl.Capped(20, 8_000_000, 8_000_000))).isEqualTo(PartForm.WHOLE);
        assertThat(Broadcast.MPEG2_LONG_50.partForm(Broadcast.MPEG2_LONG_50.usualControl())).isEqualTo(PartForm.WHOLE);
        assertThat(Lossless.FFV1_RGB_16.partForm(new RateControl.Lossless())).isEqualTo(PartForm.STRETCH);
        assertThat(NumberedStills.PNG_8.partForm(new RateControl.Lossless())).isEqualTo(PartForm.FILES);
    }

    @Test
    void aColumnIsItsTargetAndWhatWasChosenInstead() {
        Deliverable column = Deliverable.of(Catalogue.WEB_H264).withCodec(ProRes.HQ_422);
        assertThat(column.settings().container()).as("MP4 can't hold it").isEqualTo(Container.MOV);
        assertThat(column.settings().sound()).isEqualTo(SoundCodec.PCM_24);
        assertThat(column.settings().indexInFront()).isTrue();
        assertThat(column.withCodec(H264.HIGH_420).codec()).as("the target's own again").isNull();
        assertThat(column.withCodec(H264.HIGH_420).settings().container()).as("where it may stand it stays").isEqualTo(Container.MOV);
        assertThatIllegalArgumentException().isThrownBy(() -> column.withContainer(Container.WEBM))
                .withMessageContaining("WebM is for VP9 and AV1 alone");
        assertThat(column.withContainer(Container.MKV).asTarget()).isEqualTo(Deliverable.of(Catalogue.WEB_H264));
        assertThat(Deliverable.of(Catalogue.WEB_H264).withControl(new RateControl.Constant(17)).control()).as("the target's own").isNull();
    }
}
