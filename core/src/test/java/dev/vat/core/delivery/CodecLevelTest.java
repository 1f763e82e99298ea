package dev.vat.core.delivery;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.picture.Size;
import dev.vat.core.time.Rate;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class CodecLevelTest {

    /** The examples of ITU-T H.264, table A-6, and of H.265, table A.11. */
    @ParameterizedTest
    @CsvSource({"h264, 1280x720, 30, 3.1, 31", "h264, 1280x720, 60, 3.2, 32", "h264, 1920x1080, 30, 4, 40", "h264, 1920x1080, 60, 4.2, 42",
        "h264, 720x576, 25, 3, 30",
        "h264, 4096x2304, 25, 5.1, 51", "h264, 3840x2160, 60, 5.2, 52", "h264, 96x64, 5, 1, 10", "hevc, 1920x1080, 30, 4, 120",
        "hevc, 1920x1080, 60, 4.1, 123",
        "hevc, 3840x2160, 60, 5.1, 153", "hevc, 7680x4320, 120, 6.2, 186", "hevc, 960x540, 25, 3, 90"})
    void theLeastLevelIsThatOfTheStandard(String codec, String size, String rate, String name, int number) {
        assertThat(CodecLevel.needed(codec, Size.parse(size), Rate.parse(rate))).contains(new CodecLevel(number, name));
        assertThat(CodecLevel.name(codec, number)).isEqualTo(name);
    }

    @Test
    void level1bHasThePicturesOfLevel1() {
        CodecLevel one = CodecLevel.needed("h264", Size.of(96, 64), Rate.of(25)).orElseThrow();
        assertThat(one.name()).isEqualTo("1");
        assertThat(one.isMetBy(9)).isTrue();
        assertThat(one.isMetBy(8)).isFalse();
        assertThat(CodecLevel.name("h264", 9)).isEqualTo("1b");
        assertThat(new CodecLevel(31, "3.1").isMetBy(30)).isFalse();
    }

    @ParameterizedTest
    @CsvSource({"prores, 1920x1080, 25", "h264, 16384x8192, 60", "vp9, 96x64, 25"})
    void whereThereIsNoneNothingIsSaid(String codec, String size, String rate) {
        assertThat(CodecLevel.needed(codec, Size.parse(size), Rate.parse(rate))).isEmpty();
    }

    /** ITU-T H.264, tables; H.265, tables A.8 to A.10, main tier. */
    @ParameterizedTest
    @CsvSource({"h264-high-420, 1920x1080, 25, 8000000, 4, 25000000, 31250000",
        "h264-high-420, 1920x1080, 25, 25000001, 4.1, 62500000, 78125000",
        "h264-high10-420, 1280x720, 25, 8000000, 3.1, 42000000, 42000000", "h264-high422-10, 720x576, 25, 40000000, 3, 40000000, 40000000",
        "h264-high-420, 96x64, 5, 1000, 1, 80000, 218750", "h265-main-420, 1920x1080, 25, 8000000, 4, 12000000, 12000000",
        "h265-main-420, 3840x2160, 50, 30000000, 5.1, 40000000, 40000000"})
    void aLevelBoundsItsBits(String codec, String size, String rate, long bits, String level, long most, long buffer) {
        CodecLevel.Bounds bounds = CodecLevel.bounds(Catalogue.codec(codec), Size.parse(size), Rate.parse(rate), bits).orElseThrow();
        assertThat(bounds.level().name()).isEqualTo(level);
        assertThat(bounds.bitsPerSecond()).isEqualTo(most);
        assertThat(bounds.buffer()).isEqualTo(buffer);
    }
}
