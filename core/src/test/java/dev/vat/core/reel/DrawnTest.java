package dev.vat.core.reel;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Rgb;
import dev.vat.core.picture.Size;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;
import java.util.List;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What Vat draws: how long, and what stands where. */
class DrawnTest {

    /** Eight seconds: six figures of a whole second, 8 to 3; the 2 for a frame; black for the rest of two seconds. */
    @ParameterizedTest
    @CsvSource({"24", "25", "30", "60"})
    void aLeaderCountsSecondsDownToASingleFrame(int perSecond) {
        GeneratedItem.Leader leader = GeneratedItem.Leader.of(perSecond);
        assertThat(leader.frames()).isEqualTo(8L * perSecond);
        for (int figure = 8; figure > 2; figure--) {
            long first = (8L - figure) * perSecond;
            assertThat(leader.at(first)).isEqualTo(new ReelFrame.Count(figure, Rational.ZERO));
            assertThat(leader.at(first + perSecond - 1)).isEqualTo(new ReelFrame.Count(figure, Rational.of(perSecond - 1, perSecond)));
        }
        assertThat(leader.at(6L * perSecond)).isEqualTo(new ReelFrame.Count(2, Rational.ZERO));
        assertThat(LongStream.range(6L * perSecond + 1, 8L * perSecond).mapToObj(leader::at)).hasSize(2 * perSecond - 1)
                .containsOnly(new ReelFrame.Plain(Rgb.BLACK));
        assertThat(leader.lastFigureAt()).isEqualTo(6L * perSecond);
    }

    @Test
    void aShortLeaderHasNoFigureLeftToShow() {
        GeneratedItem.Leader leader = new GeneratedItem.Leader(25, null, 30);
        assertThat(leader.lastFigureAt()).isNegative();
        assertThat(LongStream.range(0, 30).mapToObj(leader::at)).containsOnly(new ReelFrame.Plain(Rgb.BLACK));
    }

    /**
     * Labels from 09:59:30 to 10:00:00: thirty seconds of them, of which drop-frame leaves none out, since minute 0 of an hour keeps them
     * all.
     */
    @ParameterizedTest
    @CsvSource({"25, 500, 175, 75, 09:59:30:00", "24, 480, 168, 72, 09:59:30:00", "24000/1001, 480, 168, 72, 09:59:30:00",
        "30000/1001, 600, 210, 90, 09:59:30;00", "50, 1000, 350, 150, 09:59:30:00",
        "60000/1001, 1200, 420, 180, 09:59:30;00"})
    void aHeadEndsOnTheFullHour(String rate, long bars, long slate, long black, String start) {
        BroadcastHead head = BroadcastHead.of(Rate.parse(rate), Size.of(1920, 1080), PixelAspect.SQUARE, "2031-05-04");
        assertThat(head.items()).extracting(GeneratedItem::frames).containsExactly(bars, slate, black);
        assertThat(head.start()).hasToString(start);
        assertThat(head.items().getFirst()).isEqualTo(new GeneratedItem.Bars(BarPattern.WIDE, -18, bars));
        assertThat(((GeneratedItem.Bars) BroadcastHead.of(Rate.parse(rate), Size.of(720, 576), PixelAspect.of(16, 11), "today").items()
                .getFirst()).pattern()).isEqualTo(BarPattern.BARS_75);
    }

    @Test
    void impossibleOnesAreRefused() {
        assertThatThrownBy(() -> new GeneratedItem.Bars(BarPattern.BARS_75, 3, 10)).hasMessageContaining("not 3");
        assertThatThrownBy(() -> new GeneratedItem.Slate(List.of(), 0)).hasMessageContaining("not 0");
        assertThatThrownBy(() -> new GeneratedItem.Leader(0, null, 10)).hasMessageContaining("not 0");
    }
}
