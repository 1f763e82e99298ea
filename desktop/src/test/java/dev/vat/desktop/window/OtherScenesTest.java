package dev.vat.desktop.window;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.picture.Size;
import dev.vat.core.preview.SceneFacts;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rate;
import dev.vat.desktop.session.LiveScene;
import dev.vat.protocol.feed.Answer;
import dev.vat.protocol.feed.FeedWire;
import dev.vat.protocol.feed.Question;
import dev.vat.protocol.feed.RawFormat;
import dev.vat.protocol.feed.SceneNotice;
import dev.vat.protocol.feed.StandInBehaviour;
import dev.vat.worker.standin.StandInFeed;
import java.io.IOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import javafx.scene.control.Labeled;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** Scenes that aren't as one would wish them: they hand over files alone, can't draw a frame, hang up. */
class OtherScenesTest extends WindowCase {

    private StandInFeed scene;

    @AfterEach
    void end() throws IOException {
        if (scene != null) {
            scene.close();
        }
    }

    private LiveScene live(StandInBehaviour manners) throws Exception {
        scene = StandInFeed.start(places.scenes(), 1, manners);
        await(() -> !session().scenes().all().isEmpty());
        return on(() -> session().scenes().all().getFirst());
    }

    private List<String> words() throws Exception {
        return on(() -> node("scenes").lookupAll(".label").stream().map(n -> ((Labeled) n).getText())
                .filter(t -> t.startsWith("It can't be seen")).toList());
    }

    @Test
    void aSceneThatWritesFilesIsSeenTestedAndCaptured() throws Exception {
        // In the middle of the first camera's frames, where its picture is taken.
        LiveScene live = live(StandInBehaviour.GOOD.withFiles().withAbsent(92));
        await(() -> live.picture("tower").isPresent() && live.picture("sand").isPresent() && live.unseen("pier").isPresent());
        settle();
        assertThat(live.picture("tower").orElseThrow().format()).as("a PNG file may have alpha").isEqualTo(RawFormat.RGBA8);
        assertThat(live.picture("pier")).isEmpty();
        assertThat(words()).as("the others are there all the same").containsExactly("It can't be seen: Marram Flats: frame 92 isn't "
                + "to be had.");
        press("capture-tower");
        press("capture-percent-25");
        enter("capture-range", "170-180");
        press("capture-test");
        await(() -> isThere("capture-picture"));
        assertThat(text("capture-forecast"))
                .matches("Frame 0175 as it will be captured\\. One after the other: 11 frames x [\\d.]+ s = [\\d.]+ s\\..*");
        press("capture-now");
        await(() -> !session().previews().captures().isGoing() && session().previews().all().size() == 1);
        assertThat(on(() -> session().previews().all().getFirst().isWhole())).isTrue();
    }

    @Test
    void aSceneThatHangsUpIsSaidAndAskedAgain() throws Exception {
        LiveScene live = live(StandInBehaviour.GOOD.withGone(92));
        await(() -> live.trouble().isPresent());
        settle();
        assertThat(live.trouble().orElseThrow()).startsWith("Marram Flats has gone");
        assertThat(on(() -> node("scenes").lookupAll(".fault").stream().map(n -> ((Labeled) n).getText()).toList()))
                .containsExactly(live.trouble().orElseThrow() + ".");
        scene.close();
        await(() -> session().scenes().all().isEmpty());
        await(() -> window.mainView().can("start-scene") && !isThere("scenes"));
    }

    /** Somebody else's scene: says what it holds, and hangs up later although nobody asks it anything. */
    @Test
    void aSceneThatHangsUpWhileNobodyAsksIsSaidToo() throws Exception {
        try (ServerSocket server = new ServerSocket(0, 0, InetAddress.getLoopbackAddress())) {
            CompletableFuture<FeedWire> talk = new CompletableFuture<>();
            Thread.ofVirtual().start(() -> greet(server, talk));
            new SceneNotice(Question.FEED, "Flats", server.getLocalPort(), "x", ProcessHandle.current().pid()).post(places.scenes());
            await(() -> !session().scenes().all().isEmpty() && session().scenes().all().getFirst().facts().isPresent());
            LiveScene live = on(() -> session().scenes().all().getFirst());
            assertThat(live.trouble()).isEmpty();
            talk.join().close();
            await(() -> live.trouble().isPresent());
            assertThat(live.trouble().orElseThrow()).startsWith("Flats has gone");
        }
    }

    private static void greet(ServerSocket server, CompletableFuture<FeedWire> talk) {
        try {
            FeedWire wire = new FeedWire(server.accept());
            wire.write(new Answer.Welcome(wire.read(Question.class).orElseThrow().id(), Question.FEED, "Flats"));
            long id = wire.read(Question.class).orElseThrow().id();
            wire.write(new Answer.Scene(id, new SceneFacts("Flats", 1, Rate.FPS_25, FrameRange.of(1, 9), Size.of(64, 36), List.of(),
                    List.of(), List.of(), List.of(), List.of(), false)));
            talk.complete(wire);
        } catch (IOException e) {
            talk.completeExceptionally(e);
        }
    }

    @Test
    @Tag("process")
    @Tag("slow")
    void aProcessStandsReadyWhileSomebodyLooksAtWhatIsToBeCaptured() throws Exception {
        LiveScene live = live(StandInBehaviour.GOOD);
        // Every picture that comes moves what stands below it.
        await(() -> live.picture("tower").isPresent() && live.picture("pier").isPresent() && live.picture("sand").isPresent()
                && isThere("capture-sand"));
        settle();
        assertThat(waiting()).isZero();
        press("capture-tower");
        await(() -> waiting() == 1);
        press("capture-tower");
        await(() -> waiting() == 0);
    }

    private static long waiting() {
        return ProcessHandle.current().children().filter(ProcessHandle::isAlive).filter(p -> words(p).endsWith(" capture")).count();
    }

    /** The JDK tells a command line of up to 4096 bytes, which a class path can be longer than: the system's own list has all of it. */
    private static String words(ProcessHandle process) {
        Path all = Path.of("/proc", Long.toString(process.pid()), "cmdline");
        try {
            return Files.exists(all) ? Files.readString(all).replace('\0', ' ').strip() : process.info().commandLine().orElse("");
        } catch (IOException _) {
            // It ended meanwhile.
            return "";
        }
    }
}
