package dev.vat.core.source;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.delivery.SoundCodec;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class CodecNameTest {

    @ParameterizedTest
    @CsvSource({"pcm_s24le, PCM 24-bit", "pcm_s16be, PCM 16-bit", "pcm_f32le, PCM 32-bit float", "pcm_u8, PCM 8-bit", "aac, AAC",
        "h264, H.264", "prores, ProRes", "adpcm_ima_wav, ADPCM", "some_new_codec, some new codec", "unknown, unknown"})
    void codecsAreCalledAsTheTradeCallsThem(String library, String trade) {
        assertThat(CodecName.of(library)).isEqualTo(trade);
    }

    @Test
    void noNameOfTheLibrarysIsLeftForSoundThatVatWrites() {
        for (SoundCodec codec : SoundCodec.values()) {
            assertThat(codec.title()).as("%s and its title", codec).startsWith(CodecName.of(codec.reportedName()));
        }
    }
}
