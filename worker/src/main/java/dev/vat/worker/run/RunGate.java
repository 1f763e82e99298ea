package dev.vat.worker.run;

import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.LongConsumer;

/**
 * What holds a run up: somebody who pauses or stops it, or a disk that is full. {@link #stop}, {@link #pause} and {@link #endEarly} may
 * come from another thread than the run's.
 */
final class RunGate {

    private static final long ROOM_NANOS = 500_000_000L;
    private static final long HOLD_MILLIS = 500;

    private final Object pauseLock = new Object();
    private volatile boolean stopped;
    private volatile boolean early;
    private boolean paused;
    private long lastRoom;

    void stop() {
        stopped = true;
        pause(false);
    }

    void endEarly() {
        early = true;
        pause(false);
    }

    void pause(boolean on) {
        synchronized (pauseLock) {
            paused = on;
            pauseLock.notifyAll();
        }
    }

    boolean isStopped() {
        return stopped;
    }

    /** Whether what was read is all that is to be made. */
    boolean endsEarly() {
        return early;
    }

    /** The room is looked at anew before the next frame. */
    void lookAgain() {
        lastRoom = System.nanoTime() - ROOM_NANOS;
    }

    /** @param held told how long it took, in nanoseconds */
    void waitWhilePaused(LongConsumer held) throws InterruptedException {
        long since = System.nanoTime();
        synchronized (pauseLock) {
            while (paused) {
                pauseLock.wait();
            }
        }
        held.accept(System.nanoTime() - since);
    }

    /** Nothing more is fed while there is no room; encoders stay open. @param lacking told why it waits, now and again */
    void holdWithoutRoom(RoomWatch room, Consumer<String> lacking, LongConsumer held) throws InterruptedException {
        if (System.nanoTime() - lastRoom >= ROOM_NANOS) {
            holdUntil(room, 0, lacking, held);
            lastRoom = System.nanoTime();
        }
    }

    /** Waits until there is room for some bytes more. */
    void holdUntil(RoomWatch room, long bytes, Consumer<String> lacking, LongConsumer held) throws InterruptedException {
        long since = System.nanoTime();
        Optional<String> shortage = room.shortage(bytes);
        while (shortage.isPresent() && !stopped && !(early && bytes == 0)) {
            lacking.accept(shortage.get());
            Thread.sleep(HOLD_MILLIS);
            shortage = room.shortage(bytes);
        }
        held.accept(System.nanoTime() - since);
    }
}
