package dev.vat.core.trial;

import java.util.stream.IntStream;

/**
 * A straight line through a few points whose slope is known roughly beforehand: the fewer points and the closer together they lie, the
 * nearer it stays to that.
 *
 * @param slope of the line
 * @param meanX it goes through this point
 * @param meanY it goes through this point
 * @param spread root mean square of how far each point lies from the line through the others; 0 with one point
 */
record CurveFit(double slope, double meanX, double meanY, double spread) {

    /** As much as this squared distance between points is the slope beforehand believed. */
    private static final double BELIEF = 0.5;

    static CurveFit of(double[] x, double[] y, double slopeBefore) {
        CurveFit all = through(x, y, -1, slopeBefore);
        double squares = 0;
        for (int i = 0; i < x.length && x.length > 1; i++) {
            double off = y[i] - through(x, y, i, slopeBefore).at(x[i]);
            squares += off * off;
        }
        return new CurveFit(all.slope, all.meanX, all.meanY, Math.sqrt(squares / x.length));
    }

    /** @param without number of a point that is left out, or -1 */
    private static CurveFit through(double[] x, double[] y, int without, double slopeBefore) {
        int[] used = IntStream.range(0, x.length).filter(i -> i != without).toArray();
        double meanX = IntStream.of(used).mapToDouble(i -> x[i]).average().orElseThrow();
        double meanY = IntStream.of(used).mapToDouble(i -> y[i]).average().orElseThrow();
        double together = slopeBefore * BELIEF;
        double alone = BELIEF;
        for (int i : used) {
            together += (x[i] - meanX) * (y[i] - meanY);
            alone += (x[i] - meanX) * (x[i] - meanX);
        }
        return new CurveFit(together / alone, meanX, meanY, 0);
    }

    double at(double x) {
        return meanY + slope * (x - meanX);
    }
}
