package dev.vat.core.trial;

import dev.vat.core.words.Words;
import java.util.Arrays;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.LongFunction;

/**
 * How two renders of one shot differ, as text: frames that one of them lacks, frames that repeat the one before in one alone, and frames
 * of which a part differs suddenly.
 */
public final class RenderReport {

    private static final Words WORDS = Words.of(RenderReport.class);

    /** One of the two: which of the places it lacks, and at which it shows the same picture as at the place before. */
    public record Render(String name, Set<Long> missing, Set<Long> repeated) {
        public Render {
            missing = Set.copyOf(missing);
            repeated = Set.copyOf(repeated);
        }
    }

    /** A difference is sudden where it is so many times as strong as it is in most frames, and this much stronger in codes of 8 bits. */
    private static final double TIMES = 3;
    private static final double AT_LEAST = .5;

    private RenderReport() {}

    /** The places at which something differs that differs hardly elsewhere. @param likeness by place */
    public static Set<Long> sudden(Map<Long, PairLikeness> likeness) {
        double[] strengths = likeness.values().stream().mapToDouble(PairLikeness::mostInEightBits).sorted().toArray();
        double usual = strengths.length == 0 ? 0 : strengths[strengths.length / 2];
        Map<Long, PairLikeness> found = new TreeMap<>();
        likeness.forEach((place, like) -> {
            if (like.mostInEightBits() > TIMES * usual + AT_LEAST) {
                found.put(place, like);
            }
        });
        return found.keySet();
    }

    /** @param number what people know a place by */
    public static String of(Render first, Render second, Map<Long, PairLikeness> likeness, LongFunction<String> number) {
        StringBuilder text = new StringBuilder(first.name).append(" against ").append(second.name).append(", ").append(likeness.size())
                .append(WORDS.say("framesCompared"));
        missing(text, first, second, number);
        missing(text, second, first, number);
        repeated(text, first, second, number);
        repeated(text, second, first, number);
        Set<Long> sudden = sudden(likeness);
        if (sudden.isEmpty()) {
            text.append(WORDS.say("noFrameDiffersSuddenly"));
        } else {
            text.append(WORDS.say("suddenDifferences"));
            sudden.forEach(
                    place -> text.append("  ").append(number.apply(place)).append(": ").append(likeness.get(place).words()).append('\n'));
        }
        long same = likeness.values().stream().filter(PairLikeness::isSame).count();
        text.append(same == likeness.size() ? WORDS.say("notABitDiffersInAnyFrame") : WORDS.say("framesAreTheSameToTheLast", same));
        return text.toString();
    }

    private static void missing(StringBuilder text, Render one, Render other, LongFunction<String> number) {
        names(text, one.missing.stream().filter(p -> !other.missing.contains(p)).mapToLong(Long::longValue).sorted().toArray(),
                WORDS.say("onlyHas", other.name), number);
    }

    private static void repeated(StringBuilder text, Render one, Render other, LongFunction<String> number) {
        names(text, one.repeated.stream().filter(p -> !other.repeated.contains(p)).mapToLong(Long::longValue).sorted().toArray(),
                WORDS.say("aloneRepeatsTheFrameBefore", one.name), number);
    }

    private static void names(StringBuilder text, long[] places, String words, LongFunction<String> number) {
        if (places.length > 0) {
            text.append(words).append(String.join(", ", Arrays.stream(places).mapToObj(number).toList())).append('\n');
        }
    }
}
