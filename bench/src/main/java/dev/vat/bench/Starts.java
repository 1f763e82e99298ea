package dev.vat.bench;

import dev.vat.protocol.storage.Durable;
import java.awt.image.BufferedImage;
import java.io.BufferedReader;
import java.io.File;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import javax.imageio.ImageIO;

/** How long somebody waits for a start, by {@code ./vat} itself: three commands to their end, the window to its first pulse. */
final class Starts {

    private static final int FRAMES = 24;
    private static final int WIDTH = 320;
    private static final int HEIGHT = 180;
    /** On no screen, since there may be none; each pulse is told on standard error. */
    private static final String HEADLESS = "-Dglass.platform=Headless -Dprism.order=sw -Djavafx.pulseLogger=true";
    private static final String FIRST_PULSE = "PULSE: 1 ";

    private final Path home;
    private final int rounds;

    Starts(Path home, int rounds) {
        this.home = home;
        this.rounds = rounds;
    }

    void run() throws Exception {
        Path frames = home.resolve("start").resolve("kite");
        Durable.deleteTree(frames.getParent());
        Files.createDirectories(frames);
        for (int i = 1; i <= FRAMES; i++) {
            BufferedImage picture = new BufferedImage(WIDTH, HEIGHT, BufferedImage.TYPE_INT_RGB);
            picture.setRGB(i, i, -1);
            ImageIO.write(picture, "png", frames.resolve("kite.%04d.png".formatted(i)).toFile());
        }
        // The first builds, if anything has changed, and prepares the others.
        toTheEnd("--version");
        List<Double> targets = new ArrayList<>();
        List<Double> look = new ArrayList<>();
        List<Double> make = new ArrayList<>();
        List<Double> window = new ArrayList<>();
        for (int round = 0; round < rounds; round++) {
            targets.add(toTheEnd("targets"));
            look.add(toTheEnd("look", frames.toString()));
            make.add(toTheEnd("make", frames.toString(), "--rate", "25", "--target", "web-h264", "--out",
                    frames.resolveSibling("out" + round).toString()));
            window.add(toTheFirstPulse());
        }
        print("vat targets", targets);
        print("vat look, " + FRAMES + " frames of " + WIDTH + "x" + HEIGHT, look);
        print("vat make, the same to H.264, proven", make);
        print("the window's first pulse", window);
    }

    private ProcessBuilder vat(String... words) {
        List<String> command = new ArrayList<>(List.of(root().resolve("vat").toString()));
        command.addAll(Arrays.asList(words));
        ProcessBuilder builder = new ProcessBuilder(command);
        builder.environment().put("VAT_HOME", home.resolve("start").resolve("home").toString());
        return builder;
    }

    /** Where the sources are: this is run from there or from one of the modules. */
    private static Path root() {
        Path here = Path.of("").toAbsolutePath();
        return Files.exists(here.resolve("vat")) ? here : here.getParent();
    }

    private double toTheEnd(String... words) throws IOException, InterruptedException {
        long begun = System.nanoTime();
        File nowhere = ProcessBuilder.Redirect.DISCARD.file();
        Process process = vat(words).redirectOutput(nowhere).redirectError(nowhere).start();
        int code = process.waitFor();
        if (code != 0) {
            throw new IOException("vat " + String.join(" ", words) + " ended with code " + code);
        }
        return (System.nanoTime() - begun) / 1e9;
    }

    private double toTheFirstPulse() throws IOException {
        ProcessBuilder builder = vat().redirectErrorStream(true);
        builder.environment().put("VAT_OPTIONS", HEADLESS);
        builder.environment().put("DISPLAY", ":none");
        long begun = System.nanoTime();
        Process process = builder.start();
        try (BufferedReader said = process.inputReader()) {
            for (String line = said.readLine(); line != null; line = said.readLine()) {
                if (line.startsWith(FIRST_PULSE)) {
                    return (System.nanoTime() - begun) / 1e9;
                }
            }
        } finally {
            process.descendants().forEach(ProcessHandle::destroy);
            process.destroy();
        }
        throw new IOException("no pulse came");
    }

    private static void print(String what, List<Double> seconds) {
        Collections.sort(seconds);
        System.out.printf(Locale.ROOT, "%s: %.2f s (%.2f to %.2f)%n", what, seconds.get(seconds.size() / 2), seconds.getFirst(),
                seconds.getLast());
    }
}
