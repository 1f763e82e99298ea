package dev.vat.core.trial;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rate;
import java.util.ArrayList;
import java.util.List;
import java.util.function.IntToDoubleFunction;
import java.util.random.RandomGenerator;
import java.util.random.RandomGeneratorFactory;
import java.util.stream.IntStream;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** What excerpts say of the whole, against files whose every frame is known. */
class FileForecastTest {

    private static final int FRAMES = 1500;
    private static final int GROUP = 250;

    /** A reel of three kinds of stretches, each some seconds long: easy, middling, hard. */
    private static ReelCosts costs(int frames) {
        return ReelCosts.of(IntStream.range(0, frames).mapToObj(
                f -> new FrameCost(4000 + 3000 * kind(f), (int) (300 * Math.pow(4, kind(f)) * (1 + .1 * Math.sin(f))), f % 130 == 0))
                .toList(), frames);
    }

    private static int kind(int frame) {
        return frame / 130 % 3;
    }

    /**
     * A file whose frames weigh what they cost to the power of some exponent, as encoders do that are better at hard frames than others.
     */
    private static List<Packed> file(ReelCosts costs, boolean intra, double power, IntToDoubleFunction chance) {
        List<Packed> frames = new ArrayList<>();
        int last = 0;
        for (int f = 0; f < costs.frames(); f++) {
            FrameCost cost = costs.at(f);
            boolean key = intra || f == 0 || cost.key() || f - last >= GROUP;
            last = key ? f : last;
            double bytes = intra ? 5 * Math.pow(cost.alone(), power) : key ? 9 * cost.alone() : 7 * Math.pow(cost.after(), power);
            frames.add(new Packed((int) (bytes * chance.applyAsDouble(f)), key, 45 - 3.0 * kind(f), .99 - .01 * kind(f)));
        }
        return frames;
    }

    /** What an encoder makes of excerpts: each begins with a key frame. */
    private static FileTrial trial(ReelCosts costs, List<Packed> whole, boolean intra) {
        List<Excerpt> excerpts = new ArrayList<>();
        for (FrameRange range : Excerpts.of(costs, Rate.FPS_25)) {
            List<Packed> frames = new ArrayList<>(whole.subList((int) range.first(), (int) range.last() + 1));
            Packed first = frames.getFirst();
            frames.set(0, new Packed(intra ? first.bytes() : 9 * costs.at(range.first()).alone(), true, first.psnr(), first.ssim()));
            excerpts.add(new Excerpt(range.first(), frames, seconds(range.first(), range.last())));
        }
        return new FileTrial(excerpts, 2, "nowhere");
    }

    /** Harder frames take up to four times as long. */
    private static double seconds(long first, long last) {
        return LongStream.rangeClosed(first, last).mapToDouble(f -> .02 + .02 * kind((int) f)).sum();
    }

    private static double bytes(List<Packed> frames) {
        return frames.stream().mapToDouble(Packed::bytes).sum();
    }

    @ParameterizedTest
    @CsvSource({"false, 1.0", "false, 0.8", "false, 0.6", "true, 1.0", "true, 0.7"})
    void unevenContentIsForetoldWithinAFewPercentAndInsideTheRange(boolean intra, double power) {
        ReelCosts costs = costs(FRAMES);
        List<Packed> whole = file(costs, intra, power, _ -> 1);
        FileForecast forecast = FileForecast.of(costs, trial(costs, whole, intra), new FileShape(FRAMES, 1, intra ? 1 : GROUP, 0));
        assertThat(forecast.bytes().middle()).isCloseTo(bytes(whole), within(.06 * bytes(whole)));
        assertThat(forecast.bytes().holds(bytes(whole))).as(forecast.bytes() + " holds " + bytes(whole)).isTrue();
        double psnr = whole.stream().mapToDouble(Packed::psnr).average().orElseThrow();
        assertThat(forecast.psnr().holds(psnr)).as(forecast.psnr() + " holds " + psnr).isTrue();
        double seconds = seconds(0, FRAMES - 1);
        List<Excerpt> excerpts = trial(costs, whole, intra).excerpts();
        double alone = excerpts.stream().mapToDouble(Excerpt::seconds).sum() * FRAMES
                / excerpts.stream().mapToInt(e -> e.frames().size()).sum();
        assertThat(Math.abs(forecast.makeSeconds().middle() / seconds - 1))
                .as("nearer than excerpts alone, which come to " + alone + " in place of " + seconds).isLessThan(.05)
                .isLessThan(Math.abs(alone / seconds - 1));
        assertThat(forecast.makeSeconds().holds(seconds)).isTrue();
    }

