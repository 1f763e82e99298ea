package dev.vat.core.trial;

import dev.vat.core.time.FrameRange;
import java.util.ArrayList;
import java.util.Arrays;
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

    /**
     * What a true value is off by at least, where excerpts meet their neighbours otherwise than in the whole: as a share. As measured,
     * nine times of ten.
     */
    private static final double EDGES = 0.03;
    /** The same where frames lean on each other. */
    private static final double EDGES_OF_GROUPS = 0.07;
    /** What was tried whole is off by this share and so many bytes at most. */
    private static final double MADE_AGAIN = 0.01;
    private static final int AROUND = 800;
    /** Times are off by this share at least: other work goes on in a machine. */
    private static final double HURRY = 0.12;
    /** Decibels that nobody can promise. */
    private static final double LEAST_PSNR = 0.3;
    private static final double LEAST_SSIM = 0.002;
    /**
     * What hardly moves is refined from frame to frame, in a whole file for longer than in an excerpt: so many decibels for each above
     * {@link #FAIR}. As measured.
     */
    private static final double REFINED = 0.08;
    private static final double FAIR = 45;
    /** Stands for a frame of which not a bit differs, among others that do, in dB. */
    private static final double SAME = 99;
    /** Spreads that hold nine of ten, by the number of excerpts: of Student's distribution with one less. */
    private static final double[] NINE_OF_TEN = {6.3, 6.3, 6.3, 2.9, 2.4, 2.1, 2.0, 1.95};

    /**
     * Encoders that look ahead spend less where they see the end coming. So many reel frames at the end of an excerpt are left out of
     * account, unless the file ends there too.
     */
    private static final int LOOK_AHEAD = 16;
    /** Nor do they know at first what goes on: so many at its start are left out, unless the file begins there too. */
    private static final int WARMING_UP = 8;

    /**
     * A stretch of the file with what is known of it.
     *
     * @param cost mean over its frames
     * @param tried the frames of it that count; empty if it wasn't tried
     * @param triedCost mean over those
     * @param seconds that making all of it took, if it was tried
     */
    private record Stretch(FrameRange frames, double cost, List<Packed> tried, double triedCost, double seconds) {
        double logCost() {
            return Math.log(Math.max(1, cost));
        }

        double logTriedCost() {
            return Math.log(Math.max(1, triedCost));
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
        boolean cutsStandAlone = cutsStandAlone(costs, trial, shape);
        List<Stretch> stretches = stretches(costs, trial, shape, cutsStandAlone);
        List<Stretch> tried = stretches.stream().filter(Stretch::isTried).toList();
        double[] x = tried.stream().mapToDouble(Stretch::logTriedCost).toArray();
        double share = (double) trial.frames() / shape.frames();
        Estimate pictures = isTriedWhole(trial, shape) ? whole(trial) : shape.isIntra() ? sizes(stretches, x, inner, EDGES)
                : sizes(stretches, x, inner, EDGES_OF_GROUPS).plus(keys(costs, trial, shape, cutsStandAlone));
        boolean lossless = trial.excerpts().stream().flatMap(e -> e.frames().stream()).allMatch(p -> p.psnr() == null);
        return new FileForecast(pictures.plus(shape.besides()),
                lossless ? null
                        : refined(likeness(stretches, x, inner, p -> p.psnr() == null ? SAME : p.psnr(), LEAST_PSNR, Double.MAX_VALUE),
                                shape),
                likeness(stretches, x, inner, Packed::ssim, LEAST_SSIM, 1), seconds(stretches),
                Estimate.within(trial.proofSeconds() / share, HURRY));
    }

    /** Whether its one excerpt is all of it. */
    private static boolean isTriedWhole(FileTrial trial, FileShape shape) {
        return trial.excerpts().size() == 1 && trial.excerpts().getFirst().frames().size() == shape.frames();
    }

    /** What was made once comes out again; what stands around it is known but for some hundred bytes. */
    private static Estimate whole(FileTrial trial) {
        double bytes = trial.excerpts().getFirst().frames().stream().mapToDouble(Packed::bytes).sum();
        return new Estimate(Math.max(0, bytes * (1 - MADE_AGAIN) - AROUND), bytes, bytes * (1 + MADE_AGAIN) + AROUND);
    }

    /** The file in stretches of the excerpts' length, in frames of the file. */
    private static List<Stretch> stretches(ReelCosts costs, FileTrial trial, FileShape shape, boolean cutsStandAlone) {
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
            List<Packed> counted = excerpt == null ? List.of() : counted(excerpt, shape);
            long from = excerpt == null ? first : first + firstCounted(excerpt, shape);
            all.add(new Stretch(FrameRange.of(first, end - 1), meanCost(costs, first, end, shape, cutsStandAlone), counted,
                    meanCost(costs, from, from + counted.size(), shape, cutsStandAlone),
                    excerpt == null ? 0 : excerpt.seconds()));
            first = end;
        }
        return all;
    }

    private static List<Packed> counted(Excerpt excerpt, FileShape shape) {
        return excerpt.frames().subList(firstCounted(excerpt, shape), endCounted(excerpt, shape));
    }

    private static int firstCounted(Excerpt excerpt, FileShape shape) {
        return shape.isIntra() || excerpt.first() == 0 ? 0 : Math.min(excerpt.frames().size() / 4, WARMING_UP / shape.reelFrames());
    }

    private static int endCounted(Excerpt excerpt, FileShape shape) {
        int all = excerpt.frames().size();
        return shape.isIntra() || excerpt.first() + all >= shape.frames() ? all : Math.max(all / 2, all - LOOK_AHEAD / shape.reelFrames());
    }

    private static double meanCost(ReelCosts costs, long first, long end, FileShape shape, boolean cutsStandAlone) {
        return LongStream.range(first * shape.reelFrames(), end * shape.reelFrames()).mapToObj(costs::at)
                .filter(c -> shape.isIntra() || !c.key() || !cutsStandAlone)
                .mapToDouble(c -> shape.isIntra() ? c.alone() : c.after()).average().orElse(0);
    }

    /** Bytes of all frames of a kind. */
    private static Estimate sizes(List<Stretch> stretches, double[] x, Predicate<Packed> which, double edges) {
        List<Stretch> tried = stretches.stream().filter(Stretch::isTried).toList();
        double[] means = tried.stream().mapToDouble(s -> s.mean(which, Packed::bytes)).toArray();
        CurveFit fit = CurveFit.of(x, IntStream.range(0, means.length).mapToDouble(i -> Math.log(Math.max(1, means[i]))).toArray(), 1);
        double fitted = IntStream.range(0, means.length).mapToDouble(i -> Math.exp(fit.at(x[i]))).sum();
        // A mean of logarithms lies low: the line is lifted so that it gives back what was tried.
        double lift = fitted == 0 ? 1 : IntStream.range(0, means.length).mapToDouble(i -> means[i]).sum() / fitted;
        double known = 0;
        double guessed = 0;
        double squares = 0;
        for (Stretch stretch : stretches) {
            // What wasn't counted of a tried stretch may be harder or easier than the rest of it.
            double mean = stretch.isTried()
                    ? stretch.mean(which, Packed::bytes) * Math.exp(fit.at(stretch.logCost()) - fit.at(stretch.logTriedCost()))
                    : lift * Math.exp(fit.at(stretch.logCost()));
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
        return Estimate.within(all, all == 0 ? 0 : edges + off / all);
    }

    /** Bytes of the frames that stand alone in the whole file: at cuts, and at the end of each group. */
    private static Estimate keys(ReelCosts costs, FileTrial trial, FileShape shape, boolean cutsStandAlone) {
        List<KeyFrame> within = keysOf(costs, trial, shape, false);
        List<KeyFrame> seen = within.isEmpty() ? keysOf(costs, trial, shape, true) : within;
        double bytes = seen.stream().mapToDouble(KeyFrame::bytes).sum();
        double alone = seen.stream().mapToDouble(KeyFrame::cost).sum();
        if (alone == 0) {
            return Estimate.exactly(0);
        }
        double ratio = bytes / alone;
        double sum = 0;
        long last = 0;
        for (long frame = 0; frame < shape.frames(); frame++) {
            FrameCost cost = costs.at(frame * shape.reelFrames());
            if (frame == 0 || cost.key() && cutsStandAlone || frame - last >= shape.group()) {
                sum += ratio * cost.alone();
                last = frame;
            }
        }
        double spread = Math.sqrt(seen.stream().mapToDouble(k -> (k.ratio() / ratio - 1) * (k.ratio() / ratio - 1)).average().orElse(0));
        return Estimate.within(sum, EDGES_OF_GROUPS + spread / Math.sqrt(seen.size()));
    }

    /** Whether the encoder begins anew at cuts, as most do; some take the frame after a cut for one like any other. */
    private static boolean cutsStandAlone(ReelCosts costs, FileTrial trial, FileShape shape) {
        int cuts = 0;
        int alone = 0;
        for (Excerpt excerpt : trial.excerpts()) {
            for (int i = 1; i < excerpt.frames().size(); i++) {
                if (costs.at((excerpt.first() + i) * shape.reelFrames()).key()) {
                    cuts++;
                    alone += excerpt.frames().get(i).key() ? 1 : 0;
                }
            }
        }
        return 2 * alone >= cuts;
    }

    /** A frame that stands alone, with what it cost at a quick look. */
    private record KeyFrame(double bytes, double cost) {
        double ratio() {
            return bytes / cost;
        }
    }

    /** Of the frames that count; or those that excerpts begin with, which an encoder packs otherwise than in the midst of a file. */
    private static List<KeyFrame> keysOf(ReelCosts costs, FileTrial trial, FileShape shape, boolean atTheStart) {
        List<KeyFrame> found = new ArrayList<>();
        for (Excerpt excerpt : trial.excerpts()) {
            int end = atTheStart ? 1 : endCounted(excerpt, shape);
            for (int i = atTheStart ? 0 : firstCounted(excerpt, shape); i < end; i++) {
                if (excerpt.frames().get(i).key()) {
                    found.add(new KeyFrame(excerpt.frames().get(i).bytes(),
                            Math.max(1, costs.at((excerpt.first() + i) * shape.reelFrames()).alone())));
                }
            }
        }
        return found;
    }

    /** What is harder takes longer, by as much as the excerpts show. */
    private static Estimate seconds(List<Stretch> stretches) {
        List<Stretch> tried = stretches.stream().filter(Stretch::isTried).toList();
        double[] x = tried.stream().mapToDouble(Stretch::logCost).toArray();
        double[] y = tried.stream().mapToDouble(s -> s.seconds / s.frames.count()).toArray();
        CurveFit fit = CurveFit.of(x, y, 0);
        double least = Arrays.stream(y).min().orElse(0);
        double sum = 0;
        double guessed = 0;
        for (Stretch stretch : stretches) {
            // No line goes below the quickest that was seen.
            sum += stretch.isTried() ? stretch.seconds : Math.max(least, fit.at(stretch.logCost())) * stretch.frames.count();
            guessed += stretch.isTried() ? 0 : stretch.frames.count();
        }
        double off = NINE_OF_TEN[Math.min(y.length, NINE_OF_TEN.length - 1)] * fit.spread() / Math.sqrt(y.length) * guessed;
        return Estimate.within(sum, sum == 0 ? 0 : HURRY + off / sum);
    }

    private static Estimate refined(Estimate psnr, FileShape shape) {
        double more = shape.isIntra() ? 0 : REFINED * Math.max(0, psnr.middle() - FAIR);
        return new Estimate(psnr.low() - more, psnr.middle(), psnr.high() + more);
    }

    private static Estimate likeness(List<Stretch> stretches, double[] x, Predicate<Packed> which, ToDoubleFunction<Packed> measure,
            double least, double most) {
        List<Stretch> tried = stretches.stream().filter(Stretch::isTried).toList();
        double[] y = tried.stream().mapToDouble(s -> s.mean(which, measure)).toArray();
        CurveFit fit = CurveFit.of(x, y, 0);
        double sum = 0;
        long frames = 0;
        int place = 0;
        long guessed = 0;
        double squares = 0;
        for (Stretch stretch : stretches) {
            long count = stretch.frames.count();
            sum += count * (stretch.isTried() ? y[place++] : fit.at(stretch.logCost()));
            frames += count;
            if (!stretch.isTried()) {
                guessed += count;
                squares += (double) count * count;
            }
        }
        double mean = Math.min(most, sum / frames);
        // The line may lie wrong for all of them, and each lies about it by itself.
        double scattered = fit.spread() * Math.hypot(guessed / Math.sqrt(y.length), Math.sqrt(squares)) / frames;
        double off = least + NINE_OF_TEN[Math.min(y.length, NINE_OF_TEN.length - 1)] * scattered;
        return new Estimate(mean - off, mean, Math.min(most, mean + off));
    }
}
