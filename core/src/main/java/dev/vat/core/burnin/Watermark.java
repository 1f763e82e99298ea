package dev.vat.core.burnin;

import dev.vat.core.words.Words;

/**
 * A picture that is laid over.
 *
 * @param path of the file, absolute; what is transparent in it stays so
 * @param size its height, in percent of the picture's
 * @param opacity in percent
 */
public record Watermark(String path, Spot at, double size, int opacity) {

    private static final Words WORDS = Words.of(Watermark.class);

    private static final double USUAL = 12;
    private static final int FAINT = 60;

    public Watermark {
        if (!(size >= 1 && size <= 100)) {
            throw new IllegalArgumentException(WORDS.say("aWatermarkIsFrom1To100Percent", size));
        }
        if (opacity < 1 || opacity > 100) {
            throw new IllegalArgumentException(WORDS.say("aWatermarkCoversFrom1To", opacity));
        }
    }

    public static Watermark of(String path) {
        return new Watermark(path, Spot.BOTTOM_RIGHT, USUAL, FAINT);
    }

    public Watermark withSpot(Spot other) {
        return new Watermark(path, other, size, opacity);
    }

    public Watermark withSize(double percent) {
        return new Watermark(path, at, percent, opacity);
    }

    public Watermark withOpacity(int percent) {
        return new Watermark(path, at, size, percent);
    }
}
