package dev.vat.core.delivery;

import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;
import java.util.ArrayList;
import java.util.List;

/**
 * A file's picture: its stored size, the shape of its pixels, and how the reel's picture lies in it.
 *
 * @param size stored
 */
public record Frame(Size size, PixelAspect pixelAspect, Placement placement) {

    private static final Words WORDS = Words.of(Frame.class);

    /** Circles look round to everybody up to this. */
    private static final double SEEN = .005;

    /** What this does to a picture, in words that go on after its target's name; nothing if it changes nothing. */
    public List<String> describe(Size reel, PixelAspect reelPixel) {
        List<String> words = new ArrayList<>();
        Placement.Box from = placement.from();
        Placement.Box to = placement.to();
        if (from.width() < reel.width() || from.height() < reel.height()) {
            words.add(WORDS.say("areCutOff",
                    (from.width() < reel.width() ? WORDS.say("ofColumns", reel.width() - from.width(), reel.width()) : "")
                            + (from.width() < reel.width() && from.height() < reel.height() ? WORDS.say("and") : "")
                            + (from.height() < reel.height() ? WORDS.say("ofRows", reel.height() - from.height(), reel.height()) : "")));
        }
        if (placement.isScaled()) {
            words.add(WORDS.say("scaledFromTo", from.size(), to.size()));
        }
        if (to.width() < size.width()) {
            words.add(WORDS.say("barsOfAndPixelsLeftAndRight", to.x(), (size.width() - to.width() - to.x())));
        }
        if (to.height() < size.height()) {
            words.add(WORDS.say("barsOfAndPixelsAboveAnd", to.y(), (size.height() - to.height() - to.y())));
        }
        return words;
    }

    /** At half its size, on the codec's grid, with the reel's picture laid in anew. */
    Frame halved(Codec codec, Framing framing, Size reel, PixelAspect reelPixel) {
        Chroma grid = codec.chroma();
        Size half = Size.of(half(size.width(), Math.max(grid.widthStep(), 2)), half(size.height(), Math.max(grid.heightStep(), 2)));
        if (codec.limits().against(half).isPresent()) {
            return this;
        }
        return new Frame(half, pixelAspect,
                Placement.of(reel, reelPixel, half, pixelAspect, placement.isWhole(reel, size) ? Fit.STRETCH : framing.fitInUse(),
                        framing.acrossInUse(), framing.downInUse(), grid));
    }

    private static int half(int length, int step) {
        return Math.max(step, (int) Math.round(length / 2.0 / step) * step);
    }

    /** How much wider a circle comes out than it is high: 1 is round. */
    public double roundness(PixelAspect reelPixel) {
        Rational across = Rational.of(placement.to().width(), placement.from().width()).times(pixelAspect.ratio());
        Rational down = Rational.of(placement.to().height(), placement.from().height()).times(reelPixel.ratio());
        return across.toDouble() / down.toDouble();
    }

    public boolean isRound(PixelAspect reelPixel) {
        return Math.abs(roundness(reelPixel) - 1) <= SEEN;
    }

    /** How far one may go into the picture before it is enlarged. */
    public double headroom() {
        return 1 / placement.enlargement();
    }
}
