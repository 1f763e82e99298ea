package dev.vat.core.delivery;

import dev.vat.core.picture.Size;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;
import java.util.Locale;

/** A size in bytes before anything has been tried: a wide range, and called rough wherever it is shown. */
public record RoughForecast(long lowBytes, long highBytes) {

    private static final Words WORDS = Words.of(RoughForecast.class);

    /** @param rate frames a second, or null while nothing states it */
    public static RoughForecast of(Settings settings, Size size, long frames, Rate rate, boolean transparent) {
        Codec codec = settings.codec();
        if (settings.control() instanceof RateControl.FileSize(long bytes)) {
            long useful = rate == null ? bytes
                    : rate.seconds(frames).times(codec.mostUsefulBits(size, rate)).dividedBy(Rational.of(8)).round();
            return new RoughForecast(Math.min(bytes, useful) * 8 / 10, bytes);
        }
        long bits = switch (settings.control()) {
            case RateControl.Average(long b) -> b;
            case RateControl.TwoPass(long b) -> b;
            case RateControl.Steady(long b) -> b;
            default -> 0;
        };
        if (bits > 0 && rate != null) {
            long bytes = rate.seconds(frames).times(bits).dividedBy(Rational.of(8)).round();
            return new RoughForecast(bytes * 8 / 10, bytes * 11 / 10 + 64 * 1024);
        }
        double pixels = (double) size.pixels() * frames;
        double alpha = codec.hasAlpha() && transparent ? 2.0 : 0;
        return new RoughForecast((long) (pixels * codec.lowBitsPerPixel() / 8),
                (long) (pixels * (codec.highBitsPerPixel() + alpha) / 8) + 64 * 1024);
    }

    /** That of the first {@code part} frames of {@code whole}. */
    public RoughForecast of(long part, long whole) {
        return new RoughForecast(lowBytes * part / whole, highBytes * part / whole);
    }

    public boolean holds(long bytes) {
        return bytes >= lowBytes && bytes <= highBytes;
    }

    /** Both together, in bytes: the low ends and the high ends. */
    public RoughForecast plus(RoughForecast other) {
        return new RoughForecast(lowBytes + other.lowBytes, highBytes + other.highBytes);
    }

    @Override
    public String toString() {
        return WORDS.say("rough", range());
    }

    /** The range alone, in words: {@code 1.2 MB to 8 MB}. */
    public String range() {
        return WORDS.say("range", bytes(lowBytes), bytes(highBytes));
    }

    /** Decimal units, as files are sold: {@code 1.42 GB}. */
    public static String bytes(long bytes) {
        String[] units = {"B", "kB", "MB", "GB", "TB"};
        double value = bytes;
        int unit = 0;
        while (value >= 999.5 && unit < units.length - 1) {
            value /= 1000;
            unit++;
        }
        String pattern = unit == 0 || value >= 99.95 ? "%.0f %s" : value >= 9.995 ? "%.1f %s" : "%.2f %s";
        return String.format(Locale.ROOT, pattern, value, units[unit]);
    }
}
