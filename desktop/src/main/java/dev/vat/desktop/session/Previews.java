package dev.vat.desktop.session;

import dev.vat.core.delivery.RoughForecast;
import dev.vat.core.preview.Preview;
import dev.vat.core.project.Edits;
import dev.vat.core.project.PreviewEdits;
import dev.vat.core.project.Project;
import dev.vat.core.project.Source;
import dev.vat.core.source.Approved;
import dev.vat.core.source.Location;
import dev.vat.core.words.Words;
import dev.vat.engine.capture.Captures;
import dev.vat.protocol.storage.Places;
import dev.vat.protocol.storage.PreviewStore;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Executor;
import java.util.function.Consumer;
import java.util.stream.Collectors;

/** Captures that go on, and the previews that came of them. Called on the interface's thread. */
public final class Previews {

    private static final Words WORDS = Words.of(Previews.class);

    private final Session session;
    private final Captures captures;
    private final Executor background;
    private final Executor ui;
    private Consumer<String> onCaptured = _ -> {};
    private List<Preview> kept = List.of();
    private final CaptureQueue queue;

    Previews(Session session, Places places, Executor background, Executor ui) {
        this.session = session;
        this.captures = new Captures(places);
        this.background = background;
        this.ui = ui;
        this.queue = new CaptureQueue(session, captures, background, ui, this::captured, this::reload);
    }

    /** Captures that go on. */
    public CaptureQueue captures() {
        return queue;
    }

    private void captured(Preview preview) {
        kept = new ArrayList<>(kept);
        kept.addFirst(preview);
        take(preview);
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

    /** Into the project, in the place of the preview of the same camera that is there. */
    public void take(Preview preview) {
        session.edit(PreviewEdits.take(Location.ofFile(movie(preview))));
        source(session.project(), preview).ifPresent(s -> onCaptured.accept(s.id()));
    }

    private Optional<Source> source(Project project, Preview preview) {
        Path movie = movie(preview);
        return project.sources().stream().filter(s -> s.location().file().equals(movie)).findFirst();
    }

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
        change(store -> store.approve(preview, yes), yes ? WORDS.say("isTheApprovedOneASource", preview.file()) : "");
    }

    public void delete(Preview preview) {
        source(session.project(), preview).ifPresent(s -> session.edit(Edits.removeSource(s.id())));
        change(store -> store.delete(preview),
                WORDS.say("isDeletedAreFreeAgain", preview.file(), RoughForecast.bytes(preview.bytes())));
    }

    /** Approved previews that a source may be the final frames of: those of its camera first. */
    public List<Approved> approvedFor(Source source) {
        return Preview.approvedFor(source.location(), kept);
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
        queue.close();
        captures.close();
    }
}
