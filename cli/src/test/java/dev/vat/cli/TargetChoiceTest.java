package dev.vat.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.vat.cli.TargetChoice.Given;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class TargetChoiceTest {

    @Test
    void whatIsSaidOfOneTargetStandsBehindIt() {
        assertThat(TargetChoice.parse("web-h264")).isEqualTo(new TargetChoice("web-h264", List.of()));
        assertThat(TargetChoice.parse("web-h264,size=1280x720,quality=18, at most 8M,clean,accept=far-enlarged").given()).containsExactly(
                new Given("size", "1280x720"), new Given("quality", "18, at most 8M"), new Given("clean", ""),
                new Given("accept", "far-enlarged"));
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|',
            value = {"web-h264,sise=1280x720 | 'sise' is nothing that can be said of a target", "web-h264,size | size wants a value",
                "web-h264,clean=yes | clean is said without a value",
                "web-h264,clean,matt | 'matt' is nothing", "web-h264,accept=far-enlarged,matt | 'matt' is nothing"})
    void whatIsntKnownIsNamed(String text, String why) {
        assertThatThrownBy(() -> TargetChoice.parse(text)).isInstanceOf(IllegalArgumentException.class).hasMessageContaining(why);
    }
}
