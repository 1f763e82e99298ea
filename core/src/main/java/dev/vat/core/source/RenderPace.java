package dev.vat.core.source;

import dev.vat.core.time.FrameRange;
import java.time.Duration;
import java.time.Instant;
import java.util.Arrays;
import java.util.Optional;

/**
 * How fast frames arrive, from the times of their files: the median time from one file to the next in the order in which
 * they were written. Starting up, breaks and a restart are few among many and don't shift it.
 *
 * @param median from one frame to the next
 * @param latest when the newest file was written
 * @param breaks pauses of more than ten frames' time
 */
public record RenderPace(Duration median, Instant latest, int breaks) {

    private static final int FEWEST = 3;
    private static final int BREAK_IN_FRAMES = 10;

    /** Empty for fewer than three files, or files that all have the same time, as copied ones do. */
    public static Optional<RenderPace> of(Sequence sequence) {
        if (sequence.count() < FEWEST || sequence.pattern().isSingle()) {
            return Optional.empty();
        }
        long[] times = new long[sequence.count()];
        for (int i = 0; i < times.length; i++) {
            times[i] = sequence.modified(i);
        }
        Arrays.sort(times);
        long[] steps = new long[times.length - 1];
        for (int i = 0; i < steps.length; i++) {
            steps[i] = times[i + 1] - times[i];
        }
        long[] sorted = steps.clone();
        Arrays.sort(sorted);
        long median = sorted[sorted.length / 2];
        if (median <= 0) {
            return Optional.empty();
        }
        int breaks = (int) Arrays.stream(steps).filter(s -> s > BREAK_IN_FRAMES * median).count();
        return Optional.of(new RenderPace(Duration.ofMillis(median), Instant.ofEpochMilli(times[times.length - 1]), breaks));
    }

    /** When the last of {@code remaining} frames will be there if all goes on like this. */
    public Instant finish(long remaining, Instant now) {
        Instant from = latest.isBefore(now.minus(median)) ? now : latest;
        return from.plus(median.multipliedBy(remaining));
    }

    /** Whether frames should have come by now and haven't. */
    public boolean isStalled(Instant now) {
        return Duration.between(latest, now).compareTo(median.multipliedBy(BREAK_IN_FRAMES).plusSeconds(30)) > 0;
    }
}
