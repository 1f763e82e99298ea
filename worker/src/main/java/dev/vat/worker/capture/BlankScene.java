package dev.vat.worker.capture;

import dev.vat.core.picture.Size;
import dev.vat.core.preview.CameraFacts;
import dev.vat.core.preview.SceneFacts;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rate;
import dev.vat.protocol.feed.Answer;
import dev.vat.protocol.feed.FeedWire;
import dev.vat.protocol.feed.Question;
import dev.vat.protocol.feed.RawFormat;
import dev.vat.protocol.feed.SceneNotice;
import java.io.IOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** A scene that holds nothing but slopes that move: costs next to nothing to draw, and is there for whoever rehearses a capture. */
final class BlankScene implements AutoCloseable {

    static final String CAMERA = "slopes";

    private static final Logger LOG = LoggerFactory.getLogger(BlankScene.class);
    private static final String NAME = "A rehearsal";

    private final ServerSocket server = new ServerSocket(0, 0, InetAddress.getLoopbackAddress());
    private final SceneNotice notice = new SceneNotice(Question.FEED, NAME, server.getLocalPort(), UUID.randomUUID().toString(),
            ProcessHandle.current().pid());
    private final SceneFacts facts;

    BlankScene(Size size, FrameRange timeline) throws IOException {
        facts = new SceneFacts(NAME, 1, Rate.FPS_25, timeline, size, List.of(new CameraFacts(CAMERA, CAMERA, null, null, 0)), List.of(),
                List.of(), List.of(), List.of(), false);
        Thread.ofVirtual().name("rehearsal").start(this::talk);
    }

    SceneNotice notice() {
        return notice;
    }

    SceneFacts facts() {
        return facts;
    }

    private void talk() {
        try (FeedWire wire = new FeedWire(server.accept())) {
            for (Optional<Question> next = wire.read(Question.class); next.isPresent(); next = wire.read(Question.class)) {
                switch (next.get()) {
                    case Question.Hello hello -> wire.write(new Answer.Welcome(hello.id(), Question.FEED, NAME));
                    case Question.Scene scene -> wire.write(new Answer.Scene(scene.id(), facts));
                    case Question.Frame frame -> {
                        byte[] rgb = slopes(frame);
                        wire.write(new Answer.Picture(frame.id(), frame.frame(), frame.width(), frame.height(), RawFormat.RGB8, rgb.length),
                                rgb);
                    }
                    case Question.Cancel _ -> {}
                }
            }
        } catch (IOException e) {
            LOG.debug("A rehearsal's talk ended", e);
        }
    }

    /** They move, so that an encoder looks for where things went. */
    private static byte[] slopes(Question.Frame wanted) {
        int moved = (int) wanted.frame();
        byte[] rgb = new byte[RawFormat.RGB8.bytesPerPixel() * wanted.width() * wanted.height()];
        for (int y = 0, at = 0; y < wanted.height(); y++) {
            for (int x = 0; x < wanted.width(); x++) {
                rgb[at++] = (byte) (x + 2 * moved ^ y);
                rgb[at++] = (byte) (y + moved);
                rgb[at++] = (byte) (x - moved);
            }
        }
        return rgb;
    }

    @Override
    public void close() throws IOException {
        server.close();
    }
}
