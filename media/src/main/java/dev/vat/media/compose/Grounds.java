package dev.vat.media.compose;

import dev.vat.core.delivery.Chroma;
import dev.vat.core.delivery.Fit;
import dev.vat.core.delivery.Ground;
import dev.vat.core.delivery.Placement;
import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.PictureChoice;
import dev.vat.core.picture.PictureReading;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Rgb;
import dev.vat.core.picture.Size;
import dev.vat.core.recipe.WorkingFormat;
import dev.vat.core.source.FileKind;
import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;
import dev.vat.media.filter.Filtering;
import dev.vat.media.lib.MediaException;
import dev.vat.media.picture.ColourTags;
import dev.vat.media.picture.Picture;
import dev.vat.media.read.FrameRead;
import dev.vat.media.read.FrameReader;
import java.lang.foreign.ValueLayout;
import java.nio.file.Path;
import java.util.function.IntBinaryOperator;

/** Draws what lies behind transparent places, in the samples of the working picture that it is for. */
public final class Grounds {

    private static final Words WORDS = Words.of(Grounds.class);

    private static final int DARK = 0x66;
    private static final int LIGHT = 0x99;
    private static final int SQUARES_DOWN = 30;
    private static final int FEW_ROWS = 4;
    private static final PictureReading WITH_ALPHA = PictureReading.of(AlphaKind.STRAIGHT, false);
    private static final PictureReading AS_SHOWN = PictureReading.of(AlphaKind.NONE, false);

    private Grounds() {}

    /**
     * A picture of the same samples, without alpha, as wide; one colour needs but a few rows, of which the last goes on downwards.
     *
     * @throws MediaException naming the still, if it can't be read
     */
    public static Picture behind(Ground ground, Picture working) {
        WorkingFormat format = working.frame().color_trc() == Composer.PQ ? WorkingFormat.HIGH
                : working.bits() > 8 ? WorkingFormat.W16 : WorkingFormat.W8;
        try (Composer composer = new Composer(format, false); Picture drawn = drawn(ground, working.width(), working.height())) {
            return composer.compose(drawn, AS_SHOWN);
        }
    }

    /** One colour all over, opaque, as a display shows it, in eight bits. @param alpha whether it has that channel */
    public static Picture plain(Rgb colour, boolean alpha, int width, int height) {
        Picture plain = squares(width, height, (plane, _) -> plane == 0 ? colour.green() : plane == 1 ? colour.blue() : colour.red(), 0);
        if (!alpha) {
            return plain;
        }
        try (plain) {
            return Flattening.opaque(plain);
        }
    }

    private static Picture drawn(Ground ground, int width, int height) {
        return switch (ground) {
            case Ground.Colour(Rgb colour) -> squares(width, FEW_ROWS,
                    (plane, _) -> plane == 0 ? colour.green() : plane == 1 ? colour.blue() : colour.red(), 0);
            case Ground.Checker _ -> squares(width, height, (_, odd) -> odd == 0 ? DARK : LIGHT, Math.max(2, height / SQUARES_DOWN));
            case Ground.Still(String path) -> still(Path.of(path), width, height);
        };
    }

    /** @param value of a plane, by whether a place is in an odd square @param side of a square, 0 for none */
    private static Picture squares(int width, int height, IntBinaryOperator value, int side) {
        Picture picture = Picture.allocate("gbrp", width, height);
        for (int plane = 0; plane < 3; plane++) {
            for (int y = 0; y < height; y++) {
                for (int x = 0; x < width; x++) {
                    int odd = side == 0 ? 0 : x / side + y / side & 1;
                    picture.plane(plane).set(ValueLayout.JAVA_BYTE, (long) y * picture.stride(plane) + x,
                            (byte) value.applyAsInt(plane, odd));
                }
            }
        }
        ColourTags.displayRgb(picture);
        return picture;
    }

    private static Picture still(Path file, int width, int height) {
        try (Picture full = read(file, false); Filtering cover = new Filtering(p -> cover(p, width, height))) {
            return cover.apply(full);
        }
    }

    /**
     * A picture file as displays show it, in 16 bits with straight alpha, at a height.
     *
     * @param stretch how many times as wide its pixels become
     * @throws MediaException naming the file, if it can't be read
     */
    public static Picture scaled(Path file, int height, double stretch) {
        try (Picture full = read(file, true)) {
            int width = Math.max(1, (int) Math.round(full.width() * stretch * height / full.height()));
            Size size = Size.of(width, height);
            Size whole = Size.of(full.width(), full.height());
            try (Placing placing = new Placing(Placement.of(whole, PixelAspect.SQUARE, size, PixelAspect.SQUARE, Fit.STRETCH, Rational.ZERO,
                    Rational.ZERO, Chroma.RGB), size)) {
                return placing.place(full);
            }
        }
    }

    private static Picture read(Path file, boolean alpha) {
        FileKind kind = FileKind.ofName(file.getFileName().toString()).filter(k -> !k.isMovie())
                .orElseThrow(() -> new MediaException(WORDS.say("isntAPictureThatVatReads", file.getFileName()), 0));
        try (FrameReader reader = new FrameReader(); Composer composer = new Composer(WorkingFormat.W16, alpha)) {
            return switch (reader.read(file, kind, PictureChoice.MAIN, 0)) {
                case FrameRead.Unsound unsound -> throw new MediaException(WORDS.say("cantBeUsed", file.getFileName(), unsound.why()), 0);
                case FrameRead.Sound sound -> {
                    try (Picture decoded = sound.picture()) {
                        yield composer.compose(decoded, alpha ? WITH_ALPHA : AS_SHOWN);
                    }
                }
            };
        }
    }

    /** Scaled so that nothing stays bare, the rest cut off evenly. */
    private static String cover(Picture picture, int width, int height) {
        double scale = Math.max((double) width / picture.width(), (double) height / picture.height());
        int wide = Math.max(width, (int) Math.round(picture.width() * scale));
        int tall = Math.max(height, (int) Math.round(picture.height() * scale));
        return "zscale=w=%d:h=%d:filter=spline36:matrixin=gbr:matrix=gbr:rangein=full:range=full,crop=%d:%d:%d:%d:exact=1".formatted(wide,
                tall, width, height,
                (wide - width) / 2, (tall - height) / 2);
    }
}
