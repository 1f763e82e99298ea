package dev.vat.worker.capture;

import dev.vat.core.picture.PictureChoice;
import dev.vat.core.preview.CameraFacts;
import dev.vat.core.preview.CaptureWish;
import dev.vat.core.preview.IdleTail;
import dev.vat.core.preview.Preview;
import dev.vat.core.preview.SceneFacts;
import dev.vat.core.source.FileKind;
import dev.vat.core.words.Words;
import dev.vat.media.lib.MediaException;
import dev.vat.media.picture.Picture;
import dev.vat.media.picture.SamplePictures;
import dev.vat.media.read.FrameRead;
import dev.vat.media.read.FrameReader;
import dev.vat.protocol.CaptureMessage;
import dev.vat.protocol.Message;
import dev.vat.protocol.feed.FeedException;
import dev.vat.protocol.feed.FeedPicture;
import dev.vat.protocol.feed.Question;
import dev.vat.protocol.feed.SceneFeed;
import dev.vat.protocol.feed.SceneNotice;
import dev.vat.protocol.storage.Durable;
import dev.vat.protocol.storage.PreviewStore;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.Map;
import java.util.OptionalInt;
import java.util.concurrent.CompletableFuture;
import java.util.function.Consumer;
import java.util.zip.CRC32C;

/**
 * One capture, in the worker: asks a scene for frame after frame and writes them down. Its time is the scene's own: how long a frame
 * takes to draw doesn't matter.
 */
final class CaptureRun {

    private static final Words WORDS = Words.of(CaptureRun.class);

    /** More often nobody sees how far it is, in nanoseconds. */
    private static final long TOLD_EVERY = 80_000_000;
    /** So many pictures are asked for before the first of them is there: the scene draws while this one is packed. */
    private static final int AHEAD = 4;
    private static final int BYTE = 0xff;

    private final CaptureMessage.Capture wanted;
    private final PreviewStore store;
    private final Path ownFolder;
    private final Consumer<Message> answers;
    private volatile boolean stopped;

    /** @param scratch where the scene may write files for this one */
    CaptureRun(CaptureMessage.Capture wanted, Path scratch, Consumer<Message> answers) {
        this.ownFolder = scratch;
        this.wanted = wanted;
        this.store = new PreviewStore(Path.of(wanted.store()));
        this.answers = answers;
    }

    /** What is drawn so far becomes a preview. */
    void stop() {
        stopped = true;
    }

    void run() throws IOException, InterruptedException {
        SceneNotice notice = wanted.notice();
        try (SceneFeed feed = SceneFeed.connect(notice, _ -> {})) {
            SceneFacts scene = feed.describe();
            CaptureWish wish = wanted.wish();
            CameraFacts camera = scene.camera(wish.camera())
                    .orElseThrow(() -> new FeedException(WORDS.say("hasNoCamera", scene.name(), wish.camera())));
            Preview planned = new Preview(store.freshName(scene.name(), wish), scene.name(), camera.title(), scene.revision(), scene.rate(),
                    wish, Instant.now().truncatedTo(ChronoUnit.SECONDS).toString(),
                    wish.drawn(), null, 0, null, null, false, Map.of());
            try (Recorder recorder = Recorder.begin(store, planned)) {
                record(feed, scene, planned, recorder);
            }
        }
    }

