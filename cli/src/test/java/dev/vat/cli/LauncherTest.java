package dev.vat.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import org.junit.jupiter.api.condition.EnabledOnOs;
import org.junit.jupiter.api.condition.OS;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The script that starts Vat from its sources, where a virtual machine couldn't say what it lacks. */
@EnabledOnOs(OS.LINUX)
class LauncherTest {

    @ParameterizedTest
    @CsvSource({"ulimit -n 30, vat: this shell lets a program have 30 files open; Vat needs 128 (ulimit -n 128)",
        "ulimit -v 4000000, vat: this shell lets a program take 4000000 kB of addresses; Vat needs 6000000 (ulimit -v 6000000)"})
    void tooLittleIsOneLineInWords(String limit, String answer) throws Exception {
        Process shell = new ProcessBuilder("sh", "-c", limit + "; exec \"$0\" targets", Path.of("../vat").toRealPath().toString())
                .redirectErrorStream(true).start();
        assertThat(new String(shell.getInputStream().readAllBytes(), StandardCharsets.UTF_8).strip()).isEqualTo(answer);
        assertThat(shell.waitFor()).isEqualTo(1);
    }
}
