package dev.vat.core.reel;

import dev.vat.core.source.Cadence;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.GapPolicy;
import dev.vat.core.source.Reading;
import dev.vat.core.source.Sequence;
import dev.vat.core.time.FrameRange;
import java.util.Arrays;
import java.util.stream.LongStream;

/**
 * The source frames that an item asks for, one for each of its places: those of the reading's range without the lead-in,
 * every n-th, each shown for {@code hold} places. When holes are closed up, only frames that can be used are asked for.
 */
final class FrameSelection {

    private final long first;
    private final long step;
    private final long hold;
    private final long count;
    private final long[] chosen;

    private FrameSelection(long first, long step, long hold, long count, long[] chosen) {
        this.first = first;
        this.step = step;
        this.hold = hold;
        this.count = count;
        this.chosen = chosen;
    }

    static FrameSelection of(FrameTable table, Reading reading) {
        Sequence sequence = table.sequence();
        FrameRange range = reading.rangeIn(sequence);
        Cadence cadence = reading.cadence();
        if (cadence.length() != null && sequence.count() == 1) {
            return new FrameSelection(sequence.first(), 1, cadence.length(), cadence.length(), null);
        }
        long grid = reading.stepIn(sequence);
        long first = sequence.firstOnGrid(range.first(), grid) + cadence.leadIn() * grid;
        long there = first > range.last() ? 0 : (range.last() - first) / grid + 1;
        long each = reading.everyIn(sequence);
        long step = grid * each;
        long distinct = Math.ceilDiv(there, each);
        long hold = cadence.keepLength() ? step : 1;
        // Of a range that somebody said the last frame isn't shown beyond its end.
        boolean said = reading.range() != null || reading.expected() != null;
        long places = said ? Math.max(0, range.last() - first + 1) : there * grid;
        long count = cadence.keepLength() ? Math.min(distinct * hold, places) : distinct;
        return reading.gap() == GapPolicy.CLOSE ? closed(table, first, step, hold, distinct)
                : new FrameSelection(first, step, hold, count, null);
    }

    private static FrameSelection closed(FrameTable table, long first, long step, long hold, long distinct) {
        long[] usable = LongStream.range(0, distinct).map(n -> first + n * step)
                .filter(number -> !table.state(number).isFault()).toArray();
        return new FrameSelection(first, step, hold, usable.length * hold, usable);
    }

    long count() {
        return count;
    }

    long first() {
        return chosen == null ? first : chosen.length == 0 ? first : chosen[0];
    }

    long last() {
        return count == 0 ? first() : at(count - 1);
    }

    long step() {
        return step;
    }

    long hold() {
        return hold;
    }

    /** The frame at a place, counted from the item's start. */
    long at(long place) {
        long index = place / hold;
        return chosen == null ? first + index * step : chosen[(int) index];
    }

    /** The last place of a frame, or -1 if it isn't taken. */
    long indexOf(long number) {
        long index = chosen != null ? Arrays.binarySearch(chosen, number)
                : number < first || (number - first) % step != 0 ? -1 : (number - first) / step;
        long place = index < 0 ? -1 : Math.min(count, (index + 1) * hold) - 1;
        return place >= 0 && at(place) == number ? place : -1;
    }
}
