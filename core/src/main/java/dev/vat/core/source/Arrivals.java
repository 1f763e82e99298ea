package dev.vat.core.source;

import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;

/**
 * Which frames of a folder that is filling are still being written, told from one look at it to the next. A frame that
 * decodes whole counts once two looks in a row, or its age, show that nobody writes to it any more. One that doesn't is
 * given as long as a few frames of this render have been taking, and only then called a fault. Not for several threads.
 */
public final class Arrivals {

    private static final long LEAST_PATIENCE = 10_000;
    private static final long MOST_PATIENCE = 10 * 60_000;
    private static final int PATIENCE_IN_FRAMES = 3;

    private record Sighting(long size, long modified, long since, int looks) {}

    private final Map<Long, Sighting> sightings = new HashMap<>();
    private long patience = LEAST_PATIENCE;
    private long now;

    /** Takes a fresh listing in; times in milliseconds since 1970. */
    public void look(Sequence sequence, long nowMillis) {
        now = nowMillis;
        patience = RenderPace.of(sequence).map(p -> Math.clamp(PATIENCE_IN_FRAMES * p.median().toMillis(), LEAST_PATIENCE, MOST_PATIENCE))
                .orElse(LEAST_PATIENCE);
        Map<Long, Sighting> fresh = new HashMap<>();
        for (int i = 0; i < sequence.count(); i++) {
            if (now - sequence.modified(i) > MOST_PATIENCE) {
                // Long at rest: not worth remembering, of a million frames nearly all are.
                continue;
            }
            Sighting before = sightings.get(sequence.number(i));
            boolean same = before != null && before.size == sequence.size(i) && before.modified == sequence.modified(i);
            fresh.put(sequence.number(i), same ? new Sighting(before.size, before.modified, before.since, before.looks + 1)
                    : new Sighting(sequence.size(i), sequence.modified(i), now, 1));
        }
        sightings.clear();
        sightings.putAll(fresh);
    }

    /** The frames of a table made from the latest listing that can't be judged yet. */
    public Set<Long> arriving(FrameTable table) {
        Set<Long> arriving = new HashSet<>();
        for (Map.Entry<Long, Sighting> entry : sightings.entrySet()) {
            FrameState state = table.state(entry.getKey());
            Sighting seen = entry.getValue();
            boolean old = now - seen.modified > patience;
            boolean waits = switch (state) {
                case EMPTY, CUT_SHORT,
                        UNREADABLE -> !old || seen.looks > 1 && now - seen.since <= patience && now - seen.modified <= 2 * patience;
                case GOOD, MISMATCH -> seen.looks < 2 && now - seen.modified <= LEAST_PATIENCE;
                default -> false;
            };
            if (waits) {
                arriving.add(entry.getKey());
            }
        }
        return arriving;
    }

    /** Whether anything was written lately, so that another look is worth while. */
    public boolean isFilling() {
        return sightings.values().stream().anyMatch(s -> now - s.modified <= Math.max(patience, 2 * 60_000));
    }
}
