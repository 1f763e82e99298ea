package dev.vat.desktop.band;

import java.util.Comparator;
import java.util.Optional;

/**
 * Which stretch of a strip the band shows, and what each pixel column of it stands for. Places and columns are whole
 * numbers; no frame is ever lost between columns: of all places in a column the worst is shown.
 */
public final class BandView {

    private static final double CLOSEST = 40;
    /** How near the pointer has to be to an edge. */
    private static final double GRIP = 5;
    /** By rank: see {@link #rank}. */
    private static final FrameTrack.Mark[] MARKS = FrameTrack.Mark.values().clone();

    static {
        for (FrameTrack.Mark mark : FrameTrack.Mark.values()) {
            MARKS[rank(mark)] = mark;
        }
    }

    private double first;
    private double shown = 1;
    private long count;
    private byte[] ranks = new byte[0];

    /** Looks at every place once; a strip of another length is shown whole, the same length keeps the view. */
    public void setStrip(FrameTrack strip) {
        long places = strip == null ? 0 : strip.count();
        ranks = new byte[Math.toIntExact(places)];
        for (int place = 0; place < ranks.length; place++) {
            ranks[place] = rank(strip.mark(place));
        }
        if (places != count) {
            count = places;
            showAll();
        }
    }

    public void showAll() {
        first = 0;
        shown = Math.max(1, count);
    }

    public double first() {
        return first;
    }

    public double shown() {
        return shown;
    }

    /** @param factor below 1 to see fewer places, larger ones; the place under {@code x} stays where it is */
    public void zoom(double factor, double x, double width) {
        double least = Math.min(count, Math.max(1, width / CLOSEST));
        double at = first + x / width * shown;
        shown = Math.clamp(shown * factor, least, Math.max(least, count));
        first = Math.clamp(at - x / width * shown, 0, Math.max(0, count - shown));
    }

    public void move(double places) {
        first = Math.clamp(first + places, 0, Math.max(0, count - shown));
    }

    /** Moves the view so far that a place is in it. */
    public void reveal(long place) {
        if (place < first) {
            first = place;
        } else if (place + 1 > first + shown) {
            first = Math.clamp(place + 1 - shown, 0, Math.max(0, count - shown));
        }
    }

    public long placeAt(double x, double width) {
        return Math.clamp((long) Math.floor(first + x / width * shown), 0, Math.max(0, count - 1));
    }

    /** The left edge of a place. */
    public double xOf(double place, double width) {
        return (place - first) / shown * width;
    }

    /** The worst mark of all places that share a column. */
    public FrameTrack.Mark worst(int column, int columns) {
        int from = (int) placeAt(column, columns);
        int to = (int) Math.max(from, Math.min(count - 1, (long) Math.ceil(first + (column + 1.0) / columns * shown) - 1));
        byte worst = ranks[from];
        for (int place = from + 1; place <= to; place++) {
            worst = (byte) Math.max(worst, ranks[place]);
        }
        return MARKS[worst];
    }

    /** How many places carry a mark. */
    public long count(FrameTrack.Mark mark) {
        byte rank = rank(mark);
        long places = 0;
        for (byte each : ranks) {
            places += each == rank ? 1 : 0;
        }
        return places;
    }

    /** The next place after {@code place} that carries a mark, from the start again after the last one; -1 if none does. */
    public long next(FrameTrack.Mark mark, long place) {
        byte rank = rank(mark);
        for (int i = 1; i <= ranks.length; i++) {
            int p = (int) ((place + i) % ranks.length);
            if (ranks[p] == rank) {
                return p;
            }
        }
        return -1;
    }

    /** The nearest place after (or before) {@code place} at which something is wrong or stands in, or -1. */
    public long nextTrouble(long place, boolean forward) {
        for (long p = place + (forward ? 1 : -1); p >= 0 && p < ranks.length; p += forward ? 1 : -1) {
            if (MARKS[ranks[(int) p]].isTrouble()) {
                return p;
            }
        }
        return -1;
    }

    /** Unchecked frames deserve less attention than a fault, more than a good one. */
    private static byte rank(FrameTrack.Mark mark) {
        return (byte) (mark == FrameTrack.Mark.GOOD ? 0 : mark == FrameTrack.Mark.UNCHECKED ? 1 : mark.ordinal());
    }

    /** The distance of ruler marks, so that labels of {@code label} pixels have room. */
    public long rulerStep(double width, double label) {
        double room = Math.max(1, shown / Math.max(1, width / label));
        long step = 1;
        int[] factors = {1, 2, 5};
        for (int i = 0; step < room; i++) {
            step = (long) Math.pow(10, i / 3) * factors[i % 3];
        }
        return step;
    }

    /**
     * The edge under the pointer: of two that meet, the one on whose side that is.
     *
     * @param x pixels from the left end of the frames @param onPictures whether the pointer is on the pictures, where dissolves are
     */
    Optional<FrameTrack.Edge> edgeAt(FrameTrack strip, double x, boolean onPictures, double width) {
        return strip.edges().stream().sorted(Comparator.comparing(e -> !e.dissolve())).filter(e -> {
            double off = x - xOf(e.at(), width);
            return Math.abs(off) <= GRIP && (e.dissolve() ? onPictures : e.start() ? off >= 0 : off < 0 || e.at() == strip.count());
        }).findFirst();
    }
}
