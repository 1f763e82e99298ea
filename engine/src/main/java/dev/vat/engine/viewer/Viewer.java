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
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutionException;
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

    /** A picture that was asked for. @param patient whether others go before it */
    private record Wanted(ViewerMessage.Subject subject, ViewerMessage.Shape shape, CompletableFuture<ShownPicture> answer,
            boolean patient) {}

    /** What else was asked: a value, or a reason in words for which there is none. */
    private record Question<T>(CompletableFuture<T> answer) {
        void answered(Object value, String why) {
            if (why == null) {
                @SuppressWarnings("unchecked")
                T right = (T) value;
                answer.complete(right);
            } else {
                failed(why);
            }
        }

        void failed(String why) {
            answer.completeExceptionally(new IllegalStateException(why));
        }
    }

    private final Places places;
    private final Map<Long, Wanted> shown = new HashMap<>();
    private final Deque<Wanted> waiting = new ArrayDeque<>();
    /** Those that others go before. */
    private final Deque<Wanted> later = new ArrayDeque<>();
    private final Deque<Integer> freeSlots = new ArrayDeque<>();
    private final List<CheckJob> jobs = new ArrayList<>();
    private final Set<ViewerMessage.Subject> deadly = new HashSet<>();
    private final Map<Long, Question<?>> questions = new HashMap<>();
    private final KnownChecks known;
    private WorkerProcess worker;
    private PictureSlots slots;
    private Path slotFile;
    private long lastId;
    private int restarts;
    private boolean closed;

    public Viewer(Places places) {
        this.places = places;
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
        WorkerProcess started;
        synchronized (this) {
            started = worker();
        }
        return started.hello().library();
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
                jobs.add(job);
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

    /**
     * Writes a contact sheet and waits for it; the name's ending says what kind of file.
     *
     * @throws IOException in words, if it or one of its pictures can't be made
     */
    public void write(ContactSheet sheet, Path file) throws IOException, InterruptedException {
        try {
            ContactSheet.endingOf(file.getFileName().toString());
            this.<Void>ask(id -> new ViewerMessage.DrawSheet(id, sheet, file.toAbsolutePath().toString())).get();
        } catch (ExecutionException e) {
            throw new IOException(e.getCause().getMessage(), e.getCause());
        } catch (IllegalArgumentException e) {
            throw new IOException(e.getMessage(), e);
        }
    }

    private synchronized <T> CompletableFuture<T> ask(LongFunction<Message> words) {
        Question<T> question = new Question<>(new CompletableFuture<>());
        long id = ++lastId;
        questions.put(id, question);
        try {
            tell(worker(), words.apply(id));
        } catch (IOException e) {
            questions.remove(id);
            question.failed(WORDS.say("theProcessForPicturesAnd", e.getMessage()));
        }
        return question.answer;
    }

    private void answered(long id, Object value, String why) {
        Question<?> question = questions.remove(id);
        if (question != null) {
            question.answered(value, why);
        }
    }

    /** Forgets what earlier checks found, so that the next one looks at every file anew. */
    public synchronized void forget(Sequence sequence) {
        known.forget(sequence);
        deadly.clear();
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
        CompletableFuture<ShownPicture> answer = new CompletableFuture<>();
        if (!PictureSlots.fits(shape.width(), shape.height())) {
            answer.completeExceptionally(new IllegalArgumentException(
                    WORDS.say("noPictureOfX", shape.width(), shape.height())));
        } else if (deadly.contains(subject)) {
            answer.completeExceptionally(new IllegalStateException("unreadable: it makes the decoder crash"));
        } else {
            (patient ? later : waiting).add(new Wanted(subject, shape, answer, patient));
            pump();
        }
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
        waiting.removeIf(wanted -> wanted.answer.isDone());
        later.removeIf(wanted -> wanted.answer.isDone());
        while (true) {
            boolean one = !later.isEmpty() && shown.values().stream().noneMatch(Wanted::patient);
            Wanted wanted = one ? later.peek() : waiting.peek();
            if (wanted == null) {
                return;
            }
            WorkerProcess running = worker();
            if (freeSlots.isEmpty()) {
                return;
            }
            (one ? later : waiting).remove();
            long id = ++lastId;
            shown.put(id, wanted);
            if (!tell(running, new ViewerMessage.Show(id, freeSlots.poll(), wanted.subject, wanted.shape))) {
                return;
            }
        }
    }

    private void pumpChecks() throws IOException {
        jobs.removeIf(CheckJob::isOver);
        for (CheckJob job : jobs) {
            for (var question = job.nextQuestion(lastId + 1); question.isPresent(); question = job.nextQuestion(lastId + 1)) {
                lastId++;
                if (!tell(worker(), question.get())) {
                    return;
                }
            }
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

    private WorkerProcess worker() throws IOException {
        if (worker == null) {
            if (slots == null) {
                Files.createDirectories(places.cache());
                slotFile = Files.createTempFile(places.cache(), "pictures-", ".slots");
                slots = PictureSlots.map(slotFile, PictureSlots.COUNT, PictureSlots.BYTES);
                for (int i = 0; i < slots.count(); i++) {
                    freeSlots.add(i);
                }
            }
            worker = WorkerProcess.start(WorkerRole.VIEWER, places, this::take, this::lost);
            worker.send(new ViewerMessage.Slots(++lastId, slotFile.toString(), PictureSlots.COUNT, PictureSlots.BYTES));
        }
        return worker;
    }

    private synchronized void take(Message message) {
        restarts = 0;
        switch (message) {
            case ViewerMessage.Checked checked -> jobs.stream().filter(j -> j.owns(checked.id())).findFirst()
                    .ifPresent(j -> j.answered(checked));
            case ViewerMessage.Probed probed -> answered(probed.id(), probed.facts(), probed.facts() == null ? probed.why() : null);
            case ViewerMessage.Sampled sampled -> answered(sampled.id(), sampled.words(), sampled.why());
            case ViewerMessage.Measured measured -> answered(measured.id(), measured.values(), null);
            case ViewerMessage.Written written -> answered(written.id(), null, written.why());
            case ViewerMessage.Shown picture -> {
                Wanted wanted = shown.remove(picture.id());
                PictureSlots room = slots;
                ShownPicture result = new ShownPicture(picture.width(), picture.height(),
                        room.pixels(picture.slot(), picture.width(), picture.height()), () -> release(room, picture.slot()));
                if (wanted == null || !wanted.answer.complete(result)) {
                    freeSlots.add(picture.slot());
                }
            }
            case ViewerMessage.NotShown refused -> {
                freeSlots.add(refused.slot());
                Wanted wanted = shown.remove(refused.id());
                if (wanted != null) {
                    wanted.answer.completeExceptionally(new IllegalStateException(refused.why()));
                }
            }
            case Message.Broken broken -> failAll(broken.why());
            default -> throw new IllegalStateException("A viewer said " + message);
        }
        pump();
    }

    private synchronized void release(PictureSlots room, int slot) {
        // A slot of a process that died meanwhile is nobody's any more.
        if (room == slots) {
            freeSlots.add(slot);
            pump();
        }
    }

    private synchronized void lost(WorkerLost loss) {
        worker = null;
        // A picture that was alone in the works is what killed it: it is named and not tried again.
        boolean culprit = shown.size() == 1 && jobs.stream().noneMatch(CheckJob::isAsking);
        for (Wanted wanted : shown.values()) {
            if (culprit) {
                deadly.add(wanted.subject);
            }
            wanted.answer.completeExceptionally(new IllegalStateException(culprit
                    ? "unreadable: it makes the decoder crash" : "the decoder had to be started again"));
        }
        shown.clear();
        failQuestions(WORDS.say("theDecoderCrashedOnItOr"));
        slotFile.toFile().delete();
        List<CheckJob> running = List.copyOf(jobs);
        freeSlots.clear();
        slots = null;
        if (++restarts > MOST_RESTARTS_IN_A_ROW) {
            failAll(WORDS.say("theProcessForPicturesAnd2", loss.why()));
            return;
        }
        running.forEach(CheckJob::workerLost);
        pump();
    }

    private void failAll(String why) {
        for (Deque<Wanted> queue : List.of(waiting, later)) {
            queue.forEach(w -> w.answer.completeExceptionally(new IllegalStateException(why)));
            queue.clear();
        }
        jobs.forEach(j -> j.fail(why));
        jobs.clear();
        failQuestions(why);
    }

    private void failQuestions(String why) {
        questions.values().forEach(q -> q.failed(why));
        questions.clear();
    }

    /** The process's number, for tests that end it. */
    public synchronized long pid() throws IOException {
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
        if (slotFile != null) {
            slotFile.toFile().delete();
        }
    }
}
