package dev.vat.dist;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;

/**
 * Vat as a package of Debian and its kin: the image below {@code /opt/vat}, and what a desktop looks for where it looks for it. It needs no
 * scripts: the system's own triggers learn of menu entry, icons and kind of file, and forget them.
 */
final class DebianPackage {

    static final String NAME = "vat";

    /** What the window and the media library are linked against, beside what every system has. */
    private static final String NEEDS = "libc6, libasound2, libfontconfig1, libgl1, libgtk-3-0, libx11-6, libxext6, libxi6, libxrender1, "
            + "libxtst6, libxxf86vm1, zlib1g";

    private final Path root;

    /** @param root an empty folder that becomes the system's */
    DebianPackage(Path root) {
        this.root = root;
    }

    /** @param image that is copied @param files by their places below the system's root, what goes beside it */
    void fill(Path image, Map<String, byte[]> files, String version, String architecture) throws IOException, InterruptedException {
        Path own = Files.createDirectories(root.resolve("opt"));
        Step.run("cp", List.of("-a", image.toString(), own.resolve(NAME).toString()), Map.of(), root.resolveSibling("copy.log"));
        Files.createDirectories(root.resolve("usr/bin"));
        Files.createSymbolicLink(root.resolve("usr/bin/vat"), Path.of("/opt/vat/bin/vat"));
        for (Map.Entry<String, byte[]> file : files.entrySet()) {
            Path place = root.resolve(file.getKey());
            Files.createDirectories(place.getParent());
            Files.write(place, file.getValue());
        }
        Path control = Files.createDirectories(root.resolve("DEBIAN")).resolve("control");
        Files.writeString(control, control(version, architecture, kilobytes()));
    }

    private long kilobytes() throws IOException {
        try (var all = Files.walk(root)) {
            long bytes = 0;
            for (Path file : all.filter(f -> Files.isRegularFile(f) && !Files.isSymbolicLink(f)).toList()) {
                bytes += Files.size(file);
            }
            return bytes / 1024;
        }
    }

    static String control(String version, String architecture, long kilobytes) {
        return """
                Package: %s
                Version: %s
                Section: video
                Priority: optional
                Architecture: %s
                Maintainer: Vat <vat@localhost>
                Installed-Size: %d
                Depends: %s
                Description: from rendered frames to proven video files
                 Brings rendered image sequences and viewport previews into order, and makes
                 video files of them for broadcast, web and editing, each with proof that it
                 is what was asked for.
                """.formatted(NAME, version, architecture, kilobytes, NEEDS);
    }

    /** @return the options of dpkg-deb that make the package */
    List<String> options(Path into) {
        return List.of("--build", "--root-owner-group", "-Zxz", root.toString(), into.toString());
    }
}
