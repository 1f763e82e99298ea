package dev.vat.engine.process;

import dev.vat.core.product.OperatingSystem;
import dev.vat.core.product.VatVersion;
import dev.vat.core.words.Words;
import java.io.IOException;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * Keeps the machine from going to sleep as long as a process lives, by a program of the system's own that ends with it: whatever
 * becomes of Vat, nothing keeps the machine awake longer than the work. Where there is no such program, the machine sleeps when it
 * wants to, and the run goes on when it wakes.
 */
final class Awake {

    private static final Words WORDS = Words.of(Awake.class);
    private static final Logger LOG = LoggerFactory.getLogger(Awake.class);

    /** ES_CONTINUOUS and ES_SYSTEM_REQUIRED, as the Windows API names them: the display may go dark, the machine stays awake. */
    private static final String WINDOWS = "$p = Add-Type -PassThru -Name Power -Namespace Vat -MemberDefinition "
            + "'[DllImport(\"kernel32.dll\")] public static extern uint SetThreadExecutionState(uint flags);'; "
            + "$null = $p::SetThreadExecutionState([uint32]\"0x80000001\"); Wait-Process -Id %d";

    private Awake() {}

    static List<String> command(OperatingSystem system, long pid) {
        return switch (system) {
            case LINUX -> List.of("systemd-inhibit", "--what=sleep:idle", "--who=" + VatVersion.NAME,
                    "--why=" + WORDS.say("filesAreBeingMade"), "--mode=block",
                    "tail", "--pid=" + pid, "-f", "/dev/null");
            case MACOS -> List.of("caffeinate", "-i", "-w", Long.toString(pid));
            case WINDOWS -> List.of("powershell", "-NoProfile", "-NonInteractive", "-Command", WINDOWS.formatted(pid));
        };
    }

    /** As long as a process lives. */
    static void whileAlive(Process process) {
        keep(command(OperatingSystem.here(), process.pid()));
    }

    static void keep(List<String> command) {
        try {
            new ProcessBuilder(command).redirectErrorStream(true).redirectOutput(ProcessBuilder.Redirect.DISCARD).start().getOutputStream()
                    .close();
        } catch (IOException e) {
            LOG.info("Nothing keeps this machine awake: {}", e.getMessage());
        }
    }
}
