package dev.vat.dist;

import dev.vat.core.product.OperatingSystem;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

/** A system that Vat is packaged for, which is always the one that packages it: neither jlink nor jpackage makes images for another. */
enum Target {
    LINUX("deb", "dpkg-deb (package dpkg-dev)", List.of()),
    /** WiX makes the installer. */
    WINDOWS("msi", "WiX 3.14 or later on the path", List.of("--win-menu", "--win-menu-group", "Vat", "--win-dir-chooser",
            "--win-per-user-install",
            "--win-upgrade-uuid", "6b0e1b5e-1c0f-4a55-9a0c-5f6f2d7f3a11")),
    MACOS("dmg", "Xcode's command line tools", List.of("--mac-package-identifier", "dev.vat", "--mac-package-name", "Vat"));

    /** Where the launcher of the window and that of commands have to be told apart: file names there ignore case. */
    private static final String WINDOW = "vat-window";
    private static final String COMMANDS = "vat";

    private final String installer;
    private final String prerequisite;
    private final List<String> installing;

    Target(String installer, String prerequisite, List<String> installing) {
        this.installer = installer;
        this.prerequisite = prerequisite;
        this.installing = installing;
    }

    /** @param name as Java calls the system */
    static Target of(String name) {
        return switch (OperatingSystem.of(name)) {
            case LINUX -> LINUX;
            case WINDOWS -> WINDOWS;
            case MACOS -> MACOS;
        };
    }

    String installer() {
        return installer;
    }

    /** What has to be there to make the installer, beside the JDK. */
    String prerequisite() {
        return prerequisite;
    }

    /** Whether jpackage makes the installer; Debian's own tool makes a package that needs no scripts. */
    boolean installsByJpackage() {
        return this != LINUX;
    }

    /**
     * Modules of the runtime: those that jdeps finds in Vat and its libraries, and JavaFX.
     *
     * @param javaFx folder of its modules
     */
    static List<String> jlink(Path javaFx, Path runtime) {
        return List.of("--module-path", javaFx.toString(), "--add-modules",
                "java.base,java.desktop,java.logging,java.naming,java.sql,java.xml,jdk.jfr,jdk.management,jdk.net,jdk.security.auth,"
                        + "jdk.unsupported,jdk.zipfs,javafx.controls",
                "--no-header-files", "--no-man-pages", "--strip-debug", "--compress", "zip-9", "--output", runtime.toString());
    }

    /** An image that runs from any folder. @param libraries folder of jars @param into where the image comes to lie */
    List<String> image(Path libraries, Path runtime, Path icon, Path commands, String version, Path into) throws IOException {
        List<String> options = new ArrayList<>(List.of("--type", "app-image", "--name", WINDOW, "--app-version", version, "--vendor", "Vat",
                "--description", "From rendered frames to proven video files", "--runtime-image", runtime.toString(), "--input",
                libraries.toString(), "--main-jar", "vat-app-" + version + ".jar", "--main-class", "dev.vat.app.Main", "--icon",
                icon.toString(), "--dest", into.toString()));
        for (String option : Options.WINDOW.list()) {
            options.addAll(List.of("--java-options", option));
        }
        if (installsByJpackage()) {
            // Linux has a script in its place, which keeps classes ready.
            options.addAll(List.of("--add-launcher", COMMANDS + "=" + commands));
        }
        return options;
    }

    /** What jpackage is told for the installer, of the image that is there. */
    List<String> installer(Path image, Path associations, String version, Path into) {
        List<String> options = new ArrayList<>(List.of("--type", installer, "--name", "Vat", "--app-version", version, "--app-image",
                image.toString(), "--file-associations", associations.toString(), "--dest", into.toString()));
        options.addAll(installing);
        return options;
    }
}
