package dev.vat.desktop.session;

import dev.vat.core.preview.CaptureAdvice;
import dev.vat.core.preview.CaptureWish;
import dev.vat.core.preview.Preview;
import dev.vat.core.words.Words;
import dev.vat.engine.capture.Captures;
import dev.vat.protocol.CaptureMessage;
import java.io.IOException;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Executor;
import java.util.function.Consumer;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** Captures that go on, one camera after the other. Called on the interface's thread. */
public final class CaptureQueue {

    private static final Words WORDS = Words.of(CaptureQueue.class);

    private static final Logger LOG = LoggerFactory.getLogger(CaptureQueue.class);

    private final Session session;
    private final Captures captures;
    private final Executor background;
    private final Executor ui;
    private final Consumer<Preview> done;
    private final Runnable through;
    private final Deque<Wished> waiting = new ArrayDeque<>();
    private final List<String> captured = new ArrayList<>();
    private Wished wished;
    private Captures.Going going;
    private CaptureMessage.Capturing progress;
    private boolean expected;

    private record Wished(LiveScene scene, CaptureWish wish) {}

    /** @param done told of each preview that came of it @param through told when nothing goes on any more */
    CaptureQueue(Session session, Captures captures, Executor background, Executor ui, Consumer<Preview> done, Runnable through) {
        this.session = session;
        this.captures = captures;
        this.background = background;
        this.ui = ui;
        this.done = done;
        this.through = through;
    }

    /** Somebody is about to capture, or isn't any more: meanwhile a process that captures stands ready. */
    public void expect(boolean soon) {
        if (soon == expected) {
            return;
        }
        expected = soon;
        if (soon && going == null) {
            background.execute(() -> {
                try {
                    captures.prepare();
                } catch (IOException e) {
                    // A capture itself will say it to whoever asks for one.
                    LOG.info("No process stands ready to capture", e);
                }
            });
        } else {
            rest();
        }
    }

    private void rest() {
        if (!expected && going == null) {
            background.execute(captures::rest);
        }
    }

    /** Captures one camera after the other. */
    public void capture(LiveScene scene, List<CaptureWish> wishes) {
        if (going == null && waiting.isEmpty()) {
            captured.clear();
        }
        wishes.forEach(w -> waiting.add(new Wished(scene, w)));
        next();
    }

    private void next() {
        if (going != null || waiting.isEmpty()) {
            return;
        }
        wished = waiting.removeFirst();
        progress = null;
        Wished own = wished;
        try {
            going = captures.start(own.scene.notice(), own.wish, p -> ui.execute(() -> {
                progress = p;
                session.tell();
            }));
        } catch (IOException e) {
            ended(null, e.getMessage());
            return;
        }
        going.result().whenComplete((result, failure) -> ui.execute(() -> {
            if (failure != null) {
                lost(failure.getMessage());
            } else {
                ended(result.preview(), result.why());
            }
        }));
        session.changed();
    }

    /** What was closed before the worker was lost becomes a preview. */
    private void lost(String why) {
        CaptureWish own = wished.wish;
        background.execute(() -> {
            Preview saved;
            try {
                saved = captures.recover().stream().filter(p -> p.wish().equals(own)).findFirst().orElse(null);
            } catch (IOException e) {
                ui.execute(() -> ended(null, WORDS.say("whatIsThereCouldntBeSaved", why, e.getMessage())));
                return;
            } catch (InterruptedException _) {
                Thread.currentThread().interrupt();
                return;
            }
            ui.execute(() -> ended(saved, why));
        });
    }

    private void ended(Preview preview, String why) {
        going = null;
        String camera = wished.wish.camera();
        if (preview == null) {
            captured.add(WORDS.say("nothingOfWasCaptured", camera, why));
        } else {
            captured.add(preview.file() + ": "
                    + (preview.isWhole() ? WORDS.say("frames", preview.drawn())
                            : WORDS.say("ofFrames2", preview.drawn(), preview.wish().drawn(), why))
                    + (preview.idle() == null ? "" : WORDS.say("nothingMovesAfter", CaptureAdvice.number(preview.idle()))) + ".");
            done.accept(preview);
        }
        next();
        if (going == null) {
            rest();
            through.run();
        }
        session.say(String.join(" ", captured));
    }

    public boolean isGoing() {
        return going != null;
    }

    /** How many captures wait behind the one that goes on. */
    public int waiting() {
        return waiting.size();
    }

    /** How far the capture is, from 0 to 1. */
    public double share() {
        return progress == null ? 0 : (double) progress.drawn() / progress.frames();
    }

    /** What goes on, in words; empty for nothing. */
    public String words() {
        if (going == null) {
            return "";
        }
        String camera = wished.wish.camera();
        return progress == null ? WORDS.say("startingToCapture", camera)
                : WORDS.say("capturingOfFramesSomeSLeft", camera, progress.drawn(), progress.frames(),
                        Math.max(1, Math.round(progress.secondsLeft())), (waiting.isEmpty() ? "" : WORDS.say("thenMore", waiting.size())));
    }

    /** Stops; what is there becomes a preview, and what waits isn't begun. */
    public void stop() {
        waiting.clear();
        if (going != null) {
            try {
                going.stop();
            } catch (IOException e) {
                session.fail(WORDS.say("theCaptureCantBeStopped", e.getMessage()));
            }
        }
    }

    /** The process that captures, for tests that end it. */
    public Optional<Long> worker() {
        return Optional.ofNullable(going).map(Captures.Going::pid);
    }

    void close() {
        waiting.clear();
        if (going != null) {
            going.close();
        }
    }
}
