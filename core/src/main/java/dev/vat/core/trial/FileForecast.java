package dev.vat.core.trial;

import dev.vat.core.time.FrameRange;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import java.util.function.ToDoubleFunction;
import java.util.stream.IntStream;
import java.util.stream.LongStream;

/**
 * What a whole file will be, from excerpts of it and the cost of every frame.
 *
 * @param bytes of the file, sound and container included
 * @param psnr mean over its frames in dB, or null if nothing is lost
 * @param ssim mean over its frames
 * @param makeSeconds that making it takes, its share of what all files take together
 * @param proofSeconds that reading the whole file again takes
 */
public record FileForecast(Estimate bytes, Estimate psnr, Estimate ssim, Estimate makeSeconds, Estimate proofSeconds) {

    /** What a true value is off by at least, where excerpts meet their neighbours otherwise than in the whole: as a share. */
    private static final double EDGES = 0.03;
    /** Times are off by this share at least: other work goes on in a machine. */
    private static final double HURRY = 0.12;
    /** Decibels that nobody can promise. */
    private static final double LEAST_PSNR = 0.3;
    private static final double LEAST_SSIM = 0.002;
    /** Stands for a frame of which not a bit differs, among others that do, in dB. */
    private static final double SAME = 99;
    /** Spreads that hold nine of ten, by the number of excerpts: of Student's distribution with one less. */
    private static final double[] NINE_OF_TEN = {6.3, 6.3, 6.3, 2.9, 2.4, 2.1, 2.0, 1.95};

    /**
     * Encoders that look ahead spend less where they see the end coming. So many reel frames at the end of an excerpt are left out of account,
     * unless the file ends there too.
     */
    private static final int LOOK_AHEAD = 16;

    /** A stretch of the file with what is known of it. @param tried the frames of it that count; empty if it wasn't tried */
    private record Stretch(FrameRange frames, double cost, List<Packed> tried) {
        double logCost() {
            return Math.log(Math.max(1, cost));
        }

        boolean isTried() {
            return !tried.isEmpty();
        }

        double mean(Predicate<Packed> which, ToDoubleFunction<Packed> measure) {
            return tried.stream().filter(which).mapToDouble(measure).average().orElse(0);
        }
    }

    public static FileForecast of(ReelCosts costs, FileTrial trial, FileShape shape) {
        Predicate<Packed> inner = shape.isIntra() ? _ -> true : p -> !p.key();
        List<Stretch> stretches = stretches(costs, trial, shape);
        List<Stretch> tried = stretches.stream().filter(Stretch::isTried).toList();
        double[] x = tried.stream().mapToDouble(Stretch::logCost).toArray();
        double share = (double) trial.frames() / shape.frames();
        Estimate pictures = shape.isIntra() ? sizes(stretches, x, inner) : sizes(stretches, x, inner).plus(keys(costs, trial, shape));
        boolean lossless = trial.excerpts().stream().flatMap(e -> e.frames().stream()).allMatch(p -> p.psnr() == null);
        return new FileForecast(pictures.plus(shape.besides()), lossless ? null : likeness(stretches, x, inner, p -> p.psnr() == null ? SAME : p.psnr(), LEAST_PSNR, Double.MAX_VALUE),
                likeness(stretches, x, inner, Packed::ssim, LEAST_SSIM, 1), Estimate.within(trial.makeSeconds() / share, HURRY), Estimate.within(trial.proofSeconds() / share, HURRY));
    }

    /** The file in stretches of the excerpts' length, in frames of the file. */
    private static List<Stretch> stretches(ReelCosts costs, FileTrial trial, FileShape shape) {
        Map<Long, Excerpt> tried = new HashMap<>();
        trial.excerpts().forEach(e -> tried.put(e.first(), e));
        int length = trial.excerpts().stream().mapToInt(e -> e.frames().size()).min().orElseThrow();
        List<Stretch> all = new ArrayList<>();
        for (long first = 0; first < shape.frames();) {
            Excerpt excerpt = tried.get(first);
            long end = first + length;
            if (excerpt != null) {
                end = first + excerpt.frames().size();
            } else if (shape.frames() - end < length / 2 && tried.keySet().stream().noneMatch(f -> f >= shape.frames() - length)) {
                end = shape.frames();
            }
            end = Math.min(end, shape.frames());
            all.add(new Stretch(FrameRange.of(first, end - 1), meanCost(costs, first, end, shape), excerpt == null ? List.of() : counted(excerpt, shape)));
            first = end;
        }
        return all;
    }

    private static List<Packed> counted(Excerpt excerpt, FileShape shape) {
        int all = excerpt.frames().size();
        boolean toTheEnd = shape.isIntra() || excerpt.first() + all >= shape.frames();
        return toTheEnd ? excerpt.frames() : excerpt.frames().subList(0, Math.max(all / 2, all - LOOK_AHEAD / shape.reelFrames()));
    }

