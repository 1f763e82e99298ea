package dev.vat.engine.process;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.vat.core.burnin.Lettering;
import dev.vat.core.burnin.Spot;
import dev.vat.core.burnin.Watermark;
import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.ColourReading;
import dev.vat.core.picture.PictureChoice;
import dev.vat.core.picture.PictureReading;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.recipe.Recipe;
import dev.vat.core.reel.ReelFrame;
import dev.vat.core.source.ClipFacts;
import dev.vat.core.source.FileKind;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;
import dev.vat.engine.KiteFrames;
import dev.vat.engine.TestPlaces;
import dev.vat.protocol.Lines;
import dev.vat.protocol.Message;
import dev.vat.protocol.RunMessage;
import dev.vat.protocol.TaskMessage;
import dev.vat.protocol.ViewerMessage;
import dev.vat.protocol.WorkerRole;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

@Tag("process")
class WorkerProcessTest {

    @TempDir
    Path folder;

    @Test
    void saysHelloWithItsVersions() throws Exception {
        try (WorkerProcess worker = WorkerProcess.start(WorkerRole.RUN, TestPlaces.in(folder), _ -> {}, _ -> {})) {
            assertThat(worker.hello().library()).startsWith("libav ");
            assertThat(worker.hello().pid()).isEqualTo(worker.pid());
        }
    }

    /** The one that was prepared is taken, once. */
    @Test
    void aPreparedOneIsReadyWhenItIsStarted() throws Exception {
        Set<Long> before = ProcessHandle.current().children().map(ProcessHandle::pid).collect(Collectors.toSet());
        WorkerProcess.prepare(WorkerRole.VIEWER, TestPlaces.in(folder), null);
        try (WorkerProcess first = WorkerProcess.start(WorkerRole.VIEWER, TestPlaces.in(folder), _ -> {}, _ -> {})) {
            assertThat(first.hello().pid()).isEqualTo(first.pid());
            assertThat(ProcessHandle.current().children().map(ProcessHandle::pid).filter(p -> !before.contains(p)))
                    .containsExactly(first.pid());
            try (WorkerProcess second = WorkerProcess.start(WorkerRole.VIEWER, TestPlaces.in(folder), _ -> {}, _ -> {})) {
                assertThat(second.hello().pid()).isEqualTo(second.pid()).isNotEqualTo(first.pid());
            }
        }
    }

    /** A cache that couldn't be made, or is of other classes, keeps nobody from starting, and says nothing between the messages. */
    @ParameterizedTest
    @ValueSource(ints = {0, 1 << 16})
    void aCacheOfNoUseIsPassedOver(int bytes) throws Exception {
        Path cache = Files.write(folder.resolve("none.aot"), new byte[bytes]);
        System.setProperty("vat.worker.cache", cache.toString());
        try (WorkerProcess worker = WorkerProcess.start(WorkerRole.RUN, TestPlaces.in(folder), _ -> {}, _ -> {})) {
            assertThat(worker.hello().pid()).isEqualTo(worker.pid());
        } finally {
            System.clearProperty("vat.worker.cache");
        }
    }

    @Test
    void leavesWhenItsInputEndsAndThatIsNoLoss() throws Exception {
        CompletableFuture<WorkerLost> lost = new CompletableFuture<>();
        WorkerProcess worker = WorkerProcess.start(WorkerRole.VIEWER, TestPlaces.in(folder), _ -> {}, lost::complete);
        worker.hello();
        worker.close();
        assertThat(worker.isAlive()).isFalse();
        assertThat(lost).isNotDone();
    }

    @Test
    void aKillIsALossWithItsReason() throws Exception {
        CompletableFuture<WorkerLost> lost = new CompletableFuture<>();
        WorkerProcess worker = WorkerProcess.start(WorkerRole.VIEWER, TestPlaces.in(folder), _ -> {}, lost::complete);
        worker.hello();
        worker.kill();
        assertThat(lost.get(300, TimeUnit.SECONDS).why()).contains("signal 9");
        assertThatThrownBy(() -> {
            for (int i = 0; i < 3000; i++) {
                worker.send(new RunMessage.Stop(1));
                Thread.sleep(20);
            }
        }).isInstanceOf(IOException.class);
    }

    @Test
    void aQuestionThatCantBeAnsweredComesBackWithItsReason() {
        assertThatThrownBy(() -> Task.ask(TestPlaces.in(folder), new TaskMessage.Prove(1, folder.resolve("gone.mp4").toString()), _ -> {},
                TaskMessage.Proved.class::isInstance))
                .isInstanceOf(IOException.class).hasMessageContaining("gone.mp4");
        assertThatThrownBy(
                () -> Task.ask(TestPlaces.in(folder), new RunMessage.Pause(1, true), _ -> {}, TaskMessage.Proved.class::isInstance))
                .isInstanceOf(IOException.class).hasMessageContaining("doesn't do that");
    }

