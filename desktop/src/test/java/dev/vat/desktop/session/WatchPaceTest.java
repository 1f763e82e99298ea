package dev.vat.desktop.session;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** How often folders that may fill are looked at. */
class WatchPaceTest {

    @ParameterizedTest
    @CsvSource({"0, 0, 1000", "3, 19, 1000", "3, 20, 2000", "3, 80, 5000", "3, 100000, 5000", "300, 0, 3000", "900, 80, 9000"})
    void aQuietFolderAndALargeOneAreLookedAtMoreRarely(long slowest, long quiet, long pause) {
        assertThat(FolderWatch.pause(slowest, quiet)).isEqualTo(pause);
    }
}
