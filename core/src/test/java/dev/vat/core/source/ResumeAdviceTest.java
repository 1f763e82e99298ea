package dev.vat.core.source;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.time.FrameRange;
import java.util.Arrays;
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
        ResumeAdvice advice = ResumeAdvice.of(table, FrameRange.of(1, 14));
        assertThat(advice.wanted()).hasToString("11, 13");
        assertThat(advice.toCome(table.sequence())).isEqualTo(2);
        assertThat(advice.isOnlyToCome(table)).isTrue();
        assertThat(advice.next()).as("by the grid's step").hasValue(11);
    }

    @Test
    void listsNameEachFrameInTheSequencesDigits() {
        FrameTable table = Frames.good("kite", 8, 14).without(10, 11).table();
        assertThat(ResumeAdvice.of(table).toList(table.sequence().pattern())).isEqualTo("0010,0011");
        assertThat(ResumeAdvice.of(table).toText(table.sequence().pattern())).isEqualTo("0010-0011");
    }
}
