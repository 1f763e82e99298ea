package dev.vat.core.time;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** After SMPTE ST 12-1. */
class TimecodeTest {

    @ParameterizedTest
    @CsvSource({"0, 25, 00:00:00:00", "24, 25, 00:00:00:24", "25, 25, 00:00:01:00", "90000, 25, 01:00:00:00", "29, 30000/1001, 00:00:00:29",
        "30, 30000/1001, 00:00:01:00", "23, 24000/1001, 00:00:00:23", "2159999, 25, 23:59:59:24", "2160000, 25, 00:00:00:00"})
    void countsEveryFrame(long frame, String rate, String text) {
        assertThat(Timecode.of(frame, Rate.parse(rate))).hasToString(text);
        assertThat(Timecode.parse(text, Rate.parse(rate)).frame())
                .isEqualTo(Math.floorMod(frame, 24L * 3600 * Rate.parse(rate).timecodeBase()));
    }

    /** Two labels a minute are left out at 29.97, four at 59.94, none in every tenth minute. */
    @ParameterizedTest
    @CsvSource({"1799, 30000/1001, 00:00:59;29", "1800, 30000/1001, 00:01:00;02", "3597, 30000/1001, 00:01:59;29",
        "3598, 30000/1001, 00:02:00;02", "17981, 30000/1001, 00:09:59;29", "17982, 30000/1001, 00:10:00;00",
        "107892, 30000/1001, 01:00:00;00", "3600, 60000/1001, 00:01:00;04", "35964, 60000/1001, 00:10:00;00"})
    void dropFrameLeavesLabelsOut(long frame, String rate, String text) {
        assertThat(Timecode.ofDropFrame(frame, Rate.parse(rate))).hasToString(text);
        assertThat(Timecode.parse(text, Rate.parse(rate)).frame()).isEqualTo(frame);
    }

    /** Each label is read back as the frame that it is of, and none stands twice. */
    @ParameterizedTest
    @CsvSource({"24000/1001, false", "24, false", "25, false", "30000/1001, false", "30000/1001, true", "30, false", "50, false",
        "60000/1001, false", "60000/1001, true", "60, false"})
    void everyFrameOfADayComesBack(String text, boolean drop) {
        Rate rate = Rate.parse(text);
        long labels = 24L * 3600 * rate.timecodeBase();
        long day = drop ? labels - rate.timecodeBase() / 15 * (24 * 60 - 24 * 6) : labels;
        assertThat(LongStream.range(0, day).parallel().filter(frame -> {
            Timecode label = new Timecode(frame, rate, drop);
            Timecode read = Timecode.parse(label.toString(), rate);
            return !read.equals(label) || read.frame() != frame;
        }).boxed().toList()).isEmpty();
    }

    @Test
    void dropFrameKeepsStepWithTheClockOverADay() {
        Rate rate = Rate.of(30000, 1001);
        long day = 24 * 107892;
        assertThat(Timecode.ofDropFrame(day - 1, rate)).hasToString("23:59:59;29");
        assertThat(rate.seconds(day).minus(Rational.of(86400)).toDouble()).isBetween(-0.1, 0.1);
        for (long frame = 0; frame < day; frame += 997) {
            assertThat(Timecode.parse(Timecode.ofDropFrame(frame, rate).toString(), rate).frame()).isEqualTo(frame);
        }
    }

    @ParameterizedTest
    @CsvSource({"00:00:60:00, 25", "24:00:00:00, 25", "00:00:00:25, 25", "00:01:00;00, 30000/1001", "00:01:00;01, 30000/1001", "1:2:3, 25",
        "'', 25", "00:00:00;00, 25"})
    void labelsThatDontExistAreRefused(String text, String rate) {
        assertThatIllegalArgumentException().isThrownBy(() -> Timecode.parse(text, Rate.parse(rate)));
    }
}
