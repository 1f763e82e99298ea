package dev.vat.core.picture;

import java.util.Optional;

/**
 * From values, 0 to 1, to light, in which white is 1: {@code (scale v + offset)^power} from {@code until} on, {@code slope v} below it, as
 * in parametric curves of ICC.1 (ISO 15076-1); or the printing density of scanned film.
 *
 * @param film whether values are printing density; the numbers mean nothing then
 */
public record OwnCurve(boolean film, double power, double scale, double offset, double slope, double until) {

    /** Ten-bit codes of 0.002 printing density each, white at 685, black at 95, film's gamma 0.6. */
    public static final OwnCurve FILM = new OwnCurve(true, 1, 1, 0, 1, 0);
    /** IEC 61966-2-1. */
    public static final OwnCurve SRGB = new OwnCurve(false, 2.4, 1 / 1.055, .055 / 1.055, 1 / 12.92, .04045);

    private static final double CODES = 1023;
    private static final double WHITE = 685;
    private static final double BLACK = 95;
    private static final double DENSITY = .002 / .6;

    /** @param exponent from values to light */
    public static OwnCurve power(double exponent) {
        return new OwnCurve(false, exponent, 1, 0, 0, 0);
    }

    /** Of a code point of ITU-T H.273, of those that are no curves of high dynamic range; empty for the others. */
    public static Optional<OwnCurve> ofCodePoint(int transfer) {
        return switch (transfer) {
            case 13 -> Optional.of(SRGB);
            // As everywhere in Vat: shown as a display of ITU-R BT.1886 does.
            case 1, 6, 14, 15 -> Optional.of(power(2.4));
            case 4 -> Optional.of(power(2.2));
            case 5 -> Optional.of(power(2.8));
            case 8 -> Optional.of(power(1));
            default -> Optional.empty();
        };
    }

    /** Below black and above white too. */
    public double light(double value) {
        if (film) {
            double black = density(BLACK);
            return (density(value * CODES) - black) / (1 - black);
        }
        return power == 1 && scale == 1 && offset == 0 ? value
                : value >= until ? Math.pow(Math.max(0, scale * value + offset), power) : slope * value;
    }

    private static double density(double code) {
        return Math.pow(10, (code - WHITE) * DENSITY);
    }
}
