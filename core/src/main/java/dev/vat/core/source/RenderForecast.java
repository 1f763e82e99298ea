package dev.vat.core.source;

import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;
import java.util.Optional;

/**
 * How long a render will take, from one test frame, before any frame exists.
 *
 * @param frames to be rendered
 * @param secondsPerFrame measured on the test frame
 * @param startUp seconds that each machine needs before its first frame
 * @param machines at work at once
 * @param pixelRatio pixels of a final frame over those of the test frame
 * @param pricePerHour of one machine, in any currency; null if it costs nothing
 */
public record RenderForecast(long frames, Rational secondsPerFrame, Rational startUp, int machines, Rational pixelRatio,
        Rational pricePerHour) {

    private static final Words WORDS = Words.of(RenderForecast.class);

    /** What takes less than a second is said so closely that the sum can be followed. */
    private static final int QUICK_PLACES = 3;

    public RenderForecast {
        if (frames < 1 || machines < 1 || secondsPerFrame.signum() <= 0 || pixelRatio.signum() <= 0 || startUp.signum() < 0) {
            throw new IllegalArgumentException(WORDS.say("aForecastNeedsAtLeastOne"));
        }
    }

    public static RenderForecast of(long frames, Rational secondsPerFrame) {
        return new RenderForecast(frames, secondsPerFrame, Rational.ZERO, 1, Rational.ONE, null);
    }

    /** Seconds until the last frame is there: the machine with the most frames decides. */
    public Rational seconds() {
        return secondsPerFrame.times(pixelRatio).times(Math.ceilDiv(frames, machines)).plus(startUp);
    }

    /** What all machines together cost. */
    public Optional<Rational> price() {
        return Optional.ofNullable(pricePerHour).map(p -> secondsPerFrame.times(pixelRatio).times(frames)
                .plus(startUp.times(machines)).dividedBy(Rational.of(3600)).times(p));
    }

    /** The sum as it is worked out: {@code 312 frames x 42 s + 4 min = 3 h 42 min}. */
    public String formula() {
        StringBuilder text = new StringBuilder().append(frames).append(frames == 1 ? WORDS.say("frameX") : WORDS.say("framesX"))
                .append(secondsPerFrame.toDecimal(secondsPerFrame.compareTo(Rational.ONE) < 0 ? QUICK_PLACES : 1)).append(" s");
        if (!pixelRatio.equals(Rational.ONE)) {
            text.append(" x ").append(pixelRatio.toDecimal(2)).append(" pixels");
        }
        if (machines > 1) {
            text.append(" / ").append(machines).append(" machines");
        }
        if (startUp.signum() > 0) {
            text.append(" + ").append(inWords(startUp));
        }
        text.append(" = ").append(inWords(seconds()));
        price().ifPresent(p -> text.append(", costs ").append(p.toFixed(2)));
        return text.toString();
    }

    /** A time as people say it: {@code 3 h 42 min}, {@code 50 s}. */
    public static String inWords(Rational time) {
        long seconds = time.round();
        if (seconds < 120) {
            return seconds % 60 == 0 && seconds > 0 ? WORDS.say("min", seconds / 60) : seconds + " s";
        }
        long minutes = Math.round(seconds / 60.0);
        return minutes < 60 ? WORDS.say("min", minutes) : minutes / 60 + " h" + (minutes % 60 == 0 ? "" : WORDS.say("min2", minutes % 60));
    }
}
