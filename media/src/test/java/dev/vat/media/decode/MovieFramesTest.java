package dev.vat.media.decode;

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
import dev.vat.core.recipe.WorkingFormat;
import dev.vat.core.run.EncoderOptions;
import dev.vat.core.source.FileKind;
import dev.vat.core.time.Rate;
import dev.vat.media.TestPictures;
import dev.vat.media.compose.Composer;
import dev.vat.media.convert.Conversion;
import dev.vat.media.encode.EncoderSpec;
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
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Finished files read frame by frame, and what happens to damaged ones. */
class MovieFramesTest {

    private static final Size SIZE = Size.of(64, 48);
    private static final int FRAMES = 120;

    @TempDir
    Path folder;

    private EncoderSpec spec(Target target, Map<String, String> more) {
        Map<String, String> options = EncoderOptions.options(target.settings(), Rate.FPS_25, SIZE);
        options.putAll(more);
        EncoderSpec spec = EncoderSpec.of(target.settings(), SIZE, PixelAspect.SQUARE, Rate.FPS_25, 1);
        return new EncoderSpec(spec.codec(), spec.colour(), SIZE, PixelAspect.SQUARE, Rate.FPS_25, spec.scan(), null, 1, options, null);
    }

    private Picture converted(Target target, Conversion conversion, int frame) throws IOException {
        Path still = Files.write(folder.resolve("still.png"), StillWriter.PNG16.write(TestPictures.ramp(64, 48, frame, false)));
        try (FrameReader reader = new FrameReader(); Composer composer = new Composer(WorkingFormat.W16, false);
                Picture decoded = ((FrameRead.Sound) reader.read(still, FileKind.PNG, PictureChoice.MAIN, 0)).picture();
                Picture working = composer.compose(decoded, PictureReading.of(AlphaKind.NONE, false))) {
            return conversion.convert(working);
        }
    }

    private Path movie(Target target) throws IOException {
        Path part = folder.resolve("p.mov");
        try (PartWriter writer = new PartWriter(part, spec(target, Map.of()), 0, false);
                Conversion conversion = new Conversion(target.codec(), SIZE, Treatment.plain(target.codec(), SIZE))) {
            for (int f = 0; f < FRAMES; f++) {
                try (Picture picture = converted(target, conversion, f)) {
                    writer.write(picture);
                }
            }
            writer.finish();
        }
        Path joined = folder.resolve("m." + target.container().extension());
        Joining.join(List.of(new Joining.Part(part, Container.MOV, 0, FRAMES)), joined, target.container(),
                target.settings().indexInFront(), Rate.FPS_25, PixelAspect.SQUARE, null);
        return joined;
    }

    @ParameterizedTest
    @ValueSource(strings = {"web-h264", "edit-prores-hq"})
    void anyFrameIsTheOneThatAWholeDecodeGives(String id) throws IOException {
        Path file = movie(Catalogue.target(id));
        int[] whole = MovieProof.prove(file, _ -> true).crcs();
        assertThat(whole).hasSize(FRAMES);
        Random random = new Random(5);
        List<Long> order = new ArrayList<>(List.of(0L, 1L, 2L, 119L, 60L, 61L, 59L, 50L, 49L, 0L));
        for (int i = 0; i < 15; i++) {
            order.add((long) random.nextInt(FRAMES));
        }
        try (MovieFrames frames = new MovieFrames(file)) {
            assertThat(frames.count()).isEqualTo(FRAMES);
            assertThat(frames.rate()).isEqualTo(Rate.FPS_25);
            for (long index : order) {
                try (Picture picture = frames.frame(index)) {
                    assertThat(picture.crc32c()).as("frame %d", index).isEqualTo(whole[(int) index]);
                }
            }
            assertThatThrownBy(() -> frames.frame(FRAMES + 100)).isInstanceOf(MediaException.class).hasMessageContaining("no frame");
        }
    }

    @Test
    void damagedFilesAreNeverProvenWhole() throws IOException {
        Path file = movie(Catalogue.EDIT_PRORES_HQ);
        byte[] data = Files.readAllBytes(file);
        MovieProof.Result whole = MovieProof.prove(file, _ -> true);
        Path cut = Files.write(folder.resolve("cut.mov"), Arrays.copyOf(data, data.length * 2 / 3));
        assertThatThrownBy(() -> MovieProof.prove(cut, _ -> true)).isInstanceOf(MediaException.class);
        byte[] flipped = data.clone();
        for (int i = data.length / 2; i < data.length / 2 + 40; i++) {
            flipped[i] ^= 0x7f;
        }
        Path bad = Files.write(folder.resolve("bad.mov"), flipped);
        int[] crcs;
        try {
            crcs = MovieProof.prove(bad, _ -> true).crcs();
        } catch (MediaException e) {
            return;
        }
        assertThat(crcs).as("what still decodes isn't the same").isNotEqualTo(whole.crcs());
    }

    @Test
    void aProofCanBeStopped() throws IOException {
        Path file = movie(Catalogue.EDIT_PRORES_HQ);
        assertThatThrownBy(() -> MovieProof.prove(file, done -> done < 10)).isInstanceOf(java.util.concurrent.CancellationException.class);
    }

    @Test
    void anOptionThatTheEncoderDoesntKnowIsAnError() {
        assertThatThrownBy(() -> new PartWriter(folder.resolve("x.mov"), spec(Catalogue.WEB_H264, Map.of("sharpness", "9")), 0, false))
                .isInstanceOf(MediaException.class).hasMessageContaining("sharpness=9");
    }

    @Test
    void aPictureOfAnotherSizeNeverReachesAnEncoder() throws IOException {
        try (PartWriter writer = new PartWriter(folder.resolve("x.mov"), spec(Catalogue.EDIT_PRORES_HQ, Map.of()), 0, false);
                Picture odd = Picture.allocate("yuv422p10le", 32, 48)) {
            assertThatThrownBy(() -> writer.write(odd)).isInstanceOf(MediaException.class).hasMessageContaining("32x48");
        }
    }

    @Test
    void aPartThatWasntFinishedDoesntOpen() throws IOException {
        Path part = folder.resolve("open.mov");
        try (PartWriter writer = new PartWriter(part, spec(Catalogue.EDIT_PRORES_HQ, Map.of()), 0, false);
                Conversion conversion = new Conversion(Catalogue.EDIT_PRORES_HQ.codec(), SIZE,
                        Treatment.plain(Catalogue.EDIT_PRORES_HQ.codec(), SIZE));
                Picture picture = converted(Catalogue.EDIT_PRORES_HQ, conversion, 0)) {
            writer.write(picture);
        }
        assertThatThrownBy(() -> new MovieFrames(part).close()).isInstanceOf(MediaException.class);
    }

    @Test
    void aClosedPictureIsNeverTouched() {
        Picture picture = Picture.allocate("gbrp", 8, 8);
        Picture second = picture.share();
        picture.close();
        picture.close();
        assertThatThrownBy(picture::width).isInstanceOf(IllegalStateException.class);
        assertThat(second.width()).isEqualTo(8);
        second.close();
    }
}
