package dev.vat.media;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.vat.core.delivery.Catalogue;
import dev.vat.core.delivery.Container;
import dev.vat.core.delivery.Target;
import dev.vat.core.delivery.Treatment;
import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.PictureChoice;
import dev.vat.core.picture.PictureReading;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.proof.Comparison;
import dev.vat.core.proof.Expectation;
import dev.vat.core.recipe.WorkingFormat;
import dev.vat.core.source.FileKind;
import dev.vat.core.time.Rate;
import dev.vat.media.compose.Composer;
import dev.vat.media.convert.Conversion;
import dev.vat.media.decode.MovieFrames;
import dev.vat.media.encode.EncoderSpec;
import dev.vat.media.encode.FrameProof;
import dev.vat.media.encode.PartWriter;
import dev.vat.media.encode.StillWriter;
import dev.vat.media.lib.MediaException;
import dev.vat.media.mux.Joining;
import dev.vat.media.picture.Picture;
import dev.vat.media.proof.MovieProof;
import dev.vat.media.read.FrameRead;
import dev.vat.media.read.FrameReader;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Frames through conversion, encoder, parts and joining to a file that is opened again. */
class PartsToFileTest {

    private static final Size SIZE = Size.of(64, 48);

    @TempDir
    Path folder;

    @ParameterizedTest
    @CsvSource({"web-h264, 25", "web-h264, 24000/1001", "edit-prores-hq, 25", "edit-prores-hq, 30000/1001", "web-h264, 12",
        "web-h264, 25/2", "hevc-10, 30",
        "alpha-prores-4444, 24"})
    void twoPartsJoinToAFileThatIsWhatWasPlanned(String id, Rate rate) throws IOException {
        Target target = Catalogue.target(id);
        EncoderSpec spec = EncoderSpec.of(target.settings(), SIZE, PixelAspect.SQUARE, rate, 1);
        List<Joining.Part> parts = new ArrayList<>();
        List<FrameProof> proofs = new ArrayList<>();
        for (int p = 0; p < 2; p++) {
            Path file = folder.resolve("p" + p + ".part");
            proofs.addAll(part(file, spec, p * 50L, p == 0 ? 50 : 17));
            parts.add(new Joining.Part(file, spec.codec().partContainer(), p * 50L, p == 0 ? 50 : 17));
        }
        Path joined = folder.resolve("joined." + target.container().extension());
        Joining.join(parts, joined, target.container(), target.settings().indexInFront(), rate, PixelAspect.SQUARE, null);
        MovieProof.Result found = MovieProof.prove(joined, _ -> true);

        Comparison comparison = Comparison.of(Expectation.of(target.settings(), 67, rate, SIZE, PixelAspect.SQUARE, null), found.facts());
        assertThat(comparison.disagreements()).isEmpty();
        assertThat(found.crcs()).containsExactly(proofs.stream().mapToInt(FrameProof::crc).toArray());
        assertThat(proofs).allSatisfy(p -> assertThat(p.psnr()).isGreaterThan(35));
        assertThat(proofs).allSatisfy(p -> assertThat(p.ssim()).isBetween(0.94, 1.0));
    }

    private List<FrameProof> part(Path file, EncoderSpec spec, long first, int count) throws IOException {
        boolean alpha = spec.codec().hasAlpha();
        try (FrameReader reader = new FrameReader(); Composer composer = new Composer(WorkingFormat.W16, alpha);
                Conversion conversion = new Conversion(spec.codec(), spec.size(), Treatment.plain(spec.codec(), spec.size()));
                PartWriter writer = new PartWriter(file, spec, first, true)) {
            for (int i = 0; i < count; i++) {
                Path still = folder.resolve("still.png");
                Files.write(still, StillWriter.PNG16.write(TestPictures.ramp(SIZE.width(), SIZE.height(), (int) first + i, alpha)));
                try (Picture decoded = ((FrameRead.Sound) reader.read(still, FileKind.PNG, PictureChoice.MAIN, 0)).picture();
                        Picture working = composer.compose(decoded, PictureReading.of(alpha ? AlphaKind.STRAIGHT : AlphaKind.NONE, false));
                        Picture converted = conversion.convert(working)) {
                    writer.write(converted);
                }
            }
            return writer.finish();
        }
    }

    @Test
    void aPartThatLacksFramesIsNotJoined() throws IOException {
        EncoderSpec spec = EncoderSpec.of(Catalogue.EDIT_PRORES_HQ.settings(), SIZE, PixelAspect.SQUARE, Rate.FPS_25, 1);
        Path file = folder.resolve("p.part");
        part(file, spec, 0, 5);
        assertThatThrownBy(() -> Joining.join(List.of(new Joining.Part(file, Container.MOV, 0, 6)), folder.resolve("x.mov"),
                Catalogue.EDIT_PRORES_HQ.container(), false, Rate.FPS_25, PixelAspect.SQUARE, null))
                .isInstanceOf(MediaException.class).hasMessageContaining("5 frames where 6");
    }

    @Test
    void aPictureOfAnotherSizeNeverReachesTheEncoder() {
        EncoderSpec spec = EncoderSpec.of(Catalogue.EDIT_PRORES_HQ.settings(), SIZE, PixelAspect.SQUARE, Rate.FPS_25, 1);
        try (PartWriter writer = new PartWriter(folder.resolve("p.part"), spec, 0, false);
                Picture other = Picture.allocate("yuv422p10le", 32, 32)) {
            assertThatThrownBy(() -> writer.write(other)).isInstanceOf(MediaException.class);
        }
    }

    @Test
    void anyFrameOfTheFileCanBeShown() throws IOException {
        Target target = Catalogue.WEB_H264;
        EncoderSpec spec = EncoderSpec.of(target.settings(), SIZE, PixelAspect.SQUARE, Rate.FPS_25, 1);
        Path part = folder.resolve("p.part");
        List<FrameProof> proofs = part(part, spec, 0, 60);
        Path joined = folder.resolve("j.mp4");
        Joining.join(List.of(new Joining.Part(part, Container.MOV, 0, 60)), joined, target.container(), true, Rate.FPS_25,
                PixelAspect.SQUARE, null);
        try (MovieFrames frames = new MovieFrames(joined)) {
            assertThat(frames.count()).isEqualTo(60);
            for (int index : new int[] {0, 1, 2, 30, 59, 55, 3, 57}) {
                try (Picture picture = frames.frame(index)) {
                    assertThat(picture.crc32c()).as("frame " + index).isEqualTo(proofs.get(index).crc());
                }
            }
        }
    }
}
