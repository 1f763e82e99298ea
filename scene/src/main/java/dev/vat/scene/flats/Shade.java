package dev.vat.scene.flats;

/** What the sun doesn't reach: how far off from it the nearest thing is, over the ground that a camera looks at. */
final class Shade {

    private static final int SIDE = 1024;
    private static final double REACH = 62;
    private static final double AHEAD = 40;
    /** Metres by which something has to lie behind another thing to be in its shadow. */
    private static final double BEHIND = .35;

    private final Vec middle;
    private final Vec right;
    private final Vec up;
    private final Raster raster = new Raster(SIDE, SIDE);

    /** The same ground for all frames of a camera, so that no edge of a shadow crawls. */
    Shade(FlatsCamera camera, Things things) {
        Viewpoint half = camera.at(.5);
        middle = half.eye().plus(half.ahead().times(AHEAD));
        right = Vec.UP.cross(World.SUN).unit();
        up = World.SUN.cross(right);
        things.faces.forEach(face -> raster.triangle(corner(face.a()), corner(face.b()), corner(face.c()), 0));
    }

    private Raster.Corner corner(Vec point) {
        Vec from = point.minus(middle);
        return new Raster.Corner((from.dot(right) / REACH + 1) * SIDE / 2, (from.dot(up) / REACH + 1) * SIDE / 2, from.dot(World.SUN));
    }

    /** How much of the sun reaches a point, from 0 to 1. */
    double at(Vec point) {
        Raster.Corner corner = corner(point);
        double x = corner.x() - .5;
        double y = corner.y() - .5;
        int left = (int) Math.floor(x);
        int top = (int) Math.floor(y);
        double fx = x - left;
        double fy = y - top;
        return (reached(left, top, corner.near()) * (1 - fx) + reached(left + 1, top, corner.near()) * fx) * (1 - fy)
                + (reached(left, top + 1, corner.near()) * (1 - fx) + reached(left + 1, top + 1, corner.near()) * fx) * fy;
    }

    private double reached(int x, int y, double near) {
        return x < 0 || y < 0 || x >= SIDE || y >= SIDE || raster.nearness[y * SIDE + x] - near < BEHIND ? 1 : 0;
    }
}
