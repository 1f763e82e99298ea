package dev.vat.core.delivery;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import dev.vat.core.picture.Size;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rate;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class FileNamingTest {

    private static String name(String pattern, String reel) {
        return FileNaming.parse(pattern).fileName(Deliverable.of(Catalogue.WEB_H264),
                new FileNaming.Context("Kite Week", reel, FrameRange.of(1001, 1096),
                        LocalDate.of(2031, 5, 4), Size.of(960, 540), Rate.of(24000, 1001)));
    }

    @ParameterizedTest
    @CsvSource({
        "{reel}_{target}, opening_web.mp4",
        "{project} {date}, Kite Week 2031-05-04.mp4",
        "{reel}_{range}_{size}_{rate}, opening_1001-1096_960x540_23.976.mp4",
        "{reel}_{version}, opening_v01.mp4",
        "fixed, fixed.mp4"})
    void fieldsAreFilledIn(String pattern, String name) {
        assertThat(name(pattern, "opening")).isEqualTo(name);
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "  ", "{nope}", "{reel", "reel}", "{reel}_{}"})
    void patternsThatMeanNothingAreRefused(String pattern) {
        assertThatIllegalArgumentException().isThrownBy(() -> FileNaming.parse(pattern));
    }

    @ParameterizedTest
    @CsvSource(delimiter = ';',
            value = {"a/b\\c:d;a-b-c-d", "what?*;what--", "..;_", ".hidden;_hidden", "end. . ;end", "tab\there;tab-here"})
    void whatAFileSystemCantHoldIsReplaced(String reel, String legal) {
        String name = name("{reel}", reel);
        assertThat(name).doesNotContain("/", "\\", ":").endsWith(".mp4").doesNotStartWith(".");
        if (!legal.equals("_")) {
            assertThat(name).isEqualTo(legal + ".mp4");
        }
    }

    @ParameterizedTest
    @CsvSource({"aux, aux_.mp4", "CON, CON_.mp4", "com1, com1_.mp4", "nul.final, nul_.final.mp4", "lpt9 kite, lpt9_ kite.mp4",
        "auxiliary, auxiliary.mp4", "com, com.mp4", "com10, com10.mp4", "kite_aux, kite_aux.mp4"})
    void noFileIsCalledAsADeviceOfWindows(String reel, String name) {
        assertThat(name("{reel}", reel)).isEqualTo(name);
    }

    @Test
    void longNamesAreShortenedAtWholeLetters() {
        String name = name("{reel}", "凧".repeat(200));
        assertThat(name.getBytes(StandardCharsets.UTF_8).length).isLessThanOrEqualTo(204);
        assertThat(name).matches("凧+\\.mp4");
    }

    @ParameterizedTest
    @CsvSource({"spot_web.mp4, 2, spot_web_v02.mp4", "spot_v01.mov, 2, spot_v02.mov", "spot_v12.mov, 13, spot_v13.mov",
        "noext, 3, noext_v03", "a_v1.mp4, 2, a_v1_v02.mp4", "mill_v210.mov, 2, mill_v210_v02.mov",
        "mill_v210_v02.mov, 3, mill_v210_v03.mov", "mill_v120.mov, 121, mill_v121.mov"})
    void versionsAreRaisedBeforeTheExtension(String name, int version, String versioned) {
        assertThat(FileNaming.versioned(name, version)).isEqualTo(versioned);
    }
}
