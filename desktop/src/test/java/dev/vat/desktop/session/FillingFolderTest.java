package dev.vat.desktop.session;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.delivery.Catalogue;
import dev.vat.core.project.DeliverableEdits;
import dev.vat.core.project.SourceEdits;
import dev.vat.core.source.FrameState;
import dev.vat.core.source.FrameTable;
import dev.vat.core.time.FrameRange;
import dev.vat.desktop.TestFrames;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A folder that a render fills slowly, out of order, with a stop and a restart. */
class FillingFolderTest {

    @TempDir
    private Path folder;

    private final ExecutorService ui = Executors.newSingleThreadExecutor();
    private Path drawn;
    private Path frames;
    private Session session;

    @BeforeEach
    void open() throws Exception {
        drawn = TestFrames.png(folder, "drawn", 8);
        frames = Files.createDirectories(folder.resolve("kite"));
        session = on(() -> new Session(TestFrames.places(folder), ui));
    }

    @AfterEach
    void close() throws Exception {
        on(() -> {
            session.close();
            return null;
        });
        ui.shutdown();
    }

    private <T> T on(Callable<T> question) throws Exception {
        return ui.submit(question).get();
    }

    private void act(Runnable act) throws Exception {
        ui.submit(act).get();
    }

    private void await(String what, Callable<Boolean> condition) throws Exception {
        long end = System.currentTimeMillis() + 300_000;
        while (!on(condition)) {
            assertThat(System.currentTimeMillis())
                    .as("waited in vain for " + what + "; " + on(() -> String.valueOf(table() == null ? null : table().counts())))
                    .isLessThan(end);
            Thread.sleep(30);
        }
    }

    private FrameTable table() {
        return session.watch().table("s1");
    }

    private byte[] frame(int number) throws Exception {
        return Files.readAllBytes(drawn.resolve("drawn.%04d.png".formatted(number)));
    }

    private Path file(int number) {
        return frames.resolve("kite.%04d.png".formatted(number));
    }

    @Test
    @Tag("torture")
    void statesAreRightAtEveryStepAndTheArmedRunStartsOnceWhenComplete() throws Exception {
        Files.write(file(2), frame(2));
        Files.write(file(1), frame(1));
        act(() -> session.search().bringIn(List.of(frames)));
        await("the first frames", () -> table() != null && table().good() == 2);
        assertThat(on(() -> session.watch().isWatched("s1"))).as("files of a moment ago: the folder is watched by itself").isTrue();
        act(() -> {
            session.edit(SourceEdits.setExpected("s1", FrameRange.of(1, 6)));
            session.edit(DeliverableEdits.addTarget(Catalogue.target("web-h264")));
            session.making().makeWhenComplete();
        });
        assertThat(on(() -> session.making().waitsForFrames())).isTrue();
        assertThat(on(() -> session.making().label())).isEqualTo("Waiting for frames");

        // Out of order, and half of it first.
        byte[] whole = frame(5);
        Files.write(file(5), Arrays.copyOf(whole, whole.length / 2));
        await("half a frame", () -> table().state(5) == FrameState.ARRIVING);
        assertThat(on(() -> table().state(3))).isEqualTo(FrameState.MISSING);
        Files.write(file(5), whole);
        await("the whole frame", () -> table().state(5) == FrameState.GOOD);

        // The render stops after an empty file, and takes up its work again.
        Files.write(file(3), new byte[0]);
        await("an empty file", () -> table().state(3) == FrameState.ARRIVING);
        await("the render to be given up", () -> table().state(3) == FrameState.EMPTY);
        assertThat(on(() -> session.runs().lines())).as("nothing was made of what isn't whole").isEmpty();
        Files.write(file(3), frame(3));
        Files.write(file(4), frame(4));
        await("what was missing", () -> table().state(3) == FrameState.GOOD && table().state(4) == FrameState.GOOD);
        assertThat(on(() -> session.runs().lines())).as("one is still to come").isEmpty();
        Files.write(file(6), frame(6));
        await("the run", () -> session.runs().isIdle() && !session.runs().lines().isEmpty());
        Thread.sleep(2500);
        assertThat(on(() -> session.runs().lines())).as("it starts once").hasSize(1);
        assertThat(folder.resolve("kite/delivered").toFile().exists() || folder.resolve("delivered").toFile().exists()).isTrue();
        assertThat(on(() -> session.making().isArmed())).isFalse();
    }

    @Test
    void aFolderThatGoesAwayIsSaidAndFoundAgainElsewhere() throws Exception {
        Path gone = TestFrames.png(folder, "dune", 3);
        act(() -> session.search().bringIn(List.of(gone)));
        await("the frames", () -> table() != null && table().good() == 3);
        Path moved = Files.move(gone, folder.resolve("moved"));
        act(() -> session.watch().again(session.project().sources().getFirst()));
        await("the loss", () -> session.watch().trouble("s1").isPresent());
        assertThat(on(() -> session.findings().blockers())).anyMatch(f -> f.id().equals("source-gone"));
        act(() -> session.search().relink(session.project().sources().getFirst(), moved));
        await("the frames again", () -> table() != null && table().good() == 3);
        assertThat(on(() -> session.notices().notice().words())).contains("was found again");
        assertThat(on(() -> session.watch().otherPictures("s1"))).as("the same files").isZero();
        act(() -> session.undo());
        await("undo", () -> session.watch().trouble("s1").isPresent());
    }

    @Test
    void anotherRenderTakesASourcesPlace() throws Exception {
        Path first = TestFrames.png(folder, "kite_v01", 3);
        act(() -> session.search().bringIn(List.of(first)));
        await("the frames", () -> table() != null && table().good() == 3);
        Path second = TestFrames.png(folder, "kite_v02", 5);
        act(() -> session.search().replace(session.project().sources().getFirst(), second));
        await("the other frames", () -> table() != null && table().good() == 5 && !session.watch().isChecking());
        assertThat(on(() -> session.watch().otherPictures("s1"))).as("the same drawing").isZero();
        assertThat(on(() -> session.project().sources())).singleElement().satisfies(s -> assertThat(s.name()).startsWith("kite_v02"));
        act(() -> session.search().replace(session.project().sources().getFirst(), Files.exists(folder) ? folder.resolve("drawn") : null));
        await("the replacement", () -> table() != null && table().good() == 8 && !session.watch().isChecking());
        Path other = TestFrames.png(folder, "kite_v03", 8, 96, 60, false);
        act(() -> session.search().replace(session.project().sources().getFirst(), other));
        await("another render",
                () -> session.project().sources().getFirst().name().contains("v03") && table() != null && table().good() == 8
                        && !session.watch().isChecking());
        assertThat(on(() -> session.watch().otherPictures("s1"))).as("frames of another size are other pictures").isEqualTo(8);
    }
}
