package dev.vat.cli;

import dev.vat.media.encode.ExrWriter;
import dev.vat.media.encode.StillWriter;
import dev.vat.media.picture.Samples;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.io.TempDir;

/** Frames on disk for commands. */
abstract class CommandFrames {

    @TempDir
    Path folder;

    static Samples picture(int width, int height, int frame) {
        float[] r = new float[width * height];
        float[] g = r.clone();
        float[] b = r.clone();
        for (int i = 0; i < r.length; i++) {
            r[i] = (i % width) / (float) width;
            g[i] = (i / width) / (float) height;
            b[i] = (i * 7 + frame * 3) % 50 / 50f;
        }
        return new Samples(width, height, r, g, b, null);
    }

    Path png(String name, int first, int count) throws IOException {
        Path place = Files.createDirectories(folder.resolve(name));
        for (int i = 0; i < count; i++) {
            Files.write(place.resolve("%s.%04d.png".formatted(name, first + i)), StillWriter.PNG16.write(picture(64, 48, i)));
        }
        return place;
    }

    Path exr(String name, int count) throws IOException {
        Path place = Files.createDirectories(folder.resolve(name));
        for (int i = 0; i < count; i++) {
            Samples s = picture(64, 48, i);
            Files.write(place.resolve("%s.%04d.exr".formatted(name, i + 1)),
                    ExrWriter.write(64, 48, Map.of("R", s.red(), "G", s.green(), "B", s.blue())));
        }
        return place;
    }

    static void cut(Path file) throws IOException {
        byte[] data = Files.readAllBytes(file);
        Files.write(file, Arrays.copyOf(data, data.length * 2 / 3));
    }

    static String[] names(Path folder) throws IOException {
        try (Stream<Path> files = Files.list(folder)) {
            return files.map(f -> f.getFileName().toString()).sorted().toArray(String[]::new);
        }
    }
}
