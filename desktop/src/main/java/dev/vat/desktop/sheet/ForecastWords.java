package dev.vat.desktop.sheet;

import dev.vat.core.delivery.RoughForecast;
import dev.vat.core.trial.Estimate;
import dev.vat.core.trial.FileForecast;
import java.util.Locale;

/** Forecasts in words. */
public final class ForecastWords {

    private ForecastWords() {}

    /** {@code 2.73 MB (2.56 to 2.92)}. */
    static String bytes(Estimate bytes) {
        String middle = RoughForecast.bytes(Math.round(bytes.middle()));
        String unit = middle.substring(middle.indexOf(' '));
        String low = RoughForecast.bytes(Math.round(bytes.low()));
        String high = RoughForecast.bytes(Math.round(bytes.high()));
        boolean alike = low.endsWith(unit) && high.endsWith(unit);
        return middle + " (" + (alike ? low.replace(unit, "") + " to " + high.replace(unit, "") : low + " to " + high) + ")";
    }

    static String likeness(FileForecast file) {
        return file.psnr() == null ? "nothing is lost"
                : String.format(Locale.ROOT, "%.1f dB (%.1f to %.1f), %.4f", file.psnr().middle(), file.psnr().low(), file.psnr().high(),
                        file.ssim().middle());
    }

    /** {@code 12 s (10 to 14)} or {@code 2:10 (1:50 to 2:30)}. */
    public static String time(Estimate seconds) {
        boolean minutes = seconds.high() >= 100;
        return span(seconds.middle(), minutes) + (minutes ? "" : " s") + " (" + span(seconds.low(), minutes) + " to "
                + span(seconds.high(), minutes) + ")";
    }

    private static String span(double seconds, boolean minutes) {
        long whole = Math.round(seconds);
        return !minutes ? whole < 10 ? String.format(Locale.ROOT, "%.1f", seconds) : Long.toString(whole)
                : whole >= 3600 ? "%d:%02d:%02d".formatted(whole / 3600, whole / 60 % 60, whole % 60)
                        : "%d:%02d".formatted(whole / 60, whole % 60);
    }

    /** All that is foretold of a file, in one line. */
    public static String line(FileForecast file) {
        return bytes(file.bytes()) + ", "
                + (file.psnr() == null ? "nothing is lost"
                        : String.format(Locale.ROOT, "PSNR %.2f dB, SSIM %.4f", file.psnr().middle(), file.ssim().middle()))
                + ", "
                + time(file.makeSeconds().plus(file.proofSeconds())) + " to make";
    }

    /** For a column's heading. */
    static String brief(FileForecast file) {
        return RoughForecast.bytes(Math.round(file.bytes().middle()))
                + (file.psnr() == null ? ", lossless" : String.format(Locale.ROOT, ", %.1f dB", file.psnr().middle()));
    }
}