    /** The owner of a worker is killed: the worker notices the end of its input and leaves within five seconds. */
    @Test
    void aWorkerDoesntOutliveItsOwner() throws Exception {
        Path frames = KiteFrames.png(folder.resolve("frames"), "kite", 1, 3, false);
        Process owner = new ProcessBuilder(Path.of(System.getProperty("java.home"), "bin", "java").toString(), "-cp",
                System.getProperty("java.class.path"), "--enable-native-access=ALL-UNNAMED", OwnerForTest.class.getName(),
                folder.toString(), frames.toString())
                .redirectErrorStream(true).start();
        String line;
        try (InputStream out = owner.getInputStream()) {
            line = new String(readLine(out), StandardCharsets.UTF_8);
            long pid = Long.parseLong(line.strip());
            ProcessHandle worker = ProcessHandle.of(pid).orElseThrow();
            assertThat(worker.isAlive()).isTrue();
            owner.destroyForcibly().waitFor();
            worker.onExit().get(300, TimeUnit.SECONDS);
        }
    }

    private static byte[] readLine(InputStream in) throws IOException {
        ByteArrayOutputStream line = new ByteArrayOutputStream();
        for (int c = in.read(); c >= 0 && c != '\n'; c = in.read()) {
            line.write(c);
        }
        return line.toByteArray();
    }

    @Test
    void messagesAreLinesOfVersionedJson() throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        Recipe.Frame still = Recipe.Frame.of("/a.exr", FileKind.EXR, 4, new PictureReading(AlphaKind.PREMULTIPLIED, "haze",
                ColourReading.LINEAR.withExposure(Rational.of(1, 2)).withCurve(ColourReading.Curve.GAMMA22)));
        ClipFacts clip = new ClipFacts("mov", 250, Rate.of(24000, 1001), new ClipFacts.Uneven(Rational.of(1, 50), Rational.of(1, 10), 3, 0),
                "01:00:00:00",
                null, Rational.of(10), List.of(new ClipFacts.Track("aac", "stereo", 2, 48_000, -3.5, false, 480_000)), 2, true);
        List<Message> sent = List.of(new ViewerMessage.Probe(4, "/b.mov"), new ViewerMessage.Probed(4, clip, null),
                new ViewerMessage.Probed(5, null, "no"),
                new ViewerMessage.Check(6, FileKind.EXR, false, PictureChoice.ofLayer("haze"),
                        List.of(new ViewerMessage.Check.File(-3, "/a.-003.exr"))),
                new ViewerMessage.Show(8, 1, new ViewerMessage.Made(new Recipe.Mix(still, still, Rational.of(1, 3))),
                        new ViewerMessage.Shape(4, 3, null, ViewerMessage.Showing.ODD, null)),
                new ViewerMessage.Show(10, 3,
                        new ViewerMessage.Made(new Recipe.Lettered(
                                new Recipe.Drawing(Size.of(720, 576), PixelAspect.of(16, 15), new ReelFrame.Count(3, Rational.of(1, 25))),
                                new Lettering(List.of(new Lettering.Written("sh010 1047", Spot.TOP, 4, 55)), Watermark.of("/k.png"), null),
                                PixelAspect.SQUARE)),
                        new ViewerMessage.Shape(4, 3, null, ViewerMessage.Showing.COLOUR, null)),
                new Message.Heartbeat(0), new RunMessage.Stop(3), new TaskMessage.Proved(7, List.of("K\u00fcste\nline")),
                new ViewerMessage.Show(9, 2, new ViewerMessage.Made(new Recipe.Finished("/a b.mov", 12)),
                        new ViewerMessage.Shape(4, 3, null, ViewerMessage.Showing.ALPHA, null)));
        Lines writer = new Lines(InputStream.nullInputStream(), out);
        for (Message message : sent) {
            writer.write(message);
        }
        assertThat(out.toString(StandardCharsets.UTF_8).lines()).hasSize(10)
                .allMatch(l -> l.contains("\"v\":1") && l.contains("\"type\":"));
        Lines reader = new Lines(new ByteArrayInputStream(out.toByteArray()), new ByteArrayOutputStream());
        List<Message> read = new ArrayList<>();
        for (var next = reader.read(); next.isPresent(); next = reader.read()) {
            read.add(next.get());
        }
        assertThat(read).isEqualTo(sent);
        assertThatThrownBy(() -> new Lines(new ByteArrayInputStream("gibberish\n".getBytes(StandardCharsets.UTF_8)), out).read())
                .isInstanceOf(IOException.class).hasMessageContaining("gibberish");
    }
}
