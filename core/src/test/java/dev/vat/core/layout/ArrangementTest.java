package dev.vat.core.layout;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.vat.core.burnin.Field;
import dev.vat.core.burnin.FrameFacts;
import dev.vat.core.burnin.Spot;
import dev.vat.core.burnin.Wording;
import dev.vat.core.delivery.Placement.Box;
import dev.vat.core.picture.Size;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class ArrangementTest {

    private static List<Box> boxes(Arrangement arrangement, int views, Size size) {
        return arrangement.areas(views).stream().map(a -> a.in(size)).toList();
    }

    @Test
    void gridsMeetAndFillThePictureWhateverItsSize() {
        for (int views : new int[] {1, 2, 3, 4, 7, 12}) {
            for (int across = 1; across < 5; across++) {
                List<Box> boxes = boxes(new Arrangement.Grid(across), views, Size.of(1021, 577));
                int filled = across * Math.ceilDiv(views, across);
                for (int i = 0; i < boxes.size(); i++) {
                    assertThat(Covered.seen(boxes.get(i), boxes.subList(i + 1, boxes.size()))).as("%d of %d", i, views)
                            .isEqualTo((long) boxes.get(i).width() * boxes.get(i).height());
                }
                if (filled == views) {
                    assertThat(boxes.stream().mapToLong(b -> (long) b.width() * b.height()).sum()).isEqualTo(1021L * 577);
                }
            }
        }
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"1 3 | 1,3", "' 2, 2,4 ' | 2,2,4", "1+2 | 1,2"})
    void rowsAreWrittenAsCounts(String text, String counts) {
        assertThat(Arrangement.Rows.parse(text).counts()).extracting(String::valueOf).containsExactly(counts.split(","));
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"1,x | 'x' is no number of views", "'' | '' is no number", "99999999999 | is no number",
        "0 | From 1 to 64 views", "1,65 | not 65"})
    void whatIsNoCountIsSaid(String text, String words) {
        assertThatThrownBy(() -> Arrangement.Rows.parse(text)).isExactlyInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining(words);
    }

    @Test
    void rowsTakeAsManyAsTheySay() {
        assertThat(boxes(new Arrangement.Rows(List.of(1, 3)), 4, Size.of(900, 600)))
                .containsExactly(new Box(0, 0, 900, 300), new Box(0, 300, 300, 300), new Box(300, 300, 300, 300),
                        new Box(600, 300, 300, 300));
        assertThat(new Arrangement.Rows(List.of(2)).areas(5)).as("what is left over stands in further rows").hasSize(5)
                .last().isEqualTo(Area.parse("0 200/3 100 100/3"));
    }

    @ParameterizedTest
    @CsvSource({"BOTTOM_RIGHT, 66, 66", "TOP_LEFT, 4, 4", "TOP_RIGHT, 66, 4", "MIDDLE, 35, 35"})
    void insetsStandClearOfTheEdge(Spot at, int left, int top) {
        List<Box> boxes = boxes(new Arrangement.Inset(at, Rational.of(3, 10)), 2, Size.of(100, 100));
        assertThat(boxes.getFirst()).isEqualTo(new Box(0, 0, 100, 100));
        assertThat(boxes.getLast()).isEqualTo(new Box(left, top, 30, 30));
    }

    @Test
    void moreInsetsThanThereIsRoomForBecomeSmallerAndNeverMeet() {
        List<Box> boxes = boxes(new Arrangement.Inset(Spot.BOTTOM_LEFT, Rational.of(1, 2)), 6, Size.of(1920, 1080));
        for (int i = 1; i < boxes.size(); i++) {
            assertThat(boxes.get(i).y() + boxes.get(i).height()).isLessThanOrEqualTo(1080);
            assertThat(Covered.seen(boxes.get(i), boxes.subList(i + 1, boxes.size())))
                    .isEqualTo((long) boxes.get(i).width() * boxes.get(i).height());
        }
    }

    @Test
    void whatIsSeenOfABoxIsCountedByThePixel() {
        Box box = new Box(10, 10, 20, 10);
        assertThat(Covered.seen(box, List.of())).isEqualTo(200);
        assertThat(Covered.seen(box, List.of(new Box(0, 0, 100, 100)))).isZero();
        assertThat(Covered.seen(box, List.of(new Box(0, 0, 20, 100), new Box(20, 0, 20, 100)))).as("two together").isZero();
        assertThat(Covered.seen(box, List.of(new Box(15, 12, 5, 5)))).isEqualTo(175);
        assertThat(Covered.seen(box, List.of(new Box(15, 12, 5, 5), new Box(17, 12, 5, 5)))).as("what two cover counts once")
                .isEqualTo(165);
        assertThat(Covered.seen(box, List.of(new Box(30, 10, 5, 5)))).as("beside it").isEqualTo(200);
    }

    @ParameterizedTest
    @ValueSource(strings = {"0 0 101 100", "50 0 51 10", "-1 0 10 10", "0 0 0 10", "0 0 10"})
    void whatLiesOutsideIsNoArea(String text) {
        assertThatThrownBy(() -> Area.parse(text)).isInstanceOf(IllegalArgumentException.class).hasMessageContaining(text.split(" ")[0]);
    }

    @Test
    void anAreaComesBackFromItsText() {
        Area area = Area.parse("12.5 0 100/3 50");
        assertThat(Area.parse(area.toString())).isEqualTo(area);
        assertThat(area.in(Size.of(1920, 1080))).isEqualTo(new Box(240, 0, 640, 540));
    }

    @Test
    void daysGoByWithTheFrames() {
        DayCount days = new DayCount("2026-02-27", Rational.of(2));
        assertThat(days.days(0, Rate.FPS_25)).isZero();
        assertThat(days.days(12, Rate.FPS_25)).isZero();
        assertThat(days.days(13, Rate.FPS_25)).isEqualTo(1);
        assertThat(days.days(25, Rate.FPS_25)).isEqualTo(2);
        assertThat(new Wording("{calendar}, day {days}").filled(days.facts(FrameFacts.none(), 25, Rate.FPS_25)))
                .contains("2026-03-01, day 2");
        assertThat(days.facts(FrameFacts.none().with(Field.SOURCE, "pier"), 0, Rate.FPS_25).known())
                .containsEntry(Field.CALENDAR, "2026-02-27").containsEntry(Field.SOURCE, "pier");
        assertThatThrownBy(() -> new DayCount("27.2.2026", Rational.ONE)).hasMessageContaining("27.2.2026");
    }
}
