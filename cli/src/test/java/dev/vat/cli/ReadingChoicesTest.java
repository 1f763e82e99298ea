package dev.vat.cli;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.media.encode.ExrWriter;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;
import java.util.stream.Stream;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Which picture of a file is taken, and how, said on the command line. */
class ReadingChoicesTest {

    @TempDir
    Path folder;

    private static float[] plain(float value) {
        float[] samples = new float[64 * 48];
        Arrays.fill(samples, value);
        return samples;
    }

    /** A main picture of light .8 and a layer haze of .25, two frames. */
    private Path layered() throws IOException {
        Path place = Files.createDirectories(folder.resolve("pier"));
        for (int i = 1; i <= 2; i++) {
            Map<String, float[]> channels = new HashMap<>();
            for (String colour : new String[] {"R", "G", "B"}) {
                channels.put(colour, plain(.8f));
                channels.put("haze." + colour, plain(.25f));
            }
            Files.write(place.resolve("pier.%04d.exr".formatted(i)), ExrWriter.write(64, 48, channels));
        }
        return place;
    }

    private int made(String name, String... choices) throws IOException {
        Path out = folder.resolve(name);
        String[] words = {"make", layered().toString(), "--target", "frames-png", "--rate", "25", "--out", out.toString()};
        Shell made = Shell.run((Object[]) Stream.concat(Arrays.stream(words), Arrays.stream(choices)).toArray(String[]::new));
        assertThat(made.code()).as(made.err()).isZero();
        try (Stream<Path> files = Files.walk(out)) {
            Path first = files.filter(f -> f.toString().endsWith(".png")).min(Path::compareTo).orElseThrow();
            return ImageIO.read(first.toFile()).getRGB(10, 10) & 0xff;
        }
    }

    @Test
    void aLayerAndTheMeaningOfItsValuesAreChosen() throws IOException {
        assertThat(made("main")).as(".8 through the sRGB curve").isBetween(230, 232);
        assertThat(made("haze", "--layer", "haze")).as(".25 through the sRGB curve").isBetween(136, 138);
        assertThat(made("kept", "--layer", "haze", "--source-colour", "display")).as(".25 as it is").isBetween(63, 65);
    }

    /** A DPX of 64x48 that says it is stored turned right: upright, or as it is stored. */
    @Test
    void turnedPicturesStandUprightUnlessSomebodySaysOtherwise() throws IOException {
        Path place = Files.createDirectories(folder.resolve("turned"));
        ByteBuffer dpx = ByteBuffer.allocate(2048 + 64 * 48 * 3).putInt(0, 0x53445058).putInt(4, 2048).putInt(16, 2048 + 64 * 48 * 3)
                .putShort(768, (short) 5).putShort(770, (short) 1).putInt(772, 64).putInt(776, 48).put(800, (byte) 50).put(803, (byte) 8)
                .putInt(808, 2048);
        for (int i = 1; i <= 2; i++) {
            Files.write(place.resolve("kite.%04d.dpx".formatted(i)), dpx.array());
        }
        assertThat(Shell.run("look", place).out()).contains("turned right, as the file says").doesNotContain("states:");
        assertThat(size(place, "up")).isEqualTo("48x64");
        assertThat(size(place, "as-is", "--source-orientation", "stored")).isEqualTo("64x48");
    }

    private String size(Path source, String name, String... choices) throws IOException {
        Path out = folder.resolve(name);
        String[] words = {"make", source.toString(), "--target", "frames-png", "--rate", "25", "--out", out.toString()};
        Shell made = Shell.run((Object[]) Stream.concat(Arrays.stream(words), Arrays.stream(choices)).toArray(String[]::new));
        assertThat(made.code()).as(made.err()).isZero();
        try (Stream<Path> files = Files.walk(out)) {
            Path first = files.filter(f -> f.toString().endsWith(".png")).min(Path::compareTo).orElseThrow();
            var image = ImageIO.read(first.toFile());
            return image.getWidth() + "x" + image.getHeight();
        }
    }

    @Test
    void whatIsNoChoiceIsSaid() throws IOException {
        Shell odd = Shell.run("make", layered(), "--target", "frames-png", "--source-colour", "pink");
        assertThat(odd.code()).isEqualTo(2);
        assertThat(odd.err()).contains(
                "'pink' is no way to take colour: write display or display-2.2 or display-2.4 or display-srgb or linear or tagged");
    }
}
