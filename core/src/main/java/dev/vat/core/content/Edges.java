package dev.vat.core.content;

import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.FrameLook;
import dev.vat.core.words.Words;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * Action that reaches the picture's edge. Of pictures with alpha it is what isn't transparent there; of opaque ones, strips
 * of the edge that change far more than they usually do, while most of the edge stays as it is.
 */
final class Edges {

    private static final Words WORDS = Words.of(Edges.class);

    private enum Side {
        TOP, BOTTOM, LEFT, RIGHT
    }

    private static final double LEAST = 8;
    /** Against the change that nine of ten frames stay below. */
    private static final double OVER_USUAL = 2.5;
    private static final int FEWEST_FRAMES = 2;
    /** Changes at one place of the edge that something makes which comes and goes. */
    private static final int ACTION = 6;
    /** Something that comes to the edge moves there for a few frames; what happens once is texture. */
    private static final int TOGETHER = 4;

    private Edges() {}

    static List<ContentFault> in(Series series, AlphaKind alpha) {
        List<Long> frames = new ArrayList<>();
        Set<Side> sides = EnumSet.noneOf(Side.class);
        double[] usual = alpha.carriesTransparency() ? null : usual(series);
        for (int i = 1; i < series.count(); i++) {
            Set<Side> touched = usual == null ? opaqueAt(series.look(i)) : changedAt(series, i, usual);
            if (!touched.isEmpty()) {
                frames.add(series.number(i));
                sides.addAll(touched);
            }
        }
        if (usual != null) {
            List<Long> all = List.copyOf(frames);
            long near = TOGETHER * (series.count() < 2 ? 1 : series.number(1) - series.number(0));
            frames.removeIf(f -> all.stream().noneMatch(o -> !o.equals(f) && Math.abs(o - f) <= near));
        }
        if (frames.size() < FEWEST_FRAMES) {
            return List.of();
        }
        return List.of(new ContentFault(ContentFault.Kind.EDGE, frames, null, WORDS.say("somethingReachesTheEdge",
                sides.stream().map(s -> WORDS.say("side." + s.name().toLowerCase(Locale.ROOT))).collect(Collectors.joining(", ")))));
    }

    private static Set<Side> opaqueAt(FrameLook look) {
        Set<Side> sides = EnumSet.noneOf(Side.class);
        int strips = 0;
        for (int i = 0; i < FrameLook.EDGES; i++) {
            if (look.edge(i) > 2) {
                sides.add(side(i));
                strips++;
            }
        }
        // A picture that fills its frame touches every edge on purpose.
        return strips > FrameLook.EDGES * .4 ? EnumSet.noneOf(Side.class) : sides;
    }

    private static Set<Side> changedAt(Series series, int place, double[] usual) {
        Set<Side> sides = EnumSet.noneOf(Side.class);
        int strips = 0;
        for (int i = 0; i < FrameLook.EDGES; i++) {
            double change = Math.abs(series.look(place).edge(i) - series.look(place - 1).edge(i));
            if (change > Math.max(LEAST, OVER_USUAL * usual[i])) {
                sides.add(side(i));
                strips++;
            }
        }
        return strips > FrameLook.EDGES * .25 ? EnumSet.noneOf(Side.class) : sides;
    }

    private static double[] usual(Series series) {
        double[] usual = new double[FrameLook.EDGES];
        // In a short shot the action itself may be more than one change in ten.
        double share = Math.clamp(1 - (double) ACTION / Math.max(1, series.count()), .5, .9);
        for (int strip = 0; strip < FrameLook.EDGES; strip++) {
            double[] changes = new double[Math.max(0, series.count() - 1)];
            for (int i = 1; i < series.count(); i++) {
                changes[i - 1] = Math.abs(series.look(i).edge(strip) - series.look(i - 1).edge(strip));
            }
            usual[strip] = Series.ranked(changes, share);
        }
        return usual;
    }

    private static Side side(int strip) {
        return strip < FrameLook.TOP ? Side.TOP : strip < 2 * FrameLook.TOP ? Side.BOTTOM
                : strip < 2 * FrameLook.TOP + FrameLook.SIDE ? Side.LEFT : Side.RIGHT;
    }
}
