package dev.vat.worker.run;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.project.DeliverableEdits;
import dev.vat.core.project.ReelEdits;
import dev.vat.core.proof.Receipt;
import dev.vat.core.reel.BarPattern;
import dev.vat.core.reel.GeneratedItem;
import dev.vat.core.run.RunFile;
import dev.vat.core.run.RunPlan;
import dev.vat.core.sound.SoundTracks;
import dev.vat.core.time.Rational;
import dev.vat.engine.KiteFrames;
import dev.vat.engine.TestPlaces;
import dev.vat.engine.run.Run;
import dev.vat.media.proof.MovieProof;
import dev.vat.protocol.FileProgress.Stage;
import dev.vat.protocol.run.JournalEntry;
import dev.vat.protocol.run.RunHome;
import dev.vat.protocol.storage.Places;
import dev.vat.testkit.disturb.FaultScript;
import dev.vat.worker.proof.Reproof;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Real runs that are killed, stopped, crashed or hung in the middle, and what comes of them. */
@Tag("process")
@Tag("slow")
class DisturbedRunTest {

    private static final List<String> ALL = List.of("web-h264", "edit-prores-hq", "alpha-prores-4444");

    @TempDir
    Path folder;

    private Places places;
    private Path frames;
    private Path out;
    private FaultScript script;

    @BeforeEach
    void layOut() {
        places = TestPlaces.in(folder);
        frames = folder.resolve("frames");
        out = folder.resolve("out");
    }

    @AfterEach
    void takeBack() throws IOException {
        if (script != null) {
            script.close();
        }
    }

    private Run.Outcome make(RunPlan plan) throws Exception {
        try (Run run = Run.start(plan, places, _ -> {})) {
            return run.outcome().get(300, TimeUnit.SECONDS);
        }
    }

    private List<String> names(Path where) throws IOException {
        if (!Files.exists(where)) {
            return List.of();
        }
        try (Stream<Path> files = Files.list(where)) {
            return files.map(f -> f.getFileName().toString()).sorted().toList();
        }
    }

    private Run planted(RunPlan plan, String line) throws Exception {
        script = FaultScript.plant(places, line);
        return Run.start(plan, places, _ -> {});
    }

    /** A process that ends by itself is followed by another, which doesn't make closed parts again. */
    @Test
    void aKilledWorkerIsFollowedByOneThatGoesOn() throws Exception {
        KiteFrames.png(frames, "kite", 1, 900, false);
        RunPlan plan = KiteFrames.plan(frames, out, ALL);
        CompletableFuture<Void> pastOnePart = new CompletableFuture<>();
        try (Run run = Run.start(plan, places, p -> {
            if (p.files().stream().anyMatch(f -> f.target().equals("edit-prores-hq") && f.done() > 120)) {
                pastOnePart.complete(null);
            }
        })) {
            pastOnePart.get(300, TimeUnit.SECONDS);
            assertThat(names(out)).allMatch(n -> n.startsWith(".vat-"));
            ProcessHandle.of(run.pid()).orElseThrow().destroyForcibly();
            Run.Outcome outcome = run.outcome().get(300, TimeUnit.SECONDS);
            assertThat(outcome.lost()).isNull();
            assertThat(outcome.files()).allSatisfy(f -> assertThat(f.stage()).isEqualTo(Stage.DELIVERED));
            List<JournalEntry.PartClosed> closed = run.home().journal().stream().filter(JournalEntry.PartClosed.class::isInstance)
                    .map(JournalEntry.PartClosed.class::cast).filter(p -> p.target().equals("edit-prores-hq")).toList();
            assertThat(closed).as("no part was made twice").extracting(JournalEntry.PartClosed::part).containsExactly(0, 1, 2, 3, 4, 5, 6,
                    7, 8);
            assertThat(run.home().journal().stream().filter(JournalEntry.Started.class::isInstance)).hasSize(2);
        }
        assertThat(names(out)).hasSize(6).noneMatch(n -> n.startsWith(".vat-"));
        make(KiteFrames.plan(frames, out, ALL));
        for (String name : List.of("kite_web%s.mp4", "kite_edit%s.mov", "kite_alpha%s.mov")) {
            assertThat(out.resolve(name.formatted("_v02"))).as("as if nothing had happened")
                    .hasSameBinaryContentAs(out.resolve(name.formatted("")));
        }
    }

