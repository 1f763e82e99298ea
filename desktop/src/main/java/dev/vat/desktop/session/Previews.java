package dev.vat.desktop.session;

import dev.vat.core.delivery.RoughForecast;
import dev.vat.core.preview.CaptureAdvice;
import dev.vat.core.preview.CaptureWish;
import dev.vat.core.preview.Preview;
import dev.vat.core.project.Edits;
import dev.vat.core.project.PreviewEdits;
import dev.vat.core.project.Project;
import dev.vat.core.project.Source;
import dev.vat.core.source.Approved;
import dev.vat.core.source.Location;
import dev.vat.core.source.NameWords;
import dev.vat.core.words.Words;
import dev.vat.engine.capture.Captures;
import dev.vat.protocol.CaptureMessage;
import dev.vat.protocol.storage.Places;
import dev.vat.protocol.storage.PreviewStore;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.Deque;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Executor;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** Captures that go on, and the previews that came of them. Called on the interface's thread. */
public final class Previews {

    private static final Words WORDS = Words.of(Previews.class);

    private static final Logger LOG = LoggerFactory.getLogger(Previews.class);

    private final Session session;
    private final Captures captures;
    private final Executor background;
    private final Executor ui;
    private final Deque<Wished> waiting = new ArrayDeque<>();
    private final List<String> captured = new ArrayList<>();
    private Consumer<String> onCaptured = _ -> {};
    private List<Preview> kept = List.of();
    private Wished wished;
    private Captures.Going going;
    private CaptureMessage.Capturing progress;
    private boolean expected;

    private record Wished(LiveScene scene, CaptureWish wish) {}

    Previews(Session session, Places places, Executor background, Executor ui) {
        this.session = session;
        this.captures = new Captures(places);
        this.background = background;
        this.ui = ui;
    }

    /** Told of the source that a fresh preview is, to show it. */
    public void setOnCaptured(Consumer<String> listener) {
        onCaptured = listener;
    }

    /** Finds what is kept, and what captures that were cut off left behind. */
    void load() {
        background.execute(() -> {
            List<Preview> saved = List.of();
            String trouble = null;
            try {
                saved = captures.recover();
            } catch (IOException e) {
                trouble = e.getMessage();
            } catch (InterruptedException _) {
                Thread.currentThread().interrupt();
                return;
            }
            List<Preview> recovered = saved;
            String why = trouble;
            List<Preview> all = captures.store().all();
            ui.execute(() -> {
                kept = all;
                if (why != null) {
                    session.fail(WORDS.say("aCaptureThatWasCutOffCouldnt", why));
                } else if (!recovered.isEmpty()) {
                    session.say(WORDS.say("ofACaptureThatWasCutOff", recovered.stream()
                            .map(p -> WORDS.say("ofFrames", p.file(), p.drawn(), p.wish().drawn())).collect(Collectors.joining("; "))));
                }
                session.changed();
            });
        });
    }

    private void reload() {
        background.execute(() -> {
            List<Preview> all = captures.store().all();
            ui.execute(() -> {
                kept = all;
                session.changed();
            });
        });
    }

    public Path movie(Preview preview) {
        return captures.store().movie(preview);
    }

    /** All that are kept, the newest first. */
    public List<Preview> all() {
        return kept;
    }

    /** Those of one camera, the oldest first. */
    public List<Preview> of(String scene, String camera) {
        return kept.stream().filter(p -> p.scene().equals(scene) && p.wish().camera().equals(camera)).toList().reversed();
    }

    /** The preview that a source is. */
    public Optional<Preview> of(Source source) {
        return kept.stream().filter(p -> movie(p).equals(source.location().file())).findFirst();
    }

