package dev.vat.desktop.runs;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.protocol.FileProgress.Stage;
import dev.vat.protocol.FileProgress;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class RunWordsTest {

    @ParameterizedTest
    @CsvSource(delimiter = ';', nullValues = "-", value = {
        "WAITING;0;0;-1;-;waiting",
        "ENCODING;120;12.34;10.5;-;frame 120 of 250, 48 %, 12.3 frames a second, 11 s left",
        "ENCODING;1;0;-1;-;frame 1 of 250, 0 %",
        "PROVING;100;50;3;-;written, proving 40 %, 50.0 frames a second, 3 s left",
        "DELIVERED;250;0;-1;-;made and proven",
        "DELIVERED;250;0;-1;used without proof;used without proof",
        "UNPROVEN;250;0;-1;frames: 250 was planned;made but not proven: frames: 250 was planned",
        "FAILED;7;0;-1;No space left;failed: No space left",
        "STOPPED;7;0;-1;-;stopped at frame 7",
        "JOINING;250;0;-1;-;joining its parts"})
    void eachStageHasItsWords(Stage stage, long done, double speed, double left, String why, String words) {
        assertThat(RunWords.of(new FileProgress("web-h264", stage, done, 250, 0, speed, left, null, null, why), 250)).isEqualTo(words);
    }

    @Test
    void whatEndedEarlySaysSo() {
        assertThat(RunWords.of(new FileProgress("web-h264", Stage.DELIVERED, 204, 204, 0, 0, -1, null, null, null), 250))
                .isEqualTo("made and proven, ended early with 204 of 250 frames");
    }

    @ParameterizedTest
    @CsvSource({"0, 0 s", "89, 89 s", "90, 2 min", "3600, 60 min", "13320, 3 h 42 min"})
    void timeLeftIsAsCoarseAsItCanBe(long seconds, String words) {
        assertThat(RunWords.left(seconds)).isEqualTo(words);
    }
}