    private static double meanCost(ReelCosts costs, long first, long end, FileShape shape) {
        return LongStream.range(first * shape.reelFrames(), end * shape.reelFrames()).mapToObj(costs::at).filter(c -> shape.isIntra() || !c.key())
                .mapToDouble(c -> shape.isIntra() ? c.alone() : c.after()).average().orElse(0);
    }

    /** Bytes of all frames of a kind. */
    private static Estimate sizes(List<Stretch> stretches, double[] x, Predicate<Packed> which) {
        List<Stretch> tried = stretches.stream().filter(Stretch::isTried).toList();
        double[] means = tried.stream().mapToDouble(s -> s.mean(which, Packed::bytes)).toArray();
        Fit fit = Fit.of(x, IntStream.range(0, means.length).mapToDouble(i -> Math.log(Math.max(1, means[i]))).toArray(), 1);
        double fitted = IntStream.range(0, means.length).mapToDouble(i -> Math.exp(fit.at(x[i]))).sum();
        // A mean of logarithms lies low: the line is lifted so that it gives back what was tried.
        double lift = fitted == 0 ? 1 : IntStream.range(0, means.length).mapToDouble(i -> means[i]).sum() / fitted;
        double known = 0;
        double guessed = 0;
        double squares = 0;
        for (Stretch stretch : stretches) {
            double mean = stretch.isTried() ? stretch.mean(which, Packed::bytes) : lift * Math.exp(fit.at(stretch.logCost()));
            double bytes = mean * stretch.frames.count();
            if (stretch.isTried()) {
                known += bytes;
            } else {
                guessed += bytes;
                squares += bytes * bytes;
            }
        }
        double each = fit.spread() * Math.sqrt(squares);
        double line = fit.spread() * guessed / Math.sqrt(tried.size());
        double off = NINE_OF_TEN[Math.min(tried.size(), NINE_OF_TEN.length - 1)] * Math.hypot(each, line);
        double all = known + guessed;
        return Estimate.within(all, all == 0 ? 0 : EDGES + off / all);
    }

    /** Bytes of the frames that stand alone in the whole file: at cuts, and at the end of each group. */
    private static Estimate keys(ReelCosts costs, FileTrial trial, FileShape shape) {
        double bytes = 0;
        double alone = 0;
        List<Double> ratios = new ArrayList<>();
        for (Excerpt excerpt : trial.excerpts()) {
            for (int i = 0; i < excerpt.frames().size(); i++) {
                if (excerpt.frames().get(i).key()) {
                    double cost = Math.max(1, costs.at((excerpt.first() + i) * shape.reelFrames()).alone());
                    bytes += excerpt.frames().get(i).bytes();
                    alone += cost;
                    ratios.add(excerpt.frames().get(i).bytes() / cost);
                }
            }
        }
        if (alone == 0) {
            return Estimate.exactly(0);
        }
        double ratio = bytes / alone;
        double sum = 0;
        long last = 0;
        for (long frame = 0; frame < shape.frames(); frame++) {
            FrameCost cost = costs.at(frame * shape.reelFrames());
            if (frame == 0 || cost.key() || frame - last >= shape.group()) {
                sum += ratio * cost.alone();
                last = frame;
            }
        }
        double spread = Math.sqrt(ratios.stream().mapToDouble(r -> (r / ratio - 1) * (r / ratio - 1)).average().orElse(0));
        return Estimate.within(sum, EDGES + spread / Math.sqrt(ratios.size()));
    }

    private static Estimate likeness(List<Stretch> stretches, double[] x, Predicate<Packed> which, ToDoubleFunction<Packed> measure, double least, double most) {
        List<Stretch> tried = stretches.stream().filter(Stretch::isTried).toList();
        double[] y = tried.stream().mapToDouble(s -> s.mean(which, measure)).toArray();
        Fit fit = Fit.of(x, y, 0);
        double sum = 0;
        long frames = 0;
        int place = 0;
        long guessed = 0;
        for (Stretch stretch : stretches) {
            sum += stretch.frames.count() * (stretch.isTried() ? y[place++] : fit.at(stretch.logCost()));
            frames += stretch.frames.count();
            guessed += stretch.isTried() ? 0 : stretch.frames.count();
        }
        double mean = Math.min(most, sum / frames);
        double off = least + NINE_OF_TEN[Math.min(y.length, NINE_OF_TEN.length - 1)] * fit.spread() / Math.sqrt(y.length) * guessed / frames;
        return new Estimate(mean - off, mean, Math.min(most, mean + off));
    }
}
