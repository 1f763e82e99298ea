package dev.vat.core.content;

import dev.vat.core.words.Words;
import java.util.ArrayList;
import java.util.List;

/** Frames with much more grain than those before and after, as when samples were cut or a denoiser was left out. */
final class Noise {

    private static final Words WORDS = Words.of(Noise.class);

    private static final double OVER = 1.6;
    private static final float LEAST = .7f;

    private Noise() {}

    static List<ContentFault> in(Series series) {
        List<ContentFault> found = new ArrayList<>();
        for (int i = 1; i < series.count() - 1; i++) {
            float own = series.look(i).noise();
            double beside = Math.max(series.look(i - 1).noise(), series.look(i + 1).noise());
            if (own >= LEAST && own > OVER * beside && own > OVER * highest(series, i) && !series.isCut(i) && !series.isCut(i + 1)
                    && Math.abs(series.look(i).brightness() - series.look(i - 1).brightness()) < .05) {
                found.add(new ContentFault(ContentFault.Kind.NOISE, List.of(series.number(i)), series.number(i - 1),
                        WORDS.say("grainOfCodesInTheFrames", Words.decimal(own, 1), Words.decimal(beside, 1))));
            }
        }
        return found;
    }

    private static double highest(Series series, int place) {
        double highest = 0;
        for (int i = Math.max(0, place - Series.WINDOW / 2); i <= Math.min(series.count() - 1, place + Series.WINDOW / 2); i++) {
            highest = i == place ? highest : Math.max(highest, series.look(i).noise());
        }
        return highest;
    }
}
