package dev.vat.core.reel;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.vat.core.source.Cadence;
import dev.vat.core.source.FrameState;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.Frames;
import dev.vat.core.source.GapPolicy;
import dev.vat.core.source.Reading;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rational;
import java.util.List;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;

class ReelPlanTest {

    private static ReelPlan plan(FrameTable table, Reading reading) {
        return ReelPlan.of(List.of(ReelPart.of("s1", table, reading)));
    }

    @Test
    void itemsFollowEachOtherAndLengthFollowsFromThem() {
        ReelPlan plan = ReelPlan.of(List.of(ReelPart.of("s1", Frames.good("a", 1001, 1010).table(), Reading.PLAIN),
                ReelPart.of("s2", Frames.good("b", 5, 7).table(), Reading.PLAIN)));
        assertThat(plan.count()).isEqualTo(13);
        assertThat(plan.spans()).extracting(ReelSpan::start).containsExactly(0L, 10L);
        assertThat(plan.at(9)).isEqualTo(new ReelFrame(0, 1010, new ReelFrame.SourceFrame(1010)));
        assertThat(plan.at(10)).isEqualTo(new ReelFrame(1, 5, new ReelFrame.SourceFrame(5)));
        assertThatThrownBy(() -> plan.at(13)).isInstanceOf(IndexOutOfBoundsException.class);
    }

    @Test
    void aRangeTakesOnlyItsFrames() {
        ReelPlan plan = plan(Frames.good("a", 1, 100).table(), Reading.PLAIN.withRange(FrameRange.of(20, 29)));
        assertThat(plan.count()).isEqualTo(10);
        assertThat(plan.at(0).wanted()).isEqualTo(20);
        assertThat(plan.at(9).wanted()).isEqualTo(29);
    }

    @Test
    void holdShowsTheGoodFrameBeforeTheHole() {
        FrameTable table = Frames.good("a", 1, 10).without(4, 5).faulty(6, FrameState.CUT_SHORT, "ends early").table();
        ReelPlan plan = plan(table, Reading.PLAIN.withGap(GapPolicy.HOLD));
        assertThat(plan.fills()).extracting(f -> f.reelFrame()).containsExactly(3L, 4L, 5L);
        assertThat(plan.fills()).allSatisfy(f -> assertThat(f.frame().content()).isEqualTo(new ReelFrame.SourceFrame(3)));
        assertThat(plan.at(6).isFill()).isFalse();
        assertThat(plan.count()).as("no frame is dropped").isEqualTo(10);
    }

    @Test
    void holdWithNothingBeforeItFallsBackToACardAndIsSaid() {
        FrameTable table = Frames.good("a", 1, 5).faulty(1, FrameState.EMPTY, "no bytes").table();
        ReelPlan plan = plan(table, Reading.PLAIN.withGap(GapPolicy.HOLD));
        assertThat(plan.holdHasNoStart(0)).isTrue();
        assertThat(plan.at(0).content()).isEqualTo(new ReelFrame.Card("empty: no bytes"));
    }

    @Test
    void aFrameBeforeTheRangeIsNeverHeld() {
        FrameTable table = Frames.good("a", 1, 9).without(5).table();
        ReelPlan plan = plan(table, Reading.PLAIN.withGap(GapPolicy.HOLD).withRange(FrameRange.of(5, 9)));
        assertThat(plan.holdHasNoStart(0)).isTrue();
        assertThat(plan.at(0).content()).isInstanceOf(ReelFrame.Card.class);
    }

    @Test
    void aCardNamesTheFault() {
        FrameTable table = Frames.good("a", 1, 5).without(3).faulty(4, FrameState.UNREADABLE, "no picture").table();
        ReelPlan plan = plan(table, Reading.PLAIN.withGap(GapPolicy.CARD));
        assertThat(plan.at(2).content()).isEqualTo(new ReelFrame.Card("missing"));
        assertThat(plan.at(3).content()).isEqualTo(new ReelFrame.Card("unreadable: no picture"));
    }

    @Test
    void refusingFillsNothing() {
        assertThat(plan(Frames.good("a", 1, 5).without(3).table(), Reading.PLAIN).fills()).isEmpty();
    }

    @Test
    void stepsKeepTheirLength() {
        FrameTable table = Frames.good("a", 0, 45).without(range(0, 45, 5)).table();
        assertThat(table.sequence().step()).isEqualTo(5);
        ReelPlan plan = plan(table, Reading.PLAIN);
        assertThat(plan.count()).isEqualTo(10);
        assertThat(plan.at(3).wanted()).isEqualTo(15);
    }

    /** Everything from first to last that isn't a multiple of step. */
    private static long[] range(long first, long last, long step) {
        return java.util.stream.LongStream.rangeClosed(first, last).filter(n -> n % step != 0).toArray();
    }

    @Test
    void itemsOfNoFramesTakeNoPlace() {
        ReelPlan plan = ReelPlan.of(List.of(
                ReelPart.of("s0", Frames.good("e", 0, 45).without(range(0, 45, 5)).table(),
                        Reading.PLAIN.withRange(FrameRange.of(46, 49))),
                ReelPart.of("s1", Frames.good("a", 1, 3).table(), Reading.PLAIN)));
        assertThat(plan.count()).isEqualTo(3);
        assertThat(plan.spanAt(0).source()).isEqualTo("s1");
    }

