package dev.vat.scene.flats;

import java.util.Arrays;

/** Which thing is nearest at each sample. Nearness is one over the distance, so that it changes evenly across a picture. */
final class Raster {

    static final int NOTHING = -1;

    /** A line lies on a face as often as before it. */
    private static final float BEFORE = 1.004f;

    final int width;
    final int height;
    final float[] nearness;
    final int[] thing;

    Raster(int width, int height) {
        this.width = width;
        this.height = height;
        nearness = new float[width * height];
        thing = new int[width * height];
        Arrays.fill(nearness, Float.NEGATIVE_INFINITY);
        Arrays.fill(thing, NOTHING);
    }

    /** A corner: samples from the left and from the top, and how near it is. */
    record Corner(double x, double y, double near) {}

    void triangle(Corner a, Corner b, Corner c, int id) {
        double area = (b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x);
        if (area == 0 || Double.isNaN(area)) {
            return;
        }
        int top = (int) Math.max(0, Math.ceil(Math.min(a.y, Math.min(b.y, c.y)) - .5));
        int bottom = (int) Math.min(height - 1.0, Math.floor(Math.max(a.y, Math.max(b.y, c.y)) - .5));
        // How much of b and of c there is, and how near it is, changes by as much with each sample to the right.
        double stepB = (c.y - a.y) / area;
        double stepC = -(b.y - a.y) / area;
        double stepNear = stepB * (b.near - a.near) + stepC * (c.near - a.near);
        for (int y = top; y <= bottom; y++) {
            double py = y + .5;
            double startB = ((.5 - a.x) * (c.y - a.y) - (py - a.y) * (c.x - a.x)) / area;
            double startC = ((b.x - a.x) * (py - a.y) - (b.y - a.y) * (.5 - a.x)) / area;
            double from = Math.max(0,
                    Math.max(enters(startB, stepB), Math.max(enters(startC, stepC), enters(1 - startB - startC, -stepB - stepC))));
            double to = Math.min(width - 1.0,
                    Math.min(leaves(startB, stepB), Math.min(leaves(startC, stepC), leaves(1 - startB - startC, -stepB - stepC))));
            double near = a.near + startB * (b.near - a.near) + startC * (c.near - a.near);
            int last = (int) Math.floor(to);
            for (int x = (int) Math.ceil(from); x <= last; x++) {
                put(x, y, (float) (near + x * stepNear), id);
            }
        }
    }

    /** From where on {@code start + x * step} isn't negative. */
    private static double enters(double start, double step) {
        return step > 0 ? -start / step : step < 0 || start >= 0 ? Double.NEGATIVE_INFINITY : Double.POSITIVE_INFINITY;
    }

    private static double leaves(double start, double step) {
        return step < 0 ? -start / step : Double.POSITIVE_INFINITY;
    }

    /** @param thick in samples */
    void line(Corner from, Corner to, double thick, int id) {
        boolean flat = Math.abs(to.x - from.x) >= Math.abs(to.y - from.y);
        Corner a = flat ? from : new Corner(from.y, from.x, from.near);
        Corner b = flat ? to : new Corner(to.y, to.x, to.near);
        if (a.x > b.x) {
            Corner swap = a;
            a = b;
            b = swap;
        }
        double length = b.x - a.x;
        double rise = length == 0 ? 0 : (b.y - a.y) / length;
        // A slanting line of this thickness is so much taller.
        double half = Math.max(.5, thick / 2 * Math.sqrt(1 + rise * rise));
        int most = (flat ? width : height) - 1;
        for (int along = (int) Math.max(0, Math.floor(a.x)); along <= Math.min(most, Math.floor(b.x)); along++) {
            double share = length == 0 ? 0 : Math.clamp((along + .5 - a.x) / length, 0, 1);
            double middle = a.y + rise * share * length;
            float near = (float) (a.near + (b.near - a.near) * share) * BEFORE;
            for (int side = (int) Math.round(middle - half); side < Math.round(middle + half); side++) {
                put(flat ? along : side, flat ? side : along, near, id);
            }
        }
    }

    private void put(int x, int y, float near, int id) {
        if (x < 0 || y < 0 || x >= width || y >= height) {
            return;
        }
        int at = y * width + x;
        if (near > nearness[at]) {
            nearness[at] = near;
            thing[at] = id;
        }
    }
}
