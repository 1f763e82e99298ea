package dev.vat.core.repack;

import dev.vat.core.words.Words;
import java.util.Arrays;
import java.util.List;

/**
 * How two parts of a film follow each other, by what their pictures show. Only what they prove is said of it: that frames are missing is
 * told by nothing but a movement that goes on behind the gap just as it was before.
 *
 * @param kind what was found
 * @param frames that both have, or that are missing between them; 0 else
 */
public record Seam(Kind kind, int frames) {

    /** What was found. */
    public enum Kind {
        /** Both have the same frames where they meet. */
        SHARED,
        /** The picture moves on as it does within the parts. */
        GOES_ON,
        /** It moves on as if so many frames were missing. */
        MISSING,
        /** Another picture: a cut, or a gap of which nothing can be told. */
        OTHER,
        /** Hardly anything moves, so that nothing can be told. */
        STILL
    }

    private static final Words WORDS = Words.of(Seam.class);

    /**
     * A small picture of a frame, all its samples one after the other, each from 0 to 255, and the fingerprint of the frame's own
     * samples.
     */
    public record Look(float[] samples, int print) {

        /** Mean difference of two pictures. */
        double from(Look other) {
            double sum = 0;
            for (int i = 0; i < samples.length; i++) {
                sum += Math.abs(samples[i] - other.samples[i]);
            }
            return sum / samples.length;
        }
    }

    /** Packed twice, the same frame differs by no more than this. */
    private static final double SAME = 4;
    /** Frames that are the same are apart by less than this share of what frames next to each other are. */
    private static final double CLEARLY = .85;
    /** Less than this from one frame to the next is no movement to judge by. */
    private static final double STILL = .25;
    private static final int FURTHEST = 50;
    /** By how much a step may be longer than is usual. */
    private static final double ONE_STEP = 1.5;
    /** Frames on each side by which a gap is judged. */
    private static final int LEAST_SEEN = 3;
    private static final int MOST_SEEN = 6;
    private static final double MOST_MISFIT = .12;
    /** Over the frames that are seen the picture must go on changing. */
    private static final double STILL_GROWING = 1.25;

    /** In words: {@code they share 7 frames}. */
    public String words() {
        return switch (kind) {
            case SHARED -> WORDS.say("theyShare", frames);
            case GOES_ON -> WORDS.say("theSecondGoesOnWhereThe");
            case MISSING -> WORDS.say("missingBetweenThem", frames);
            case OTHER -> WORDS.say("theSecondBeginsWithAnother");
            case STILL -> WORDS.say("hardlyAnythingMoves");
        };
    }

    /**
     * @param first the last frames of the first part, in order
     * @param second the first frames of the second part, in order
     */
    public static Seam between(List<Look> first, List<Look> second) {
        int shared = shared(first, second);
        return shared > 0 ? new Seam(Kind.SHARED, shared) : moved(first, second);
    }

    /** As many as match one after the other: to the bit, or clearly better than one frame more or fewer would. */
    private static int shared(List<Look> first, List<Look> second) {
        int most = Math.min(first.size(), second.size());
        int exact = 0;
        double[] apart = new double[most + 2];
        Arrays.fill(apart, Double.MAX_VALUE);
        for (int n = 1; n <= most; n++) {
            double sum = 0;
            boolean prints = true;
            for (int i = 0; i < n; i++) {
                Look a = first.get(first.size() - n + i);
                Look b = second.get(i);
                sum += a.from(b);
                prints &= a.print == b.print;
            }
            exact = prints ? n : exact;
            apart[n] = sum / n;
        }
        if (exact > 0) {
            return exact;
        }
        int alike = 0;
        for (int n = 1; n <= most; n++) {
            // One frame alone has but the movement to be held against. A run that hardly moves matches itself at any offset: that says
            // nothing.
            double fewer = n == 1 ? motion(second) / 2 : apart[n - 1];
            boolean clear = apart[n] < SAME && apart[n] < CLEARLY * fewer && (n == most || apart[n] < CLEARLY * apart[n + 1]);
            if (clear && (alike == 0 || apart[n] < apart[alike])) {
                alike = n;
            }
        }
        return alike;
    }

    private static double motion(List<Look> looks) {
        double[] steps = new double[Math.max(0, looks.size() - 1)];
        for (int i = 0; i < steps.length; i++) {
            steps[i] = looks.get(i).from(looks.get(i + 1));
        }
        Arrays.sort(steps);
        return steps.length == 0 ? 0 : steps[steps.length / 2];
    }

    /** How far the picture has gone from one part to the next, held against how far it goes over so many frames within them. */
    private static Seam moved(List<Look> first, List<Look> second) {
        double across = first.getLast().from(second.getFirst());
        double usual = (motion(first) + motion(second)) / 2;
        if (usual < STILL) {
            return new Seam(across < SAME ? Kind.STILL : Kind.OTHER, 0);
        }
        if (across <= usual * ONE_STEP) {
            return new Seam(Kind.GOES_ON, 0);
        }
        int most = Math.min(FURTHEST, Math.min(first.size(), second.size()) - 1);
        double[] within = within(first, second, most);
        double best = MOST_MISFIT;
        int missing = 0;
        for (int gap = 1; gap + LEAST_SEEN < most; gap++) {
            double off = misfit(first, second, within, gap);
            if (off < best) {
                best = off;
                missing = gap;
            }
        }
        return missing > 0 ? new Seam(Kind.MISSING, missing) : new Seam(Kind.OTHER, 0);
    }

    /** How far apart frames are by how many steps lie between them; as near to the seam as can be, further away they may move otherwise. */
    private static double[] within(List<Look> first, List<Look> second, int most) {
        double[] apart = new double[most + 1];
        for (int steps = 1; steps <= most; steps++) {
            apart[steps] = (first.get(first.size() - 1 - steps).from(first.getLast()) + second.getFirst().from(second.get(steps))) / 2;
        }
        return apart;
    }

    /**
     * How badly frames on both sides of the seam fit with so many missing between them, as a share of what they are apart. Of another
     * picture all frames are as far away, however many lie between: that fits nowhere, nor does a movement that has come to an end.
     */
    private static double misfit(List<Look> first, List<Look> second, double[] within, int gap) {
        int seen = Math.min(MOST_SEEN, within.length - 1 - (gap + 1));
        if (within[gap + 1 + seen] < within[gap + 1] * STILL_GROWING) {
            return Double.MAX_VALUE;
        }
        double worst = 0;
        for (int before = 0; before <= seen; before++) {
            for (int behind = 0; before + behind <= seen; behind++) {
                double wanted = within[gap + 1 + before + behind];
                double found = first.get(first.size() - 1 - before).from(second.get(behind));
                worst = Math.max(worst, Math.abs(found - wanted) / wanted);
            }
        }
        return worst;
    }
}
