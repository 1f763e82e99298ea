package dev.vat.core.repack;

import dev.vat.core.words.Words;
import java.util.Arrays;
import java.util.List;

/**
 * How two parts of a film follow each other, by what their pictures show.
 *
 * @param frames that both have, if above 0; that are missing between them, if below; 0 where one goes on from the other
 * @param certain whether it was counted, and not judged by how the picture moves
 */
public record Seam(int frames, boolean certain) {

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

    /** In words: {@code they share 7 frames}. */
    public String words() {
        if (frames == 0) {
            return certain ? WORDS.say("theSecondGoesOnWhereThe") : WORDS.say("theSecondSeemsToGoOnWhere");
        }
        int number = Math.abs(frames);
        String what = WORDS.say("frames", number);
        return frames > 0 ? WORDS.say("theyShare", what)
                : WORDS.say("missingBetweenThem",
                        (certain ? "" : WORDS.say("byHowThePictureMoves")) + what + (number == 1 ? WORDS.say("is") : WORDS.say("are")));
    }

    /**
     * @param first the last frames of the first part, in order
     * @param second the first frames of the second part, in order
     */
    public static Seam between(List<Look> first, List<Look> second) {
        int shared = shared(first, second);
        return shared > 0 ? new Seam(shared, true) : missing(first, second);
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
    private static Seam missing(List<Look> first, List<Look> second) {
        double across = first.getLast().from(second.getFirst());
        double before = motion(first);
        double after = motion(second);
        double usual = (before + after) / 2;
        if (usual < STILL || across <= usual * 1.5) {
            return new Seam(0, across <= usual * 1.5 && usual >= STILL);
        }
        double bestOff = Double.MAX_VALUE;
        int best = 1;
        int most = Math.min(FURTHEST, Math.min(first.size(), second.size()) - 1);
        for (int step = 1; step <= most; step++) {
            // As near to the seam as can be: further away the picture may move in another way.
            double over = (first.get(first.size() - 1 - step).from(first.getLast()) + second.getFirst().from(second.get(step))) / 2;
            double off = Math.abs(across - over);
            if (off < bestOff) {
                bestOff = off;
                best = step;
            }
        }
        return new Seam(1 - best, false);
    }
}
