package dev.vat.protocol.feed;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.vat.core.preview.SceneFacts;
import dev.vat.worker.standin.StandInFeed;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.time.Duration;
import java.util.Arrays;
import java.util.List;
import java.util.concurrent.ArrayBlockingQueue;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The talk with a scene over a real connection: with the stand-in, well and ill behaved, and with others that know no manners at all. */
@Timeout(60)
class SceneFeedTest {

    /** More than any machine takes for an answer that comes. */
    private static final Duration PATIENCE = Duration.ofMinutes(2);
    /** For the answer that never comes. */
    private static final Duration SHORT_PATIENCE = Duration.ofSeconds(5);

    @TempDir
    Path folder;

    private static Question.Frame frame(long number) {
        return new Question.Frame(0, "pier", number, 0, 64, 36, "flat", List.of("backdrop", "cells"), null, null);
    }

    private static FeedPicture get(SceneFeed feed, Question.Frame frame) throws IOException, InterruptedException {
        return SceneFeed.await(feed.frame(frame));
    }

    @Test
    void aSceneTellsOfItselfAndDraws() throws Exception {
        try (StandInFeed scene = StandInFeed.start(folder, 1, StandInBehaviour.GOOD)) {
            Path notice = Files.list(folder).findFirst().orElseThrow();
            assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(notice))).as("its token is nobody else's business")
                    .isEqualTo("rw-------");
            assertThat(SceneNotice.in(folder)).containsExactly(scene.notice());
            BlockingQueue<Long> changes = new ArrayBlockingQueue<>(4);
            try (SceneFeed feed = SceneFeed.connect(scene.notice(), PATIENCE, changes::add)) {
                SceneFacts facts = feed.describe();
                assertThat(facts.cameras()).extracting("id").containsExactly("pier", "tower", "sand");
                assertThat(facts.classes()).filteredOn("construction", true).extracting("id").containsExactlyInAnyOrder("lights", "boxes",
                        "paths");
                CompletableFuture<FeedPicture> first = feed.frame(frame(1));
                CompletableFuture<FeedPicture> second = feed.frame(frame(60));
                assertThat(SceneFeed.await(second).samples()).hasSize(64 * 36 * 3).isNotEqualTo(SceneFeed.await(first).samples());
                assertThat(get(feed, frame(1)).samples()).as("the same question, the same bytes").isEqualTo(first.join().samples());
                scene.setTake(2);
                assertThat(changes.poll(300, TimeUnit.SECONDS)).isEqualTo(2);
                assertThat(feed.describe().revision()).isEqualTo(2);
            }
        }
        assertThat(SceneNotice.in(folder)).as("a scene that ends takes its notice away").isEmpty();
    }

    @Test
    void whatCannotBeDrawnIsRefusedAndTheTalkGoesOn() throws Exception {
        try (StandInFeed scene = StandInFeed.start(folder, 1, StandInBehaviour.GOOD.withAbsent(9));
                SceneFeed feed = SceneFeed.connect(scene.notice(), PATIENCE, _ -> {})) {
            assertThatThrownBy(() -> get(feed, frame(9))).isInstanceOf(FeedException.class).hasMessage("Marram Flats: frame 9 isn't "
                    + "to be had");
            assertThatThrownBy(() -> get(feed, frame(601))).hasMessageContaining("there is no frame 601");
            assertThatThrownBy(() -> get(feed, new Question.Frame(0, "roof", 1, 0, 64, 36, null, null, null, null)))
                    .hasMessageContaining("There is no camera 'roof'");
            assertThatThrownBy(() -> get(feed, new Question.Frame(0, "pier", 1, 0, 100_000, 36, null, null, null, null)))
                    .hasMessageContaining("100000x36 aren't drawn");
            assertThatThrownBy(() -> get(feed, new Question.Frame(0, "pier", 1, 0, 64, 36, "oil", null, null, null)))
                    .hasMessageContaining("no shading 'oil'");
            assertThat(get(feed, new Question.Frame(0, "pier", 1, 0, 64, 36, null, List.of(), "depth", null)).samples())
                    .hasSize(64 * 36 * 3);
            FeedPicture seenThrough = get(feed, new Question.Frame(0, "pier", 1, 0, 64, 36, null, List.of(), null, null));
            assertThat(seenThrough.format()).as("without the backdrop").isEqualTo(RawFormat.RGBA8);
            assertThat(seenThrough.samples()).hasSize(64 * 36 * 4);
            CompletableFuture<FeedPicture> nobody = feed.frame(frame(3));
            nobody.cancel(false);
            assertThat(get(feed, frame(4)).frame()).isEqualTo(4);
        }
    }

    @Test
    void aSceneThatLiesOrGoesEndsInWords() throws Exception {
        try (StandInFeed scene = StandInFeed.start(folder, 1, StandInBehaviour.GOOD.withSmall(5).withSilent(6).withGone(7))) {
            try (SceneFeed feed = SceneFeed.connect(scene.notice(), PATIENCE, _ -> {})) {
                assertThatThrownBy(() -> get(feed, frame(5))).hasMessageContaining("sent frame 5 as 32x18")
                        .hasMessageContaining("rgb8 of 1728 bytes where 64x36 of 6912 were asked for");
            }
            try (SceneFeed feed = SceneFeed.connect(scene.notice(), SHORT_PATIENCE, _ -> {})) {
                assertThatThrownBy(() -> get(feed, frame(6))).hasMessage("Marram Flats has said nothing for 5 s");
            }
            try (SceneFeed feed = SceneFeed.connect(scene.notice(), PATIENCE, _ -> {})) {
                assertThatThrownBy(() -> get(feed, frame(7))).hasMessageContaining("has gone");
                assertThatThrownBy(() -> get(feed, frame(8))).as("and stays gone").isInstanceOf(FeedException.class);
            }
        }
    }

    @Test
    void aSceneThatWritesFilesIsLookedAtLikeAnyOther() throws Exception {
        Path scratch = folder.resolve("scratch");
        byte[] drawn;
        try (StandInFeed scene = StandInFeed.start(folder, 1, StandInBehaviour.GOOD);
                SceneFeed feed = SceneFeed.connect(scene.notice(), PATIENCE, _ -> {})) {
            FeedPicture handed = feed.picture(frame(60), feed.describe(), scratch);
            assertThat(handed.format()).isEqualTo(RawFormat.RGB8);
            drawn = handed.samples();
        }
        try (StandInFeed scene = StandInFeed.start(folder, 1, StandInBehaviour.GOOD.withFiles().withSmall(61));
                SceneFeed feed = SceneFeed.connect(scene.notice(), PATIENCE, _ -> {})) {
            assertThatThrownBy(() -> get(feed, frame(60))).hasMessageContaining("handed over as files alone");
            SceneFacts facts = feed.describe();
            FeedPicture filed = feed.picture(frame(60), facts, scratch);
            assertThat(filed.format()).isEqualTo(RawFormat.RGBA8);
            for (int pixel = 0; pixel < 64 * 36; pixel++) {
                assertThat(Arrays.copyOfRange(filed.samples(), 4 * pixel, 4 * pixel + 3)).as("pixel %d", pixel)
                        .containsExactly(drawn[3 * pixel], drawn[3 * pixel + 1], drawn[3 * pixel + 2]);
                assertThat(filed.samples()[4 * pixel + 3]).isEqualTo((byte) 255);
            }
            assertThatThrownBy(() -> feed.picture(frame(61), facts, scratch)).hasMessageContaining("drew frame 61 as 32x18 where "
                    + "64x36 was asked for");
        }
        try (Stream<Path> left = Files.list(scratch)) {
            assertThat(left).isEmpty();
        }
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "no picture at all | so that it can't be read",
        "another size | it is 32x18, not 64x36",
        "nothing | but there is no such file",
        "half | so that it can't be read",
    })
    void aFileThatIsNotWhatTheSceneSaysIsNamed(String written, String words) throws Exception {
        Path file = folder.resolve("7.png");
        if (written.equals("another size")) {
            ImageIO.write(new BufferedImage(32, 18, BufferedImage.TYPE_INT_ARGB), "png", file.toFile());
        } else if (written.equals("half")) {
            ImageIO.write(new BufferedImage(64, 36, BufferedImage.TYPE_INT_ARGB), "png", file.toFile());
            Files.write(file, Arrays.copyOf(Files.readAllBytes(file), (int) Files.size(file) / 2));
        } else if (!written.equals("nothing")) {
            Files.writeString(file, written);
        }
        assertThatThrownBy(() -> FiledPicture.read(file, new FeedPicture(7, 64, 36, null, null), "Flats")).isInstanceOf(FeedException.class)
                .hasMessageContaining("wrote frame 7").hasMessageContaining(words);
    }

    @Test
    void aTalkThatIsOverSaysSoThoughNobodyAsks() throws Exception {
        StandInFeed scene = StandInFeed.start(folder, 1, StandInBehaviour.GOOD);
        try (SceneFeed feed = SceneFeed.connect(scene.notice(), PATIENCE, _ -> {})) {
            feed.describe();
            feed.requireGoing();
            scene.close();
            await(feed);
            assertThatThrownBy(feed::requireGoing).isInstanceOf(FeedException.class).hasMessageContaining("Marram Flats has gone");
        }
    }

    private static void await(SceneFeed feed) throws InterruptedException {
        long until = System.nanoTime() + PATIENCE.toNanos();
        while (System.nanoTime() < until) {
            try {
                feed.requireGoing();
                Thread.sleep(10);
            } catch (FeedException _) {
                return;
            }
        }
    }

    @Test
    void aSlowSceneThatSaysSoIsWaitedFor() throws Exception {
        try (StandInFeed scene = StandInFeed.start(folder, 1, StandInBehaviour.GOOD.withMillis(4500));
                SceneFeed feed = SceneFeed.connect(scene.notice(), Duration.ofSeconds(4), _ -> {})) {
            assertThat(get(feed, frame(2)).frame()).isEqualTo(2);
        }
    }

    @Test
    void whoDoesNotKnowTheTokenIsSentAway() throws Exception {
        try (StandInFeed scene = StandInFeed.start(folder, 1, StandInBehaviour.GOOD)) {
            SceneNotice own = scene.notice();
            assertThatThrownBy(() -> SceneFeed.connect(new SceneNotice(1, "Flats", own.port(), "guessed", own.pid()), PATIENCE, _ -> {}))
                    .hasMessageContaining("sent us away");
        }
        SceneNotice gone = new SceneNotice(1, "Flats", 1, "x", ProcessHandle.current().pid());
        assertThatThrownBy(() -> SceneFeed.connect(gone, PATIENCE, _ -> {})).hasMessageContaining("Flats can't be reached");
    }

    /** What somebody else's scene might send in place of an answer. */
    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "no line of JSON | can't be understood: no line of JSON",
        "{\"answer\":\"weather\",\"id\":1} | can't be understood",
        "{\"answer\":\"scene\",\"id\":1,\"scene\":{\"name\":\"Flats\",\"rate\":\"25\"}} | doesn't say its timeline",
        "{\"answer\":\"scene\",\"id\":1,\"scene\":{\"name\":\"Flats\",\"rate\":\"0\"}} | can't be understood",
        "{\"answer\":\"scene\",\"id\":1} | says nothing of itself",
        "{\"answer\":\"picture\",\"id\":77,\"bytes\":99999999999} | 99999999999 bytes that nobody asked for",
        "{\"answer\":\"welcome\",\"id\":1,\"feed\":1} | greeted twice",
        "LONG | a line of more than",
    })
    void rubbishEndsInWords(String sent, String words) throws Exception {
        try (ServerSocket server = new ServerSocket(0, 0, InetAddress.getLoopbackAddress())) {
            Thread.ofVirtual().start(() -> answer(server, sent));
            SceneNotice notice = new SceneNotice(1, "Flats", server.getLocalPort(), "x", ProcessHandle.current().pid());
            try (SceneFeed feed = SceneFeed.connect(notice, PATIENCE, _ -> {})) {
                assertThatThrownBy(feed::describe).isInstanceOf(FeedException.class).hasMessageContaining(words);
            }
        }
    }

    private static void answer(ServerSocket server, String sent) {
        try (Socket socket = server.accept()) {
            InputStream in = socket.getInputStream();
            OutputStream out = socket.getOutputStream();
            line(in);
            out.write("{\"answer\":\"welcome\",\"id\":0,\"feed\":1,\"scene\":\"Flats\"}\n".getBytes(StandardCharsets.UTF_8));
            line(in);
            out.write((sent.equals("LONG") ? "x".repeat(2_000_000) : sent + "\n").getBytes(StandardCharsets.UTF_8));
            out.flush();
            line(in);
        } catch (IOException _) {
            // The other side had enough.
        }
    }

    private static void line(InputStream in) throws IOException {
        int next = in.read();
        while (next >= 0 && next != '\n') {
            next = in.read();
        }
    }

    @Test
    void anotherVersionIsSaid() throws Exception {
        try (ServerSocket server = new ServerSocket(0, 0, InetAddress.getLoopbackAddress())) {
            Thread.ofVirtual().start(() -> {
                try (Socket socket = server.accept()) {
                    socket.getOutputStream()
                            .write("{\"answer\":\"welcome\",\"id\":0,\"feed\":9,\"scene\":\"Flats\"}\n".getBytes(StandardCharsets.UTF_8));
                    line(socket.getInputStream());
                } catch (IOException _) {
                    // The other side had enough.
                }
            });
            assertThatThrownBy(() -> SceneFeed.connect(new SceneNotice(1, "Flats", server.getLocalPort(), "x", 1), PATIENCE, _ -> {}))
                    .hasMessage("Flats speaks version 9 of the feed, this Vat 1");
        }
    }
}
