package dev.vat.desktop.session;

import dev.vat.core.content.ContentReview;
import dev.vat.core.picture.FieldReading;
import dev.vat.core.picture.PictureChoice;
import dev.vat.core.project.Project;
import dev.vat.core.project.Source;
import dev.vat.core.source.ClipFacts;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.Interpretation;
import dev.vat.core.source.ResumeAdvice;
import dev.vat.core.source.Sequence;
import dev.vat.core.words.Words;
import dev.vat.engine.viewer.Listing;
import dev.vat.engine.viewer.Viewer;
import java.io.IOException;
import java.time.Clock;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Executor;

/**
 * What is seen of a project's sources on disk: the listing at once, the checks as they go on, and for folders that are
 * watched what arrives in them.
 */
public final class Watch {

    private static final Words WORDS = Words.of(Watch.class);

    private final Viewer viewer;
    private final Executor background;
    private final Executor ui;
    private final Runnable changed;
    private final Clock clock;
    private final Map<String, Seen> seen = new HashMap<>();
    private Project project = Project.EMPTY;
    /** How each source's pictures are taken, by its id: asked for very often. */
    private final Map<String, Interpretation> pictures = new HashMap<>();
    private int generation;
    private final SourceChecks checks;
    private final FolderWatch folders;

    Watch(Viewer viewer, Executor background, Executor ui, Clock clock, Runnable changed) {
        this.viewer = viewer;
        this.background = background;
        this.ui = ui;
        this.clock = clock;
        this.changed = changed;
        this.checks = new SourceChecks(viewer, ui, () -> generation, this::list, changed);
        this.folders = new FolderWatch(background, ui, () -> project.sources().stream().filter(s -> isWatched(s.id())).toList(),
                () -> seen.values().stream().filter(s -> s.watched).toList(), this::list);
    }

    /** Lists and checks every source that isn't known yet, or is to be read in another way than it was. */
    void look(Project shown) {
        project = shown;
        pictures.clear();
        shown.sources().forEach(s -> pictures.put(s.id(), s.reading().picture()));
        for (Source source : shown.sources()) {
            Seen known = seen.get(source.id());
            PictureChoice choice = source.reading().picture().choice();
            if (known == null || !known.location.equals(source.location())) {
                cancel(source.id());
                Seen fresh = new Seen(source.location());
                fresh.before = known == null ? null : known.last;
                seen.put(source.id(), fresh);
                list(source);
            } else if (!choice.equals(known.choice) && known.table != null) {
                Sequence sequence = known.table.sequence();
                SourceChecks.stop(known);
                checks.start(source, known, sequence);
            }
        }
        // Sources that are gone from the project are checked no longer; undo brings them back by looking anew.
        Set<String> present = new HashSet<>(shown.sources().stream().map(Source::id).toList());
        for (String id : Set.copyOf(seen.keySet())) {
            if (!present.contains(id)) {
                SourceChecks.stop(seen.remove(id));
            }
        }
    }

    private void list(Source source) {
        Seen about = seen.get(source.id());
        if (about.listing) {
            return;
        }
        about.listing = true;
        int asked = generation;
        background.execute(() -> {
            long start = System.nanoTime();
            Listing listing = Listing.NOTHING;
            String why = WORDS.say("itsFilesCantBeFound");
            try {
                listing = Listing.of(viewer, source.location());
            } catch (IOException e) {
                why = e.getMessage();
            }
            Listing found = listing;
            String reason = why;
            long millis = (System.nanoTime() - start) / 1_000_000;
            ui.execute(() -> {
                about.listing = false;
                about.listMillis = millis;
                if (asked == generation && seen.get(source.id()) == about) {
                    listed(source, about, found, reason);
                }
            });
        });
    }

    private void listed(Source source, Seen about, Listing listing, String reason) {
        about.clip = listing.clip().orElse(null);
        if (listing.sequence().isEmpty()) {
            if (about.clip == null) {
                // Not even a sound: what was there is gone.
                SourceChecks.stop(about);
                about.table = null;
                about.judged = null;
                about.trouble = reason;
            }
            changed.run();
            return;
        }
        Sequence sequence = listing.sequence().get();
        about.trouble = null;
        about.arrivals.look(sequence, clock.millis());
        if (about.table == null && about.arrivals.isFilling() && !sequence.pattern().isSingle()) {
            // Written to a moment ago: more may come.
            watch(source, true);
        }
        boolean known = about.isAbout(sequence) && (about.isChecking() || about.table.isChecked());
        about.quiet = known ? about.quiet + 1 : 0;
        if (known) {
            if (!about.isChecking()) {
                FrameTable before = about.table;
                about.show(about.judged == null ? FrameTable.unchecked(sequence) : about.judged);
                if (!before.counts().equals(about.table.counts())) {
                    changed.run();
                }
            }
        } else if (about.isChecking()) {
            about.next = sequence;
        } else {
            checks.start(source, about, sequence);
        }
    }

