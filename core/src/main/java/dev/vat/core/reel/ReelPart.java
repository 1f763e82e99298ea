package dev.vat.core.reel;

import dev.vat.core.source.FrameTable;
import dev.vat.core.source.GapPolicy;
import dev.vat.core.source.Reading;
import dev.vat.core.time.Rational;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;

/**
 * What an item is planned from.
 *
 * @param place its number in the reel
 * @param table null for what is drawn
 * @param ratio the source's rate over the reel's
 * @param how the pictures of its cells become one, or null where there are none
 * @param cells items that don't stand in the reel by themselves, of whose frames its pictures are made
 * @param delay places of a cell before it begins, for which its first frame stands
 */
public record ReelPart(int place, Item item, FrameTable table, Reading reading, Rational ratio, Assembly how, List<ReelPart> cells,
        long delay) {

    public ReelPart {
        cells = List.copyOf(cells);
    }

    public ReelPart(int place, Item item, FrameTable table, Reading reading, Rational ratio) {
        this(place, item, table, reading, ratio, null, List.of(), 0);
    }

    /** All that a source's reading takes, at the reel's own rate. */
    public static ReelPart of(String source, FrameTable table, Reading reading) {
        return new ReelPart(0, Item.of(source), table, reading, Rational.ONE);
    }

    public static ReelPart of(int place, Item drawn) {
        return new ReelPart(place, Objects.requireNonNull(drawn, "an item"), null, null, Rational.ONE);
    }

    public ReelPart with(Assembly assembly, List<ReelPart> of) {
        return new ReelPart(place, item, table, reading, ratio, assembly, of, delay);
    }

    public ReelPart waiting(long places) {
        return new ReelPart(place, item, table, reading, ratio, how, cells, places);
    }

    GapPolicy gap() {
        return reading.gap();
    }

    /**
     * How long it lasts, if it doesn't take frames of a source itself.
     *
     * @param cells how long each of its cells does, its wait included
     */
    long count(long[] cells) {
        if (item.drawn() != null) {
            return item.drawn().frames();
        }
        return item.layout().frames() != null ? item.layout().frames() : Arrays.stream(cells).max().orElse(0);
    }
}
