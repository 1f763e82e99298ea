package dev.vat.worker.run;

import java.util.Optional;

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
    private RoomWatch room;
    private RunProgress progress;
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

    private boolean isPaused() {
        synchronized (pauseLock) {
            return paused;
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

    /** Before anything is read. @param where room is looked for @param told why nothing goes on, and for how long */
    void begin(RoomWatch where, RunProgress told) {
        room = where;
        progress = told;
    }

    void waitWhilePaused() throws InterruptedException {
        if (!isPaused()) {
            return;
        }
        long since = System.nanoTime();
        progress.paused();
        synchronized (pauseLock) {
            while (paused) {
                pauseLock.wait();
            }
        }
        progress.held(System.nanoTime() - since);
    }

    /** Nothing more is fed while there is no room; encoders stay open. */
    void holdWithoutRoom() throws InterruptedException {
        if (System.nanoTime() - lastRoom >= ROOM_NANOS) {
            holdUntil(0);
            lastRoom = System.nanoTime();
        }
    }

    /** After a trouble that passes: before it is tried again, also where nothing is seen to be amiss any more. */
    void holdAfter(String trouble) throws InterruptedException {
        long since = System.nanoTime();
        progress.lacking(trouble);
        Thread.sleep(HOLD_MILLIS);
        progress.held(System.nanoTime() - since);
        lookAgain();
        holdWithoutRoom();
    }

    RoomWatch room() {
        return room;
    }

    /** Waits until there is room for some bytes more. */
    void holdUntil(long bytes) throws InterruptedException {
        long since = System.nanoTime();
        Optional<String> shortage = room.shortage(bytes);
        while (shortage.isPresent() && !stopped && !(early && bytes == 0)) {
            progress.lacking(shortage.get());
            Thread.sleep(HOLD_MILLIS);
            shortage = room.shortage(bytes);
        }
        progress.held(System.nanoTime() - since);
    }
}
