package dev.vat.engine.viewer;

import dev.vat.core.source.FrameCheck;
import dev.vat.core.source.FrameState;
import dev.vat.core.source.Sequence;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.Map;

/** What was found out about files, for as long as their size and time stay the same; the oldest are let go first. */
final class KnownChecks {

    private static final int MOST = 400_000;

    private record Key(Path file, long size, long modified) { }

    private final Map<Key, FrameCheck> checks = new LinkedHashMap<>() {
        private static final long serialVersionUID = 1L;

        @Override
        protected boolean removeEldestEntry(Map.Entry<Key, FrameCheck> eldest) {
            return size() > MOST;
        }
    };

    private static Key key(Sequence sequence, int index) {
        return new Key(sequence.file(sequence.number(index)), sequence.size(index), sequence.modified(index));
    }

    /** The check of a file, or null if it isn't known as it stands now. */
    FrameCheck get(Sequence sequence, int index) {
        return checks.get(key(sequence, index));
    }

    /** What couldn't be read may be readable in a moment, with neither size nor time changed: that isn't kept. */
    void put(Sequence sequence, FrameCheck check) {
        if (check.state() == FrameState.UNREADABLE) {
            return;
        }
        checks.put(key(sequence, sequence.indexOf(check.number())), check);
    }

    void forget(Sequence sequence) {
        for (int i = 0; i < sequence.count(); i++) {
            checks.remove(key(sequence, i));
        }
    }
}