    @Test
    void aStoppedRunGoesOnWhereItWas() throws Exception {
        KiteFrames.png(frames, "kite", 1, 1200, false);
        RunPlan plan = KiteFrames.plan(frames, out, List.of("edit-prores-hq", "frames-png"));
        CompletableFuture<Void> pastOnePart = new CompletableFuture<>();
        RunHome home;
        try (Run run = Run.start(plan, places, p -> {
            if (p.files().getFirst().done() > 220) {
                pastOnePart.complete(null);
            }
        })) {
            home = run.home();
            pastOnePart.get(300, TimeUnit.SECONDS);
            run.stop();
            assertThat(run.outcome().get(300, TimeUnit.SECONDS).stopped()).isTrue();
        }
        long before = home.journal().stream().filter(JournalEntry.PartClosed.class::isInstance).count();
        assertThat(before).isBetween(2L, 24L);
        // One closed part is damaged meanwhile: it alone is made again.
        Path part = PartStore.partFile(RunHome.workFolder(plan, plan.files().getFirst()), plan.files().getFirst(),
                plan.files().getFirst().parts().getFirst());
        KiteFrames.cut(part, .7);
        try (Run run = Run.resume(home, places, _ -> {})) {
            assertThat(run.outcome().get(300, TimeUnit.SECONDS).files())
                    .allSatisfy(f -> assertThat(f.stage()).as(f.why()).isEqualTo(Stage.DELIVERED));
        }
        List<Integer> made = home.journal().stream().filter(JournalEntry.PartClosed.class::isInstance)
                .map(JournalEntry.PartClosed.class::cast)
                .filter(p -> p.target().equals("edit-prores-hq")).map(JournalEntry.PartClosed::part).toList();
        assertThat(made).hasSize(13).containsOnlyOnce(1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11);
        assertThat(Reproof.of(out.resolve("kite_edit.mov")).reasons()).isEmpty();
        assertThat(out.resolve("kite_frames")).isDirectoryContaining("glob:**/kite_frames.1200.png");
    }

    /** Wanted from a run that goes on: every file has the same frames, none more than were read. */
    @Test
    void endedEarlyARunMakesWholeShorterFiles() throws Exception {
        KiteFrames.png(frames, "kite", 1, 900, false);
        RunPlan plan = KiteFrames.plan(frames, out, List.of("edit-prores-hq", "frames-png", "web-h264"),
                ReelEdits.addDrawn(1, new GeneratedItem.Bars(BarPattern.BARS_75, -18, 50)),
                DeliverableEdits.follow("frames-png", d -> d.withSoundFiles(SoundTracks.TOGETHER)));
        CompletableFuture<Void> pastOnePart = new CompletableFuture<>();
        Run.Outcome outcome;
        try (Run run = Run.start(plan, places, p -> {
            if (p.files().stream().allMatch(f -> f.done() > 110 || f.target().contains("sound"))) {
                pastOnePart.complete(null);
            }
        })) {
            pastOnePart.get(300, TimeUnit.SECONDS);
            run.endEarly();
            outcome = run.outcome().get(300, TimeUnit.SECONDS);
            assertThat(run.home().unfinished()).isEmpty();
        }
        assertThat(outcome.files()).allSatisfy(f -> assertThat(f.stage()).as(f.why()).isEqualTo(Stage.DELIVERED));
        long frames = outcome.files().getFirst().frames();
        assertThat(frames).isBetween(111L, 899L);
        for (var file : outcome.files()) {
            Receipt receipt = Reproof.of(Path.of(file.path())).receipt();
            assertThat(Reproof.of(Path.of(file.path())).reasons()).isEmpty();
            assertThat(receipt.notes()).contains("ended early by hand: the first " + frames + " of 950 frames");
            if (receipt.isSound()) {
                assertThat(receipt.found().sound().seconds()).isEqualTo(Rational.of(frames, 25));
            } else {
                assertThat(receipt.planned().frames()).isEqualTo(receipt.found().frames()).isEqualTo(frames);
                assertThat(receipt.sources().getFirst().last()).isEqualTo(frames);
            }
        }
        assertThat(outcome.files()).hasSize(4);
    }

