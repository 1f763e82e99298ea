package dev.vat.bench;

import dev.vat.media.encode.StillWriter;
import dev.vat.media.picture.Samples;
import dev.vat.protocol.demo.DemoShot;
import dev.vat.scene.Drawing;
import dev.vat.scene.Shot;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.stream.IntStream;

/** Frames to measure with: the dunes of the demo, drawn at 1920x1080 as 16-bit PNG. */
final class Material {

    static final int WIDTH = 1920;
    static final int HEIGHT = 1080;

    private Material() {}

    /** The folder with the first {@code count} frames; those that are there already are kept. */
    static Path frames(Path home, int count) throws IOException {
        return frames(home, count, WIDTH, HEIGHT);
    }

    static Path frames(Path home, int count, int width, int height) throws IOException {
        Path folder = Files.createDirectories(home.resolve("dunes-" + width));
        IntStream.range(0, count).parallel().forEach(i -> {
            Path file = folder.resolve(DemoShot.DUNES.pattern().fileName(1001 + i));
            if (!Files.exists(file)) {
                Drawing d = Shot.DUNES.draw(i, width, height);
                try {
                    Files.write(file, StillWriter.PNG16
                            .write(new Samples(d.width(), d.height(), d.channel("R"), d.channel("G"), d.channel("B"), null)));
                } catch (IOException e) {
                    throw new IllegalStateException("A frame can't be written: " + e.getMessage(), e);
                }
            }
        });
        return folder;
    }

    /** {@code count} names for {@code frames} real files, so that a long run costs little room. */
    static Path repeated(Path home, Path frames, int count) throws IOException {
        Path folder = Files.createDirectories(home.resolve("repeated-" + count));
        try (var files = Files.list(frames)) {
            Path[] real = files.sorted().toArray(Path[]::new);
            for (int i = 0; i < count; i++) {
                Path name = folder.resolve("r.%05d.png".formatted(i + 1));
                if (!Files.exists(name)) {
                    Files.createSymbolicLink(name, real[i % real.length].toAbsolutePath());
                }
            }
        }
        return folder;
    }
}
