package dev.vat.engine.process;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.product.OperatingSystem;
import java.io.IOException;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Each system's own program is told to end with the work; none of those for other systems was ever run. */
class AwakeTest {

    @Test
    void eachSystemIsAskedForAsLongAsTheProcessLives() {
        assertThat(Awake.command(OperatingSystem.LINUX, 4711)).startsWith("systemd-inhibit", "--what=sleep:idle")
                .containsSubsequence("--mode=block", "tail", "--pid=4711");
        assertThat(Awake.command(OperatingSystem.MACOS, 4711)).containsExactly("caffeinate", "-i", "-w", "4711");
        assertThat(Awake.command(OperatingSystem.WINDOWS, 4711).getLast()).contains("0x80000001").endsWith("Wait-Process -Id 4711");
    }

    @Test
    void whereThereIsNoSuchProgramNothingFails() {
        Awake.keep(List.of("no-such-program-anywhere"));
    }

    /** What the request hangs on ends by itself when the work does, however that ends. */
    @Test
    void itEndsWithTheWork() throws IOException, InterruptedException {
        Process work = new ProcessBuilder("sleep", "600").start();
        List<String> command = Awake.command(OperatingSystem.LINUX, work.pid());
        Process waiting = new ProcessBuilder(command.subList(command.indexOf("tail"), command.size())).start();
        assertThat(waiting.isAlive()).isTrue();
        work.destroyForcibly().waitFor();
        assertThat(waiting.waitFor()).isZero();
    }
}