    private void record(SceneFeed feed, SceneFacts scene, Preview planned, Recorder recorder) throws IOException, InterruptedException {
        CaptureWish wish = planned.wish();
        Path scratch = scene.files() ? Files.createTempDirectory(ownFolder, "feed-") : null;
        Deque<CompletableFuture<FeedPicture>> asked = new ArrayDeque<>();
        IdleTail idle = new IdleTail();
        String why = null;
        long drawn = 0;
        long next = 0;
        long since = System.nanoTime();
        long told = 0;
        try (FrameReader reader = new FrameReader()) {
            while (drawn < wish.drawn()) {
                while (next < wish.drawn() && asked.size() < AHEAD) {
                    asked.add(feed.frame(question(wish, next++, scratch)));
                }
                if (stopped) {
                    why = WORDS.say("itWasStopped");
                    break;
                }
                FeedPicture got = SceneFeed.await(asked.removeFirst());
                try (Picture picture = picture(got, scratch, reader)) {
                    recorder.add(picture, drawn);
                    idle.add(got.isFiled() ? picture.crc32c() : print(got.samples()));
                }
                drawn++;
                long now = System.nanoTime();
                if (drawn == 1 || drawn == wish.drawn() || now - told >= TOLD_EVERY) {
                    told = now;
                    answers.accept(new CaptureMessage.Capturing(wanted.id(), drawn, wish.drawn(),
                            (now - since) / 1e9 / drawn * (wish.drawn() - drawn)));
                }
            }
        } catch (FeedException e) {
            why = e.getMessage();
        } catch (MediaException | IOException e) {
            // What is closed may still become a preview.
            drawn = recorder.dropOpen();
            why = WORDS.say("itCouldntBeWritten", e.getMessage());
        } finally {
            asked.forEach(a -> a.cancel(false));
            if (scratch != null) {
                Durable.deleteTree(scratch);
            }
        }
        if (drawn == 0) {
            recorder.discard();
            answers.accept(new CaptureMessage.Captured(wanted.id(), null, why));
            return;
        }
        Long still = still(scene, wish, drawn, idle.after());
        try {
            answers.accept(new CaptureMessage.Captured(wanted.id(), recorder.finish(drawn, still, why), why));
        } catch (MediaException e) {
            throw new IOException(WORDS.say("framesLieInPartsInAndBecome", e.getMessage(), drawn, store.folder()), e);
        }
    }

    /** The frame after which nothing moves: what the pictures show, or else what the scene says of its camera. */
    private static Long still(SceneFacts scene, CaptureWish wish, long drawn, OptionalInt seen) {
        if (seen.isPresent()) {
            return wish.frame(seen.getAsInt());
        }
        Long said = scene.camera(wish.camera()).map(CameraFacts::still).orElse(null);
        return said != null && said > wish.range().first() && wish.frame(drawn - 1) - said >= IdleTail.SHORTEST ? said : null;
    }

    private Question.Frame question(CaptureWish wish, long index, Path scratch) {
        return new Question.Frame(0, wish.camera(), wish.frame(index), wish.run(index), wish.size().width(), wish.size().height(),
                wish.shading(), wish.classes(), null,
                scratch == null ? null : file(scratch, wish.frame(index)).toString());
    }

    private static Path file(Path scratch, long frame) {
        return scratch.resolve(frame + ".png");
    }

    private static Picture picture(FeedPicture got, Path scratch, FrameReader reader) throws IOException {
        if (!got.isFiled()) {
            return got.format().hasAlpha() ? SamplePictures.packedRgba(got.width(), got.height(), got.samples())
                    : SamplePictures.packedRgb(got.width(), got.height(), got.samples());
        }
        Path file = file(scratch, got.frame());
        return switch (reader.read(file, FileKind.PNG, PictureChoice.MAIN, 0)) {
            case FrameRead.Sound sound when sound.picture().width() == got.width() && sound.picture().height() == got.height() -> {
                Files.delete(file);
                yield sound.picture();
            }
            case FrameRead.Sound sound -> {
                String size = sound.picture().width() + "x" + sound.picture().height();
                sound.picture().close();
                throw new FeedException(WORDS.say("theSceneWroteFrameAsWhere", got.frame(), size, got.width(), got.height()));
            }
            case FrameRead.Unsound(var _, String why) -> throw new FeedException(
                    WORDS.say("theSceneWroteFrameSoThat", got.frame(), why));
        };
    }

    private static long print(byte[] samples) {
        CRC32C print = new CRC32C();
        print.update(samples);
        return print.getValue();
    }
}
