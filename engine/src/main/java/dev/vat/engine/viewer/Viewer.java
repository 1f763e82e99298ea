package dev.vat.engine.viewer;

import dev.vat.core.handover.ContactSheet;
import dev.vat.core.picture.PictureChoice;
import dev.vat.core.recipe.Recipe;
import dev.vat.core.resolved.ReelSound;
import dev.vat.core.source.ClipFacts;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.Sequence;
import dev.vat.core.trial.PairLikeness;
import dev.vat.core.words.Words;
import dev.vat.engine.process.WorkerLost;
import dev.vat.engine.process.WorkerProcess;
import dev.vat.protocol.Message;
import dev.vat.protocol.PictureSlots;
import dev.vat.protocol.ViewerMessage;
import dev.vat.protocol.WorkerRole;
import dev.vat.protocol.storage.Places;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.function.Consumer;
import java.util.function.LongFunction;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * Pictures and checks from a viewer process, which is started when first needed and again whenever it dies. No native
 * media code comes near the process that this object lives in. Listeners are called on the worker's thread.
 */
public final class Viewer implements AutoCloseable {

    private static final Words WORDS = Words.of(Viewer.class);
    private static final Logger LOG = LoggerFactory.getLogger(Viewer.class);
    private static final int MOST_RESTARTS_IN_A_ROW = 20;

    private final Places places;
    private final PictureQueue pictures;
    private final Questions questions = new Questions();
    private final CheckQueue checks = new CheckQueue();
    private final KnownChecks known;
    private WorkerProcess worker;
    private long lastId;
    private int restarts;
    private boolean closed;

    /** Somebody is about to open one: its process starts beside whatever has to be known before. */
    public static void expect(Places places) {
        WorkerProcess.prepare(WorkerRole.VIEWER, places, null);
    }

    public Viewer(Places places) {
        this.places = places;
        this.pictures = new PictureQueue(places.cache());
        this.known = new KnownChecks(places.cache().resolve("checks"));
        Thread.startVirtualThread(known::tidy);
    }

    /** Starts the process before anything is asked of it, so that the first picture needn't wait for that. */
    public void wake() {
        Thread.startVirtualThread(() -> {
            try {
                synchronized (this) {
                    if (!closed) {
                        worker();
                    }
                }
            } catch (IOException e) {
                // Whoever asks for the first picture is told.
                LOG.debug("The viewer process can't be started yet", e);
            }
        });
    }

    /** The media library's version; starts the process if need be and waits for it. */
    public String library() throws IOException {
        return worker().hello().library();
    }

    /**
     * Looks into every frame of a sequence. The future is cancelled to stop it; progress comes in batches.
     *
     * @param headersOnly whether pictures stay undecoded
     * @param choice which picture of each file
     */
    public CompletableFuture<FrameTable> check(Sequence sequence, boolean headersOnly, PictureChoice choice,
            Consumer<CheckProgress> listener) {
        CheckJob job = new CheckJob(sequence, headersOnly, choice, known, listener);
        // What is remembered may take a while to read; nobody waits for it.
        Thread.startVirtualThread(() -> {
            known.load(sequence, choice);
            synchronized (this) {
                if (closed) {
                    job.fail(WORDS.say("vatIsClosing"));
                }
                checks.add(job);
                pump();
            }
        });
        return job.result();
    }

    /** What a movie or sound file holds; fails with a reason in words. */
    public CompletableFuture<ClipFacts> probe(Path file) {
        return ask(id -> new ViewerMessage.Probe(id, file.toString()));
    }

    /** Writes a file's first sound track as plain samples, 48 kHz, stereo, 16 bits; fails with a reason in words. */
    public CompletableFuture<Void> listen(Path file, Path into) {
        return ask(id -> new ViewerMessage.Listen(id, file.toString(), into.toString()));
    }

    /** Writes a reel's sound as plain samples to be played. */
    public CompletableFuture<Void> listen(ReelSound sound, Path into) {
        return ask(id -> new ViewerMessage.ListenReel(id, sound, into.toString()));
    }

    /**
     * The samples of a picture at a place, as they are stored, in words.
     *
     * @param x from the left, as a share of the width
     * @param y from the top
     */
    public CompletableFuture<String> sample(ViewerMessage.Taken picture, double x, double y) {
        return ask(id -> new ViewerMessage.Sample(id, picture, x, y));
    }

    /** How far a picture's samples reach, as broadcasters read them, in words. */
    public CompletableFuture<String> levels(ViewerMessage.Taken picture) {
        return ask(id -> new ViewerMessage.Levels(id, picture));
    }

    /** Which captions of a layout have to be smaller than they were to be, in words; empty where all fit. */
    public CompletableFuture<String> fit(Recipe.Views views) {
        return ask(id -> new ViewerMessage.FitCaptions(id, views));
    }

    /** How like pairs of pictures are; null for a pair that has no such measure. */
    public CompletableFuture<List<PairLikeness>> measure(List<ViewerMessage.Pair> pairs) {
        return ask(id -> new ViewerMessage.Measure(id, pairs));
    }

