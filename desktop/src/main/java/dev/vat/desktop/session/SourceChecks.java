package dev.vat.desktop.session;

import dev.vat.core.content.ContentReview;
import dev.vat.core.project.Source;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.Sequence;
import dev.vat.engine.viewer.CheckProgress;
import dev.vat.engine.viewer.Viewer;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.Executor;
import java.util.function.Consumer;
import java.util.function.IntSupplier;

/** Checks of whole sequences: what they have found is shown several times a second while they go on. */
final class SourceChecks {

    private static final long SNAPSHOT_NANOS = 250_000_000L;
    /** A snapshot of a million frames takes a while: it is taken so rarely that it doesn't slow the check. */
    private static final long SNAPSHOT_SHARE = 10;

    private final Viewer viewer;
    private final Executor ui;
    private final IntSupplier generation;
    private final Consumer<Source> again;
    private final Runnable changed;

    /** @param generation another number for another project: what was begun for the one before counts no more @param again lists anew */
    SourceChecks(Viewer viewer, Executor ui, IntSupplier generation, Consumer<Source> again, Runnable changed) {
        this.viewer = viewer;
        this.ui = ui;
        this.generation = generation;
        this.again = again;
        this.changed = changed;
    }

    void start(Source source, Seen about, Sequence sequence) {
        about.choice = source.reading().picture().choice();
        about.next = null;
        about.checked = 0;
        FrameTable.Collector collector = FrameTable.collect(sequence);
        about.keep(FrameTable.unchecked(sequence));
        int asked = generation.getAsInt();
        var next = new Object() {
            long snapshot;
        };
        CompletableFuture<FrameTable> check = viewer.check(sequence, false, about.choice, progress -> {
            collect(collector, progress);
            long now = System.nanoTime();
            if (now - next.snapshot > 0) {
                show(asked, about, collector.build(), progress.checked());
                next.snapshot = now + Math.max(SNAPSHOT_NANOS, SNAPSHOT_SHARE * (System.nanoTime() - now));
            }
        });
        about.check = check;
        check.whenComplete((table, failure) -> {
            ContentReview review = table == null ? null : ContentReview.of(table);
            ui.execute(() -> {
                if (asked == generation.getAsInt() && about.check == check) {
                    about.check = null;
                    if (table != null) {
                        about.review = review;
                        about.checked = sequence.count();
                        about.judged = table;
                        about.last = table;
                        about.show(table);
                    } else if (!check.isCancelled()) {
                        about.trouble = failure.getMessage();
                    }
                    if (about.next != null) {
                        start(source, about, about.next);
                    } else if (about.watched) {
                        again.accept(source);
                    }
                    changed.run();
                }
            });
        });
        changed.run();
    }

    private static void collect(FrameTable.Collector collector, CheckProgress progress) {
        progress.fresh().forEach(collector::add);
    }

    private void show(int asked, Seen about, FrameTable table, int count) {
        ui.execute(() -> {
            if (asked == generation.getAsInt() && about.check != null) {
                about.keep(table);
                about.checked = count;
                changed.run();
            }
        });
    }

    /** Stops looking into a source; what is known stays. */
    static void stop(Seen about) {
        CompletableFuture<FrameTable> check = about.check;
        about.check = null;
        about.next = null;
        if (check != null) {
            check.cancel(false);
        }
    }
}
