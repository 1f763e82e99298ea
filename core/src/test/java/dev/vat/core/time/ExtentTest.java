package dev.vat.core.time;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.vat.core.source.LeadIn;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ExtentTest {

    private static Extent extent(long first, long last, long step, String rate) {
        return new Extent(FrameRange.of(first, last), step, rate == null ? null : Rate.parse(rate));
    }

    @ParameterizedTest
    @CsvSource({"1001,1115,1,25,115,4.6,00:00:04:15", "0,0,1,24,1,0.042,00:00:00:01", "-10,13,1,24000/1001,24,1.001,00:00:01:00",
        "1,50,5,10,10,1,00:00:01:00"})
    void fourWaysSayTheSame(long first, long last, long step, String rate, long count, String seconds, String timecode) {
        Extent extent = extent(first, last, step, rate);
        assertThat(extent.count()).isEqualTo(count);
        assertThat(extent.seconds().toDecimal(3)).isEqualTo(seconds);
        assertThat(extent.timecode()).hasToString(timecode);
        Extent other = extent(first, last + 40 * step, step, rate);
        assertThat(other.withCount(Long.toString(count)).count()).isEqualTo(count);
        assertThat(other.withSeconds(seconds.replace('.', ',') + " s").count()).as("a comma is a decimal point too").isEqualTo(count);
        assertThat(other.withTimecode(timecode).count()).isEqualTo(count);
        assertThat(other.withLast(Long.toString(last))).isEqualTo(extent);
        assertThat(other.withCount(Long.toString(count)).range().first()).as("the first frame stays").isEqualTo(first);
    }

    @Test
    void whatMakesNoSenseIsRefusedInWords() {
        Extent extent = extent(10, 20, 1, "25");
        assertThatThrownBy(() -> extent.withCount("0")).hasMessageContaining("At least 1 frame");
        assertThatThrownBy(() -> extent.withLast("9")).hasMessageContaining("can't end before it starts");
        assertThatThrownBy(() -> extent.withFirst("many")).hasMessageContaining("'many' is not a whole number");
        assertThatThrownBy(() -> extent(1, 2, 1, null).withSeconds("3")).hasMessageContaining("Choose the rate first");
        assertThatThrownBy(() -> new Extent(FrameRange.of(1, 2), 0, null)).hasMessageContaining("at least 1 apart");
    }

    @ParameterizedTest
    @CsvSource({"12,25,12", "0.5 s,25,13", "'0,5 s',24,12", "1s,24000/1001,24", "0,,0"})
    void aLeadInIsFramesOrSeconds(String text, String rate, long frames) {
        assertThat(LeadIn.parse(text, rate == null ? null : Rate.parse(rate))).isEqualTo(frames);
    }

    @Test
    void aLeadInThatIsNoneIsRefused() {
        for (String text : new String[] {"-1", "1.5", "soon"}) {
            assertThatThrownBy(() -> LeadIn.parse(text, Rate.FPS_25)).as(text).isInstanceOf(IllegalArgumentException.class);
        }
        assertThatThrownBy(() -> LeadIn.parse("1 s", null)).hasMessageContaining("Choose the rate first");
    }
}
