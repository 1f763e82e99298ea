package dev.vat.bench;

import java.util.ArrayList;
import java.util.List;
import javafx.animation.AnimationTimer;

/** The times between the interface's pulses, in nanoseconds. On the interface's thread while it goes on. */
class PulseGaps extends AnimationTimer {

    private final List<Long> gaps = new ArrayList<>();
    private long last;

    @Override
    public void handle(long now) {
        if (last != 0) {
            gaps.add(now - last);
        }
        last = now;
    }

    int count() {
        return gaps.size();
    }

    /** From the shortest to the longest; to be asked for once it is stopped. */
    long[] sorted() {
        return gaps.stream().mapToLong(Long::longValue).sorted().toArray();
    }
}
