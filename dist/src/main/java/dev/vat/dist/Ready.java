package dev.vat.dist;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import java.util.zip.CRC32C;
import java.util.zip.GZIPOutputStream;
import javax.imageio.ImageIO;

/**
 * Has the image do what people do first, while its JVM writes down which classes that takes (an AOT cache, JEP 514); each is packed, and
 * unpacked on the machine that it runs on.
 */
final class Ready {

    private static final String PACKED = ".aot.gz";
    private static final int FRAMES = 8;
    private static final int WIDTH = 96;
    private static final int HEIGHT = 54;
    private static final long WINDOW_SECONDS = 12;

    private final Path runtime;
    private final Path app;
    private final List<String> classes;
    private final Path work;
    private final Path log;

    /** @param classes names of the jars in {@code app}, in their order @param work an empty folder */
    Ready(Path runtime, Path app, List<String> classes, Path work, Path log) {
        this.runtime = runtime;
        this.app = app;
        this.classes = classes;
        this.work = work;
        this.log = log;
    }

    void write() throws IOException, InterruptedException {
        Path frames = Files.createDirectories(work.resolve("kite"));
        for (int i = 1; i <= FRAMES; i++) {
            BufferedImage picture = new BufferedImage(WIDTH, HEIGHT, BufferedImage.TYPE_INT_RGB);
            picture.setRGB(i, i, -1);
            ImageIO.write(picture, "png", frames.resolve("kite.%04d.png".formatted(i)).toFile());
        }
        Path commands = work.resolve("command.aot");
        List<String> make = start(commands, Options.COMMAND.list(), List.of("-Dvat.workers=here"));
        make.addAll(List.of("make", frames.toString(), "--rate", "25", "--target", "web-h264", "--target", "edit-prores-hq", "--out",
                work.resolve("out").toString(), "--json"));
        Step.run(java(), make, home(), log);
        pack(commands, "command");
        Path window = work.resolve("window.aot");
        List<String> open = start(window, Options.WINDOW.list(), List.of("-Dglass.platform=Headless", "-Dprism.order=sw"));
        open.add(frames.toString());
        Process opened = Step.start(java(), open, home(), log);
        opened.waitFor(WINDOW_SECONDS, TimeUnit.SECONDS);
        // It ends in order when it is asked to, and writes down what it took.
        opened.destroy();
        opened.waitFor();
        pack(window, "window");
        // Another build's classes are no use: where they are unpacked is named after these.
        CRC32C id = new CRC32C();
        for (String name : List.of("command", "window")) {
            id.update(Files.readAllBytes(app.resolve(name + PACKED)));
        }
        Files.writeString(app.resolve("ready.id"), Long.toHexString(id.getValue()));
    }

    private List<String> start(Path cache, List<String> options, List<String> own) {
        List<String> command = new ArrayList<>(options);
        command.addAll(own);
        command.addAll(List.of("-XX:AOTCacheOutput=" + cache, "-cp",
                String.join(":", classes.stream().map(c -> app.resolve(c).toString()).toList()), "dev.vat.app.Main"));
        return command;
    }

    private String java() {
        return runtime.resolve("bin/java").toString();
    }

    /** A home of its own: what is made there is nobody's history. */
    private Map<String, String> home() {
        return Map.of("VAT_HOME", work.resolve("home").toString());
    }

    private void pack(Path cache, String name) throws IOException {
        if (!Files.isRegularFile(cache)) {
            throw new IOException("no classes were kept ready for " + name + "; see " + log);
        }
        try (OutputStream file = Files.newOutputStream(app.resolve(name + PACKED)); OutputStream packed = new GZIPOutputStream(file)) {
            Files.copy(cache, packed);
        }
    }
}
