package dev.vat.scene.flats;

/** The dunes. The sand near the third camera hasn't settled at first: it heaves and takes some eight seconds to lie still. */
final class Terrain {

    /** Frames at 25 a second. */
    static final int SETTLES_IN = 200;

    private static final int ACROSS = 72;
    private static final int DEEP = 56;
    private static final double LEFT = -80;
    private static final double RIGHT = 90;
    private static final double NEAR = -12;
    private static final double FAR = 150;
    private static final Paint SAND = Paint.of(.52, .41, .25).withRipples();
    private static final Paint SEA = Paint.of(.09, .17, .22);

    private final double unsettled;
    private final int frame;

    /** @param run how many frames were run before this one */
    Terrain(int frame, long run) {
        double left = Math.max(0, 1 - (double) run / SETTLES_IN);
        this.unsettled = left * left;
        this.frame = frame;
    }

    double height(double x, double z) {
        double dunes = 1.5 * StrictMath.sin(x * .09 + 1.2) * StrictMath.sin(z * .055 + .4) + .8 * StrictMath.sin(x * .17 - z * .08)
                + .012 * Math.max(0, z) + .9;
        double shore = Math.clamp((z + 2) / 14, 0, 1);
        double heap = near(x, z) * unsettled * (1.5 * StrictMath.sin(x * 1.3 + frame * .55) * StrictMath.sin(z * 1.1 - frame * .4));
        return dunes * shore - .6 * (1 - shore) + heap;
    }

    /** Whether a place is where the sand drifts: 1 in its middle, 0 around it. */
    private static double near(double x, double z) {
        double dx = (x - 46) / 14;
        double dz = (z - 17) / 10;
        return Math.max(0, 1 - dx * dx - dz * dz);
    }

    void into(Things things) {
        for (int i = 0; i < ACROSS; i++) {
            for (int k = 0; k < DEEP; k++) {
                Vec a = at(i, k);
                Vec b = at(i + 1, k);
                Vec c = at(i + 1, k + 1);
                Vec d = at(i, k + 1);
                things.quad(a, d, c, b, SAND);
            }
        }
        things.quad(Vec.of(LEFT * 2, -.25, -40), Vec.of(LEFT * 2, -.25, 6), Vec.of(RIGHT * 2, -.25, 6), Vec.of(RIGHT * 2, -.25, -40), SEA);
    }

    /** Rows lie closer together near the shore. */
    private Vec at(int i, int k) {
        double x = LEFT + (RIGHT - LEFT) * i / ACROSS;
        double share = (double) k / DEEP;
        double z = NEAR + (FAR - NEAR) * share * (.35 + .65 * share);
        return new Vec(x, height(x, z), z);
    }

    /** Sand that the wind carries along, until the wind drops. */
    void drift(Things things, double blown) {
        Paint paint = Paint.glowing(.55, .47, .34);
        for (int i = 0; i < 90; i++) {
            double way = blown * (3 + i % 5) + i * 3.7;
            double x = 36 + way % 22;
            double z = 11 + i * 7.3 % 14;
            double lift = .05 + .35 * (i * 5.1 % 1) * (1 + 2 * unsettled);
            Vec at = Vec.of(x, height(x, z) + lift, z);
            things.line(at, at.plus(Vec.of(.5, .02, 0)), .8, paint);
        }
    }
}