    /** Wanted from a run that was stopped: what is closed makes a file, what isn't stays unmade. */
    @Test
    void whatAStoppedRunHasClosedMakesAFile() throws Exception {
        KiteFrames.png(frames, "kite", 1, 600, false);
        RunPlan plan = KiteFrames.plan(frames, out, List.of("edit-prores-hq", "web-h264"),
                ReelEdits.addDrawn(1, new GeneratedItem.Bars(BarPattern.BARS_75, -18, 50)),
                DeliverableEdits.follow("web-h264", d -> d.withSoundFiles(SoundTracks.TOGETHER)));
        CompletableFuture<Void> pastOnePart = new CompletableFuture<>();
        RunHome home;
        try (Run run = Run.start(plan, places, p -> {
            if (p.files().getFirst().done() > 220) {
                pastOnePart.complete(null);
            }
        })) {
            home = run.home();
            pastOnePart.get(300, TimeUnit.SECONDS);
            run.stop();
            assertThat(run.outcome().get(300, TimeUnit.SECONDS).stopped()).isTrue();
        }
        Path watched = PartialJoin.join(home, "edit-prores-hq", folder);
        long closed = MovieProof.prove(watched, _ -> true).facts().frames();
        try (Run run = Run.endEarly(home, places, _ -> {})) {
            Run.Outcome outcome = run.outcome().get(300, TimeUnit.SECONDS);
            assertThat(outcome.files()).extracting(f -> f.target() + " " + f.stage() + " " + f.frames())
                    .containsExactlyInAnyOrder("edit-prores-hq DELIVERED " + closed, "web-h264 STOPPED 650",
                            "web-h264-sound-1 STOPPED 650");
        }
        assertThat(closed).isGreaterThanOrEqualTo(200).isLessThan(600).isEqualTo(closed / 100 * 100);
    }

    @Test
    @Tag("torture")
    void whatEndsTheProcessAgainAndAgainIsGivenUpForNowAndSaysWhere() throws Exception {
        KiteFrames.png(frames, "kite", 1, 1500, false);
        RunPlan plan = KiteFrames.plan(frames, out, List.of("web-h264"));
        try (Run run = Run.start(plan, places, _ -> {})) {
            Thread killer = Thread.ofVirtual().start(() -> {
                while (!run.outcome().isDone()) {
                    ProcessHandle.of(run.pid()).ifPresent(ProcessHandle::destroyForcibly);
                    try {
                        Thread.sleep(50);
                    } catch (InterruptedException _) {
                        return;
                    }
                }
            });
            Run.Outcome outcome = run.outcome().get(300, TimeUnit.SECONDS);
            killer.interrupt();
            assertThat(outcome.lost()).contains("signal 9");
            assertThat(run.home().unfinished()).hasSize(1);
        }
        assertThat(names(out)).allMatch(n -> n.startsWith(".vat-"));
    }

    /** A fault in native code ends the process; the file that does it every time is named with its frame, and the others are made. */
    @Test
    void aFileThatCrashesItsEncoderIsNamedAndTheOthersAreMade() throws Exception {
        KiteFrames.png(frames, "kite", 1, 60, false);
        RunPlan plan = KiteFrames.plan(frames, out, List.of("web-h264", "edit-prores-hq"));
        try (Run run = planted(plan, "crash encode web-h264 37")) {
            Run.Outcome outcome = run.outcome().get(300, TimeUnit.SECONDS);
            assertThat(outcome.lost()).isNull();
            assertThat(outcome.files()).filteredOn(f -> f.target().equals("edit-prores-hq")).singleElement()
                    .satisfies(f -> assertThat(f.stage()).isEqualTo(Stage.DELIVERED));
            assertThat(outcome.files()).filteredOn(f -> f.target().equals("web-h264")).singleElement().satisfies(f -> {
                assertThat(f.stage()).isEqualTo(Stage.FAILED);
                assertThat(f.why()).contains("ended the process three times");
            });
            assertThat(run.home().unfinished()).extracting(RunFile::target).containsExactly("web-h264");
        }
    }

    @Test
    @Tag("torture")
    void aProcessThatStandsStillIsFollowedByAnother() throws Exception {
        KiteFrames.png(frames, "kite", 1, 130, false);
        Run.standsStillAfter(Duration.ofSeconds(40));
        try (Run run = planted(KiteFrames.plan(frames, out, List.of("edit-prores-hq", "proxy-prores")), "hang encode edit-prores-hq 110")) {
            Run.Outcome outcome = run.outcome().get(300, TimeUnit.SECONDS);
            assertThat(outcome.files()).hasSize(2).allSatisfy(f -> assertThat(f.stage()).as(f.why()).isEqualTo(Stage.DELIVERED));
            assertThat(run.home().journal().stream().filter(JournalEntry.Started.class::isInstance))
                    .as("a machine of any speed").hasSizeGreaterThanOrEqualTo(2);
        } finally {
            Run.standsStillAfter(Duration.ofMinutes(3));
        }
    }
}
