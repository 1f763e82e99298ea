package dev.vat.desktop.studio;

import dev.vat.core.project.Project;
import dev.vat.core.project.Source;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.Sequence;
import dev.vat.engine.source.SequenceFinder;
import dev.vat.engine.viewer.CheckProgress;
import dev.vat.engine.viewer.Viewer;
import java.io.IOException;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.Executor;

/** What is seen of a project's sources on disk: the listing at once, the checks as they go on. */
public final class Watch {

    private static final long SNAPSHOT_NANOS = 250_000_000L;
    /** A snapshot of a million frames takes a while: it is taken so rarely that it doesn't slow the check. */
    private static final long SNAPSHOT_SHARE = 10;

    private final Viewer viewer;
    private final Executor background;
    private final Executor ui;
    private final Runnable changed;
    private final Map<String, FrameTable> tables = new HashMap<>();
    private final Map<String, Integer> checked = new HashMap<>();
    private final Map<String, CompletableFuture<FrameTable>> checks = new HashMap<>();
    private final Set<String> looking = new HashSet<>();
    private final Map<String, String> trouble = new HashMap<>();
    private int generation;

    Watch(Viewer viewer, Executor background, Executor ui, Runnable changed) {
        this.viewer = viewer;
        this.background = background;
        this.ui = ui;
        this.changed = changed;
    }

    /** Lists and checks every source that isn't known yet. */
    void look(Project project) {
        for (Source source : project.sources()) {
            if (!tables.containsKey(source.id()) && looking.add(source.id())) {
                list(source);
            }
        }
        // Sources that are gone from the project are checked no longer; undo brings them back by looking anew.
        Set<String> present = new HashSet<>(project.sources().stream().map(Source::id).toList());
        for (String id : Set.copyOf(looking)) {
            if (!present.contains(id)) {
                cancel(id);
                tables.remove(id);
                looking.remove(id);
            }
        }
    }

    private void list(Source source) {
        int asked = generation;
        background.execute(() -> {
            Optional<Sequence> sequence;
            String why = null;
            try {
                sequence = SequenceFinder.again(source.folder().path(), source.pattern());
            } catch (IOException e) {
                sequence = Optional.empty();
                why = e.getMessage();
            }
            Optional<Sequence> found = sequence;
            String reason = why;
            ui.execute(() -> {
                if (asked != generation || !looking.contains(source.id())) {
                    return;
                }
                if (found.isPresent()) {
                    check(source.id(), found.get());
                } else {
                    tables.remove(source.id());
                    trouble.put(source.id(), reason == null ? "its files can't be found" : reason);
                    changed.run();
                }
            });
        });
    }

    private void check(String id, Sequence sequence) {
        tables.put(id, FrameTable.unchecked(sequence));
        checked.put(id, 0);
        FrameTable.Collector collector = FrameTable.collect(sequence);
        int asked = generation;
        var next = new Object() {
            long snapshot;
        };
        CompletableFuture<FrameTable> check = viewer.check(sequence, false, progress -> {
            collect(collector, progress);
            long now = System.nanoTime();
            if (now - next.snapshot > 0) {
                show(asked, id, collector.build(), progress.checked());
                next.snapshot = now + Math.max(SNAPSHOT_NANOS, SNAPSHOT_SHARE * (System.nanoTime() - now));
            }
        });
        checks.put(id, check);
        check.whenComplete((table, failure) -> ui.execute(() -> {
            if (asked == generation && checks.remove(id, check)) {
                if (table != null) {
                    tables.put(id, table);
                    checked.put(id, sequence.count());
                } else if (!check.isCancelled()) {
                    trouble.put(id, failure.getMessage());
                }
                changed.run();
            }
        }));
        changed.run();
    }

    private static void collect(FrameTable.Collector collector, CheckProgress progress) {
        progress.fresh().forEach(collector::add);
    }

    private void show(int asked, String id, FrameTable table, int count) {
        ui.execute(() -> {
            if (asked == generation && checks.containsKey(id)) {
                tables.put(id, table);
                checked.put(id, count);
                changed.run();
            }
        });
    }

    public Map<String, FrameTable> tables() {
        return tables;
    }

    /** How many frames of a source have been looked into. */
    public int checked(String id) {
        return checked.getOrDefault(id, 0);
    }

    public boolean isChecking() {
        return !checks.isEmpty() || looking.stream().anyMatch(id -> !tables.containsKey(id) && !trouble.containsKey(id));
    }

    /** Ids of the sources that are being looked into. */
    Set<String> checking() {
        return Set.copyOf(checks.keySet());
    }

    public boolean isChecking(String id) {
        return checks.containsKey(id);
    }

    /** Why a source's files can't be had, if so. */
    public Optional<String> trouble(String id) {
        return Optional.ofNullable(trouble.get(id));
    }

    /** Stops looking into a source; what is known stays. */
    public void cancel(String id) {
        CompletableFuture<FrameTable> check = checks.remove(id);
        if (check != null) {
            check.cancel(false);
            changed.run();
        }
    }

    /** Lists a source again; files that are as they were aren't looked into anew. */
    public void listAgain(Source source) {
        cancel(source.id());
        trouble.remove(source.id());
        looking.add(source.id());
        list(source);
    }

    /** Lists and checks a source again, as the disk shows it now. */
    public void again(Source source) {
        cancel(source.id());
        FrameTable known = tables.remove(source.id());
        if (known != null) {
            viewer.forget(known.sequence());
        }
        trouble.remove(source.id());
        looking.add(source.id());
        list(source);
        changed.run();
    }

    void forget() {
        generation++;
        checks.values().forEach(c -> c.cancel(false));
        checks.clear();
        tables.clear();
        checked.clear();
        looking.clear();
        trouble.clear();
    }
}
