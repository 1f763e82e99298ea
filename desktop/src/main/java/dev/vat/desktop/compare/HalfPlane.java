package dev.vat.desktop.compare;

/**
 * Half of a picture, cut by a line at any angle.
 *
 * @param x where the line goes through, as shares of the picture
 * @param alongX direction of the line, of length one; down is positive
 */
public record HalfPlane(double x, double y, double alongX, double alongY) {

    /** Less than this is no slope: the line lies along the row. */
    private static final double FLAT = 1e-9;

    /** @param degrees clockwise from upright */
    public static HalfPlane rightOf(double x, double y, double degrees) {
        return new HalfPlane(x, y, Math.sin(Math.toRadians(degrees)), -Math.cos(Math.toRadians(degrees)));
    }

    /** Pixels of a row, {@code from} to before {@code end}. */
    public record Span(int from, int end) {}

    /** The pixels of a row whose middles lie in this half. */
    public Span row(int row, int width, int height) {
        // A middle (px, py) is in where (px - cx) * -alongY + (py - cy) * alongX > 0.
        double down = (row + .5 - y * height) * alongX;
        if (Math.abs(alongY) < FLAT) {
            return down > 0 ? new Span(0, width) : new Span(0, 0);
        }
        double cross = x * width + down / alongY;
        int edge = Math.clamp(Math.round(cross), 0, width);
        return alongY < 0 ? new Span(edge, width) : new Span(0, edge);
    }
}
