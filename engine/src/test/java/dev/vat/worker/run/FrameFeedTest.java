package dev.vat.worker.run;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.vat.core.project.SourceEdits;
import dev.vat.core.run.RunPlan;
import dev.vat.core.source.GapPolicy;
import dev.vat.engine.KiteFrames;
import dev.vat.media.encode.StillWriter;
import dev.vat.media.frame.WorkingPictures;
import dev.vat.media.picture.Picture;
import dev.vat.media.picture.Samples;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class FrameFeedTest {

    @TempDir
    Path folder;

    private Path frames;

    @BeforeEach
    void draw() throws IOException {
        frames = KiteFrames.png(folder.resolve("frames"), "kite", 1, 12, false);
    }

    private static List<Integer> crcs(RunPlan plan, int threads) throws Exception {
        List<Integer> crcs = new ArrayList<>();
        try (FrameFeed feed = new FrameFeed(plan, threads)) {
            for (long i = 0; i < plan.frames(); i++) {
                try (WorkingPictures pictures = feed.next()) {
                    Picture picture = pictures.in(plan.pictureFor(plan.files().getFirst()));
                    crcs.add(picture.crc32c());
                }
            }
        }
        return crcs;
    }

    @Test
    void picturesComeInOrderHoweverManyDecodersWork() throws Exception {
        RunPlan plan = KiteFrames.plan(frames, folder.resolve("out"), List.of("web-h264"));
        List<Integer> one = crcs(plan, 1);
        assertThat(new HashSet<>(one)).as("every frame is another picture").hasSize(12);
        assertThat(crcs(plan, 4)).isEqualTo(one);
    }

    @Test
    void heldFramesAreTheSamePicture() throws Exception {
        Files.delete(frames.resolve("kite.0005.png"));
        Files.delete(frames.resolve("kite.0006.png"));
        List<Integer> crcs = crcs(
                KiteFrames.plan(frames, folder.resolve("out"), List.of("web-h264"), SourceEdits.setGap("s1", GapPolicy.HOLD)),
                2);
        assertThat(crcs.subList(3, 6)).containsOnly(crcs.get(3));
        assertThat(crcs.get(6)).isNotEqualTo(crcs.get(3));
    }

    @Test
    void aFrameThatChangedItsSizeIsNamed() throws Exception {
        RunPlan plan = KiteFrames.plan(frames, folder.resolve("out"), List.of("web-h264"));
        float[] grey = new float[16 * 12];
        Files.write(frames.resolve("kite.0003.png"), StillWriter.PNG16.write(new Samples(16, 12, grey, grey, grey, null)));
        assertThatThrownBy(() -> crcs(plan, 2)).isInstanceOf(IOException.class).hasMessageContaining("kite.0003.png")
                .hasMessageContaining("is now 16x12");
    }

    @Test
    void closingEarlyLeavesNothingBehind() throws Exception {
        RunPlan plan = KiteFrames.plan(frames, folder.resolve("out"), List.of("web-h264"));
        Set<Thread> before = decoders();
        FrameFeed feed = new FrameFeed(plan, 2);
        feed.next().close();
        Set<Thread> ours = decoders();
        ours.removeAll(before);
        assertThat(ours).isNotEmpty();
        feed.close();
        for (Thread decoder : ours) {
            assertThat(decoder.join(Duration.ofSeconds(5))).as(decoder.getName() + " has ended").isTrue();
        }
    }

    private static Set<Thread> decoders() {
        Set<Thread> decoders = new HashSet<>(Thread.getAllStackTraces().keySet());
        decoders.removeIf(t -> !t.getName().startsWith("decode"));
        return decoders;
    }
}
