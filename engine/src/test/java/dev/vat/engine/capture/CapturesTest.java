package dev.vat.engine.capture;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.PictureReading;
import dev.vat.core.picture.Rgb;
import dev.vat.core.picture.Size;
import dev.vat.core.preview.CaptureWish;
import dev.vat.core.preview.Preview;
import dev.vat.core.recipe.Recipe;
import dev.vat.core.source.ClipFacts;
import dev.vat.core.source.FileKind;
import dev.vat.core.source.FrameNumbers;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;
import dev.vat.engine.TestPlaces;
import dev.vat.engine.process.Task;
import dev.vat.engine.viewer.ShownPicture;
import dev.vat.engine.viewer.Viewer;
import dev.vat.media.read.ClipProbe;
import dev.vat.protocol.CaptureMessage;
import dev.vat.protocol.Message;
import dev.vat.protocol.ViewerMessage;
import dev.vat.protocol.WorkerRole;
import dev.vat.protocol.feed.StandInBehaviour;
import dev.vat.protocol.storage.Places;
import dev.vat.scene.FrameMark;
import dev.vat.worker.standin.StandInFeed;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.api.io.TempDir;

/** Real captures in real workers, of the stand-in, well and ill behaved; the movies are read back. */
@Timeout(180)
class CapturesTest {

    private static final List<String> CLASSES = List.of("backdrop", "strings", "cells");

    @TempDir
    Path folder;

    private Places places;
    private Captures captures;

    @BeforeEach
    void places() {
        places = TestPlaces.in(folder);
        captures = new Captures(places);
    }

    @AfterEach
    void close() {
        captures.close();
    }

    private StandInFeed scene(StandInBehaviour manners) throws IOException {
        return StandInFeed.start(places.scenes(), 1, manners);
    }

    private static CaptureWish wish(String camera, String range) {
        return new CaptureWish(camera, FrameRange.parse(range), 1, true, Size.of(192, 108), "flat", CLASSES, 0, false, false);
    }

    private CaptureMessage.Captured captured(StandInFeed scene, CaptureWish wish) throws IOException {
        try (Captures.Going going = captures.start(scene.notice(), wish, _ -> {})) {
            return going.result().join();
        }
    }

    /** The marks of a movie's frames by their numbers, as the window shows them. */
    private List<FrameMark> marks(Preview preview, long... numbers) throws Exception {
        List<FrameMark> marks = new ArrayList<>();
        Path movie = captures.store().movie(preview);
        try (Viewer viewer = new Viewer(places)) {
            for (long number : numbers) {
                ByteBuffer pixels = ByteBuffer.allocate(4 * 192 * 108);
                try (ShownPicture shown = viewer
                        .picture(Recipe.Frame.of(movie.toString(), FileKind.MOVIE, number, PictureReading.of(AlphaKind.NONE, false)),
                                new ViewerMessage.Shape(192, 108, Rgb.BLACK, ViewerMessage.Showing.COLOUR, null))
                        .get(300, TimeUnit.SECONDS)) {
                    shown.copyTo(pixels);
                }
                marks.add(FrameMark
                        .read((across, down) -> (pixels.get(4 * ((int) (down * 108) * 192 + (int) (across * 192)) + 1) & 0xff) / 255.)
                        .orElseThrow());
            }
        }
        return marks;
    }

    @Test
    void everyFrameIsTheCamerasOwnAndKeepsItsNumber() throws Exception {
        Preview made;
        try (StandInFeed scene = scene(StandInBehaviour.GOOD)) {
            CaptureMessage.Captured captured = captured(scene, wish("tower", "170-235"));
            assertThat(captured.why()).isNull();
            made = captured.preview();
        }
        assertThat(made.isWhole()).isTrue();
        assertThat(made.file()).isEqualTo("tower_v001.mp4");
        ClipFacts clip = ClipProbe.probe(captures.store().movie(made));
        assertThat(clip.frames()).isEqualTo(66);
        assertThat(clip.rate()).isEqualTo(Rate.FPS_25);
        assertThat(clip.seconds()).isEqualTo(Rational.of(66, 25));
        assertThat(clip.numbers()).isEqualTo(new FrameNumbers(170, 1));
        assertThat(marks(made, 235, 170, 200, 199, 198)).as("forwards and backwards").containsExactly(new FrameMark(2, 235),
                new FrameMark(2, 170), new FrameMark(2, 200), new FrameMark(2, 199), new FrameMark(2, 198));
        assertThat(captures.store().all()).containsExactly(made);
        assertThat(captures.store().unfinished()).isEmpty();
    }