    /** Writes a contact sheet. */
    CompletableFuture<Void> draw(ContactSheet sheet, Path file) {
        return ask(id -> new ViewerMessage.DrawSheet(id, sheet, file.toAbsolutePath().toString()));
    }

    private synchronized <T> CompletableFuture<T> ask(LongFunction<Message> words) {
        long id = ++lastId;
        CompletableFuture<T> answer = questions.ask(id);
        try {
            tell(worker(), words.apply(id));
        } catch (IOException e) {
            questions.answered(id, null, WORDS.say("theProcessForPicturesAnd", e.getMessage()));
        }
        return answer;
    }

    /** Forgets what earlier checks found, so that the next one looks at every file anew. */
    public synchronized void forget(Sequence sequence) {
        known.forget(sequence);
        pictures.forgive();
    }

    /** One picture, see {@link #picture(ViewerMessage.Subject, ViewerMessage.Shape)}. */
    public CompletableFuture<ShownPicture> picture(Recipe recipe, ViewerMessage.Shape shape) {
        return picture(new ViewerMessage.Made(recipe), shape);
    }

    /** A picture at a size of up to 4096 x 2304; fails with a reason in words. Cancel what isn't wanted any more. */
    public CompletableFuture<ShownPicture> picture(ViewerMessage.Subject subject, ViewerMessage.Shape shape) {
        return picture(subject, shape, false);
    }

    /** The same for pictures that can wait: one at a time, beside the others. */
    public CompletableFuture<ShownPicture> later(ViewerMessage.Subject subject, ViewerMessage.Shape shape) {
        return picture(subject, shape, true);
    }

    private synchronized CompletableFuture<ShownPicture> picture(ViewerMessage.Subject subject, ViewerMessage.Shape shape,
            boolean patient) {
        CompletableFuture<ShownPicture> answer = pictures.ask(subject, shape, patient);
        pump();
        return answer;
    }

    private void pump() {
        if (closed) {
            return;
        }
        try {
            pumpPictures();
            pumpChecks();
        } catch (IOException e) {
            failAll(WORDS.say("theProcessForPicturesAnd", e.getMessage()));
        }
    }

    private void pumpPictures() throws IOException {
        while (pictures.isWaiting()) {
            WorkerProcess running = worker();
            Optional<ViewerMessage.Show> next = pictures.next(++lastId);
            if (next.isEmpty() || !tell(running, next.get())) {
                return;
            }
        }
    }

    private void pumpChecks() throws IOException {
        Optional<ViewerMessage.Check> next = checks.next(++lastId);
        while (next.isPresent() && tell(worker(), next.get())) {
            next = checks.next(++lastId);
        }
    }

    /** False if the process is dying: its loss is told in a moment, and what it was asked is asked again then. */
    private static boolean tell(WorkerProcess running, Message message) {
        try {
            running.send(message);
            return true;
        } catch (IOException e) {
            LOG.debug("The viewer process takes nothing more", e);
            return false;
        }
    }

    private synchronized WorkerProcess worker() throws IOException {
        if (worker == null) {
            ViewerMessage.Slots slots = pictures.slots(++lastId);
            worker = WorkerProcess.start(WorkerRole.VIEWER, places, this::take, this::lost);
            worker.send(slots);
        }
        return worker;
    }

    private synchronized void take(Message message) {
        restarts = 0;
        switch (message) {
            case ViewerMessage.Checked checked -> checks.answered(checked);
            case ViewerMessage.Probed probed -> questions.answered(probed.id(), probed.facts(),
                    probed.facts() == null ? probed.why() : null);
            case ViewerMessage.Sampled sampled -> questions.answered(sampled.id(), sampled.words(), sampled.why());
            case ViewerMessage.Measured measured -> questions.answered(measured.id(), measured.values(), null);
            case ViewerMessage.Written written -> questions.answered(written.id(), null, written.why());
            case ViewerMessage.Shown picture -> {
                PictureSlots room = pictures.room();
                pictures.came(picture, () -> release(room, picture.slot()));
            }
            case ViewerMessage.NotShown refused -> pictures.refused(refused);
            case Message.Broken broken -> failAll(broken.why());
            default -> throw new IllegalStateException("A viewer said " + message);
        }
        pump();
    }

    private synchronized void release(PictureSlots room, int slot) {
        if (pictures.release(room, slot)) {
            pump();
        }
    }

    private synchronized void lost(WorkerLost loss) {
        worker = null;
        pictures.lost(!checks.isAsking());
        questions.failAll(WORDS.say("theDecoderCrashedOnItOr"));
        if (++restarts > MOST_RESTARTS_IN_A_ROW) {
            failAll(WORDS.say("theProcessForPicturesAnd2", loss.why()));
            return;
        }
        checks.workerLost();
        pump();
    }

    private void failAll(String why) {
        pictures.failWaiting(why);
        checks.failAll(why);
        questions.failAll(why);
    }

    /** The process's number, for tests that end it. */
    public long pid() throws IOException {
        return worker().pid();
    }

    @Override
    public void close() {
        WorkerProcess running;
        synchronized (this) {
            closed = true;
            running = worker;
            worker = null;
            failAll(WORDS.say("vatIsClosing"));
        }
        if (running != null) {
            running.close();
        }
        pictures.deleteFile();
    }
}
