package dev.vat.engine.run;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.protocol.FileProgress;
import dev.vat.protocol.FileProgress.Stage;
import dev.vat.protocol.RunMessage;
import java.time.Duration;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Which process stands still, by a clock that the test sets. */
class StillnessWatchTest {

    private long now = 5;
    private int found;
    private final StillnessWatch watch = new StillnessWatch(() -> false, () -> found++, () -> now);

    private void pass(Duration time) {
        now += time.toNanos();
        watch.look();
    }

    private static RunMessage.Progress at(Stage stage, long done, String held) {
        FileProgress file = new FileProgress("web-h264", stage, done, 48, 0, 0, -1, null, null, null);
        return new RunMessage.Progress(0, done, List.of(file), held, false, -1);
    }

    @Test
    void whatMovesIsLeftAlone() {
        for (int frame = 1; frame < 20; frame++) {
            watch.advance(at(Stage.ENCODING, frame, null));
            pass(Duration.ofSeconds(170));
        }
        assertThat(found).isZero();
    }

    @Test
    void theSameWordsAgainAreNoMovement() {
        watch.advance(at(Stage.ENCODING, 12, null));
        for (int i = 0; i < 40; i++) {
            watch.advance(at(Stage.ENCODING, 12, null));
            pass(Duration.ofSeconds(5));
        }
        assertThat(found).isEqualTo(1);
        pass(Duration.ofSeconds(150));
        assertThat(found).as("the process that follows has its own time").isEqualTo(1);
    }

    @Test
    void whatHoldsStillForAReasonIsLeftAlone() {
        watch.advance(at(Stage.ENCODING, 12, "the disk is full"));
        pass(Duration.ofHours(9));
        watch.advance(at(Stage.JOINING, 48, null));
        pass(Duration.ofHours(9));
        watch.advance(at(Stage.PROVING, 20, null));
        watch.pause(true);
        pass(Duration.ofHours(9));
        watch.pause(false);
        watch.excuse();
        pass(Duration.ofHours(9));
        assertThat(found).isZero();
        watch.advance(at(Stage.PROVING, 21, null));
        pass(Duration.ofMinutes(4));
        assertThat(found).as("a proof that stands still").isEqualTo(1);
    }
}