    @Test
    void aStepKeepsTheLengthAndASecondCaptureStandsBesideTheFirst() throws Exception {
        try (StandInFeed scene = scene(StandInBehaviour.GOOD.withFiles())) {
            Preview kept = captured(scene, wish("pier", "1-22").withEvery(5)).preview();
            assertThat(kept.drawn()).isEqualTo(5);
            assertThat(ClipProbe.probe(captures.store().movie(kept)).frames()).isEqualTo(22);
            assertThat(marks(kept, 1, 5, 6, 22)).extracting(FrameMark::number).containsExactly(1, 1, 6, 21);
            Preview quick = captured(scene, wish("pier", "1-22").withEvery(5).withKeepLength(false)).preview();
            assertThat(quick.file()).isEqualTo("pier_v002.mp4");
            assertThat(ClipProbe.probe(captures.store().movie(quick)).numbers()).isEqualTo(new FrameNumbers(1, 5));
            assertThat(marks(quick, 1, 6, 21)).extracting(FrameMark::number).containsExactly(1, 6, 21);
            captures.store().keep(quick.withNote("  too quick ").withApproved(true));
            assertThat(captures.store().all()).extracting(Preview::note).containsExactlyInAnyOrder("too quick", null);
            long bytes = Files.size(captures.store().movie(kept));
            assertThat(captures.store().delete(kept)).isGreaterThan(bytes);
            assertThat(captures.store().all()).extracting(Preview::file).containsExactly("pier_v002.mp4");
        }
    }

    @Test
    void anIdleTailIsSeenInThePictures() throws Exception {
        try (StandInFeed scene = scene(StandInBehaviour.GOOD)) {
            Preview still = captured(scene, wish("pier", "178-196").withClasses(List.of("backdrop"))).preview();
            assertThat(still.idle()).isEqualTo(184);
            assertThat(captured(scene, wish("pier", "100-112").withClasses(List.of("backdrop"))).preview().idle()).isNull();
        }
    }

    @Test
    void whatASceneDoesWrongEndsInWordsAndWhatIsThereIsKept() throws Exception {
        try (StandInFeed scene = scene(StandInBehaviour.GOOD.withAbsent(60).withSmall(130).withGone(180))) {
            CaptureMessage.Captured absent = captured(scene, wish("pier", "1-100"));
            assertThat(absent.why()).isEqualTo("Marram Flats: frame 60 isn't to be had");
            assertThat(absent.preview().drawn()).isEqualTo(59);
            assertThat(absent.preview().range()).isEqualTo(FrameRange.of(1, 59));
            assertThat(marks(absent.preview(), 59)).containsExactly(new FrameMark(1, 59));
            CaptureMessage.Captured small = captured(scene, wish("pier", "101-150"));
            assertThat(small.why()).contains("sent frame 130 as 96x54").contains("192x108");
            assertThat(small.preview().drawn()).isBetween(20L, 29L);
            CaptureMessage.Captured gone = captured(scene, wish("pier", "180-184"));
            assertThat(gone.why()).contains("Marram Flats has gone");
            assertThat(gone.preview()).as("of nothing nothing is kept").isNull();
            CaptureMessage.Captured nobody = captured(scene, wish("pier", "500-700"));
            assertThat(nobody.why()).contains("there is no frame 601");
        }
        try (StandInFeed scene = scene(StandInBehaviour.GOOD)) {
            assertThatThrownBy(() -> captured(scene, wish("roof", "1-2"))).isInstanceOf(CompletionException.class)
                    .hasMessageContaining("Marram Flats has no camera 'roof'");
        }
    }

    @Test
    @Tag("process")
    @Tag("slow")
    void stoppingKeepsWhatIsThereAndAKilledWorkerLosesNoClosedPart() throws Exception {
        try (StandInFeed scene = scene(StandInBehaviour.GOOD.withMillis(15))) {
            CompletableFuture<Void> on = new CompletableFuture<>();
            try (Captures.Going going = captures.start(scene.notice(), wish("pier", "1-600"), p -> complete(on, p.drawn() >= 20))) {
                on.join();
                going.stop();
                CaptureMessage.Captured stopped = going.result().join();
                assertThat(stopped.why()).isEqualTo("it was stopped");
                assertThat(stopped.preview().drawn()).isBetween(20L, 200L);
                assertThat(ClipProbe.probe(captures.store().movie(stopped.preview())).frames()).isEqualTo((int) stopped.preview().drawn());
            }
            CompletableFuture<Void> far = new CompletableFuture<>();
            try (Captures.Going going = captures.start(scene.notice(), wish("pier", "1-600"), p -> complete(far, p.drawn() >= 115))) {
                far.join();
                ProcessHandle.of(going.pid()).orElseThrow().destroyForcibly();
                assertThatThrownBy(() -> going.result().join()).hasMessageContaining("The capture was lost");
            }
        }
        assertThat(captures.store().unfinished()).hasSize(1);
        Preview saved = captures.recover().getFirst();
        assertThat(saved.drawn()).as("two closed parts of fifty").isGreaterThanOrEqualTo(100).isLessThan(600);
        assertThat(saved.why()).isEqualTo("the capture was cut off");
        assertThat(marks(saved, 1, 100)).containsExactly(new FrameMark(1, 1), new FrameMark(1, 100));
        assertThat(captures.store().unfinished()).isEmpty();
        assertThat(captures.recover()).isEmpty();
    }

