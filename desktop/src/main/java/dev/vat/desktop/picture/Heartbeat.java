package dev.vat.desktop.picture;

import java.util.concurrent.CompletableFuture;
import java.util.concurrent.Executor;
import java.util.concurrent.TimeUnit;
import java.util.function.LongPredicate;
import javafx.animation.AnimationTimer;
import javafx.application.Platform;

/**
 * Beats with every pulse of the window while there is something to do, and every few seconds while there isn't, so that a window at rest
 * costs next to nothing. On the interface's thread only.
 */
final class Heartbeat {

    /** Pulses without anything to do before it rests. */
    private static final int PATIENCE = 30;
    private static final long REST_MILLIS = 3000;

    private final Executor later = CompletableFuture.delayedExecutor(REST_MILLIS, TimeUnit.MILLISECONDS);
    private final LongPredicate beat;
    private final AnimationTimer timer = new AnimationTimer() {
        @Override
        public void handle(long now) {
            quiet = beat.test(now) ? 0 : quiet + 1;
            if (quiet > PATIENCE) {
                rest();
            }
        }
    };
    private int quiet;
    private boolean started;
    private boolean resting;
    private boolean closed;

    /** @param beat does what is due at a time in nanoseconds; whether there is more to do soon */
    Heartbeat(LongPredicate beat) {
        this.beat = beat;
    }

    /** Something happened: every pulse counts again. */
    void wake() {
        quiet = 0;
        if (!closed && (resting || !started)) {
            resting = false;
            started = true;
            timer.start();
        }
    }

    boolean isResting() {
        return resting;
    }

    private void rest() {
        timer.stop();
        resting = true;
        lookLater();
    }

    private void lookLater() {
        later.execute(() -> Platform.runLater(() -> {
            if (!resting || closed) {
                return;
            }
            if (beat.test(System.nanoTime())) {
                wake();
            } else {
                lookLater();
            }
        }));
    }

    void close() {
        closed = true;
        timer.stop();
    }
}
