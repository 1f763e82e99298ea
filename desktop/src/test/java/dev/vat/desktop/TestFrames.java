package dev.vat.desktop;

import dev.vat.media.encode.StillWriter;
import dev.vat.media.picture.Samples;
import dev.vat.protocol.storage.Places;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.time.Duration;
import java.time.Instant;

/** Small real frames, and Vat's own places, for tests of the window. */
public final class TestFrames {

    /** More would only cost time: further frames are links to the first ones. */
    private static final int DRAWN = 60;

    private TestFrames() {}

    public static Places places(Path folder) {
        Places own = Places.in(folder.resolve("vat-home"));
        return new Places(own.config(), own.data(), Path.of("target", "test-cache").toAbsolutePath(), own.log());
    }

    /** {@code count} frames {@code name.0001.png} of 96x54 in a folder of that name. */
    public static Path png(Path folder, String name, int count) throws IOException {
        return png(folder, name, count, 96, 54, false);
    }

    public static Path png(Path folder, String name, int count, int width, int height, boolean alpha) throws IOException {
        Path place = Files.createDirectories(folder.resolve(name));
        for (int f = 0; f < count; f++) {
            Path file = place.resolve("%s.%04d.png".formatted(name, f + 1));
            if (f >= DRAWN) {
                Files.createLink(file, place.resolve("%s.%04d.png".formatted(name, f % DRAWN + 1)));
                continue;
            }
            float[] r = new float[width * height];
            float[] g = r.clone();
            float[] b = r.clone();
            float[] a = alpha ? r.clone() : null;
            for (int i = 0; i < r.length; i++) {
                r[i] = (i % width + f) % width / (float) width;
                g[i] = (i / width) / (float) height;
                b[i] = .4f;
                if (alpha) {
                    a[i] = i % width < width / 2 ? 1 : .25f;
                }
            }
            old(Files.write(file, StillWriter.PNG16.write(new Samples(width, height, r, g, b, a))));
        }
        return place;
    }

    /** Files of a render that was over long ago: nobody writes to them any more. */
    public static Path old(Path file) throws IOException {
        return Files.setLastModifiedTime(file, FileTime.from(Instant.now().minus(Duration.ofHours(2))));
    }
}
