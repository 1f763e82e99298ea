package dev.vat.worker.run;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

class PaceTest {

    @Test
    void saysNothingBeforeItKnows() {
        Pace pace = new Pace();
        pace.frame();
        pace.frame();
        assertThat(pace.speed()).isZero();
        assertThat(pace.secondsLeft(100)).isEqualTo(-1);
    }

    @Test
    void oneSlowFrameDoesntSpoilTheForecast() throws InterruptedException {
        Pace pace = new Pace();
        for (int i = 0; i < 30; i++) {
            Thread.sleep(i == 0 ? 300 : 5);
            pace.frame();
        }
        assertThat(pace.speed()).isBetween(60.0, 200.0);
        assertThat(pace.secondsLeft(100)).isBetween(.5, 1.7);
    }
}
