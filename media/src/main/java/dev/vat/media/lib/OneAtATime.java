package dev.vat.media.lib;

import java.util.concurrent.atomic.AtomicReference;

/** Sees to it that a context of the library is never used, or closed, by two threads at once: it would go wrong without a word. */
public final class OneAtATime {

    private final String what;
    private final AtomicReference<Thread> user = new AtomicReference<>();

    /** @param what in words, for what is said when it is wrong */
    public OneAtATime(String what) {
        this.what = what;
    }

    /** A use goes on until it is left. @throws IllegalStateException naming both threads, if another uses it */
    public void enter() {
        Thread me = Thread.currentThread();
        Thread other = user.compareAndExchange(null, me);
        if (other != null) {
            throw new IllegalStateException(what + " is used by " + other.getName() + " while " + me.getName() + " wants it");
        }
    }

    public void leave() {
        user.set(null);
    }
}
