package dev.vat.desktop.window;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.product.OperatingSystem;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class RevealTest {

    @TempDir
    private Path folder;

    @Test
    void aFolderIsOpenedAndAFileChosenInItsOwn() throws IOException {
        Path file = Files.createFile(folder.resolve("sh010 web.mp4"));
        assertThat(Reveal.command(folder, OperatingSystem.LINUX)).containsExactly("xdg-open", folder.toString());
        assertThat(Reveal.command(file, OperatingSystem.LINUX)).containsExactly("xdg-open", folder.toString());
        assertThat(Reveal.command(folder, OperatingSystem.MACOS)).containsExactly("open", folder.toString());
        assertThat(Reveal.command(file, OperatingSystem.MACOS)).containsExactly("open", "-R", file.toString());
        assertThat(Reveal.command(folder, OperatingSystem.WINDOWS)).containsExactly("explorer", folder.toString());
        assertThat(Reveal.command(file, OperatingSystem.WINDOWS)).containsExactly("explorer", "/select," + file);
    }
}
