package dev.vat.core.layout;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;
import dev.vat.core.delivery.Placement;
import dev.vat.core.picture.Size;
import dev.vat.core.time.Rational;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** A rectangle in a picture, in exact shares of its width and height from the upper left, inside of it. */
public record Area(Rational left, Rational top, Rational width, Rational height) {

    public static final Area ALL = new Area(Rational.ZERO, Rational.ZERO, Rational.ONE, Rational.ONE);

    private static final int EDGES = 4;
    private static final int PERCENT = 100;

    public Area {
        if (left.signum() < 0 || top.signum() < 0 || width.signum() <= 0 || height.signum() <= 0
                || left.plus(width).compareTo(Rational.ONE) > 0 || top.plus(height).compareTo(Rational.ONE) > 0) {
            throw new IllegalArgumentException("An area lies inside of its picture: " + written(left, top, width, height) + " doesn't");
        }
    }

    /** Left edge, top edge, width and height in percent: {@code 0 0 50 100}. */
    @JsonCreator
    public static Area parse(String text) {
        String[] edges = text.strip().split("[ ,]+");
        if (edges.length != EDGES) {
            throw new IllegalArgumentException("An area is left, top, width and height in percent, as 0 0 50 100, not '" + text + "'");
        }
        List<Rational> parts = Arrays.stream(edges).map(e -> Rational.parse(e).dividedBy(Rational.of(PERCENT))).toList();
        return new Area(parts.get(0), parts.get(1), parts.get(2), parts.get(3));
    }

    private static String written(Rational... parts) {
        return Stream.of(parts).map(p -> p.times(PERCENT).toString()).collect(Collectors.joining(" "));
    }

    /** In whole pixels; areas that meet still meet, and none is empty. */
    public Placement.Box in(Size whole) {
        int x = edge(left, whole.width());
        int y = edge(top, whole.height());
        int right = edge(left.plus(width), whole.width());
        int bottom = edge(top.plus(height), whole.height());
        int fromX = Math.min(x, whole.width() - 1);
        int fromY = Math.min(y, whole.height() - 1);
        return new Placement.Box(fromX, fromY, Math.max(1, right - fromX), Math.max(1, bottom - fromY));
    }

    private static int edge(Rational share, int length) {
        return Math.toIntExact(share.times(length).round());
    }

    @JsonValue
    @Override
    public String toString() {
        return written(left, top, width, height);
    }
}
