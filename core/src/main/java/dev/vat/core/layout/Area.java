package dev.vat.core.layout;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;
import dev.vat.core.delivery.Placement;
import dev.vat.core.picture.Size;
import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** A rectangle in a picture, in exact shares of its width and height from the upper left, inside of it. */
public record Area(Rational left, Rational top, Rational width, Rational height) {

    private static final Words WORDS = Words.of(Area.class);

    public static final Area ALL = new Area(Rational.ZERO, Rational.ZERO, Rational.ONE, Rational.ONE);

    private static final int EDGES = 4;
    private static final int PERCENT = 100;
    private static final int TIDY = 200;
    private static final Rational LEAST = Rational.of(1, 50);

    public Area {
        if (left.signum() < 0 || top.signum() < 0 || width.signum() <= 0 || height.signum() <= 0
                || left.plus(width).compareTo(Rational.ONE) > 0 || top.plus(height).compareTo(Rational.ONE) > 0) {
            throw new IllegalArgumentException(WORDS.say("anAreaLiesInsideOfItsPicture", written(left, top, width, height)));
        }
    }

    /** Left edge, top edge, width and height in percent: {@code 0 0 50 100}. */
    @JsonCreator
    public static Area parse(String text) {
        String[] edges = text.strip().split("[ ,]+");
        if (edges.length != EDGES) {
            throw new IllegalArgumentException(WORDS.say("anAreaIsLeftTopWidthAnd", text));
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

    /** As large, elsewhere; as far as there is picture. @param right share of the picture's width @param down of its height */
    public Area movedBy(Rational right, Rational down) {
        return new Area(within(left.plus(right), Rational.ONE.minus(width)), within(top.plus(down), Rational.ONE.minus(height)), width,
                height);
    }

    /**
     * With one corner somewhere else, and the opposite one where it is; never smaller than a fiftieth.
     *
     * @param atLeft whether it is a left corner @param atTop whether it is an upper one
     */
    public Area withCorner(boolean atLeft, boolean atTop, Rational x, Rational y) {
        Rational right = left.plus(width);
        Rational bottom = top.plus(height);
        Rational fromX = atLeft ? within(x, right.minus(LEAST)) : left;
        Rational fromY = atTop ? within(y, bottom.minus(LEAST)) : top;
        Rational toX = atLeft ? right : atLeast(within(x, Rational.ONE), left.plus(LEAST));
        Rational toY = atTop ? bottom : atLeast(within(y, Rational.ONE), top.plus(LEAST));
        return new Area(fromX, fromY, toX.minus(fromX), toY.minus(fromY));
    }

    /** Larger or smaller round its middle, inside of the picture. @param times above 1 to be larger */
    public Area zoomed(Rational times) {
        Rational wide = atLeast(within(tidy(width.times(times)), Rational.ONE), LEAST);
        Rational tall = atLeast(within(tidy(height.times(times)), Rational.ONE), LEAST);
        Rational half = Rational.of(1, 2);
        return new Area(within(tidy(left.plus(width.minus(wide).times(half))), Rational.ONE.minus(wide)),
                within(tidy(top.plus(height.minus(tall).times(half))), Rational.ONE.minus(tall)), wide, tall);
    }

    private static Rational within(Rational share, Rational most) {
        return share.signum() < 0 ? Rational.ZERO : share.compareTo(most) > 0 ? most : share;
    }

    private static Rational atLeast(Rational share, Rational least) {
        return share.compareTo(least) < 0 ? least : share;
    }

    /** To half a percent, so that many steps leave a share that can be read. */
    private static Rational tidy(Rational share) {
        return Rational.of(share.times(TIDY).round(), TIDY);
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