    // ---- capturing

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
            kept = new ArrayList<>(kept);
            kept.addFirst(preview);
            captured.add(preview.file() + ": "
                    + (preview.isWhole() ? WORDS.say("frames", preview.drawn())
                            : WORDS.say("ofFrames2", preview.drawn(), preview.wish().drawn(), why))
                    + (preview.idle() == null ? "" : WORDS.say("nothingMovesAfter", CaptureAdvice.number(preview.idle()))) + ".");
            take(preview);
        }
        next();
        if (going == null) {
            rest();
            reload();
        }
        session.say(String.join(" ", captured));
    }

    /** Into the project, in the place of the preview of the same camera that is there. */
    public void take(Preview preview) {
        session.edit(PreviewEdits.take(Location.ofFile(movie(preview))));
        source(session.project(), preview).ifPresent(s -> onCaptured.accept(s.id()));
    }

    private Optional<Source> source(Project project, Preview preview) {
        Path movie = movie(preview);
        return project.sources().stream().filter(s -> s.location().file().equals(movie)).findFirst();
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

    // ---- what is kept

    private interface Change {
        void on(PreviewStore store) throws IOException;
    }

    private void change(Change change, String done) {
        background.execute(() -> {
            try {
                change.on(captures.store());
                ui.execute(() -> {
                    if (!done.isEmpty()) {
                        session.say(done);
                    }
                    reload();
                });
            } catch (IOException e) {
                ui.execute(() -> session.fail(WORDS.say("thePreviewCantBeChanged", e.getMessage())));
            }
        });
    }

    public void note(Preview preview, String words) {
        change(store -> store.keep(preview.withNote(words)), "");
    }

    /** Only one preview of a camera is the approved one. */
    public void approve(Preview preview, boolean yes) {
        List<Preview> others = of(preview.scene(), preview.wish().camera()).stream()
                .filter(p -> p.approved() && !p.file().equals(preview.file())).toList();
        change(store -> {
            for (Preview other : others) {
                store.keep(other.withApproved(false));
            }
            store.keep(preview.withApproved(yes));
        }, yes ? WORDS.say("isTheApprovedOneASource", preview.file()) : "");
    }

    public void delete(Preview preview) {
        source(session.project(), preview).ifPresent(s -> session.edit(Edits.removeSource(s.id())));
        change(store -> store.delete(preview),
                WORDS.say("isDeletedAreFreeAgain", preview.file(), RoughForecast.bytes(preview.bytes())));
    }

    /** Approved previews that a source may be the final frames of: those of its camera first. */
    public List<Approved> approvedFor(Source source) {
        return kept.stream().filter(Preview::approved).filter(p -> NameWords.has(source.location(), p.wish().camera()))
                .map(p -> new Approved(p.file().replace(".mp4", ""), p.wish().camera(), p.range(), p.rate(), p.wish().size(),
                        p.wish().leadIn()))
                .toList();
    }

    /** The latest preview of each camera, in the order of their first frames. */
    public List<Preview> latest() {
        Map<String, Preview> latest = new LinkedHashMap<>();
        kept.forEach(p -> latest.putIfAbsent(p.scene() + "/" + p.wish().camera(), p));
        return latest.values().stream().sorted(Comparator.comparing((Preview p) -> p.range().first())).toList();
    }

    /** A reel of the latest preview of each camera, and a copy of it to look at in which every frame says what it is. */
    public boolean reelForDirector() {
        List<Preview> latest = latest();
        if (latest.isEmpty()) {
            session.say(WORDS.say("noCameraWasCapturedYet"));
            return false;
        }
        latest.forEach(p -> session.edit(PreviewEdits.take(Location.ofFile(movie(p)))));
        List<String> sources = latest.stream().flatMap(p -> source(session.project(), p).stream()).map(Source::id).toList();
        session.edit(PreviewEdits.reelToShow("director", sources));
        session.say(WORDS.say("aReelOfPreviewsTheDirectors", latest.size()));
        return true;
    }

    void close() {
        waiting.clear();
        if (going != null) {
            going.close();
        }
        captures.close();
    }
}
