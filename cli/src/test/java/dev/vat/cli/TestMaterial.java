package dev.vat.cli;

import dev.vat.media.encode.StillWriter;
import dev.vat.media.picture.Samples;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;

/** Small frames and films for commands to work on. */
final class TestMaterial {

    private TestMaterial() {}

    /** Slopes with a bright block that moves a pixel a frame. */
    static Samples picture(int width, int height, int frame) {
        float[] red = new float[width * height];
        float[] green = red.clone();
        float[] blue = red.clone();
        for (int i = 0; i < red.length; i++) {
            int x = i % width;
            int y = i / width;
            boolean kite = Math.abs(x - (frame + 10) % width) < 6 && Math.abs(y - height / 2) < 6;
            red[i] = kite ? .9f : x / (float) width;
            green[i] = kite ? .3f : y / (float) height;
            blue[i] = kite ? .1f : (x + y) / (float) (width + height);
        }
        return new Samples(width, height, red, green, blue, null);
    }

    /** {@code name.0001.png} and on in a folder of that name. */
    static Path frames(Path folder, String name, int count) throws IOException {
        Path place = Files.createDirectories(folder.resolve(name));
        for (int i = 0; i < count; i++) {
            Files.write(place.resolve("%s.%04d.png".formatted(name, i + 1)), StillWriter.PNG8.write(picture(64, 48, i)));
        }
        return place;
    }

    /** A film of such frames at 25, with its receipt. */
    static Path film(Path folder, String name, int count, String target) throws IOException {
        Shell made = Shell.run("make", frames(folder, name, count), "--target", target, "--rate", "25", "--out", folder.resolve("films"),
                "--json");
        if (made.code() != 0) {
            throw new AssertionError(made.err());
        }
        return Path.of(made.last().path("files").get(0).path("path").asText());
    }
}
