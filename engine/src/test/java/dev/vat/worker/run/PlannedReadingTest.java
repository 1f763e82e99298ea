package dev.vat.worker.run;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.picture.ColourReading;
import dev.vat.core.project.SourceEdits;
import dev.vat.core.run.RunPlan;
import dev.vat.core.source.Cadence;
import dev.vat.core.source.GapPolicy;
import dev.vat.core.source.Interpretation;
import dev.vat.core.time.Rational;
import dev.vat.engine.KiteFrames;
import dev.vat.media.frame.WorkingPictures;
import dev.vat.protocol.storage.Json;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What a reading says is what a run reads. */
class PlannedReadingTest {

    private static final List<String> WEB = List.of("web-h264");

    @TempDir
    private Path folder;

    private Path frames(int count, int... without) throws Exception {
        Path frames = KiteFrames.png(folder.resolve("frames"), "kite", 1, count, false);
        for (int number : without) {
            Files.delete(frames.resolve("kite.%04d.png".formatted(number)));
        }
        return frames;
    }

    private static List<Long> wanted(RunPlan plan) {
        return LongStream.range(0, plan.frames()).mapToObj(i -> plan.frameAt(i).wanted()).toList();
    }

    private static List<Integer> read(RunPlan plan) throws Exception {
        List<Integer> pictures = new ArrayList<>();
        try (FrameFeed feed = new FrameFeed(plan, 2)) {
            for (long i = 0; i < plan.frames(); i++) {
                try (WorkingPictures frame = feed.next()) {
                    pictures.add(frame.in(plan.pictureFor(plan.files().getFirst())).crc32c());
                }
            }
        }
        return pictures;
    }

    @Test
    void holesThatAreClosedUpAreSpansWithNothingBetween() throws Exception {
        RunPlan plan = KiteFrames.plan(frames(10, 4, 5), folder.resolve("out"), WEB, SourceEdits.setGap("s1", GapPolicy.CLOSE));
        assertThat(plan.spans()).hasSize(2);
        assertThat(wanted(plan)).containsExactly(1L, 2L, 3L, 6L, 7L, 8L, 9L, 10L);
        assertThat(read(plan)).hasSize(8).doesNotHaveDuplicates();
    }

    @Test
    void everyThirdFrameWithTheLengthKeptIsReadOnceAndShownThreeTimes() throws Exception {
        RunPlan plan = KiteFrames.plan(frames(9), folder.resolve("out"), WEB,
                SourceEdits.setCadence("s1", Cadence.PLAIN.withEvery(3).withKeepLength(true)));
        assertThat(wanted(plan)).containsExactly(1L, 1L, 1L, 4L, 4L, 4L, 7L, 7L, 7L);
        List<Integer> pictures = read(plan);
        assertThat(pictures.get(0)).isEqualTo(pictures.get(2)).isNotEqualTo(pictures.get(3));
        assertThat(pictures.get(3)).isEqualTo(pictures.get(5)).isNotEqualTo(pictures.get(6));
        assertThat(Json.MAPPER.readValue(Json.line(plan), RunPlan.class)).as("a plan comes back from its text").isEqualTo(plan);
    }

    @Test
    void aMixtureIsNeitherOfItsNeighbours() throws Exception {
        RunPlan plan = KiteFrames.plan(frames(6, 3, 4), folder.resolve("out"), WEB, SourceEdits.setGap("s1", GapPolicy.BLEND));
        List<Integer> pictures = read(plan);
        assertThat(pictures).hasSize(6).doesNotHaveDuplicates();
        assertThat(Json.MAPPER.readValue(Json.line(plan), RunPlan.class)).isEqualTo(plan);
    }

    @Test
    void anExposureChangesEveryPicture() throws Exception {
        Path frames = frames(3);
        List<Integer> plain = read(KiteFrames.plan(frames, folder.resolve("out"), WEB));
        List<Integer> brighter = read(KiteFrames.plan(frames, folder.resolve("out"), WEB, SourceEdits.setPicture("s1",
                Interpretation.AS_STATED.withColour(ColourReading.LINEAR.withExposure(Rational.of(1, 2))))));
        assertThat(brighter).doesNotContainAnyElementsOf(plain);
        assertThat(read(KiteFrames.plan(frames, folder.resolve("out"), WEB, SourceEdits.setCadence("s1", Cadence.PLAIN.withLeadIn(1)))))
                .isEqualTo(plain.subList(1, 3));
    }
}