    /** Nine times of ten is what is said, and what must be borne out where chance rules each stretch. */
    @Test
    void factsLieInsideTheRangeAsOftenAsItClaims() {
        RandomGenerator random = RandomGeneratorFactory.of("L64X128MixRandom").create(7);
        ReelCosts costs = costs(FRAMES);
        int held = 0;
        int rounds = 200;
        for (int round = 0; round < rounds; round++) {
            double[] chance = IntStream.range(0, FRAMES / 74 + 1).mapToDouble(_ -> Math.exp(.35 * random.nextGaussian())).toArray();
            List<Packed> whole = file(costs, false, .85, f -> chance[f / 74]);
            FileForecast forecast = FileForecast.of(costs, trial(costs, whole, false), new FileShape(FRAMES, 1, GROUP, 0));
            held += forecast.bytes().holds(bytes(whole)) ? 1 : 0;
        }
        assertThat(held / (double) rounds).isBetween(.82, 1.0);
    }

    @Test
    void aShortReelIsTriedWhole() {
        assertThat(Excerpts.of(costs(300), Rate.FPS_25)).containsExactly(FrameRange.of(0, 299));
        ReelCosts costs = costs(90);
        assertThat(Excerpts.of(costs, Rate.FPS_25)).containsExactly(FrameRange.of(0, 89));
        List<Packed> whole = file(costs, false, .8, _ -> 1);
        FileForecast forecast = FileForecast.of(costs, trial(costs, whole, false), new FileShape(90, 1, GROUP, 1000));
        assertThat(forecast.bytes().middle()).as("what was made once comes out again").isEqualTo(bytes(whole) + 1000);
        assertThat(forecast.bytes().high() / forecast.bytes().middle()).isBetween(1.01, 1.05);
    }

    @Test
    void excerptsGoFromTheEasiestToTheHardestInTheOrderOfTheReel() {
        ReelCosts costs = costs(FRAMES);
        List<FrameRange> chosen = Excerpts.of(costs, Rate.FPS_25);
        assertThat(chosen).hasSizeBetween(4, 8).isSortedAccordingTo((a, b) -> Long.compare(a.first(), b.first()));
        assertThat(chosen.stream().map(r -> kind((int) (r.first() + r.last()) / 2)).distinct()).containsExactlyInAnyOrder(0, 1, 2);
        assertThat(chosen).allSatisfy(r -> assertThat(r.first() % 2).as("interlaced files can be made of it").isZero());
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 49, 50, 2999, 3000, 3001, 40_000})
    void ofALongReelStretchesAreLookedAtAndTheOthersTakenToBeAlike(long frames) {
        List<FrameCost> looked = new ArrayList<>();
        for (long f = 0; f < frames; f++) {
            if (ReelCosts.isLooked(f, frames)) {
                looked.add(new FrameCost(100 + (int) f, 10, f == 0));
            }
        }
        ReelCosts costs = ReelCosts.of(looked, frames);
        assertThat(costs.frames()).isEqualTo((int) frames);
        assertThat(looked.size()).isLessThanOrEqualTo(3050);
        assertThat(costs.share(frames)).isEqualTo(1);
        assertThat(costs.share(0)).isZero();
        assertThatThrownBy(() -> ReelCosts.of(List.of(), frames)).isInstanceOfAny(IllegalArgumentException.class,
                IndexOutOfBoundsException.class);
    }

    @Test
    void nothingLostIsForetoldAsThat() {
        ReelCosts costs = costs(400);
        List<Packed> whole = file(costs, true, 1, _ -> 1).stream().map(p -> new Packed(p.bytes(), true, null, 1)).toList();
        FileForecast forecast = FileForecast.of(costs, trial(costs, whole, true), new FileShape(400, 1, 1, 0));
        assertThat(forecast.psnr()).isNull();
        assertThat(forecast.ssim().middle()).isEqualTo(1);
    }
}
