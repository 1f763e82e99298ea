package dev.vat.core.delivery;

import dev.vat.core.picture.PictureFormat;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.ShapeSizes;
import dev.vat.core.picture.Size;
import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Sizes as people type them: {@code 1280x720}, {@code 50 %}, {@code 1280 wide}, {@code 720 high}, of which the last three keep the reel's
 * shape; or a shape, {@code 2.39} or {@code 16:9 at 1280}, as wide as the reel where no width is said.
 */
public final class SizeWish {

    private static final Words WORDS = Words.of(SizeWish.class);

    private static final Pattern SHARE = Pattern.compile("([\\d.,]+)\\s*%");
    private static final Pattern SIDE = Pattern.compile("(\\d{1,5})\\s*(wide|high)");

    private static final Pattern SHAPE = Pattern
            .compile("(\\d{1,2}[.,]\\d{1,4}|\\d{1,3}:\\d{1,3})(?:\\s*(?:at)?\\s*(\\d{2,5})(?:\\s*wide)?)?");

    private SizeWish() {}

    /**
     * Sizes that follow from a shape are square-pixel ones, to the nearest even number.
     *
     * @param reel the reel's picture, or null while it isn't known
     * @return null for an empty text: as the reel is
     * @throws IllegalArgumentException naming what was typed
     */
    public static Size parse(String text, PictureFormat reel) {
        String plain = text.strip();
        if (plain.isEmpty()) {
            return null;
        }
        Matcher share = SHARE.matcher(plain);
        Matcher side = SIDE.matcher(plain);
        Matcher shape = SHAPE.matcher(plain);
        if (!share.matches() && !side.matches() && !shape.matches()) {
            return Size.parse(plain.replace('\u00d7', 'x').replace(" ", ""));
        }
        if (reel == null) {
            throw new IllegalArgumentException(WORDS.say("needsTheReelsSizeWhichIsnt", plain));
        }
        Size seen = reel.pixelAspect().seen(reel.size());
        if (shape.matches()) {
            int width = shape.group(2) == null ? seen.width() : even(Rational.of(Long.parseLong(shape.group(2))));
            return ShapeSizes.at(ShapeSizes.parse(shape.group(1)), width, PixelAspect.SQUARE).getFirst().size();
        }
        Rational part = share.matches() ? Rational.parse(share.group(1).replace(',', '.')).dividedBy(Rational.of(100))
                : Rational.of(Long.parseLong(side.group(1)), side.group(2).equals("wide") ? seen.width() : seen.height());
        return Size.of(even(part.times(seen.width())), even(part.times(seen.height())));
    }

    private static int even(Rational length) {
        return Math.toIntExact(Math.max(2, length.dividedBy(Rational.of(2)).round() * 2));
    }
}
