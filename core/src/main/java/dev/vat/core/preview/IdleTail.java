package dev.vat.core.preview;

import java.util.OptionalInt;

/** Whether what was captured stands still at its end. */
public final class IdleTail {

    /** Repeats that are no tail worth mentioning. */
    public static final int SHORTEST = 5;

    private long last;
    private boolean any;
    private int index;
    private int moved;

    /** @param print of the next picture: the same for the same one */
    public void add(long print) {
        if (any && print != last) {
            moved = index;
        }
        last = print;
        any = true;
        index++;
    }

    /** The picture after which nothing moves any more, from 0; empty if something does until the end, or if nothing ever did. */
    public OptionalInt after() {
        return index - 1 - moved >= SHORTEST && moved > 0 ? OptionalInt.of(moved) : OptionalInt.empty();
    }
}
