package dev.vat.dist;

import dev.vat.cli.CommandText;
import dev.vat.cli.Vat;
import dev.vat.core.product.VatVersion;
import dev.vat.testkit.start.OldClassFiles;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.attribute.FileTime;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import java.util.zip.GZIPOutputStream;
import javax.imageio.ImageIO;
import picocli.AutoComplete;

/** Makes what is downloaded, for the system that this runs on: an archive of an image that runs from any folder, and an installer. */
public final class Distribution {

    /** Times of files in archives: of the version, not of the day, so that the same sources make the same archive. */
    private static final String EPOCH = "1796083200";

    private final Target target;
    private final Path build;
    private final String version;
    private final Path log;

    private Distribution(Target target, Path build, String version) {
        this.target = target;
        this.build = build;
        this.version = version;
        this.log = build.resolve("dist.log");
    }

    /** @param arguments the folder that is built in, with the libraries in {@code libraries}; the version */
    public static void main(String[] arguments) throws IOException, InterruptedException {
        if (!VatVersion.current().equals(arguments[1])) {
            throw new IllegalStateException("Vat calls itself " + VatVersion.current() + ", the build " + arguments[1]);
        }
        new Distribution(Target.of(System.getProperty("os.name")), Path.of(arguments[0]), arguments[1]).make();
    }

    private void make() throws IOException, InterruptedException {
        for (String left : List.of("fx", "runtime", "app", "image", "ready", "debian")) {
            delete(build.resolve(left));
        }
        Files.deleteIfExists(log);
        Path libraries = build.resolve("app");
        Path javaFx = build.resolve("fx");
        sort(build.resolve("libraries"), javaFx, libraries);
        Path runtime = build.resolve("runtime");
        Step.tool("jlink", Target.jlink(javaFx, runtime), log);
        Path icon = build.resolve("vat.png");
        Emblem emblem = Emblem.load();
        emblem.write(256, icon);
        Path commands = build.resolve("command.properties");
        Files.writeString(commands, "win-console=true\njava-options=" + String.join(" ", Options.COMMAND.list()) + "\n");
        Path into = Files.createDirectories(build.resolve("image"));
        Step.tool("jpackage", target.image(libraries, runtime, icon, commands, version, into), log);
        if (target.installsByJpackage()) {
            Path associations = build.resolve("vat.associations");
            Files.writeString(associations, "extension=vat\nmime-type=application/x-vat-project\ndescription=Vat project\n");
            System.out.println("The installer wants " + target.prerequisite());
            Step.tool("jpackage", target.installer(into.resolve("vat-window"), associations, version, build), log);
            return;
        }
        Path image = into.resolve(DebianPackage.NAME);
        Files.move(into.resolve("vat-window"), image);
        List<String> classes = script(image);
        // Classes that are kept ready are of files with these very times.
        date(image);
        new Ready(image.resolve("lib/runtime"), image.resolve("lib/app"), classes, Files.createDirectories(build.resolve("ready")), log)
                .write();
        pack(image, emblem);
    }

    /** JavaFX becomes part of the runtime, everything else is the class path. */
    private static void sort(Path all, Path javaFx, Path libraries) throws IOException {
        Files.createDirectories(javaFx);
        Files.createDirectories(libraries);
        try (Stream<Path> jars = Files.list(all)) {
            for (Path jar : jars.sorted().toList()) {
                String name = jar.getFileName().toString();
                boolean window = name.startsWith("javafx-");
                // Of JavaFX there is an empty jar for each module beside the one of this system.
                if (name.startsWith("picocli-")) {
                    OldClassFiles.main(new String[] {jar.toString(), libraries.resolve(name).toString()});
                } else if (!window || name.matches("javafx-\\w+-[\\d.]+-\\w.*\\.jar")) {
                    Files.copy(jar, (window ? javaFx : libraries).resolve(name), StandardCopyOption.COPY_ATTRIBUTES);
                }
            }
        }
    }

