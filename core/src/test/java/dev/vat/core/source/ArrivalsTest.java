package dev.vat.core.source;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rational;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ArrivalsTest {

    private static final long NOW = 1_900_000_000_000L;

    private final Arrivals arrivals = new Arrivals();

    private static Sequence sequence(long[] sizes, long... times) {
        return Sequence.of(Path.of("/f"), new SequencePattern("a.", 4, ".png"), FileKind.PNG,
                LongStream.rangeClosed(1, times.length).toArray(), sizes, times);
    }

    private static FrameTable table(Sequence sequence, FrameState last) {
        FrameTable.Collector collector = FrameTable.collect(sequence);
        for (int i = 1; i < sequence.count(); i++) {
            collector.add(FrameCheck.sound(i, Frames.PNG16, Frames.look(true), null));
        }
        collector.add(last == FrameState.GOOD ? FrameCheck.sound(sequence.count(), Frames.PNG16, Frames.look(true), null)
                : FrameCheck.fault(sequence.count(), last, "it ends early"));
        return collector.build();
    }

    @Test
    void aWholeFrameCountsOnceItWasSeenTwiceUnchanged() {
        Sequence s = sequence(new long[] {9, 9, 9}, NOW - 80_000, NOW - 40_000, NOW - 500);
        arrivals.look(s, NOW);
        assertThat(arrivals.arriving(table(s, FrameState.GOOD))).containsExactly(3L);
        arrivals.look(s, NOW + 1000);
        assertThat(arrivals.arriving(table(s, FrameState.GOOD))).isEmpty();
    }

    @Test
    void aFileThatGrowsStartsAnewEachTime() {
        Sequence small = sequence(new long[] {9, 9, 4}, NOW - 80_000, NOW - 40_000, NOW - 500);
        Sequence larger = sequence(new long[] {9, 9, 7}, NOW - 80_000, NOW - 40_000, NOW + 500);
        arrivals.look(small, NOW);
        arrivals.look(larger, NOW + 1000);
        assertThat(arrivals.arriving(table(larger, FrameState.CUT_SHORT))).containsExactly(3L);
        assertThat(arrivals.arriving(table(larger, FrameState.GOOD))).as("changed since the last look").containsExactly(3L);
    }

    @Test
    void aBrokenFrameIsGivenAsLongAsAFewFramesTake() {
        // 40 seconds a frame: two minutes.
        Sequence s = sequence(new long[] {9, 9, 9, 4}, NOW - 120_000, NOW - 80_000, NOW - 40_000, NOW - 500);
        for (int seconds = 0; seconds <= 100; seconds += 10) {
            arrivals.look(s, NOW + seconds * 1000);
            assertThat(arrivals.arriving(table(s, FrameState.CUT_SHORT))).as("after %d s", seconds).containsExactly(4L);
        }
        arrivals.look(s, NOW + 400_000);
        assertThat(arrivals.arriving(table(s, FrameState.CUT_SHORT))).isEmpty();
    }

    @Test
    void whatWasWrittenLongAgoIsJudgedAtOnce() {
        Sequence s = sequence(new long[] {9, 9, 4}, NOW - 9_000_000, NOW - 8_960_000, NOW - 8_920_000);
        arrivals.look(s, NOW);
        assertThat(arrivals.arriving(table(s, FrameState.CUT_SHORT))).isEmpty();
        assertThat(arrivals.isFilling()).isFalse();
    }

    @Test
    void arrivingFramesAreNotThereYet() {
        Sequence s = sequence(new long[] {9, 9, 4}, NOW - 80_000, NOW - 40_000, NOW - 500);
        arrivals.look(s, NOW);
        FrameTable table = table(s, FrameState.CUT_SHORT).withArriving(arrivals.arriving(table(s, FrameState.CUT_SHORT)));
        assertThat(table.state(3)).isEqualTo(FrameState.ARRIVING);
        assertThat(table.reason(3)).contains("it is still being written");
        assertThat(ResumeAdvice.of(table, Reading.PLAIN).wanted()).hasToString("3");
    }

    @Test
    void paceIsTheMedianWithStartAndBreaksApart() {
        // A slow first frame, then 40 s each, a night's break, 42 s.
        Sequence s = sequence(new long[7], 0, 300_000, 340_000, 380_000, 420_000, 30_000_000, 30_042_000);
        RenderPace pace = RenderPace.of(s).orElseThrow();
        assertThat(pace.median()).isEqualTo(Duration.ofSeconds(42));
        assertThat(pace.breaks()).isEqualTo(1);
        assertThat(pace.finish(10, Instant.ofEpochMilli(30_050_000))).isEqualTo(Instant.ofEpochMilli(30_042_000 + 420_000));
        assertThat(pace.isStalled(Instant.ofEpochMilli(30_050_000))).isFalse();
        assertThat(pace.isStalled(Instant.ofEpochMilli(31_000_000))).isTrue();
        assertThat(RenderPace.of(sequence(new long[3], 5, 5, 5))).as("copied files tell nothing").isEmpty();
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "312 | 42  | 240 | 1 | 1 | 0   | 312 frames x 42 s + 4 min = 3 h 42 min",
        "312 | 42  | 240 | 4 | 1 | 0   | 312 frames x 42 s / 4 machines + 4 min = 59 min",
        "100 | 1.5 | 0   | 1 | 4 | 0   | 100 frames x 1.5 s x 4 pixels = 10 min",
        "10  | 5   | 0   | 1 | 1 | 3.6 | 10 frames x 5 s = 50 s, costs 0.05",
        "451 | 0.0865 | 0 | 1 | 1 | 0   | 451 frames x 0.087 s = 39 s",
        "8   | 0.5 | 0   | 1 | 1 | 0   | 8 frames x 0.5 s = 4 s",
        "5   | 1   | 0   | 3 | 1 | 0   | 5 frames x 1 s / 3 machines = 2 s",
    })
    void aForecastShowsItsSum(long frames, String each, String start, int machines, String pixels, String price, String formula) {
        Rational cost = Rational.parse(price);
        assertThat(new RenderForecast(frames, Rational.parse(each), Rational.parse(start), machines, Rational.parse(pixels),
                cost.signum() == 0 ? null : cost).formula()).isEqualTo(formula);
    }
}
