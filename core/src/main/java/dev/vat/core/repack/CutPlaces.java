package dev.vat.core.repack;

import java.util.ArrayList;
import java.util.List;

/**
 * Where a coded track can be cut without touching a picture. Frames are counted in the order in which they are shown; a piece begins at a
 * frame that stands alone, and ends where nothing that is kept leans on what isn't.
 */
public final class CutPlaces {

    /** A frame as it lies in a file. @param time when it is shown, in any unit @param key whether it stands alone */
    public record Coded(long time, boolean key) {}

    private final int count;
    private final boolean[] start;
    private final boolean[] end;

    private CutPlaces(int count, boolean[] start, boolean[] end) {
        this.count = count;
        this.start = start;
        this.end = end;
    }

    /** @param coded in the order in which they are decoded */
    public static CutPlaces of(List<Coded> coded) {
        int count = coded.size();
        int[] shown = order(coded);
        boolean[] start = new boolean[count + 1];
        boolean[] end = new boolean[count + 1];
        end[0] = true;
        int highest = -1;
        for (int i = 0; i < count; i++) {
            highest = Math.max(highest, shown[i]);
            // All that is shown up to here was decoded before all that is shown later.
            end[i + 1] = highest == i;
        }
        int lowest = count;
        for (int i = count - 1; i >= 0; i--) {
            lowest = Math.min(lowest, shown[i]);
            start[i] = coded.get(shown[i]).key && lowest == shown[i];
        }
        return new CutPlaces(count, start, end);
    }

    /** For each place in the order of showing, the place in the order of decoding. */
    public static int[] order(List<Coded> coded) {
        List<Integer> places = new ArrayList<>();
        for (int i = 0; i < coded.size(); i++) {
            places.add(i);
        }
        places.sort((a, b) -> Long.compare(coded.get(a).time, coded.get(b).time));
        return places.stream().mapToInt(Integer::intValue).toArray();
    }

    public int count() {
        return count;
    }

    /** Whether a piece can begin with a frame. */
    public boolean canStart(int frame) {
        return start[frame];
    }

    /** Whether a piece can end before a frame; before the one after the last it always can. */
    public boolean canEnd(int frame) {
        return end[frame];
    }

    /** The last frame at or before one with which a piece can begin, or -1. */
    public int startAtOrBefore(int frame) {
        int at = Math.min(frame, count - 1);
        while (at >= 0 && !start[at]) {
            at--;
        }
        return at;
    }

    /** The first place at or after one before which a piece can end. */
    public int endAtOrAfter(int frame) {
        int at = Math.max(0, frame);
        while (at < count && !end[at]) {
            at++;
        }
        return at;
    }

    /** The last place at or before one before which a piece can end. */
    public int endAtOrBefore(int frame) {
        int at = Math.min(frame, count);
        while (!end[at]) {
            at--;
        }
        return at;
    }

    /** The last frame at or before one at which one piece can end and the next begin, or 0. */
    public int cutAtOrBefore(int frame) {
        int at = Math.min(frame, count - 1);
        while (at > 0 && !(start[at] && end[at])) {
            at--;
        }
        return Math.max(0, at);
    }
}
