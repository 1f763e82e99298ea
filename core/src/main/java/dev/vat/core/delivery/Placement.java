package dev.vat.core.delivery;

import com.fasterxml.jackson.annotation.JsonIgnore;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;

/**
 * Which part of a picture goes where in a frame, in whole stored pixels from the upper left. What the part doesn't cover of
 * the frame is black.
 *
 * @param from the part of the picture
 * @param to where in the frame it lies, scaled to that size
 */
public record Placement(Box from, Box to) {

    private static final Words WORDS = Words.of(Placement.class);

    /** A rectangle with whole edges. */
    public record Box(int x, int y, int width, int height) {
        public Box {
            if (x < 0 || y < 0 || width < 1 || height < 1) {
                throw new IllegalArgumentException(WORDS.say("notABoxXAt", width, height, x, y));
            }
        }

        static Box of(Size size) {
            return new Box(0, 0, size.width(), size.height());
        }

        @JsonIgnore
        public Size size() {
            return Size.of(width, height);
        }
    }

    /** How far what is seen can be moved in its frame until an edge of the picture shows, in shares of the frame. */
    public record Room(double leftwards, double rightwards, double upwards, double downwards) {
        public static final Room NONE = new Room(0, 0, 0, 0);
    }

    /** The upper left part of a picture as it is, without scaling. */
    public static Placement cut(Size picture, Size frame) {
        Size part = Size.of(Math.min(picture.width(), frame.width()), Math.min(picture.height(), frame.height()));
        return new Placement(Box.of(part), Box.of(part));
    }

    /**
     * Shapes are kept exactly as far as whole pixels allow, but for {@link Fit#STRETCH}. Bars lie on the chroma grid, left and
     * right, or above and below alike to within a step of it.
     *
     * @param across where a cut-off picture is looked at, from 0, its left edge, to 1, its right edge
     * @param down likewise from the top to the bottom
     */
    public static Placement of(Size picture, PixelAspect picturePixel, Size frame, PixelAspect framePixel, Fit fit, Rational across,
            Rational down, Chroma grid) {
        return switch (fit) {
            case STRETCH -> new Placement(Box.of(picture), Box.of(frame));
            case PIXELS -> pixels(picture, frame, across, down, grid);
            case BARS -> bars(picture, picturePixel.displayAspect(picture).dividedBy(framePixel.displayAspect(frame)), frame, grid);
            case FILL -> fill(picture, picturePixel.displayAspect(picture).dividedBy(framePixel.displayAspect(frame)), frame, across, down);
        };
    }

    /** @param wider display aspect of the picture over that of the frame */
    private static Placement bars(Size picture, Rational wider, Size frame, Chroma grid) {
        boolean wide = wider.compareTo(Rational.ONE) >= 0;
        int width = wide ? frame.width() : onGrid(wider.times(frame.width()), grid.widthStep(), frame.width());
        int height = wide ? onGrid(Rational.of(frame.height()).dividedBy(wider), grid.heightStep(), frame.height()) : frame.height();
        return new Placement(Box.of(picture), new Box(middle(frame.width() - width, grid.widthStep()),
                middle(frame.height() - height, grid.heightStep()), width, height));
    }

    private static Placement fill(Size picture, Rational wider, Size frame, Rational across, Rational down) {
        boolean wide = wider.compareTo(Rational.ONE) >= 0;
        int width = wide ? clamp(Rational.of(picture.width()).dividedBy(wider), picture.width()) : picture.width();
        int height = wide ? picture.height() : clamp(wider.times(picture.height()), picture.height());
        return new Placement(new Box(part(across, picture.width() - width), part(down, picture.height() - height), width, height),
                Box.of(frame));
    }

    private static Placement pixels(Size picture, Size frame, Rational across, Rational down, Chroma grid) {
        int width = Math.min(picture.width(), frame.width());
        int height = Math.min(picture.height(), frame.height());
        return new Placement(new Box(part(across, picture.width() - width), part(down, picture.height() - height), width, height),
                new Box(middle(frame.width() - width, grid.widthStep()), middle(frame.height() - height, grid.heightStep()), width,
                        height));
    }

    private static int clamp(Rational length, int most) {
        return Math.toIntExact(Math.clamp(length.round(), 1, most));
    }

    private static int onGrid(Rational length, int step, int most) {
        return Math.toIntExact(Math.clamp(length.dividedBy(Rational.of(step)).round() * step, step, most));
    }

    private static int middle(int rest, int step) {
        return rest / 2 / step * step;
    }

    private static int part(Rational share, int rest) {
        return Math.toIntExact(share.times(rest).round());
    }

    public Room room(Size picture) {
        return new Room((double) (picture.width() - from.x - from.width) / from.width, (double) from.x / from.width,
                (double) (picture.height() - from.y - from.height) / from.height, (double) from.y / from.height);
    }

    /** Whether a picture goes into a frame untouched. */
    public boolean isWhole(Size picture, Size frame) {
        return from.equals(Box.of(picture)) && to.equals(Box.of(frame)) && picture.equals(frame);
    }

    @JsonIgnore
    public boolean isScaled() {
        return !from.size().equals(to.size());
    }

    /** Stored pixels that are made from each stored pixel of the picture: above 1 it is enlarged. */
    @JsonIgnore
    public double enlargement() {
        return Math.max((double) to.width / from.width, (double) to.height / from.height);
    }
}
