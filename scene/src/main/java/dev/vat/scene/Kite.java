package dev.vat.scene;

/** A kite of two colours with its tail and string. */
final class Kite {

    private Kite() {}

    /**
     * @param x centre, in pixels
     * @param size half its height, in pixels
     * @param lean turn in radians
     * @param ground where its string ends
     */
    static void draw(Canvas canvas, double x, double y, double size, double lean, double phase, float[] colour,
            double[] ground) {
        double cos = Math.cos(lean);
        double sin = Math.sin(lean);
        double[] px = {0, .62, 0, -.62};
        double[] py = {-1, -.25, 1.15, -.25};
        double[] xs = new double[4];
        double[] ys = new double[4];
        for (int i = 0; i < 4; i++) {
            xs[i] = x + size * (px[i] * cos - py[i] * sin);
            ys[i] = y + size * (px[i] * sin + py[i] * cos);
        }
        canvas.line(x, y, ground[0], ground[1], Math.max(.6, size / 60), .85f, .82f, .78f);
        double tx = xs[2];
        double ty = ys[2];
        for (int i = 1; i <= 9; i++) {
            double nx = xs[2] - sin * size * .28 * i + Math.sin(phase + i * .9) * size * .16;
            double ny = ys[2] + cos * size * .28 * i;
            canvas.line(tx, ty, nx, ny, Math.max(.8, size / 26), colour[3], colour[4], colour[5]);
            tx = nx;
            ty = ny;
        }
        canvas.fill(xs, ys, colour[0], colour[1], colour[2]);
        canvas.fill(new double[] {xs[0], xs[1], xs[2]}, new double[] {ys[0], ys[1], ys[2]}, colour[3], colour[4], colour[5]);
        canvas.line(xs[0], ys[0], xs[2], ys[2], Math.max(.8, size / 40), .2f, .14f, .12f);
        canvas.line(xs[1], ys[1], xs[3], ys[3], Math.max(.8, size / 40), .2f, .14f, .12f);
    }
}