    private static void complete(CompletableFuture<Void> reached, boolean there) {
        if (there) {
            reached.complete(null);
        }
    }

    @Test
    void aRehearsalCapturesToTheEndAndOneThatCanNotIsSaid() throws Exception {
        Message done = Task.ask(places, WorkerRole.CAPTURE, new CaptureMessage.Rehearse(1), _ -> {},
                CaptureMessage.Rehearsed.class::isInstance);
        assertThat(done).isEqualTo(new CaptureMessage.Rehearsed(1));
        assertThat(captures.store().all()).isEmpty();
        Places nowhere = TestPlaces.in(folder.resolve("full"));
        Files.createDirectories(nowhere.scratch());
        assumeTrue(
                new ProcessBuilder("mount", "-t", "tmpfs", "-o", "size=100k", "tmpfs", nowhere.scratch().toString()).start().waitFor() == 0,
                "a small file system can't be mounted here");
        try {
            assertThatThrownBy(() -> Task.ask(nowhere, WorkerRole.CAPTURE, new CaptureMessage.Rehearse(1), _ -> {},
                    CaptureMessage.Rehearsed.class::isInstance)).isInstanceOf(IOException.class);
        } finally {
            new ProcessBuilder("umount", nowhere.scratch().toString()).start().waitFor();
        }
    }

    @Test
    @Tag("process")
    @Tag("slow")
    void aProcessThatStandsReadyTakesOneCaptureAfterTheOtherAndLeavesNothingOfItsRehearsal() throws Exception {
        captures.prepare();
        try (StandInFeed scene = scene(StandInBehaviour.GOOD)) {
            long first;
            try (Captures.Going going = captures.start(scene.notice(), wish("pier", "1-12"), _ -> {})) {
                first = going.pid();
                Preview made = going.result().join().preview();
                assertThat(made.isWhole()).as("asked for while it rehearses").isTrue();
                assertThat(marks(made, 1, 12)).containsExactly(new FrameMark(1, 1), new FrameMark(1, 12));
            }
            try (Captures.Going going = captures.start(scene.notice(), wish("tower", "170-180"), _ -> {})) {
                assertThat(going.pid()).as("the same process").isEqualTo(first);
                assertThat(going.result().join().preview().file()).isEqualTo("tower_v001.mp4");
            }
            assertThat(captures.store().all()).as("a rehearsal isn't kept").hasSize(2);
            try (Stream<Path> left = Files.list(places.scratch())) {
                assertThat(left).isEmpty();
            }
            ProcessHandle.of(first).orElseThrow().destroyForcibly();
            ProcessHandle.of(first).ifPresent(p -> p.onExit().join());
            try (Captures.Going going = captures.start(scene.notice(), wish("pier", "1-3"), _ -> {})) {
                assertThat(going.result().join().preview().isWhole()).as("another one takes the place of one that is gone").isTrue();
                ProcessHandle second = ProcessHandle.of(going.pid()).orElseThrow();
                captures.rest();
                assertThat(second.onExit()).as("nobody expects a capture any more").succeedsWithin(Duration.ofMinutes(5));
            }
        }
    }

    @Test
    void aFullDiskEndsInWordsAndWhatIsClosedIsKept() throws Exception {
        Path small = Files.createDirectories(places.data().resolve("previews"));
        assumeTrue(new ProcessBuilder("mount", "-t", "tmpfs", "-o", "size=400k", "tmpfs", small.toString()).start().waitFor() == 0,
                "a small file system can't be mounted here");
        try (StandInFeed scene = scene(StandInBehaviour.GOOD)) {
            CaptureWish large = wish("sand", "300-470").withSize(Size.of(480, 270)).withShading("lit");
            try (Captures.Going going = captures.start(scene.notice(), large, _ -> {})) {
                assertThat(going.result().handle((done, failure) -> failure == null ? done.why() : failure.getMessage()).join())
                        .containsIgnoringCase("space");
            }
            assertThat(captures.store().unfinished().size() + captures.store().all().size()).as("what was closed is there, as parts "
                    + "or as a preview").isEqualTo(1);
        } finally {
            new ProcessBuilder("umount", small.toString()).start().waitFor();
        }
    }
}