    @Test
    void reelsAreReorderedAsValues() {
        Reel reel = Reel.of("r1", "opening", List.of(Item.of("a"), Item.of("b"), Item.of("c")));
        assertThat(reel.moved(0, 2).items()).extracting(Item::source).containsExactly("b", "c", "a");
        assertThat(reel.without(1).with(Item.of("d")).items()).extracting(Item::source).containsExactly("a", "c", "d");
        assertThat(reel.items()).hasSize(3);
    }

    @Test
    void aStepTakesEveryNthFrameAndMayKeepTheLength() {
        FrameTable table = Frames.good("a", 1, 50).table();
        Cadence fifth = Cadence.PLAIN.withEvery(5);
        ReelPlan fast = plan(table, Reading.PLAIN.withCadence(fifth));
        assertThat(fast.count()).as("50 by 5 is 10").isEqualTo(10);
        assertThat(fast.at(9).wanted()).isEqualTo(46);
        ReelPlan slow = plan(table, Reading.PLAIN.withCadence(fifth.withKeepLength(true)));
        assertThat(slow.count()).isEqualTo(50);
        assertThat(slow.at(4).wanted()).isEqualTo(1);
        assertThat(slow.at(5).wanted()).isEqualTo(6);
        assertThat(slow.fills()).as("a held frame is what was asked for").isEmpty();
        assertThat(plan(Frames.good("a", 1, 52).table(), Reading.PLAIN.withCadence(fifth.withKeepLength(true))).count()).isEqualTo(52);
    }

    @Test
    void framesRenderedInStepsCanKeepTheirLength() {
        FrameTable table = Frames.good("a", 0, 40).without(1, 2, 3, 4, 6, 7, 8, 9, 11, 12, 13, 14, 16, 17, 18, 19, 21, 22, 23, 24,
                26, 27, 28, 29, 31, 32, 33, 34, 36, 37, 38, 39).table();
        assertThat(table.sequence().step()).isEqualTo(5);
        ReelPlan plan = plan(table, Reading.PLAIN.withCadence(Cadence.PLAIN.withKeepLength(true)));
        assertThat(plan.count()).isEqualTo(45);
        assertThat(plan.at(44).wanted()).isEqualTo(40);
    }

    @Test
    void aLeadInIsLeftOut() {
        ReelPlan plan = plan(Frames.good("a", 1, 30).table(), Reading.PLAIN.withCadence(Cadence.PLAIN.withLeadIn(8)));
        assertThat(plan.count()).isEqualTo(22);
        assertThat(plan.at(0).wanted()).isEqualTo(9);
        assertThat(plan(Frames.good("a", 1, 5).table(), Reading.PLAIN.withCadence(Cadence.PLAIN.withLeadIn(8))).count()).isZero();
    }

    @Test
    void nearestTakesTheCloserNeighbourAndOfTwoTheEarlier() {
        ReelPlan plan = plan(Frames.good("a", 1, 10).without(4, 5, 6).table(), Reading.PLAIN.withGap(GapPolicy.NEAREST));
        assertThat(plan.at(3).content()).isEqualTo(new ReelFrame.SourceFrame(3));
        assertThat(plan.at(4).content()).isEqualTo(new ReelFrame.SourceFrame(3));
        assertThat(plan.at(5).content()).isEqualTo(new ReelFrame.SourceFrame(7));
    }

    @Test
    void blendMixesTheNeighboursByDistance() {
        ReelPlan plan = plan(Frames.good("a", 1, 10).without(1, 4, 5, 6, 10).table(),
                Reading.PLAIN.withGap(GapPolicy.BLEND).withExpected(FrameRange.of(1, 10)));
        assertThat(plan.at(3).content()).isEqualTo(new ReelFrame.Blend(3, 7, Rational.of(1, 4)));
        assertThat(plan.at(5).content()).isEqualTo(new ReelFrame.Blend(3, 7, Rational.of(3, 4)));
        assertThat(plan.at(0).content()).as("nothing before it").isEqualTo(new ReelFrame.SourceFrame(2));
        assertThat(plan.at(9).content()).as("nothing after it").isEqualTo(new ReelFrame.SourceFrame(9));
    }

    @Test
    void closingUpLeavesTheHoleOut() {
        ReelPlan plan = plan(Frames.good("a", 1, 10).without(4, 5).faulty(8, FrameState.EMPTY, "no bytes").table(),
                Reading.PLAIN.withGap(GapPolicy.CLOSE));
        assertThat(plan.count()).isEqualTo(7);
        assertThat(LongStream.range(0, 7).map(i -> plan.at(i).wanted())).containsExactly(1L, 2L, 3L, 6L, 7L, 9L, 10L);
        assertThat(plan.fills()).isEmpty();
        assertThat(plan(Frames.good("a", 1, 2).faulty(1, FrameState.EMPTY, "x").faulty(2, FrameState.EMPTY, "x").table(),
                Reading.PLAIN.withGap(GapPolicy.CLOSE)).count()).as("all missing").isZero();
    }
}
