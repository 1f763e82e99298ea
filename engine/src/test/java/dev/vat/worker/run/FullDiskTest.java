package dev.vat.worker.run;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIOException;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import dev.vat.core.run.RunPlan;
import dev.vat.engine.KiteFrames;
import dev.vat.engine.TestPlaces;
import dev.vat.engine.run.Run;
import dev.vat.protocol.FileProgress.Stage;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A real file system that is too small; needs a user who may mount one. */
class FullDiskTest {

    @TempDir
    Path folder;

    private Path small;

    @BeforeEach
    void mount() throws IOException, InterruptedException {
        small = Files.createDirectory(folder.resolve("small"));
        assumeTrue(run("mount", "-t", "tmpfs", "-o", "size=500k", "tmpfs", small.toString()) == 0,
                "no small file system can be mounted here");
    }

    @AfterEach
    void unmount() throws IOException, InterruptedException {
        run("umount", small.toString());
    }

    private static int run(String... command) throws IOException, InterruptedException {
        try {
            return new ProcessBuilder(command).redirectErrorStream(true).redirectOutput(ProcessBuilder.Redirect.DISCARD).start().waitFor();
        } catch (IOException _) {
            return -1;
        }
    }

    /** Movies and numbered frames alike: neither fails, and both are whole in the end. */
    @Test
    void aFullDiskHoldsTheRunUntilThereIsRoom() throws Exception {
        Path frames = KiteFrames.png(folder.resolve("frames"), "kite", 1, 150, true);
        RunPlan plan = KiteFrames.plan(frames, small.resolve("out"), List.of("alpha-prores-4444", "frames-exr"));
        CompletableFuture<String> held = new CompletableFuture<>();
        try (Run run = Run.start(plan, TestPlaces.in(folder), p -> {
            if (p.held() != null) {
                held.complete(p.held());
            }
        })) {
            assertThat(held.get(300, TimeUnit.SECONDS)).contains("the disk is full").contains("goes on by itself when there is room");
            assertThat(small.resolve("out/kite_alpha.mov")).doesNotExist();
            assertThat(run.outcome()).isNotDone();
            assertThat(run("mount", "-o", "remount,size=60m", small.toString())).isZero();
            Run.Outcome outcome = run.outcome().get(300, TimeUnit.SECONDS);
            assertThat(outcome.lost()).isNull();
            assertThat(outcome.files()).hasSize(2).allSatisfy(f -> assertThat(f.stage()).as(f.why()).isEqualTo(Stage.DELIVERED));
        }
        assertThat(small.resolve("out/kite_alpha.mov")).exists();
    }

    /** Vat's own files are on a disk that fills up while the run goes on: it waits there, too. */
    @Test
    void aFullDiskOfVatsOwnHoldsTheRunToo() throws Exception {
        Path frames = KiteFrames.png(folder.resolve("frames"), "kite", 1, 150, true);
        RunPlan plan = KiteFrames.plan(frames, folder.resolve("out"), List.of("edit-prores-hq"));
        CompletableFuture<String> held = new CompletableFuture<>();
        Path ballast = small.resolve("ballast");
        try (Run run = Run.start(plan, TestPlaces.in(small), p -> {
            if (p.framesRead() > 0 && !Files.exists(ballast)) {
                fill(ballast);
            }
            if (p.held() != null) {
                held.complete(p.held());
            }
        })) {
            assertThat(held.get(300, TimeUnit.SECONDS)).contains(small.toString());
            Files.write(ballast, new byte[0]);
            Run.Outcome outcome = run.outcome().get(300, TimeUnit.SECONDS);
            assertThat(outcome.files()).singleElement().satisfies(f -> assertThat(f.stage()).as(f.why()).isEqualTo(Stage.DELIVERED));
        }
    }

    @Test
    void aRunThatCantBeginSaysWhereAndLeavesNothing() throws Exception {
        Path frames = KiteFrames.png(folder.resolve("frames"), "kite", 1, 3, true);
        RunPlan plan = KiteFrames.plan(frames, folder.resolve("out"), List.of("edit-prores-hq"));
        fill(small.resolve("ballast"));
        assertThatIOException().isThrownBy(() -> Run.start(plan, TestPlaces.in(small), _ -> {}))
                .withMessageContaining("can't begin").withMessageContaining(small.toString());
        assertThat(TestPlaces.in(small).runs().resolve(plan.run())).doesNotExist();
    }

    /** To the last byte. */
    private static void fill(Path file) {
        try (OutputStream out = Files.newOutputStream(file)) {
            for (int i = 0; i < 1 << 20; i++) {
                out.write(new byte[512]);
            }
        } catch (IOException _) {
            // Full.
        }
    }
}
