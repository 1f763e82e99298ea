package dev.vat.worker.proof;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.run.RunPlan;
import dev.vat.core.source.FileKind;
import dev.vat.engine.KiteFrames;
import dev.vat.media.proof.SecondReading;
import java.awt.Color;
import java.awt.image.BufferedImage;
import java.io.File;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SecondReaderTest {

    @TempDir
    Path folder;

    @Test
    void theFirstFrameOfEachSourceIsReadTwice() throws IOException {
        Path frames = KiteFrames.png(folder.resolve("frames"), "kite", 1, 5, true);
        RunPlan plan = KiteFrames.plan(frames, folder.resolve("out"), List.of("edit-prores-hq"));
        assertThat(SecondReader.of(plan)).containsExactly(
                new SecondReader(true, "kite.0001.png read by a second reader: the same samples"));
        Files.writeString(frames.resolve("kite.0001.png"), "written again");
        assertThat(SecondReader.of(plan)).as("it is no longer what the file was made of").isEmpty();
    }

    @ParameterizedTest
    @CsvSource({"png, PNG", "jpg, JPEG", "bmp, BMP", "tif, TIFF"})
    void everyKindWithASecondReaderIsReadByIt(String ending, FileKind kind) throws IOException {
        BufferedImage image = new BufferedImage(97, 65, BufferedImage.TYPE_INT_RGB);
        for (int y = 0; y < 65; y++) {
            for (int x = 0; x < 97; x++) {
                image.setRGB(x, y, new Color(2 * x, 3 * y, 120).getRGB());
            }
        }
        File file = folder.resolve("kite." + ending).toFile();
        assertThat(ImageIO.write(image, kind.title(), file)).isTrue();
        assertThat(SecondReading.of(file.toPath(), kind)).hasValueSatisfying(r -> assertThat(r.agrees()).as(r.words()).isTrue());
    }

    /** Five bits are brought to more in other ways by each reader: that is no second opinion. */
    @Test
    void oddDepthsAreNoDisagreement() throws IOException {
        BufferedImage image = new BufferedImage(32, 4, BufferedImage.TYPE_USHORT_555_RGB);
        for (int x = 0; x < 32; x++) {
            image.setRGB(x, 1, new Color(8 * x, 255 - 8 * x, 4 * x).getRGB());
        }
        File file = folder.resolve("kite.bmp").toFile();
        assertThat(ImageIO.write(image, "BMP", file)).isTrue();
        assertThat(SecondReading.of(file.toPath(), FileKind.BMP)).matches(r -> r.isEmpty() || r.get().agrees());
    }

    @Test
    void whatTheyReadOtherwiseIsAFaultOfTheProof() {
        SecondReader other = SecondReader.of("kite.0001.png", new SecondReading(FileKind.PNG, 514, 3));
        assertThat(other.agrees()).isFalse();
        assertThat(other.words()).isEqualTo("kite.0001.png read by a second reader: other samples (up to 2.0 codes of 255 apart)");
        assertThat(new SecondReading(FileKind.JPEG, 5000, 400).agrees()).as("packed with loss").isTrue();
        assertThat(new SecondReading(FileKind.JPEG, 65_535, 9000).agrees()).isFalse();
    }
}
