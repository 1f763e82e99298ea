package dev.vat.desktop.sheet;

import dev.vat.core.delivery.RoughForecast;
import dev.vat.core.trial.Estimate;
import dev.vat.core.trial.FileForecast;
import dev.vat.core.words.Words;
import java.util.Locale;

/** Forecasts in words. */
public final class ForecastWords {

    private static final Words WORDS = Words.of(ForecastWords.class);

    private ForecastWords() {}

    /** {@code 2.73 MB (2.56 to 2.92)}. */
    static String bytes(Estimate bytes) {
        String middle = RoughForecast.bytes(Math.round(bytes.middle()));
        String unit = middle.substring(middle.indexOf(' '));
        String low = RoughForecast.bytes(Math.round(bytes.low()));
        String high = RoughForecast.bytes(Math.round(bytes.high()));
        boolean alike = low.endsWith(unit) && high.endsWith(unit);
        return middle + " (" + (alike ? WORDS.say("to", low.replace(unit, ""), high.replace(unit, "")) : WORDS.say("to", low, high)) + ")";
    }

    static String likeness(FileForecast file) {
        return file.psnr() == null ? WORDS.say("nothingIsLost")
                : WORDS.say("dbTo", Words.decimal(file.psnr().middle(), 1), Words.decimal(file.psnr().low(), 1),
                        Words.decimal(file.psnr().high(), 1), Words.decimal(file.ssim().middle(), 4));
    }

    /** {@code 12 s (10 to 14)} or {@code 2:10 (1:50 to 2:30)}. */
    public static String time(Estimate seconds) {
        boolean minutes = seconds.high() >= 100;
        return WORDS.say("to2", span(seconds.middle(), minutes) + (minutes ? "" : " s"), span(seconds.low(), minutes),
                span(seconds.high(), minutes));
    }

    private static String span(double seconds, boolean minutes) {
        long whole = Math.round(seconds);
        return !minutes ? whole < 10 ? String.format(Locale.ROOT, "%.1f", seconds) : Long.toString(whole)
                : whole >= 3600 ? "%d:%02d:%02d".formatted(whole / 3600, whole / 60 % 60, whole % 60)
                        : "%d:%02d".formatted(whole / 60, whole % 60);
    }

    /** All that is foretold of a file, in one line. */
    public static String line(FileForecast file) {
        return WORDS.say("toMake", bytes(file.bytes()), (file.psnr() == null ? WORDS.say("nothingIsLost")
                : WORDS.say("psnrDBSSIM", Words.decimal(file.psnr().middle(), 2), Words.decimal(file.ssim().middle(), 4))),
                time(file.makeSeconds().plus(file.proofSeconds())));
    }

    /** For a column's heading. */
    static String brief(FileForecast file) {
        return RoughForecast.bytes(Math.round(file.bytes().middle()))
                + (file.psnr() == null ? WORDS.say("lossless") : WORDS.say("psnr", Words.decimal(file.psnr().middle(), 1)));
    }
}
