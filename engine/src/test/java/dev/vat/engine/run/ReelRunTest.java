package dev.vat.engine.run;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.vat.core.delivery.Fit;
import dev.vat.core.picture.Rgb;
import dev.vat.core.project.ReelEdits;
import dev.vat.core.project.SourceEdits;
import dev.vat.core.reel.Conform;
import dev.vat.core.reel.GeneratedItem;
import dev.vat.core.reel.Joint;
import dev.vat.core.reel.Playing;
import dev.vat.core.run.RunPlan;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;
import dev.vat.engine.KiteFrames;
import dev.vat.engine.TestPlaces;
import dev.vat.media.encode.StillWriter;
import dev.vat.media.picture.Samples;
import dev.vat.protocol.FileProgress.Stage;
import dev.vat.worker.proof.Reproof;
import java.awt.image.Raster;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Reels of several items made for real: each frame's grey is its number, so that what was made can be read out of the pictures. */
class ReelRunTest {

    /** Between one frame's grey and the next; more than eight bits lose. */
    private static final double HALF_A_STEP = .005;

    @TempDir
    Path folder;

    private Path frames;
    private Path out;

    @BeforeEach
    void layOut() {
        frames = folder.resolve("frames");
        out = folder.resolve("out");
    }

    /** All over {@code base + n / 100}. */
    private void grey(String name, int count, int width, int height, float base) throws IOException {
        Files.createDirectories(frames);
        for (int n = 1; n <= count; n++) {
            float[] value = new float[width * height];
            Arrays.fill(value, base + n / 100f);
            Files.write(frames.resolve("%s.%04d.png".formatted(name, n)),
                    StillWriter.PNG16.write(new Samples(width, height, value, value, value, null)));
        }
    }

    private void make(RunPlan plan) throws Exception {
        try (Run run = Run.start(plan, TestPlaces.in(folder), _ -> {})) {
            assertThat(run.outcome().get(300, TimeUnit.SECONDS).files())
                    .allSatisfy(f -> assertThat(f.stage()).as(f.target() + ": " + f.why()).isEqualTo(Stage.DELIVERED));
        }
    }

    /** The green at a place of each frame of a folder of stills, from 0 to 1, as Java's own reader has it. */
    private List<Double> values(Path stills, double across) throws IOException {
        try (Stream<Path> files = Files.list(stills)) {
            List<Double> values = new ArrayList<>();
            for (Path file : files.filter(f -> f.toString().endsWith(".png")).sorted().toList()) {
                Raster raster = ImageIO.read(file.toFile()).getRaster();
                values.add(raster.getSample((int) (raster.getWidth() * across), raster.getHeight() / 2, 1)
                        / (raster.getSampleModel().getSampleSize(1) == 16 ? 65535.0 : 255));
            }
            return values;
        }
    }

    private static void assertValues(List<Double> found, double... expected) {
        assertThat(found).hasSize(expected.length);
        for (int i = 0; i < expected.length; i++) {
            assertThat(found.get(i)).as("frame %d", i).isCloseTo(expected[i], within(HALF_A_STEP));
        }
    }

    @Test
    void trimmedSlowedDissolvedAndIntoBlack() throws Exception {
        grey("sh010", 10, 64, 48, 0);
        grey("sh020", 6, 32, 24, .5f);
        RunPlan plan = KiteFrames.plan(frames, out, List.of("frames-png", "web-h264"), ReelEdits.trimItem(0, FrameRange.of(3, 8)),
                ReelEdits.playItem(1, Playing.PLAIN.withSpeed(Rational.of(1, 2))), ReelEdits.joinItem(1, Joint.dissolve(2)),
                ReelEdits.addDrawn(2, GeneratedItem.Plain.black(4)),
                ReelEdits.joinItem(2, Joint.dissolve(2)));
        assertThat(plan.frames()).isEqualTo(18);
        make(plan);
        assertValues(values(out.resolve("sh010_frames"), .5), .03, .04, .05, .06,
                .07 * 2 / 3 + .51 / 3, .08 / 3 + .51 * 2 / 3,
                .52, .52, .53, .53, .54, .54, .55, .55,
                .56 * 2 / 3, .56 / 3, 0, 0);
        assertThat(Reproof.of(out.resolve("sh010_web.mp4")).reasons()).isEmpty();
    }

    @Test
    void backwardsHeldRepeatedAndThroughWhite() throws Exception {
        grey("sh010", 4, 64, 48, 0);
        RunPlan plan = KiteFrames.plan(frames, out, List.of("frames-png"),
                ReelEdits.playItem(0, Playing.PLAIN.withReversed(true).withHold(2, 2)), ReelEdits.repeatItem(0),
                ReelEdits.playItem(1, Playing.PLAIN.withHead(1)), ReelEdits.joinItem(1, Joint.dip(4, Rgb.WHITE)));
        make(plan);
        assertValues(values(out.resolve("sh010_frames"), .5), .04, .03, .02, .02, (.02 + 1) / 2, 1,
                1 * 2 / 3.0 + .01 / 3, 1 / 3.0 + .01 * 2 / 3, .02, .03, .04);
    }

    /** 4:3 in a wide reel: bars at its sides, or cut off above and below. */
    @Test
    void anotherShapeIsFittedByItemAndTimeIsKept() throws Exception {
        grey("sh010", 2, 64, 36, .2f);
        grey("sh020", 4, 32, 24, .5f);
        RunPlan plan = KiteFrames.plan(frames, out, List.of("frames-png"), ReelEdits.repeatItem(1), ReelEdits.fitItem(2, Fit.FILL),
                SourceEdits.setSourceRate("s2", Rate.of(50)),
                ReelEdits.playItem(1, Playing.PLAIN.withConform(Conform.NEAREST)),
                ReelEdits.playItem(2, Playing.PLAIN.withConform(Conform.STEP)));
        make(plan);
        assertValues(values(out.resolve("sh010_frames"), .5), .21, .22, .51, .53, .51, .53);
        assertValues(values(out.resolve("sh010_frames"), .05), .21, .22, 0, 0, .51, .53);
    }

    /** Many spans, read back as they were planned. */
    @Test
    void aConformedReelIsTheSameAfterItsPlanWasWritten() throws Exception {
        grey("sh010", 48, 16, 12, 0);
        RunPlan plan = KiteFrames.plan(frames, out, List.of("frames-png"), SourceEdits.setSourceRate("s1", Rate.of(24)),
                ReelEdits.setRate(Rate.FPS_25), ReelEdits.playItem(0, Playing.PLAIN.withConform(Conform.BLEND)));
        make(plan);
        double[] expected = IntStream.range(0, 50).mapToDouble(k -> Math.min(.48, .01 + .01 * k * 24 / 25)).toArray();
        assertValues(values(out.resolve("sh010_frames"), .5), expected);
    }
}
