package dev.vat.core.reel;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.vat.core.source.Frames;
import dev.vat.core.source.Reading;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;
import java.math.BigInteger;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.LongStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

class ConformTest {

    private static ReelPlan plan(long frames, Playing playing, Rational ratio) {
        return ReelPlan.of(List.of(
                new ReelPart(0, Item.of("s1").withPlaying(playing), Frames.good("a", 1, (int) frames).table(), Reading.PLAIN, ratio)));
    }

    private static List<Long> shown(ReelPlan plan) {
        return LongStream.range(0, plan.count()).mapToObj(i -> plan.at(i).wanted()).toList();
    }

    /** Every rate against every other, three lengths, three ways that keep time. */
    static Stream<Arguments> ratesAndLengths() {
        List<Arguments> rows = new ArrayList<>();
        for (Rate source : Rate.USUAL) {
            for (Rate reel : Rate.USUAL) {
                for (long length : new long[] {1, 7, 250}) {
                    for (Conform conform : new Conform[] {Conform.NEAREST, Conform.STEP, Conform.BLEND}) {
                        rows.add(Arguments.of(source, reel, length, conform));
                    }
                }
            }
        }
        assertThat(rows).hasSizeGreaterThan(300);
        return rows.stream();
    }

    /**
     * With {@code n/d} the source's rate over the reel's: there are {@code length * d / n} places, rounded half up, at least one; place
     * {@code k} lies {@code k * n / d} frames into the source; never past its last.
     */
    @ParameterizedTest
    @MethodSource("ratesAndLengths")
    void timeIsKeptByWholeNumbers(Rate source, Rate reel, long length, Conform conform) {
        BigInteger n = BigInteger.valueOf(source.perSecond().numerator()).multiply(BigInteger.valueOf(reel.perSecond().denominator()));
        BigInteger d = BigInteger.valueOf(source.perSecond().denominator()).multiply(BigInteger.valueOf(reel.perSecond().numerator()));
        ReelPlan plan = plan(length, Playing.PLAIN.withConform(conform), source.perSecond().dividedBy(reel.perSecond()));
        long places = Math.max(1, halfUp(d.multiply(BigInteger.valueOf(length)), n));
        assertThat(plan.count()).isEqualTo(places);
        double most = Math.max(.5, source.perSecond().toDouble() / reel.perSecond().toDouble());
        for (long k = 0; k < places; k++) {
            BigInteger at = n.multiply(BigInteger.valueOf(k));
            long floor = Math.min(length - 1, at.divide(d).longValueExact());
            switch (conform) {
                case NEAREST -> assertThat(plan.at(k).wanted() - 1).as("place %d", k).isEqualTo(Math.min(length - 1, halfUp(at, d)));
                case STEP -> assertThat(plan.at(k).wanted() - 1).as("place %d", k).isEqualTo(floor);
                default -> {
                    BigInteger rest = at.subtract(d.multiply(BigInteger.valueOf(floor)));
                    boolean mixed = rest.signum() != 0 && floor < length - 1;
                    assertThat(plan.at(k).content()).as("place %d", k).isEqualTo(mixed
                            ? new ReelFrame.Blend(floor + 1, floor + 2,
                                    Rational.of(rest.divide(rest.gcd(d)).longValueExact(), d.divide(rest.gcd(d)).longValueExact()))
                            : new ReelFrame.SourceFrame(floor + 1));
                }
            }
        }
        assertThat(Math.abs(places * source.perSecond().toDouble() / reel.perSecond().toDouble() - length)).as("to half a reel frame")
                .isLessThanOrEqualTo(most);
    }

    private static long halfUp(BigInteger numerator, BigInteger denominator) {
        return numerator.shiftLeft(1).add(denominator).divide(denominator.shiftLeft(1)).longValueExact();
    }

