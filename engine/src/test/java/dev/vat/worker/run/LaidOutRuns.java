package dev.vat.worker.run;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.run.RunPlan;
import dev.vat.engine.TestPlaces;
import dev.vat.engine.run.Run;
import dev.vat.media.encode.StillWriter;
import dev.vat.media.picture.Samples;
import dev.vat.protocol.FileProgress.Stage;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.concurrent.TimeUnit;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.io.TempDir;

/** Runs of frames of one colour, and their stills read back. */
abstract class LaidOutRuns {

    @TempDir
    Path folder;

    Path frames;
    Path out;

    @BeforeEach
    void layOut() {
        frames = folder.resolve("frames");
        out = folder.resolve("out");
    }

    /** One colour all over; its green is the number of the frame in hundredths. */
    void plain(String name, int count, int width, int height, float red) throws IOException {
        Files.createDirectories(frames);
        for (int n = 1; n <= count; n++) {
            float[] r = new float[width * height];
            float[] g = new float[width * height];
            Arrays.fill(r, red);
            Arrays.fill(g, n / 100f);
            Files.write(frames.resolve("%s.%04d.png".formatted(name, n)),
                    StillWriter.PNG16.write(new Samples(width, height, r, g, new float[width * height], null)));
        }
    }

    Path made(RunPlan plan) throws Exception {
        try (Run run = Run.start(plan, TestPlaces.in(folder), _ -> {})) {
            assertThat(run.outcome().get(300, TimeUnit.SECONDS).files())
                    .allSatisfy(f -> assertThat(f.stage()).as(f.target() + ": " + f.why()).isEqualTo(Stage.DELIVERED));
        }
        return out.resolve(plan.files().getFirst().deliveredName());
    }

    static BufferedImage still(Path folder, int number) throws IOException {
        try (var files = Files.list(folder)) {
            return ImageIO.read(files.filter(f -> f.toString().endsWith(".png")).sorted().toList().get(number).toFile());
        }
    }

    static int red(BufferedImage image, int x, int y) {
        return image.getRGB(x, y) >> 16 & 255;
    }

    static int green(BufferedImage image, int x, int y) {
        return image.getRGB(x, y) >> 8 & 255;
    }
}