    /** The launcher that people type, with what it reads. @return the class path, by names */
    private List<String> script(Path image) throws IOException {
        Path app = image.resolve("lib/app");
        Path launcher = image.resolve("bin/vat");
        Files.write(launcher, Resources.bytes("vat.sh"));
        Files.setPosixFilePermissions(launcher, PosixFilePermissions.fromString("rwxr-xr-x"));
        List<String> classes;
        try (Stream<Path> jars = Files.list(app)) {
            classes = jars.map(j -> j.getFileName().toString()).filter(n -> n.endsWith(".jar")).sorted().toList();
        }
        Files.write(app.resolve("classes"), classes);
        for (String read : List.of(Options.WINDOW.file(), Options.COMMAND.file(), "surroundings.sh")) {
            Files.write(app.resolve(read), Resources.bytes(read));
        }
        return classes;
    }

    private static void date(Path image) throws IOException {
        FileTime time = FileTime.from(Long.parseLong(EPOCH), TimeUnit.SECONDS);
        try (Stream<Path> all = Files.walk(image)) {
            for (Path file : all.filter(f -> !Files.isSymbolicLink(f)).toList()) {
                Files.setLastModifiedTime(file, time);
            }
        }
    }

    private void pack(Path image, Emblem emblem) throws IOException, InterruptedException {
        date(image);
        String name = "vat-" + version + "-linux-" + architecture();
        Path archive = build.resolve(name + ".tar.gz");
        Step.run("sh", List.of("-c", "tar --create --sort=name --mtime=@" + EPOCH + " --owner=0 --group=0 --numeric-owner --directory '"
                + image.getParent() + "' --transform 's,^vat," + name + ",' vat | gzip -n9 >'" + archive + "'"), Map.of(), log);
        Path root = Files.createDirectories(build.resolve("debian"));
        DebianPackage debian = new DebianPackage(root);
        debian.fill(image, beside(emblem), version, architecture());
        Step.run("dpkg-deb", debian.options(build.resolve("vat_" + version + "_" + architecture() + ".deb")),
                Map.of("SOURCE_DATE_EPOCH", EPOCH), log);
    }

    /** As Debian calls it. */
    private static String architecture() {
        return System.getProperty("os.arch").equals("aarch64") ? "arm64" : "amd64";
    }

    private Map<String, byte[]> beside(Emblem emblem) throws IOException {
        Map<String, byte[]> files = new TreeMap<>();
        files.put("usr/share/applications/vat.desktop", Resources.bytes("vat.desktop"));
        files.put("usr/share/mime/packages/vat.xml", Resources.bytes("vat.xml"));
        files.put("usr/share/icons/hicolor/scalable/apps/vat.svg", Emblem.text().getBytes(StandardCharsets.UTF_8));
        for (int size : Emblem.SIZES) {
            ByteArrayOutputStream png = new ByteArrayOutputStream();
            ImageIO.write(emblem.draw(size), "png", png);
            files.put("usr/share/icons/hicolor/" + size + "x" + size + "/apps/vat.png", png.toByteArray());
        }
        files.put("usr/share/man/man1/vat.1.gz", gzipped(ManPage.of(CommandText.all(), version)));
        files.put("usr/share/bash-completion/completions/vat",
                AutoComplete.bash("vat", Vat.described()).getBytes(StandardCharsets.UTF_8));
        return files;
    }

    private static byte[] gzipped(String text) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (GZIPOutputStream packed = new GZIPOutputStream(bytes)) {
            packed.write(text.getBytes(StandardCharsets.UTF_8));
        }
        return bytes.toByteArray();
    }

    private static void delete(Path tree) throws IOException {
        if (Files.exists(tree)) {
            try (Stream<Path> all = Files.walk(tree)) {
                for (Path file : all.sorted((a, b) -> b.compareTo(a)).toList()) {
                    Files.delete(file);
                }
            }
        }
    }
}
