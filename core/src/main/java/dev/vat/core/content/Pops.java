package dev.vat.core.content;

import dev.vat.core.picture.FrameLook;
import dev.vat.core.words.Words;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * A place in the picture that changes for one frame and goes back: a lamp lost, a texture missing. What passes by leaves a
 * trace beside it in the frames before and after; what blinks does it again; a flash changes most of the picture.
 */
final class Pops {

    private static final Words WORDS = Words.of(Pops.class);

    private static final double LEAST = 5;
    private static final double OVER_STEP = 4;
    private static final double OVER_USUAL = 6;
    private static final double MOST_OF_PICTURE = .4;
    private static final double TRACE = .35;
    /** How many cells away something fast may have been a frame ago. */
    private static final int REACH = 2;
    /** The same of what is very fast, and goes on in its direction. */
    private static final int FAR = 6;
    private static final int CELLS = FrameLook.COLUMNS * FrameLook.ROWS;

    private Pops() {}

    static List<ContentFault> in(Series series) {
        List<ContentFault> found = new ArrayList<>();
        for (int i = 1; i < series.count() - 1; i++) {
            int[] cells = cells(series, i);
            if (cells.length > 0 && !blinks(series, i, cells)) {
                found.add(new ContentFault(ContentFault.Kind.POP, List.of(series.number(i)), series.number(i - 1),
                        WORDS.say("aPartOfThePictureChanges", place(cells))));
            }
        }
        return found;
    }

    /** Whether the same cells do the like at another time as well. */
    private static boolean blinks(Series series, int place, int[] cells) {
        for (int cell : cells) {
            double enough = deviation(series, place, cell) / 2;
            for (int i = 1; i < series.count() - 1; i++) {
                boolean near = Math.abs(i - place) <= 1;
                if (!near && deviation(series, i, cell) >= enough && changedCells(series, i) < MOST_OF_PICTURE * CELLS) {
                    return true;
                }
            }
        }
        return false;
    }

    private static int[] cells(Series series, int place) {
        List<Integer> cells = new ArrayList<>();
        for (int cell = 0; cell < CELLS; cell++) {
            double deviation = deviation(series, place, cell);
            double step = Math.abs(value(series, place - 1, cell) - value(series, place + 1, cell));
            if (deviation >= LEAST && deviation > OVER_STEP * step && deviation > OVER_USUAL * usual(series, place, cell)
                    && !leavesTrace(series, place, cell, deviation) && !passesBy(series, place, cell, TRACE * deviation)) {
                cells.add(cell);
            }
        }
        boolean local = !cells.isEmpty() && changedCells(series, place) < MOST_OF_PICTURE * CELLS;
        return local ? cells.stream().mapToInt(Integer::intValue).toArray() : new int[0];
    }

    private static int changedCells(Series series, int place) {
        int changed = 0;
        for (int cell = 0; cell < CELLS; cell++) {
            changed += deviation(series, place, cell) >= LEAST ? 1 : 0;
        }
        return changed;
    }

    private static double value(Series series, int place, int cell) {
        return series.look(place).grid(cell % FrameLook.COLUMNS, cell / FrameLook.COLUMNS);
    }

    /** How far a cell is from the middle between the frames before and after. */
    private static double deviation(Series series, int place, int cell) {
        if (!series.has(place - 1) || !series.has(place + 1)) {
            return 0;
        }
        return Math.abs(value(series, place, cell) - (value(series, place - 1, cell) + value(series, place + 1, cell)) / 2);
    }

    private static double usual(Series series, int place, int cell) {
        double[] around = new double[2 * Series.WINDOW];
        int count = 0;
        for (int i = place - Series.WINDOW; i <= place + Series.WINDOW; i++) {
            // The neighbours' own deviation holds half of a pop.
            if (Math.abs(i - place) > 1 && series.has(i - 1) && series.has(i + 1)) {
                around[count++] = deviation(series, i, cell);
            }
        }
        double[] known = Arrays.copyOf(around, count);
        Arrays.sort(known);
        return count == 0 ? LEAST : known[count * 3 / 4];
    }

    /** Whether a cell beside this one was different shortly before or after: something came by. */
    private static boolean leavesTrace(Series series, int place, int cell, double deviation) {
        int column = cell % FrameLook.COLUMNS;
        int row = cell / FrameLook.COLUMNS;
        for (int dy = -REACH; dy <= REACH; dy++) {
            for (int dx = -REACH; dx <= REACH; dx++) {
                int x = column + dx;
                int y = row + dy;
                if ((dx != 0 || dy != 0) && x >= 0 && y >= 0 && x < FrameLook.COLUMNS && y < FrameLook.ROWS
                        && passed(series, place, y * FrameLook.COLUMNS + x, TRACE * deviation)) {
                    return true;
                }
            }
        }
        return false;
    }

    /**
     * Whether something goes through a cell on its way, however fast: it was seen as far away a frame ago as it will be on the other side a
     * frame later, where it hasn't left the picture by then, or come in just now.
     */
    private static boolean passesBy(Series series, int place, int cell, double enough) {
        int column = cell % FrameLook.COLUMNS;
        int row = cell / FrameLook.COLUMNS;
        for (int dy = -FAR; dy <= FAR; dy++) {
            for (int dx = -FAR; dx <= FAR; dx++) {
                int before = cell(column - dx, row - dy);
                int after = cell(column + dx, row + dy);
                boolean came = before >= 0 && stepBefore(series, place, before) >= enough;
                boolean goes = after >= 0 && goesNear(series, place, after, enough);
                if ((dx != 0 || dy != 0) && (came && (goes || after < 0) || goes && before < 0)) {
                    return true;
                }
            }
        }
        return false;
    }

    /** At a cell or right beside it: nothing moves by whole cells. */
    private static boolean goesNear(Series series, int place, int cell, double enough) {
        for (int dy = -1; dy <= 1; dy++) {
            for (int dx = -1; dx <= 1; dx++) {
                int near = cell(cell % FrameLook.COLUMNS + dx, cell / FrameLook.COLUMNS + dy);
                if (near >= 0 && stepAfter(series, place, near) >= enough) {
                    return true;
                }
            }
        }
        return false;
    }

    /** -1 outside of the picture. */
    private static int cell(int column, int row) {
        return column < 0 || column >= FrameLook.COLUMNS || row < 0 || row >= FrameLook.ROWS ? -1 : row * FrameLook.COLUMNS + column;
    }

    /** Whether a cell changed on the way to the frame before, or from the frame after: a pop leaves both alone. */
    private static boolean passed(Series series, int place, int cell, double enough) {
        return Math.max(stepBefore(series, place, cell), stepAfter(series, place, cell)) >= enough;
    }

    private static double stepBefore(Series series, int place, int cell) {
        return series.has(place - 2) ? Math.abs(value(series, place - 1, cell) - value(series, place - 2, cell)) : 0;
    }

    private static double stepAfter(Series series, int place, int cell) {
        return series.has(place + 2) ? Math.abs(value(series, place + 1, cell) - value(series, place + 2, cell)) : 0;
    }

    private static String place(int[] cells) {
        double x = Arrays.stream(cells).map(c -> c % FrameLook.COLUMNS).average().orElse(0) / (FrameLook.COLUMNS - 1);
        double y = Arrays.stream(cells).map(c -> c / FrameLook.COLUMNS).average().orElse(0) / (FrameLook.ROWS - 1);
        String across = WORDS.say(x < .34 ? "left" : x > .66 ? "right" : "middle");
        return y < .34 ? WORDS.say("upper", across) : y > .66 ? WORDS.say("lower", across) : across;
    }
}
