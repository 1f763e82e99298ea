package dev.vat.core.source;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.time.FrameRange;
import java.util.Arrays;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What a renderer that goes on will write by itself, and what somebody has to ask it for again. */
class ResumeAdviceTest {

    /** Frames 1 to 20, some of them not there, 20 being written or not; the shot is to have them up to the expected one. */
    @ParameterizedTest(name = "[{index}] {0}")
    @CsvSource(delimiter = '|', nullValues = "-", value = {
        // what              | not there | broken | 20 arrives | up to | to come | only that
        "a whole shot         | -         | -      | false      | 20    | 0       | false",
        "more is to come      | -         | -      | false      | 25    | 5       | true",
        "a hole               | 7         | -      | false      | 20    | 0       | false",
        "a hole and more      | 7         | -      | false      | 25    | 5       | false",
        "a broken one         | -         | 4      | false      | 25    | 5       | false",
        "one being written    | -         | -      | true       | 20    | 0       | true",
        "that, and more       | -         | -      | true       | 22    | 2       | true",
        "the last not there   | 19 20     | -      | false      | 20    | 2       | true",
        "less than is there   | -         | -      | false      | 12    | 0       | false",
        "a hole beyond it     | 15        | -      | false      | 12    | 0       | false"})
    void whatIsStillToComeIsNoFault(String what, String absent, Long broken, boolean arrives, long upTo, long toCome, boolean only) {
        Frames frames = Frames.good("kite", 1, 20);
        if (absent != null) {
            frames.without(Arrays.stream(absent.split(" ")).mapToLong(Long::parseLong).toArray());
        }
        if (broken != null) {
            frames.faulty(broken, FrameState.CUT_SHORT, "ends early");
        }
        if (arrives) {
            frames.faulty(20, FrameState.ARRIVING, "is being written");
        }
        FrameTable table = frames.table();
        ResumeAdvice advice = ResumeAdvice.of(table, Reading.PLAIN.withExpected(FrameRange.of(1, upTo)));
        assertThat(advice.toCome(table.sequence())).as(what).isEqualTo(toCome);
        assertThat(advice.isOnlyToCome(table)).as(what).isEqualTo(only);
    }

    @Test
    void ofFramesOnAGridThoseOfTheGridAreToCome() {
        FrameTable table = Frames.good("kite", 1, 9).without(2, 4, 6, 8).table();
        ResumeAdvice advice = ResumeAdvice.of(table,
                Reading.PLAIN.withExpected(FrameRange.of(1, 14)).withCadence(Cadence.PLAIN.withEvery(2)));
        assertThat(advice.wanted()).hasToString("11, 13");
        assertThat(advice.toCome(table.sequence())).isEqualTo(2);
        assertThat(advice.isOnlyToCome(table)).isTrue();
        assertThat(advice.next()).as("by the grid's step").hasValue(11);
    }

    @Test
    void listsNameEachFrameInTheSequencesDigits() {
        FrameTable table = Frames.good("kite", 8, 14).without(10, 11).table();
        assertThat(ResumeAdvice.of(table, Reading.PLAIN).toList(table.sequence().pattern())).isEqualTo("0010,0011");
        assertThat(ResumeAdvice.of(table, Reading.PLAIN).toText(table.sequence().pattern())).isEqualTo("0010-0011");
    }

    @ParameterizedTest(name = "{0}")
    @CsvSource(nullValues = "-", delimiter = '|', value = {
        "nobody said anything           | -    | 1 | -",
        "all are expected               | 1-14 | 1 | 2-4, 6-8, 10-12, 14",
        "every fourth is, and is there  | 1-13 | 4 | -",
        "every fourth is, to the end    | 1-21 | 4 | 17, 21",
        "every second is                | 1-13 | 2 | 3, 7, 11"})
    void numbersInStepsAreAllThereOnlyWhereStepsAreExpected(String what, String expected, long step, String wanted) {
        FrameTable table = Frames.good("kite", 1, 13).without(2, 3, 4, 6, 7, 8, 10, 11, 12).table();
        Reading reading = Reading.PLAIN.withCadence(Cadence.PLAIN.withEvery(step))
                .withExpected(expected == null ? null : FrameRange.parse(expected));
        ResumeAdvice advice = ResumeAdvice.of(table, reading);
        assertThat(advice.wanted().toString()).isEqualTo(wanted == null ? "" : wanted);
        assertThat(advice.isComplete()).isEqualTo(wanted == null);
    }

    @ParameterizedTest(name = "{0}-{1} and {2}-{3}")
    @CsvSource({"3300, 3340, 3541, 3550, 3341", "1, 80, 181, 190, 81", "1001, 1010, 1111, 1160, 1101"})
    void aFewFramesThatLieADigitApartAskForNoRender(long first, long last, long from, long to, long like) {
        FrameTable table = Frames.good("kite", first, to).without(LongStream.range(last + 1, from).toArray()).table();
        ResumeAdvice advice = ResumeAdvice.of(table, Reading.PLAIN);
        assertThat(advice.wanted().isEmpty()).isTrue();
        assertThat(advice.isComplete()).as("nobody knows yet").isFalse();
        assertThat(advice.strays().orElseThrow().like()).isEqualTo(like);
        Reading all = Reading.PLAIN.withExpected(FrameRange.of(first, to));
        assertThat(ResumeAdvice.of(table, all).wanted().count()).isEqualTo(from - last - 1);
        assertThat(ResumeAdvice.of(table, Reading.PLAIN.withRange(advice.strays().orElseThrow().others())).isComplete()).isTrue();
    }

    @ParameterizedTest(name = "{0}: {1}-{2} and {3}-{4}")
    @CsvSource({"a hole that a renderer left, 1, 80, 101, 180", "a second machine began in the middle, 1, 80, 151, 160",
        "as many as lie before, 1, 10, 111, 120", "a short hole, 1, 80, 91, 110"})
    void whatMayAsWellBeAHoleIsOne(String what, long first, long last, long from, long to) {
        FrameTable table = Frames.good("kite", first, to).without(LongStream.range(last + 1, from).toArray()).table();
        ResumeAdvice advice = ResumeAdvice.of(table, Reading.PLAIN);
        assertThat(advice.strays()).as(what).isEmpty();
        assertThat(advice.wanted().count()).isEqualTo(from - last - 1);
    }
}
