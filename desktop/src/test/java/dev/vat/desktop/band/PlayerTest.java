package dev.vat.desktop.band;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Time comes from outside, in nanoseconds. */
class PlayerTest {

    private static final long SECOND = 1_000_000_000L;

    private final Player player = new Player();

    @BeforeEach
    void load() {
        player.setStrip(new TestStrip(100, Map.of(), Rate.FPS_25));
    }

    @Test
    void playsAtTheExactRate() {
        player.setStrip(new TestStrip(100_000, Map.of(), Rate.of(24000, 1001)));
        player.play(true);
        player.due(0);
        assertThat(player.due(1001 * SECOND)).isEqualTo(24000);
        assertThat(player.due(1001 * SECOND - 1)).isEqualTo(23999);
    }

    @Test
    void whatComesTooLateIsDroppedAndCounted() {
        player.play(true);
        player.shown(player.due(0));
        player.shown(player.due(SECOND / 25));
        assertThat(player.dropped()).isZero();
        player.shown(player.due(5 * SECOND / 25));
        assertThat(player.place()).isEqualTo(5);
        assertThat(player.dropped()).isEqualTo(3);
    }

    @Test
    void everyFrameModeWaitsAndDropsNothing() {
        player.setEveryFrame(true);
        player.play(true);
        for (int i = 1; i <= 20; i++) {
            long due = player.due(i * SECOND);
            assertThat(due).isEqualTo(i);
            player.shown(due);
        }
        assertThat(player.dropped()).isZero();
    }

    @Test
    void loopsOverEverythingOrTheChosenRange() {
        player.play(true);
        player.due(0);
        assertThat(player.due(4 * SECOND)).isZero();
        player.setLoopRange(10, 19);
        player.seek(10);
        player.due(0);
        assertThat(player.due(SECOND * 10 / 25)).isEqualTo(10);
        assertThat(player.due(SECOND * 13 / 25)).isEqualTo(13);
        assertThat(player.next(19)).isEqualTo(10);
    }

    @Test
    void withoutLoopItStopsAtTheEndAndStartsAnewFromThere() {
        player.setLoop(false);
        player.play(true);
        player.due(0);
        player.shown(player.due(60 * SECOND));
        assertThat(player.place()).isEqualTo(99);
        assertThat(player.isPlaying()).isFalse();
        player.play(true);
        assertThat(player.place()).isZero();
    }

    @Test
    void steppingStopsAndStaysInside() {
        player.play(true);
        player.step(-1);
        assertThat(player.isPlaying()).isFalse();
        assertThat(player.place()).isZero();
        player.step(1000);
        assertThat(player.place()).isEqualTo(99);
    }

    @Test
    void aNewStripStartsAtItsBeginningTheSameOneStays() {
        player.seek(50);
        player.setLoopRange(40, 60);
        player.setStrip(new TestStrip(100, Map.of(3L, FrameTrack.Mark.EMPTY), Rate.FPS_25));
        assertThat(player.place()).isEqualTo(50);
        player.setStrip(new TestStrip(10, Map.of(), Rate.FPS_25));
        assertThat(player.place()).as("the same, grown shorter: at its end").isEqualTo(9);
        assertThat(player.hasLoopRange()).isFalse();
        player.setStrip(null);
        player.setStrip(new TestStrip(100, Map.of(), Rate.FPS_25));
        assertThat(player.place()).as("another one").isZero();
        player.setStrip(new TestStrip(1, Map.of(), Rate.FPS_25));
        player.play(true);
        assertThat(player.isPlaying()).as("one frame doesn't play").isFalse();
    }

    @Test
    void withoutARateItPlaysAtTwentyFive() {
        player.setStrip(new TestStrip(100, Map.of(), null));
        player.play(true);
        player.due(0);
        assertThat(player.due(SECOND)).isEqualTo(25);
    }

    @Test
    void halfAndQuarterSpeedTakeTwiceAndFourTimesAsLong() {
        player.setSpeed(Rational.of(1, 2));
        player.play(true);
        player.due(0);
        assertThat(player.due(SECOND)).isEqualTo(12);
        player.setSpeed(Rational.of(1, 4));
        player.due(2 * SECOND);
        assertThat(player.due(6 * SECOND)).isEqualTo(25);
    }

    @Test
    void backwardsItGoesFromTheEndToTheStartAndRound() {
        player.setBackwards(true);
        player.seek(0);
        player.play(true);
        assertThat(player.place()).as("from the start there is nowhere to go").isEqualTo(99);
        player.due(0);
        assertThat(player.due(SECOND)).isEqualTo(74);
        assertThat(player.due(4 * SECOND)).isEqualTo(99);
        assertThat(player.next(0)).isEqualTo(99);
        assertThat(player.next(50)).isEqualTo(49);
        player.shown(99);
        player.shown(95);
        assertThat(player.dropped()).isEqualTo(3);
        player.setLoop(false);
        player.shown(0);
        assertThat(player.isPlaying()).isFalse();
    }

    @Test
    void afterAWaitTimeCountsAnew() {
        player.play(true);
        player.due(0);
        player.shown(player.due(SECOND / 25));
        player.anchor();
        assertThat(player.due(10 * SECOND)).isEqualTo(1);
        assertThat(player.due(11 * SECOND)).isEqualTo(26);
    }

    @Test
    void shuttlingGetsFasterWithEachPressAndTurnsAtFullSpeed() {
        Player player = new Player();
        player.setStrip(new TestStrip(1000, Map.of(), Rate.FPS_25));
        player.seek(500);
        for (int speed : new int[] {1, 2, 4, 8, 16, 16}) {
            player.shuttle(false);
            assertThat(player.speed()).isEqualTo(Rational.of(speed, 1));
        }
        assertThat(player.due(0)).isEqualTo(500);
        assertThat(player.due(40_000_000L)).as("sixteen frames in the time of one").isEqualTo(516);
        player.shuttle(true);
        assertThat(player.speed()).as("the other way it begins anew").isEqualTo(Rational.ONE);
        assertThat(player.isBackwards() && player.isPlaying()).isTrue();
        player.stop();
        assertThat(player.isPlaying() || player.isBackwards()).isFalse();
        player.setSpeed(Rational.of(1, 4));
        player.play(true);
        player.shuttle(false);
        assertThat(player.speed()).as("from slow motion to full speed").isEqualTo(Rational.ONE);
    }
}
