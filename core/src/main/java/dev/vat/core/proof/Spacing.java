package dev.vat.core.proof;

import dev.vat.core.time.Rational;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;

/**
 * How far apart frames follow each other by their time stamps.
 *
 * @param seconds from one frame to the next
 * @param times how often that occurs in the file
 */
public record Spacing(Rational seconds, long times) {

    /** Every distance that occurs, in the order of its first appearance. @param times of the frames, in seconds */
    public static List<Spacing> of(List<Rational> times) {
        return ofDistances(IntStream.range(1, times.size()).mapToObj(i -> times.get(i).minus(times.get(i - 1))).toList());
    }

    /** The same of distances, where a file says these. */
    public static List<Spacing> ofDistances(List<Rational> distances) {
        Map<Rational, Long> counts = new LinkedHashMap<>();
        distances.forEach(distance -> counts.merge(distance, 1L, Long::sum));
        List<Spacing> found = new ArrayList<>();
        counts.forEach((distance, count) -> found.add(new Spacing(distance, count)));
        return found;
    }
}
