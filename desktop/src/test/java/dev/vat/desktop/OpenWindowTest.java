package dev.vat.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.protocol.storage.Places;
import java.net.StandardProtocolFamily;
import java.net.UnixDomainSocketAddress;
import java.nio.ByteBuffer;
import java.nio.channels.SocketChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermission;
import java.util.List;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.LinkedBlockingQueue;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What is opened while a window is there lands in it. */
class OpenWindowTest {

    @TempDir
    Path folder;

    private final BlockingQueue<List<Path>> opened = new LinkedBlockingQueue<>();

    @Test
    void whatIsOpenedElsewhereLandsInTheWindowThatIsThere() throws Exception {
        Places places = Places.in(folder);
        assertThat(OpenWindow.take(places, List.of())).as("there is none yet").isFalse();
        try (OpenWindow _ = OpenWindow.listen(places, opened::add).orElseThrow()) {
            Path odd = Path.of("/renders/\u00fcber den Deich/sh 010");
            assertThat(OpenWindow.take(places, List.of(odd, Path.of("week.vat")))).isTrue();
            assertThat(opened.take()).containsExactly(odd, Path.of("week.vat").toAbsolutePath());
            assertThat(OpenWindow.take(places, List.of())).as("it comes to the front").isTrue();
            assertThat(opened.take()).isEmpty();
            assertThat(Files.getPosixFilePermissions(folder.resolve("cache/window"))).as("nobody else's").containsExactlyInAnyOrder(
                    PosixFilePermission.OWNER_READ, PosixFilePermission.OWNER_WRITE, PosixFilePermission.OWNER_EXECUTE);
        }
        assertThat(OpenWindow.take(places, List.of())).as("it was closed").isFalse();
    }

    @Test
    void aSocketThatAKilledWindowLeftIsNoWindow() throws Exception {
        Places places = Places.in(folder);
        Path left = Files.createDirectories(folder.resolve("cache/window")).resolve("open");
        Files.createFile(left);
        assertThat(OpenWindow.take(places, List.of())).isFalse();
        try (OpenWindow _ = OpenWindow.listen(places, opened::add).orElseThrow()) {
            assertThat(OpenWindow.take(places, List.of(Path.of("/kite")))).isTrue();
        }
    }

    @Test
    void nonsenseIsNotTakenAndTheNextOneIs() throws Exception {
        Places places = Places.in(folder);
        try (OpenWindow _ = OpenWindow.listen(places, opened::add).orElseThrow()) {
            for (byte[] nonsense : List.of(new byte[] {-1, -1, -1, -1}, new byte[] {0, 0, 0, 1, 127, 0, 0, 0}, new byte[] {0, 0},
                    new byte[] {0, 0, 0, 1, 0, 0, 0, 1, 0})) {
                try (SocketChannel channel = SocketChannel.open(StandardProtocolFamily.UNIX)) {
                    channel.connect(UnixDomainSocketAddress.of(folder.resolve("cache/window/open")));
                    channel.write(ByteBuffer.wrap(nonsense));
                    channel.shutdownOutput();
                    assertThat(channel.read(ByteBuffer.allocate(1))).isNegative();
                }
            }
            assertThat(OpenWindow.take(places, List.of(Path.of("/kite")))).isTrue();
            assertThat(opened.take()).containsExactly(Path.of("/kite"));
        }
    }

    @Test
    void aFolderWhoseNameIsTooLongForASocketHasWindowsOfTheirOwn() {
        Places places = Places.in(folder.resolve("a-place-that-lies-deep".repeat(8)));
        assertThat(OpenWindow.listen(places, opened::add)).isEmpty();
        assertThat(OpenWindow.take(places, List.of())).isFalse();
    }
}
