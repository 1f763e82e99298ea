package dev.vat.worker.run;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import dev.vat.core.run.RunPlan;
import dev.vat.engine.KiteFrames;
import dev.vat.engine.TestPlaces;
import dev.vat.engine.run.Run;
import dev.vat.protocol.FileProgress.Stage;
import dev.vat.protocol.storage.Durable;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The folder for the files is taken away from under a run: all of its files wait, and are made when it is back. */
class FolderAwayTest {

    private static final int FRAMES = 150;

    @TempDir
    Path folder;

    private Path out;

    private interface Gesture {
        void act() throws IOException, InterruptedException;
    }

    /** @param held what is said meanwhile */
    private void takenAndGiven(Gesture take, Gesture give, String held) throws Exception {
        out = folder.resolve("out");
        RunPlan plan = KiteFrames.plan(KiteFrames.png(folder.resolve("frames"), "kite", 1, FRAMES, true), out,
                List.of("alpha-prores-4444", "frames-exr"));
        CompletableFuture<String> said = new CompletableFuture<>();
        AtomicBoolean taken = new AtomicBoolean();
        try (Run run = Run.start(plan, TestPlaces.in(folder), p -> {
            if (p.framesRead() > 0 && taken.compareAndSet(false, true)) {
                act(take);
            }
            if (taken.get() && p.held() != null && p.held().contains(held)) {
                said.complete(p.held());
            }
        })) {
            assertThat(said.get(300, TimeUnit.SECONDS)).contains(out.toString());
            act(give);
            Run.Outcome outcome = run.outcome().get(300, TimeUnit.SECONDS);
            assertThat(outcome.lost()).isNull();
            assertThat(outcome.files()).hasSize(2).allSatisfy(f -> assertThat(f.stage()).as(f.why()).isEqualTo(Stage.DELIVERED));
        }
        try (var files = Files.list(out)) {
            assertThat(files.map(f -> f.getFileName().toString())).noneMatch(name -> name.startsWith(".vat-"));
        }
    }

    private static void act(Gesture gesture) {
        try {
            gesture.act();
        } catch (IOException | InterruptedException e) {
            throw new AssertionError(e);
        }
    }

    @Test
    void movedAwayAndBack() throws Exception {
        Path away = folder.resolve("away");
        takenAndGiven(() -> Files.move(out, away), () -> Files.move(away, out), "can't be reached");
    }

    @Test
    void deletedAndMadeAnew() throws Exception {
        takenAndGiven(() -> {
            Path gone = folder.resolve("gone");
            Files.move(out, gone);
            Durable.deleteTree(gone);
        }, () -> Files.createDirectory(out), "can't be reached");
    }

    @Test
    void madeReadOnlyAndWritableAgain() throws Exception {
        Path probe = Files.createDirectory(folder.resolve("probe"));
        assumeTrue(change("+i", probe) == 0, "no folder can be made immutable here");
        change("-i", probe);
        takenAndGiven(() -> change("+i", out), () -> change("-i", out), "nothing can be written");
    }

    private static int change(String how, Path path) throws IOException, InterruptedException {
        try {
            return new ProcessBuilder("chattr", how, path.toString()).redirectErrorStream(true)
                    .redirectOutput(ProcessBuilder.Redirect.DISCARD).start().waitFor();
        } catch (IOException _) {
            return -1;
        }
    }
}
