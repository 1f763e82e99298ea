package dev.vat.desktop.session;

import dev.vat.core.project.Source;
import java.util.Collection;
import java.util.List;
import java.util.concurrent.Executor;
import java.util.function.Supplier;

/** Looks at folders that are watched again and again, as rarely as they deserve. On the interface's thread but for the waiting. */
final class FolderWatch {

    private static final long LOOK_MILLIS = 1000;
    private static final long LOOK_SHARE = 10;
    /** After so many looks that found nothing new, the next ones come more rarely, down to one in five seconds. */
    private static final long QUIET_LOOKS = 20;
    private static final long RAREST = 5;

    /** Lists a source's files. */
    interface Look {
        void at(Source source);
    }

    private final Executor background;
    private final Executor ui;
    private final Supplier<List<Source>> sources;
    private final Supplier<Collection<Seen>> watched;
    private final Look look;
    private boolean ticking;

    /** @param sources that are watched now @param watched what is known of them */
    FolderWatch(Executor background, Executor ui, Supplier<List<Source>> sources, Supplier<Collection<Seen>> watched, Look look) {
        this.background = background;
        this.ui = ui;
        this.sources = sources;
        this.watched = watched;
        this.look = look;
    }

    /**
     * How long to wait before folders are looked at again: longer where nothing has come for a while, and where there are so many files
     * that looking would take more than a small share of the time.
     *
     * @param slowest milliseconds that the last look took @param quiet how many looks in a row found nothing new
     * @return milliseconds
     */
    static long pause(long slowest, long quiet) {
        return Math.max(LOOK_MILLIS * Math.min(RAREST, 1 + quiet / QUIET_LOOKS), LOOK_SHARE * slowest);
    }

    void start() {
        if (!ticking) {
            ticking = true;
            tick();
        }
    }

    private void tick() {
        long slowest = watched.get().stream().mapToLong(s -> s.listMillis).max().orElse(0);
        long quiet = watched.get().stream().mapToLong(s -> s.quiet).min().orElse(0);
        background.execute(() -> {
            try {
                Thread.sleep(pause(slowest, quiet));
            } catch (InterruptedException _) {
                Thread.currentThread().interrupt();
                return;
            }
            ui.execute(() -> {
                List<Source> again = sources.get();
                again.forEach(look::at);
                ticking = !again.isEmpty();
                if (ticking) {
                    tick();
                }
            });
        });
    }
}
