package dev.vat.worker.run;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;

/** Speeds and times left, by a clock that the test sets. */
class PaceTest {

    private static final long MILLI = 1_000_000;

    private long now = 77;

    @Test
    void saysNothingBeforeItKnows() {
        Pace pace = new Pace(() -> now);
        pace.frame();
        now += MILLI;
        pace.frame();
        assertThat(pace.speed()).isZero();
        assertThat(pace.secondsLeft(100)).isEqualTo(-1);
    }

    @Test
    void oneSlowFrameDoesntSpoilTheForecast() {
        Pace pace = new Pace(() -> now);
        for (int i = 0; i < 30; i++) {
            now += i == 0 ? 300 * MILLI : 5 * MILLI;
            pace.frame();
        }
        assertThat(pace.speed()).isEqualTo(200);
        assertThat(pace.secondsLeft(100)).isEqualTo(.5);
    }

    @Test
    void onlyWhatWasMadeLatelyCounts() {
        Pace pace = new Pace(() -> now);
        for (int i = 0; i < 100; i++) {
            now += i < 50 ? 400 * MILLI : 4 * MILLI;
            pace.frame();
        }
        assertThat(pace.speed()).isEqualTo(250);
    }

    @Test
    void theWholeIsReadingAndProving() {
        WholePace whole = new WholePace(2, () -> now);
        for (int i = 0; i < 8; i++) {
            now += 900 * MILLI;
            whole.read();
        }
        assertThat(whole.secondsLeft(100, 200)).as("decoders and encoders have only begun").isEqualTo(-1);
        for (int i = 0; i < 10; i++) {
            now += 10 * MILLI;
            whole.read();
        }
        assertThat(whole.secondsLeft(100, 200)).isCloseTo(1 + 200 * .16 * .01 / 2, within(1e-9));
        whole.proven(50, .1);
        assertThat(whole.secondsLeft(0, 150)).as("as the first file's proof went").isCloseTo(.3, within(1e-9));
    }

    @Test
    void whatWasHeldUpDoesntCount() {
        WholePace whole = new WholePace(1, () -> now);
        for (int i = 0; i < 28; i++) {
            now += 10 * MILLI;
            if (i == 20) {
                now += 60_000 * MILLI;
                whole.held(60_000 * MILLI);
            }
            whole.read();
        }
        assertThat(whole.secondsLeft(100, 0)).isCloseTo(1, within(1e-9));
    }
}
