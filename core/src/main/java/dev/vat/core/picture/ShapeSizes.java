package dev.vat.core.picture;

import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * Stored sizes that come near a shape: nobody can store 803.35 rows. Offered are the two even neighbours, and the nearest that
 * sixteen divides, which old decoders like; each with what it is off.
 */
public final class ShapeSizes {

    private static final Words WORDS = Words.of(ShapeSizes.class);

    private static final int EVEN = 2;
    private static final int BLOCK = 16;

    /**
     * A size and how far its shape is from the one that was asked for.
     *
     * @param off in percent of the display aspect: above 0 the size is wider than asked
     */
    public record Candidate(Size size, double off) {}

    private ShapeSizes() {}

    /**
     * @param shape display aspect, such as 2.39 or 16:9
     * @param width stored columns
     * @param pixel shape of a pixel
     * @return the nearest first; one alone if it is exact
     */
    public static List<Candidate> at(Rational shape, int width, PixelAspect pixel) {
        if (shape.signum() <= 0) {
            throw new IllegalArgumentException(WORDS.say("aShapeMustBeAbove0Not", shape));
        }
        Rational height = pixel.ratio().times(width).dividedBy(shape);
        List<Size> sizes = new ArrayList<>();
        if (height.isWhole() && height.numerator() % EVEN == 0) {
            return List.of(new Candidate(Size.of(width, Math.toIntExact(height.numerator())), 0));
        }
        long below = height.dividedBy(Rational.of(EVEN)).floor() * EVEN;
        for (long rows : new long[] {below, below + EVEN, height.dividedBy(Rational.of(BLOCK)).round() * BLOCK}) {
            Size size = Size.of(width, Math.toIntExact(Math.max(EVEN, rows)));
            if (!sizes.contains(size)) {
                sizes.add(size);
            }
        }
        return sizes.stream().map(s -> new Candidate(s, (pixel.displayAspect(s).toDouble() / shape.toDouble() - 1) * 100))
                .sorted(Comparator.comparingDouble(c -> Math.abs(c.off))).toList();
    }

    /** {@code 2.39}, {@code 2,39}, {@code 2.39:1}, {@code 16:9}, {@code 4/3}. */
    public static Rational parse(String text) {
        String plain = text.strip().replace(',', '.');
        try {
            String[] sides = plain.split(":", -1);
            return sides.length == 2 ? Rational.parse(sides[0]).dividedBy(Rational.parse(sides[1])) : Rational.parse(plain);
        } catch (IllegalArgumentException | ArithmeticException e) {
            throw new IllegalArgumentException(WORDS.say("isNotAShapeWrite239Or16", text), e);
        }
    }
}