    @ParameterizedTest(name = "{0} frames, {1}, {2}: {3}, {4}")
    @CsvSource(delimiter = '|', textBlock = """
            24 |  24/25      | STEP         | 25 | 1 doubled
            25 |  25/24      | STEP         | 24 | 1 dropped
            60 |  5/2        | NEAREST      | 24 | 36 dropped
            24 |  4/5        | STEP         | 30 | 6 doubled
            24 |  4/5        | BLEND        | 30 | 23 mixed
            24 |  24/25      | EVERY        | 24 | ''
            24 |  1001/1000  | PULL         | 24 | ''
            4  |  2/5        | PULLDOWN_2_3 | 10 | 6 doubled
            4  |  1001/2500  | PULLDOWN_2_3 | 10 | 6 doubled
            25 |  1/2        | PULLDOWN_2_2 | 50 | 25 doubled
            """)
    void whatIsDoubledDroppedOrMixedIsCounted(long frames, String ratio, Conform conform, long count, String words) {
        ReelPlan plan = plan(frames, Playing.PLAIN.withConform(conform), Rational.parse(ratio));
        assertThat(plan.count()).isEqualTo(count);
        assertThat(plan.tally(0).words()).isEqualTo(words);
    }

    @Test
    void pullDownGivesFilmTwoFieldsAndThree() {
        assertThat(shown(plan(4, Playing.PLAIN.withConform(Conform.PULLDOWN_2_3), Rational.of(2, 5)))).containsExactly(1L, 1L, 2L, 2L, 2L,
                3L, 3L, 4L, 4L, 4L);
        assertThat(Conform.PULLDOWN_2_3.fits(Rational.of(24, 25))).isFalse();
        assertThat(Conform.PULLDOWN_2_3.fits(Rate.of(24000, 1001).perSecond().dividedBy(Rate.of(60000, 1001).perSecond()))).isTrue();
        assertThat(Conform.PULLDOWN_2_2.fits(Rate.FPS_25.perSecond().dividedBy(Rate.of(50).perSecond()))).isTrue();
        assertThat(Conform.PULL.fits(Rate.of(24).perSecond().dividedBy(Rate.of(24000, 1001).perSecond()))).isTrue();
        assertThat(Conform.PULL.fits(Rational.ONE)).isFalse();
    }

    @Test
    void speedIsAnExactFraction() {
        assertThat(shown(plan(6, Playing.PLAIN.withSpeed(Rational.of(2)), Rational.ONE))).containsExactly(1L, 3L, 5L);
        assertThat(shown(plan(3, Playing.PLAIN.withSpeed(Rational.of(1, 2)), Rational.ONE))).containsExactly(1L, 1L, 2L, 2L, 3L, 3L);
        assertThat(plan(300, Playing.PLAIN.withSpeed(Rational.of(1000, 1001)), Rational.ONE).count()).isEqualTo(300);
        assertThat(plan(3000, Playing.PLAIN.withSpeed(Rational.of(1000, 1001)), Rational.ONE).count()).isEqualTo(3003);
        assertThatThrownBy(() -> Playing.PLAIN.withSpeed(Rational.ZERO)).hasMessageContaining("0");
    }

    @Test
    void backwardsTheSameFramesStandTheOtherWayRound() {
        assertThat(shown(plan(4, Playing.PLAIN.withReversed(true), Rational.ONE))).containsExactly(4L, 3L, 2L, 1L);
        assertThat(shown(plan(6, Playing.PLAIN.withReversed(true).withSpeed(Rational.of(2)), Rational.ONE))).containsExactly(6L, 4L, 2L);
        ReelPlan mixed = plan(3, Playing.PLAIN.withReversed(true).withConform(Conform.BLEND).withSpeed(Rational.of(2, 3)), Rational.ONE);
        assertThat(mixed.at(1).content()).as("2/3 back from the last").isEqualTo(new ReelFrame.Blend(2, 3, Rational.of(1, 3)));
    }

    @Test
    void framesAreHeldAtTheStartInTheMiddleAndAtTheEnd() {
        Playing held = Playing.PLAIN.withHead(2).withHold(2, 3).withTail(1);
        assertThat(shown(plan(3, held, Rational.ONE))).containsExactly(1L, 1L, 1L, 2L, 2L, 2L, 2L, 3L, 3L);
        assertThat(shown(plan(3, held.withReversed(true), Rational.ONE))).containsExactly(3L, 3L, 3L, 2L, 2L, 2L, 2L, 1L, 1L);
        assertThat(plan(3, held.withHold(2, 0).withHead(0).withTail(0), Rational.ONE).spans().getFirst().even()).isTrue();
        assertThat(plan(3, Playing.PLAIN.withHold(99, 5), Rational.ONE).count()).as("a frame that isn't taken").isEqualTo(3);
    }
}
