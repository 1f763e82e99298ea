package dev.vat.desktop.window;

import dev.vat.core.product.OperatingSystem;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;

/** How a file is shown where it lies, by the system's own program for files. */
final class Reveal {

    private Reveal() {}

    /** The command that opens a folder, or the one that a file is in, with the file chosen where the system can do that. */
    static List<String> command(Path path, OperatingSystem system) {
        boolean folder = Files.isDirectory(path);
        return switch (system) {
            // Its one word, without a space behind the comma; quotes are added where the path has spaces.
            case WINDOWS -> folder ? List.of("explorer", path.toString()) : List.of("explorer", "/select," + path);
            case MACOS -> folder ? List.of("open", path.toString()) : List.of("open", "-R", path.toString());
            case LINUX -> List.of("xdg-open", (folder ? path : path.toAbsolutePath().getParent()).toString());
        };
    }
}
