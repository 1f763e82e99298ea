package dev.vat.core.delivery;

import com.fasterxml.jackson.annotation.JsonIgnore;
import com.fasterxml.jackson.annotation.JsonInclude;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.time.Rational;
import java.util.Comparator;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * What is wished of a file's size and shape; what is null follows the codec, where it has but one, or else the reel.
 *
 * @param across where a cut-off picture is looked at, from 0, its left edge, to 1; null for the middle
 * @param down likewise from the top to the bottom
 * @param scan how lines follow each other
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record Framing(Size size, PixelAspect pixelAspect, Fit fit, Rational across, Rational down, Scan scan) {

    /** As the reel is. */
    public static final Framing FOLLOWS = new Framing(null, null, null, null, null, null);

    private static final Rational MIDDLE = Rational.of(1, 2);

    /** @param size in stored pixels, or null for the reel's @param fit how the reel's picture goes into it */
    public static Framing of(Size size, Fit fit) {
        return new Framing(size, null, fit, null, null, null);
    }

    public Framing withSize(Size other) {
        return new Framing(other, pixelAspect, fit, across, down, scan);
    }

    public Framing withPixelAspect(PixelAspect other) {
        return new Framing(size, other, fit, across, down, scan);
    }

    public Framing withFit(Fit other) {
        return new Framing(size, pixelAspect, other, across, down, scan);
    }

    public Framing withLook(Rational sideways, Rational downwards) {
        return new Framing(size, pixelAspect, fit, sideways, downwards, scan);
    }

    /**
     * The same with a picture that is cut off moved in its frame, as far as it goes, in steps of a thousandth.
     *
     * @param now how it lies in the frame
     * @param rightwards by how much of the frame's width
     * @param downwards by how much of its height
     */
    public Framing moved(Placement now, Size picture, double rightwards, double downwards) {
        return withLook(moved(acrossInUse(), rightwards * now.from().width(), picture.width() - now.from().width()),
                moved(downInUse(), downwards * now.from().height(), picture.height() - now.from().height()));
    }

    private static Rational moved(Rational look, double pixels, int rest) {
        return rest == 0 ? look : Rational.of(Math.clamp(Math.round((look.toDouble() - pixels / rest) * 1000), 0, 1000), 1000);
    }

    public Framing withScan(Scan other) {
        return new Framing(size, pixelAspect, fit, across, down, other);
    }

    @JsonIgnore
    public Scan scanInUse() {
        return scan == null ? Scan.PROGRESSIVE : scan;
    }

    @JsonIgnore
    public Fit fitInUse() {
        return fit == null ? Fit.BARS : fit;
    }

    /** Where a cut-off picture is looked at, if it was chosen; across before down. */
    @JsonIgnore
    public Optional<Rational> kept() {
        return fitInUse() == Fit.BARS || fitInUse() == Fit.STRETCH ? Optional.empty()
                : Stream.of(acrossInUse(), downInUse()).filter(look -> !look.equals(MIDDLE)).findFirst();
    }

    Rational acrossInUse() {
        return across == null ? MIDDLE : across;
    }

    Rational downInUse() {
        return down == null ? MIDDLE : down;
    }

    /** The frame for a reel. @param cropToGrid whether a size that follows the reel loses what doesn't fall on the chroma grid */
    Frame frame(Codec codec, Size reel, PixelAspect reelPixel, boolean cropToGrid) {
        Chroma grid = codec.chroma();
        boolean fixed = size != null || codec.limits().sizes().size() == 1;
        if (!fixed && pixelAspect == null && (codec.pixelAspects().isEmpty() || codec.pixelAspects().contains(reelPixel))) {
            Size own = cropToGrid ? reel.downTo(grid.widthStep(), grid.heightStep()) : reel;
            return new Frame(own, reelPixel, Placement.cut(reel, own));
        }
        Size wanted = size != null ? size : fixed ? codec.limits().sizes().iterator().next() : reel;
        PixelAspect pixel = pixelAspect != null ? pixelAspect : codec.pixelAspects().isEmpty() ? PixelAspect.SQUARE
                : nearest(codec, wanted, reelPixel.displayAspect(reel));
        return new Frame(wanted, pixel, Placement.of(reel, reelPixel, wanted, pixel, fitInUse(), acrossInUse(), downInUse(), grid));
    }

    private static PixelAspect nearest(Codec codec, Size size, Rational shape) {
        return codec.pixelAspects().stream()
                .min(Comparator.comparingDouble(p -> Math.abs(p.displayAspect(size).toDouble() - shape.toDouble())))
                .orElse(PixelAspect.SQUARE);
    }

    /** Whether part of the picture may be cut off. */
    public boolean cutsOff() {
        return fitInUse() == Fit.FILL || fitInUse() == Fit.PIXELS;
    }
}
