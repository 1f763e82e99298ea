package dev.vat.core.sound;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class SoundTracksTest {

    @ParameterizedTest
    @CsvSource(quoteCharacter = '"', value = {
        "together,    4, together,        [1 2 3 4],           0",
        "Mono,        2, mono,            \"[1, 2]\",          0",
        "mono,        1, mono,            [1],                 0",
        "1 2 | 3,     6, 1 2 | 3,         \"[1 2, 3]\",        3",
        "2|1,         2, 2 | 1,           \"[2, 1]\",          2",
        "1|-|- 6,     6, 1 | - | - 6,     \"[1, -, - 6]\",     6"})
    void channelsAreSharedOut(String text, int channels, String said, String shared, int highest) {
        SoundTracks tracks = SoundTracks.parse(text);
        assertThat(tracks).hasToString(said).isEqualTo(SoundTracks.parse(said));
        assertThat(tracks.of(channels)).hasToString(shared);
        assertThat(tracks.highest()).isEqualTo(highest);
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "stereo", "1 | x", "1 ||2", "|", "1|2|3|4|5|6|7|8|9|10|11|12|13|14|15|16|17",
        "1 1 1 1 1 1 1 1 1 1 1 1 1 1 1 1 1"})
    void whatSaysNoTracksIsRefusedInWords(String text) {
        assertThatIllegalArgumentException().isThrownBy(() -> SoundTracks.parse(text)).withMessageContaining("sound track");
    }
}
