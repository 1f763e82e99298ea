package dev.vat.engine.trial;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.vat.core.delivery.RateControl;
import dev.vat.core.project.DeliverableEdits;
import dev.vat.core.trial.Estimate;
import dev.vat.core.trial.FileForecast;
import dev.vat.core.trial.Trial;
import dev.vat.core.trial.Variants;
import dev.vat.engine.KiteFrames;
import dev.vat.engine.TestPlaces;
import dev.vat.engine.run.Run;
import dev.vat.media.lib.MediaLibrary;
import dev.vat.protocol.TrialMessage;
import dev.vat.protocol.storage.Durable;
import dev.vat.protocol.storage.Places;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CancellationException;
import java.util.concurrent.CopyOnWriteArrayList;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Real excerpts in a real worker, held against the files that are made then. */
@Tag("slow")
class TrialsTest {

    private static final int FRAMES = 360;

    @TempDir
    Path folder;

    private Places places;
    private Path frames;

    @BeforeEach
    void draw() throws IOException {
        places = TestPlaces.in(folder);
        frames = KiteFrames.png(folder.resolve("frames"), "kite", 1, FRAMES, false);
    }

    private static ProjectTrial trial(KiteFrames.Job job) {
        return ProjectTrial.of(job.project(), job.programme(), Map.of(), MediaLibrary.version());
    }

    @Test
    void whatIsForetoldIsWhatIsMade() throws Exception {
        Path out = folder.resolve("out");
        KiteFrames.Job job = KiteFrames.job(frames, out, List.of("web-h264", "edit-prores-hq", "frames-png"));
        ProjectTrial asked = trial(job);
        List<TrialMessage.Trying> progress = new CopyOnWriteArrayList<>();
        Trial found = new Trials(places).start(asked.plan(), progress::add).await();
        assertThat(found.failures()).isEmpty();
        assertThat(progress).extracting(TrialMessage.Trying::doing).contains("looking at the reel");
        Map<String, FileForecast> foretold = asked.deliverables(found, job.project().deliverablesOn());
        Run.Outcome outcome;
        try (Run run = Run.start(job.plan(out), places, _ -> {})) {
            outcome = run.outcome().join();
        }
        assertThat(outcome.files()).hasSize(3).allSatisfy(file -> {
            double bytes = Durable.size(Path.of(file.path()));
            Estimate forecast = foretold.get(file.target()).bytes();
            assertThat(forecast.middle()).as(file.target()).isCloseTo(bytes, within(.1 * bytes + 6000));
        });
        assertThat(foretold.get("frames-png").psnr()).as("nothing is lost").isNull();
        assertThat(foretold.get("web-h264").psnr().middle()).isBetween(35.0, 70.0);
        assertThat(ProjectTrial.seconds(foretold).low()).isPositive();
        assertThat(folder.resolve("out")).isDirectoryNotContaining("glob:**/.vat-*");
    }

    @Test
    void whatWasTriedBeforeIsKnownAndOnlyWhatChangedIsTriedAgain() throws Exception {
        KiteFrames.Job job = KiteFrames.job(frames, folder.resolve("out"), List.of("web-h264", "edit-prores-hq"));
        Trials trials = new Trials(places);
        Trial first = trials.start(trial(job).plan(), _ -> {}).await();
        assertThat(trials.known(trial(job).plan())).contains(first);
        List<String> doing = new CopyOnWriteArrayList<>();
        KiteFrames.Job other = KiteFrames.job(frames, folder.resolve("out"), List.of("web-h264", "edit-prores-hq"),
                DeliverableEdits.setControl("web-h264", new RateControl.Constant(30)));
        assertThat(trials.known(trial(other).plan())).isEmpty();
        Trial second = trials.start(trial(other).plan(), p -> doing.add(p.doing())).await();
        assertThat(doing).as("the reel was looked at before").doesNotContain("looking at the reel");
        assertThat(second.files().get("edit-prores-hq")).isEqualTo(first.files().get("edit-prores-hq"));
        assertThat(second.files().get("web-h264")).isNotEqualTo(first.files().get("web-h264"));
        try (var parts = Files.list(Path.of(second.files().get("web-h264").parts()))) {
            assertThat(parts.count()).as("excerpts can be watched").isEqualTo(second.files().get("web-h264").excerpts().size());
        }
    }

    @Test
    void qualitiesOfOneFileAreTriedTogetherAndGetWorseInOrder() throws Exception {
        KiteFrames.Job job = KiteFrames.job(frames, folder.resolve("out"), List.of("web-h264"));
        var steps = Variants.ladder(job.project().deliverables().getFirst());
        ProjectTrial asked = ProjectTrial.of(job.project(), job.programme(), Map.of(), MediaLibrary.version(), steps);
        Map<String, FileForecast> files = asked.files(new Trials(places).start(asked.plan(), _ -> {}).await());
        assertThat(files).hasSize(steps.size());
        List<Double> sizes = steps.stream().filter(s -> !s.id().endsWith("quick") && !s.id().endsWith("thorough"))
                .map(s -> files.get(s.id()).bytes().middle()).toList();
        assertThat(sizes).isSortedAccordingTo((a, b) -> Double.compare(b, a));
    }

    @Test
    void aTrialIsCancelledAtOnceAndLeavesNothingBehind() throws Exception {
        KiteFrames.Job job = KiteFrames.job(frames, folder.resolve("out"), List.of("web-vp9"));
        Trials trials = new Trials(places);
        Trials.Going going = trials.start(trial(job).plan(), _ -> {});
        Thread.sleep(300);
        going.cancel();
        assertThatThrownBy(going::await).isInstanceOf(CancellationException.class);
        assertThat(trials.known(trial(job).plan())).isEmpty();
        for (int i = 0; i < 3000 && hasLeftovers(); i++) {
            Thread.sleep(100);
        }
        assertThat(hasLeftovers()).isFalse();
    }

    private boolean hasLeftovers() throws IOException {
        try (var all = Files.list(places.cache().resolve("trials"))) {
            return all.anyMatch(p -> p.getFileName().toString().startsWith("going-"));
        }
    }

    @Test
    void aFrameThatWentBadIsSaidInWords() throws Exception {
        KiteFrames.Job job = KiteFrames.job(frames, folder.resolve("out"), List.of("web-h264"));
        Files.write(frames.resolve("kite.0090.png"), new byte[10]);
        assertThatThrownBy(() -> new Trials(places).start(trial(job).plan(), _ -> {}).await()).isInstanceOf(IOException.class)
                .hasMessageContaining("kite.0090.png");
    }
}
