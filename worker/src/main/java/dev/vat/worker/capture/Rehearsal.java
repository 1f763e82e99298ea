package dev.vat.worker.capture;

import dev.vat.core.picture.Size;
import dev.vat.core.preview.CaptureWish;
import dev.vat.core.time.FrameRange;
import dev.vat.core.words.Words;
import dev.vat.protocol.CaptureMessage;
import dev.vat.protocol.Message;
import dev.vat.protocol.storage.Durable;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;

/**
 * A capture of a blank scene, of which nothing is kept: what a fresh process has to load and to compile would otherwise be taken from the
 * real scene in the first seconds of a capture, when that needs every core to draw.
 */
final class Rehearsal {

    private static final Words WORDS = Words.of(Rehearsal.class);

    /** So many that whatever is done for each pixel or frame has been compiled; five parts of two seconds. */
    private static final FrameRange FRAMES = FrameRange.of(1, 260);
    private static final Size SIZE = Size.of(320, 180);

    private final CaptureRun run;
    private final BlankScene scene;
    private final Path folder;
    private String trouble = WORDS.say("itNeverEnded");
    private volatile boolean stopped;

    Rehearsal(Path scratch) throws IOException {
        folder = Files.createTempDirectory(scratch, "rehearsal-");
        scene = new BlankScene(SIZE, FRAMES);
        CaptureWish wish = CaptureWish.of(scene.facts(), scene.facts().camera(BlankScene.CAMERA).orElseThrow()).withSize(SIZE);
        run = new CaptureRun(new CaptureMessage.Capture(0, scene.notice(), wish, folder.toString()), scratch, this::hear);
    }

    private void hear(Message said) {
        if (said instanceof CaptureMessage.Captured captured) {
            trouble = captured.why();
        }
    }

    /** A capture waits. */
    void stop() {
        stopped = true;
        run.stop();
    }

    /** @throws IOException if it came to nothing, though nobody stopped it */
    void run() throws IOException, InterruptedException {
        try (scene) {
            run.run();
            if (trouble != null && !stopped) {
                throw new IOException(WORDS.say("aRehearsalCameToNothing", trouble));
            }
        } finally {
            Durable.deleteTree(folder);
        }
    }
}
