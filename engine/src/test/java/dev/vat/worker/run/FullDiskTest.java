package dev.vat.worker.run;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import dev.vat.core.run.RunPlan;
import dev.vat.engine.KiteFrames;
import dev.vat.engine.TestPlaces;
import dev.vat.engine.run.Run;
import dev.vat.protocol.FileProgress.Stage;
import java.io.IOException;
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

    @Test
    void aFullDiskHoldsTheRunUntilThereIsRoom() throws Exception {
        Path frames = KiteFrames.png(folder.resolve("frames"), "kite", 1, 150, true);
        RunPlan plan = KiteFrames.plan(frames, small.resolve("out"), List.of("alpha-prores-4444"));
        CompletableFuture<String> held = new CompletableFuture<>();
        try (Run run = Run.start(plan, TestPlaces.in(folder), p -> {
            if (p.held() != null) {
                held.complete(p.held());
            }
        })) {
            assertThat(held.get(60, TimeUnit.SECONDS)).contains("the disk is full").contains("goes on by itself when there is room");
            assertThat(small.resolve("out/kite_alpha.mov")).doesNotExist();
            assertThat(run.outcome()).isNotDone();
            assertThat(run("mount", "-o", "remount,size=60m", small.toString())).isZero();
            Run.Outcome outcome = run.outcome().get(60, TimeUnit.SECONDS);
            assertThat(outcome.lost()).isNull();
            assertThat(outcome.files()).singleElement().satisfies(f -> assertThat(f.stage()).as(f.why()).isEqualTo(Stage.DELIVERED));
        }
        assertThat(small.resolve("out/kite_alpha.mov")).exists();
    }
}
