package dev.vat.media;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.ColourReading;
import dev.vat.core.picture.OwnColour;
import dev.vat.core.picture.OwnCurve;
import dev.vat.core.picture.PictureChoice;
import dev.vat.core.picture.PictureReading;
import dev.vat.core.picture.Stated;
import dev.vat.core.recipe.WorkingFormat;
import dev.vat.core.source.FileKind;
import dev.vat.media.compose.Composer;
import dev.vat.media.encode.StillWriter;
import dev.vat.media.picture.FloatSamples;
import dev.vat.media.picture.Picture;
import dev.vat.media.read.FrameRead;
import dev.vat.media.read.FrameReader;
import java.awt.color.ICC_ColorSpace;
import java.awt.color.ICC_Profile;
import java.io.IOException;
import java.lang.foreign.ValueLayout;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.zip.CRC32;
import java.util.zip.Deflater;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Colours that files state by profiles, primaries and curves of their own, converted to Rec.709. */
class OwnColoursTest {

    private static final int SIDE = 8;
    private static final double[][] COLOURS = {{.5, .5, .5}, {.8, .6, .4}, {.3, .45, .6}, {1, 1, 1}, {0, 0, 0}, {.05, .06, .04},
        {.9, .8, .85}};

    @TempDir
    private Path folder;

    private static byte[] withChunk(byte[] png, String type, byte[] data) {
        byte[] name = type.getBytes(StandardCharsets.US_ASCII);
        CRC32 crc = new CRC32();
        crc.update(name);
        crc.update(data);
        int header = 8 + 25;
        return ByteBuffer.allocate(png.length + 12 + data.length).put(png, 0, header).putInt(data.length).put(name).put(data)
                .putInt((int) crc.getValue()).put(png, header, png.length - header).array();
    }

    private static byte[] profileChunk(byte[] profile) {
        byte[] packed = new byte[profile.length + 100];
        try (Deflater deflater = new Deflater()) {
            deflater.setInput(profile);
            deflater.finish();
            int length = deflater.deflate(packed);
            byte[] name = "Dune\0\0".getBytes(StandardCharsets.US_ASCII);
            return ByteBuffer.allocate(name.length + length).put(name).put(packed, 0, length).array();
        }
    }

    private int[] read(byte[] png) throws IOException {
        Path file = Files.write(folder.resolve("f.png"), png);
        try (FrameReader reader = new FrameReader()) {
            FrameRead.Sound sound = (FrameRead.Sound) reader.read(file, FileKind.PNG, PictureChoice.MAIN, 0);
            ColourReading colour = ColourReading.TAGGED.withStated(sound.format().stated());
            try (Picture decoded = sound.picture();
                    Composer composer = new Composer(WorkingFormat.W16, false);
                    Picture working = composer.compose(decoded, new PictureReading(AlphaKind.NONE, null, colour))) {
                return rgb(working);
            }
        }
    }

    private static int[] rgb(Picture working) {
        int[] planes = {2, 0, 1};
        return Arrays.stream(planes).map(p -> working.plane(p).get(ValueLayout.JAVA_SHORT, 4L * working.stride(p) + 8) & 0xffff).toArray();
    }

    private static byte[] flat(double[] c) {
        return StillWriter.PNG16.write(TestPictures.flat(SIDE, SIDE, (float) c[0], (float) c[1], (float) c[2], 1));
    }

    private static double srgb(double light) {
        return light <= .0031308 ? 12.92 * light : 1.055 * Math.pow(light, 1 / 2.4) - .055;
    }

    private static byte[] profile(String kind) {
        return switch (kind) {
            case "gamma 1.8" -> TestProfiles.power("Dune", TestProfiles.WIDE, 1.8);
            case "gamma 2.2" -> TestProfiles.power("Dune", TestProfiles.WIDE, 563 / 256.0);
            case "measured" -> TestProfiles.table("Dune", TestProfiles.WIDE, 2.1, 1024);
            default -> TestProfiles.formula("Dune", TestProfiles.WIDE, 2.4, 1 / 1.055, .055 / 1.055, 1 / 12.92, .04045);
        };
    }

