package dev.vat.core.content;

import dev.vat.core.picture.FrameLook;
import dev.vat.core.words.Words;
import java.util.ArrayList;
import java.util.List;

/**
 * Pictures of which only the upper or the lower part was renewed: stripes at one end equal those of a frame nearby, sample
 * for sample, where the same stripes change from frame to frame everywhere else. Where such a thing happens more than once
 * within a few frames, part of the picture is held on purpose.
 */
final class Tears {

    private static final Words WORDS = Words.of(Tears.class);

    private static final int FEWEST = 2;
    private static final int APART = 6;
    /** While the picture fades, its parts come to be alike by themselves. */
    private static final double FADING = .02;
    private static final int BLACK = 3;
    private static final int SEEN = 10;

    private Tears() {}

    static List<ContentFault> in(Series series) {
        List<Integer> places = new ArrayList<>();
        List<ContentFault> found = new ArrayList<>();
        for (int i = 0; i < series.count(); i++) {
            ContentFault fault = at(series, i);
            if (fault != null) {
                places.add(i);
                found.add(fault);
            }
        }
        List<ContentFault> alone = new ArrayList<>();
        for (int i = 0; i < places.size(); i++) {
            // The frame that a tear came from shows the same likeness from its side: the first pair of a place counts once.
            boolean before = i > 0 && places.get(i) - places.get(i - 1) <= APART;
            boolean after = i + 1 < places.size() && places.get(i + 1) - places.get(i) <= APART;
            if (!before && !after) {
                alone.add(found.get(i));
            }
        }
        return alone;
    }

    private static ContentFault at(Series series, int place) {
        if (blackBelow(series, place)) {
            return new ContentFault(ContentFault.Kind.TORN, List.of(series.number(place)), series.number(place - 1),
                    WORDS.say("itsLowerPartIsBlackTheFrames"));
        }
        if (place == 0 || Math.abs(series.look(place).brightness() - series.look(place - 1).brightness()) > FADING) {
            return null;
        }
        boolean[] moving = moving(series, place);
        for (int other = place - 1; other >= Math.max(0, place - Series.WINDOW); other--) {
            String part = part(series, place, other, moving);
            if (part != null && !series.same(place, other)) {
                return new ContentFault(ContentFault.Kind.TORN, List.of(series.number(place)), series.number(other),
                        WORDS.say("itsPartIsThatOfTheRestIs", part, series.label(other)));
            }
        }
        return null;
    }

    private static boolean blackBelow(Series series, int place) {
        if (!series.has(place - 1) || !series.has(place + 1)) {
            return false;
        }
        int rows = 0;
        for (int row = FrameLook.ROWS - 1; row >= 0 && isBlack(series.look(place), row)
                && isSeen(series.look(place - 1), row) && isSeen(series.look(place + 1), row); row--) {
            rows++;
        }
        return rows >= FEWEST && rows < FrameLook.ROWS;
    }

    private static boolean isBlack(FrameLook look, int row) {
        for (int column = 0; column < FrameLook.COLUMNS; column++) {
            if (look.grid(column, row) > BLACK) {
                return false;
            }
        }
        return true;
    }

    private static boolean isSeen(FrameLook look, int row) {
        int sum = 0;
        for (int column = 0; column < FrameLook.COLUMNS; column++) {
            sum += look.grid(column, row);
        }
        return sum > SEEN * FrameLook.COLUMNS;
    }

    /** Stripes that change with nearly every frame around a place, the place itself left out. */
    private static boolean[] moving(Series series, int place) {
        boolean[] moving = new boolean[FrameLook.STRIPES];
        for (int stripe = 0; stripe < FrameLook.STRIPES; stripe++) {
            int steps = 0;
            int changed = 0;
            for (int i = Math.max(1, place - Series.WINDOW); i <= Math.min(series.count() - 1, place + Series.WINDOW); i++) {
                if (i != place && i != place + 1) {
                    steps++;
                    changed += series.look(i).stripe(stripe) != series.look(i - 1).stripe(stripe) ? 1 : 0;
                }
            }
            moving[stripe] = steps >= 4 && changed * 10 >= steps * 9;
        }
        return moving;
    }

    /** Which part of a picture is another's: the upper one, the lower one, or null if neither is. */
    private static String part(Series series, int place, int other, boolean[] moving) {
        List<Boolean> equal = new ArrayList<>();
        for (int stripe = 0; stripe < FrameLook.STRIPES; stripe++) {
            if (moving[stripe]) {
                equal.add(series.look(place).stripe(stripe) == series.look(other).stripe(stripe));
            }
        }
        int top = 0;
        while (top < equal.size() && equal.get(top)) {
            top++;
        }
        int bottom = 0;
        while (bottom < equal.size() && equal.get(equal.size() - 1 - bottom)) {
            bottom++;
        }
        int rest = equal.size() - Math.max(top, bottom);
        if (rest < 1 || Math.max(top, bottom) < FEWEST) {
            return null;
        }
        return WORDS.say(top >= bottom ? "upper" : "lower");
    }
}
