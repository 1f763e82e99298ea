package dev.vat.core.reel;

import dev.vat.core.time.FrameRange;

/**
 * One item with the frames it takes; {@code start} is its first reel frame.
 *
 * @param item its number in this plan, from 0
 * @param place its number in the reel, which may hold items that nothing is known of
 * @param source its id, or null for what is drawn
 * @param range of the frames that it takes, from the lowest number to the highest; of what is drawn its places
 * @param step from one taken frame to the next
 * @param hold places for which each is shown
 * @param overlap reel frames at its start that lie over the item before
 * @param even whether its frames stand once each, in their order
 * @param together whether several frames make each of its pictures
 */
public record ReelSpan(int item, int place, String source, long start, FrameRange range, long step, long hold, long count, long overlap,
        boolean even, boolean together) {
    public long end() {
        return start + count;
    }

    public boolean isDrawn() {
        return source == null && !together;
    }

    /** Whether it is several views, of which none is its own. */
    public boolean isViews() {
        return source == null && together;
    }
}
