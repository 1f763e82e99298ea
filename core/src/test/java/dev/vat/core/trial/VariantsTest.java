package dev.vat.core.trial;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.vat.core.delivery.Catalogue;
import dev.vat.core.delivery.Deliverable;
import dev.vat.core.delivery.Effort;
import dev.vat.core.delivery.RateControl;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;

/** What is tried in a deliverable's place, and what that says of it. */
class VariantsTest {

    private static final FileShape SHAPE = new FileShape(250, 1, 250, 5000);

    private static Deliverable of(String target) {
        return Deliverable.of(Catalogue.target(target));
    }

    private static FileForecast forecast(double bytes, double psnr) {
        return new FileForecast(Estimate.within(bytes, .1), new Estimate(psnr - 1, psnr, psnr + 1), new Estimate(.97, .98, .99),
                Estimate.exactly(10), Estimate.exactly(2));
    }

    @Test
    void aQualityIsTriedAsItIsAndABitRateByTwoQualities() {
        assertThat(Variants.of(of("web-h264"))).containsExactly(of("web-h264"));
        assertThat(Variants.of(of("edit-prores-hq"))).hasSize(1);
        List<Deliverable> average = Variants.of(of("web-h264").withControl(new RateControl.Average(4_000_000)));
        assertThat(average).hasSize(2).allSatisfy(v -> {
            assertThat(v.settings().control()).isInstanceOf(RateControl.Constant.class);
            assertThat(Variants.deliverable(v.id())).isEqualTo("web-h264");
        });
    }

    @Test
    void aLadderGoesFromBetterToWorseOnTheScaleAndThroughTheEfforts() {
        List<Deliverable> ladder = Variants.ladder(of("web-h264"));
        assertThat(ladder).extracting(Deliverable::id).doesNotHaveDuplicates();
        List<Integer> numbers = ladder.stream().filter(d -> d.settings().effort() == Effort.NORMAL)
                .map(d -> ((RateControl.Constant) d.settings().control()).number()).toList();
        assertThat(numbers).isSorted().contains(17).hasSizeBetween(5, 7);
        assertThat(ladder).extracting(d -> d.settings().effort()).contains(Effort.QUICK, Effort.THOROUGH);
        assertThat(Variants.ladder(of("edit-prores-hq"))).as("its profile leaves no choice").isEmpty();
    }

    @Test
    void aBitRateWeighsWhatItSaysAndLooksLikeWhatLiesBetweenTwoQualities() {
        Deliverable average = of("web-h264").withControl(new RateControl.TwoPass(4_000_000));
        List<Deliverable> variants = Variants.of(average);
        // 4 Mbit/s over ten seconds are 5 MB: half way between 10 MB and 2.5 MB on the scale of ratios.
        Map<String, FileForecast> tried = Map.of(variants.getFirst().id(), forecast(10_005_000, 48), variants.getLast().id(),
                forecast(2_502_500, 40));
        FileForecast found = DeliverableForecast.of(average, tried, SHAPE, 10, average.settings()).orElseThrow();
        assertThat(found.bytes().holds(5_000_000)).isTrue();
        assertThat(found.psnr().middle()).isCloseTo(44, within(.1));
        assertThat(DeliverableForecast.of(average, Map.of(), SHAPE, 10, average.settings())).as("nothing was tried").isEmpty();
    }

    @Test
    void aCapHoldsTheForecastDown() {
        Deliverable capped = of("web-h264").withControl(new RateControl.Capped(17, 1_000_000, 1_000_000));
        FileForecast found = DeliverableForecast.of(capped, Map.of("web-h264", forecast(9_000_000, 45)), SHAPE, 10, capped.settings())
                .orElseThrow();
        assertThat(found.bytes().high()).isLessThan(1_400_000);
    }

    @Test
    void theBestQualityBelowASizeIsFoundBetweenThoseThatWereTried() {
        Map<Integer, FileForecast> steps = new TreeMap<>(Map.of(17, forecast(8e6, 46), 21, forecast(4e6, 43), 25, forecast(2e6, 40)));
        var scale = of("web-h264").settings().codec().quality();
        assertThat(DeliverableForecast.qualityFor(4_400_001, steps, scale)).contains(21);
        assertThat(DeliverableForecast.qualityFor(6_300_000, steps, scale)).contains(19);
        assertThat(DeliverableForecast.qualityFor(100_000_000, steps, scale)).contains(17);
        assertThat(DeliverableForecast.qualityFor(1_000_000, steps, scale)).isEmpty();
    }
}