    /** The JDK's colour engine is the other one. */
    @ParameterizedTest
    @ValueSource(strings = {"gamma 1.8", "gamma 2.2", "measured", "formula"})
    void profilesAreConvertedAsAnotherColourEngineDoes(String kind) throws IOException {
        byte[] profile = profile(kind);
        ICC_ColorSpace other = new ICC_ColorSpace(ICC_Profile.getInstance(profile));
        for (double[] colour : COLOURS) {
            float[] expected = other.toRGB(new float[] {(float) colour[0], (float) colour[1], (float) colour[2]});
            int[] found = read(withChunk(flat(colour), "iCCP", profileChunk(profile)));
            for (int c = 0; c < 3; c++) {
                assertThat(found[c] / 65535.0).as(Arrays.toString(colour) + " channel " + c).isCloseTo(expected[c], within(.004));
            }
        }
    }

    @Test
    void aPowerOfItsOwnIsConverted() throws IOException {
        byte[] gama = ByteBuffer.allocate(4).putInt(55555).array();
        int[] found = read(withChunk(flat(new double[] {.5, .25, .75}), "gAMA", gama));
        double[] stored = {.5, .25, .75};
        for (int c = 0; c < 3; c++) {
            assertThat(found[c] / 65535.0).isCloseTo(srgb(Math.pow(stored[c], 1.8)), within(.001));
        }
    }

    /** As a TIFF in floating point with a profile has it: by the curve that is stated, not as light. */
    @Test
    void floatingValuesAreTakenByTheirStatedCurve() {
        float[][] grey = new float[3][SIDE * SIDE];
        for (float[] channel : grey) {
            Arrays.fill(channel, .5f);
        }
        double m = Math.pow(.5, 1 / 78.84375);
        double candelas = 10000 * Math.pow(Math.max(m - .8359375, 0) / (18.8515625 - 18.6875 * m), 1 / .1593017578125);
        try (Picture values = FloatSamples.picture(SIDE, SIDE, grey); Composer composer = new Composer(WorkingFormat.W16, false)) {
            assertThat(green(composer, values, ColourReading.TAGGED.withTags(9, 16))).as("PQ").isCloseTo(srgb(candelas / 203),
                    within(.002));
            assertThat(green(composer, values, ColourReading.TAGGED.withTags(1, 13))).as("sRGB stays").isCloseTo(.5, within(.001));
            assertThat(green(composer, values, ColourReading.TAGGED.withTags(1, 8))).as("light").isCloseTo(srgb(.5), within(.001));
        }
    }

    private static double green(Composer composer, Picture values, ColourReading colour) {
        try (Picture working = composer.compose(values, new PictureReading(AlphaKind.NONE, null, colour))) {
            return rgb(working)[1] / 65535.0;
        }
    }

    @Test
    void alphaIsDividedOutBeforeTheCurve() {
        float[][] channels = new float[4][SIDE * SIDE];
        for (int c = 0; c < 3; c++) {
            Arrays.fill(channels[c], .25f);
        }
        Arrays.fill(channels[3], .5f);
        ColourReading film = ColourReading.TAGGED
                .withStated(Stated.ofColour("film", null, null).withOwn(OwnColour.of(OwnCurve.power(3))));
        try (Picture values = FloatSamples.picture(SIDE, SIDE, channels);
                Composer composer = new Composer(WorkingFormat.W16, true);
                Picture working = composer.compose(values, new PictureReading(AlphaKind.PREMULTIPLIED, null, film))) {
            assertThat(rgb(working)[0] / 65535.0).as("half, through a power of 3").isCloseTo(srgb(.125), within(.001));
        }
    }
}