    public Map<String, FrameTable> tables() {
        Map<String, FrameTable> tables = new HashMap<>();
        seen.forEach((id, s) -> {
            if (s.table != null) {
                tables.put(id, s.asRead(picture(id)));
            }
        });
        return tables;
    }

    /** What is known of one source's frames, or null. */
    public FrameTable table(String id) {
        Seen known = id == null ? null : seen.get(id);
        return known == null ? null : known.asRead(picture(id));
    }

    /** What has to be rendered again of a source that has a {@link #table}. */
    public ResumeAdvice advice(Source source) {
        return seen.get(source.id()).advice(source.reading());
    }

    /** The same for all of its frames, whatever range of them is used. */
    public ResumeAdvice adviceOnAll(Source source) {
        return seen.get(source.id()).advice(source.reading().withRange(null));
    }

    private Interpretation picture(String id) {
        return pictures.getOrDefault(id, Interpretation.AS_STATED);
    }

    Map<String, ContentReview> reviews() {
        Map<String, ContentReview> reviews = new HashMap<>();
        seen.keySet().forEach(id -> reviews.put(id, review(id)));
        return reviews;
    }

    Map<String, ClipFacts> clips() {
        Map<String, ClipFacts> clips = new HashMap<>();
        seen.forEach((id, s) -> {
            if (s.clip != null) {
                clips.put(id, s.clip);
            }
        });
        return clips;
    }

    /** What looks wrong in a source's pictures, as far as is known. */
    public ContentReview review(String id) {
        // What was measured of both fields together isn't said of either.
        return seen.containsKey(id) && picture(id).fields() != FieldReading.EACH ? seen.get(id).review : ContentReview.NOTHING;
    }

    /** What a movie or sound file holds. */
    public Optional<ClipFacts> clip(String id) {
        return Optional.ofNullable(seen.get(id)).map(s -> s.clip);
    }

    /** How many frames of a source have been looked into. */
    public int checked(String id) {
        return seen.containsKey(id) ? seen.get(id).checked : 0;
    }

    public boolean isChecking() {
        return seen.values().stream().anyMatch(s -> s.isChecking() || s.table == null && s.trouble == null && s.clip == null);
    }

    /** Ids of the sources that are being looked into. */
    Set<String> checking() {
        Set<String> ids = new HashSet<>();
        seen.forEach((id, s) -> {
            if (s.isChecking()) {
                ids.add(id);
            }
        });
        return ids;
    }

    public boolean isChecking(String id) {
        return seen.containsKey(id) && seen.get(id).isChecking();
    }

    /** Why a source's files can't be had, if so. */
    public Optional<String> trouble(String id) {
        return Optional.ofNullable(seen.get(id)).map(s -> s.trouble);
    }

    /** Of a source that was found again elsewhere: how many of its pictures aren't those of the old place. */
    public int otherPictures(String id) {
        return seen.containsKey(id) ? seen.get(id).otherPictures() : 0;
    }

    /** Stops looking into a source; what is known stays. */
    public void cancel(String id) {
        Seen about = seen.get(id);
        if (about != null && about.isChecking()) {
            SourceChecks.stop(about);
            changed.run();
        }
    }

    /** Lists a source again; files that are as they were aren't looked into anew. */
    public void listAgain(Source source) {
        seen.computeIfAbsent(source.id(), _ -> new Seen(source.location()));
        list(source);
    }

    /** Lists and checks a source again, as the disk shows it now. */
    public void again(Source source) {
        Seen before = seen.get(source.id());
        Seen fresh = new Seen(source.location());
        if (before != null) {
            SourceChecks.stop(before);
            fresh.watched = before.watched;
            if (before.table != null) {
                viewer.forget(before.table.sequence());
            }
        }
        seen.put(source.id(), fresh);
        list(source);
        changed.run();
    }

    public boolean isWatched(String id) {
        return seen.containsKey(id) && seen.get(id).watched;
    }

    /** Looks at a source's folder again and again, or no longer. */
    public void watch(Source source, boolean on) {
        Seen about = seen.computeIfAbsent(source.id(), _ -> new Seen(source.location()));
        about.watched = on;
        if (about.judged != null) {
            about.show(about.judged);
        }
        if (on) {
            folders.start();
        }
        changed.run();
    }

    void forget() {
        generation++;
        seen.values().forEach(SourceChecks::stop);
        seen.clear();
    }
}
