package dev.vat.core.trial;

import dev.vat.core.delivery.Deliverable;
import dev.vat.core.delivery.Quality;
import dev.vat.core.delivery.RateControl;
import dev.vat.core.delivery.Settings;
import dev.vat.core.words.Words;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** What a deliverable will be, from the variants that were tried for it. */
public final class DeliverableForecast {

    private static final Words WORDS = Words.of(DeliverableForecast.class);

    /** An encoder that aims at a rate in two passes comes so near to it, and in one pass so near. */
    private static final double TWO_PASSES = .03;
    private static final double ONE_PASS = .10;

    private DeliverableForecast() {}

    /**
     * @param tried by the variants' ids, see {@link Variants#of}
     * @param shape of its file
     * @param seconds of the file
     * @param solved its settings, with a file size turned into a bit rate
     * @return empty where a variant failed
     */
    public static Optional<FileForecast> of(Deliverable deliverable, Map<String, FileForecast> tried, FileShape shape, double seconds,
            Settings solved) {
        List<Deliverable> variants = Variants.of(deliverable);
        if (!variants.stream().allMatch(v -> tried.containsKey(v.id()))) {
            return Optional.empty();
        }
        FileForecast first = tried.get(variants.getFirst().id());
        if (variants.size() == 1) {
            return Optional.of(ruled(first, deliverable, shape, seconds));
        }
        FileForecast second = tried.get(variants.getLast().id());
        double wanted = bits(solved.control()) * seconds / 8 + shape.besides();
        Estimate bytes = Estimate.within(wanted, solved.control() instanceof RateControl.TwoPass ? TWO_PASSES : ONE_PASS);
        return Optional.of(between(first, second, Math.log(wanted), bytes));
    }

    /** Of what lies between two qualities, or beyond one of them. */
    private static FileForecast between(FileForecast fine, FileForecast fair, double logBytes, Estimate bytes) {
        double from = Math.log(fine.bytes().middle());
        double to = Math.log(fair.bytes().middle());
        double share = from == to ? 0 : Math.clamp((logBytes - from) / (to - from), -1, 2);
        return new FileForecast(bytes,
                fine.psnr() == null || fair.psnr() == null ? null : mixed(fine.psnr(), fair.psnr(), share, Double.MAX_VALUE),
                mixed(fine.ssim(), fair.ssim(), share, 1),
                fine.makeSeconds().plus(fair.makeSeconds()).times(.5), fine.proofSeconds().plus(fair.proofSeconds()).times(.5));
    }

    private static Estimate mixed(Estimate a, Estimate b, double share, double most) {
        double middle = Math.min(most, a.middle() + share * (b.middle() - a.middle()));
        double off = Math.max(a.middle() - a.low(), b.middle() - b.low()) + Math.abs(b.middle() - a.middle()) * .1;
        return new Estimate(middle - off, middle, Math.min(most, middle + off));
    }

    /** A cap or a steady rate sets bounds of its own. */
    private static FileForecast ruled(FileForecast tried, Deliverable deliverable, FileShape shape, double seconds) {
        return switch (deliverable.settings().control()) {
            case RateControl.Capped(int _, long bits, long buffer) -> withBytes(tried,
                    tried.bytes().atMost((bits * seconds + buffer) / 8 + shape.besides()));
            case RateControl.Steady(long bits) -> withBytes(tried, Estimate.within(bits * seconds / 8 + shape.besides(), TWO_PASSES));
            case RateControl.Average(long bits) -> withBytes(tried, Estimate.within(bits * seconds / 8 + shape.besides(), ONE_PASS));
            default -> tried;
        };
    }

    private static FileForecast withBytes(FileForecast f, Estimate bytes) {
        return new FileForecast(bytes, f.psnr(), f.ssim(), f.makeSeconds(), f.proofSeconds());
    }

    private static double bits(RateControl control) {
        return switch (control) {
            case RateControl.Average(long bits) -> bits;
            case RateControl.TwoPass(long bits) -> bits;
            default -> throw new IllegalArgumentException(WORDS.say("noBitRateIn", control));
        };
    }

    /**
     * The quality at which a file is no larger than so many bytes, from a ladder: a file of one quality can be made in parts.
     *
     * @param steps numbers of quality with what each would be
     * @return empty if not even the worst that was tried is so small
     */
    public static Optional<Integer> qualityFor(long bytes, Map<Integer, FileForecast> steps, Quality scale) {
        List<Integer> numbers = steps.keySet().stream().sorted().toList();
        for (int number = numbers.getFirst(); number <= numbers.getLast(); number++) {
            if (high(number, numbers, steps) <= bytes) {
                return Optional.of(scale.require(number));
            }
        }
        return Optional.empty();
    }

    /** What a quality between two that were tried weighs at most. */
    private static double high(int number, List<Integer> numbers, Map<Integer, FileForecast> steps) {
        int below = numbers.stream().filter(n -> n <= number).reduce((a, b) -> b).orElseThrow();
        int above = numbers.stream().filter(n -> n >= number).findFirst().orElseThrow();
        double from = Math.log(steps.get(below).bytes().high());
        double to = Math.log(steps.get(above).bytes().high());
        return Math.exp(below == above ? from : from + (to - from) * (number - below) / (above - below));
    }
}
