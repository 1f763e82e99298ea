package dev.vat.media;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.ColourReading;
import dev.vat.core.picture.FrameLook;
import dev.vat.core.picture.PictureChoice;
import dev.vat.core.picture.PictureReading;
import dev.vat.core.recipe.WorkingFormat;
import dev.vat.core.source.FileKind;
import dev.vat.core.source.FrameCheck;
import dev.vat.core.time.Rational;
import dev.vat.media.compose.Composer;
import dev.vat.media.compose.Mixing;
import dev.vat.media.encode.ExrWriter;
import dev.vat.media.encode.StillWriter;
import dev.vat.media.lib.MediaException;
import dev.vat.media.picture.Picture;
import dev.vat.media.read.FrameRead;
import dev.vat.media.read.FrameReader;
import java.io.IOException;
import java.lang.foreign.ValueLayout;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What a reading makes of a file: layer, exposure and curve, tags, values that are no colour, mixtures. */
class ReadingTest {

    private static final int SIDE = 16;

    private final FrameReader reader = new FrameReader();

    @TempDir
    private Path folder;

    @AfterEach
    void close() {
        reader.close();
    }

    private static float[] flat(float value) {
        float[] values = new float[SIDE * SIDE];
        Arrays.fill(values, value);
        return values;
    }

    private static byte[] exr(Object... namesAndValues) {
        Map<String, float[]> channels = new TreeMap<>();
        for (int i = 0; i < namesAndValues.length; i += 2) {
            channels.put((String) namesAndValues[i], flat((float) namesAndValues[i + 1]));
        }
        return ExrWriter.write(SIDE, SIDE, channels);
    }

    private int[] read(byte[] data, FileKind kind, PictureReading how) throws IOException {
        Path file = Files.write(folder.resolve("f"), data);
        try (Picture decoded = ((FrameRead.Sound) reader.read(file, kind, how.choice(), 0)).picture();
                Composer composer = new Composer(WorkingFormat.W16, how.alpha().carriesTransparency());
                Picture working = composer.compose(decoded, how)) {
            int[] rgb = new int[working.planes()];
            for (int c = 0; c < rgb.length; c++) {
                // planes are green, blue, red, alpha
                int plane = c == 3 ? 3 : (c + 2) % 3;
                rgb[c] = working.plane(plane).get(ValueLayout.JAVA_SHORT, 5L * working.stride(plane) + 10) & 0xffff;
            }
            return rgb;
        }
    }

    private static int code(double value) {
        return (int) Math.round(value * 65535);
    }

    private static double srgb(double linear) {
        return linear <= .0031308 ? 12.92 * linear : 1.055 * Math.pow(linear, 1 / 2.4) - .055;
    }

    @ParameterizedTest
    @CsvSource({"0,0.18", "1,0.18", "-2,0.5", "0.5,0.4", "3,0.9"})
    void exposureDoublesLightWithEachStop(String stops, float light) throws IOException {
        ColourReading colour = ColourReading.LINEAR.withExposure(Rational.parse(stops));
        int[] rgb = read(exr("R", light, "G", light, "B", light), FileKind.EXR, new PictureReading(AlphaKind.NONE, null, colour));
        double stored = Float.float16ToFloat(Float.floatToFloat16(light));
        double expected = srgb(Math.min(1, stored * Math.pow(2, Double.parseDouble(stops))));
        assertThat(rgb[1]).isCloseTo(code(expected), within(40));
    }

    @ParameterizedTest
    @CsvSource({"SRGB", "BT1886", "GAMMA22"})
    void eachCurveIsThePublishedOne(ColourReading.Curve curve) throws IOException {
        int[] rgb = read(exr("R", .25f, "G", .25f, "B", .25f), FileKind.EXR,
                new PictureReading(AlphaKind.NONE, null, ColourReading.LINEAR.withCurve(curve)));
        double expected = switch (curve) {
            case SRGB -> srgb(.25);
            case BT1886 -> Math.pow(.25, 1 / 2.4);
            case GAMMA22 -> Math.pow(.25, 1 / 2.2);
        };
        assertThat(rgb[0]).isCloseTo(code(expected), within(60));
    }

    @Test
    void linearLightInWholeNumbersIsReadAsSuchWhenAsked() throws IOException {
        byte[] png = StillWriter.PNG16.write(TestPictures.flat(SIDE, SIDE, .25f, .5f, .75f, 1));
        int[] kept = read(png, FileKind.PNG, new PictureReading(AlphaKind.NONE, null, ColourReading.DISPLAY));
        assertThat(kept[0]).isCloseTo(code(.25), within(1));
        int[] light = read(png, FileKind.PNG, new PictureReading(AlphaKind.NONE, null, ColourReading.LINEAR));
        assertThat(light[0]).isCloseTo(code(srgb(.25)), within(40));
        assertThat(light[2]).isCloseTo(code(srgb(.75)), within(40));
    }

    @Test
    void whatAFileStatesIsConvertedWhenAsked() throws IOException {
        byte[] png = StillWriter.PNG16.write(TestPictures.flat(SIDE, SIDE, .5f, .5f, .5f, 1));
        // A grey of the PQ curve: 0.5 stands for some 92 candelas, of which 203 are white.
        ColourReading pq = ColourReading.TAGGED.withTags(9, 16);
        double m = Math.pow(.5, 1 / 78.84375);
        double candelas = 10000 * Math.pow(Math.max(m - .8359375, 0) / (18.8515625 - 18.6875 * m), 1 / .1593017578125);
        int[] rgb = read(png, FileKind.PNG, new PictureReading(AlphaKind.NONE, null, pq));
        assertThat(rgb[1]).isCloseTo(code(srgb(candelas / 203)), within(120));
        ColourReading same = ColourReading.TAGGED.withTags(1, 13);
        assertThat(read(png, FileKind.PNG, new PictureReading(AlphaKind.NONE, null, same))[1]).as("sRGB stays").isCloseTo(code(.5),
                within(2));
    }

    @ParameterizedTest
    @CsvSource({"haze,0.5", "depth.Z,0.7", "haze.G,0.6", "matte,0.3", "'',0.1"})
    void anyLayerOrChannelCanBeTaken(String layer, float red) throws IOException {
        byte[] data = exr("R", .1f, "G", .2f, "B", .3f, "haze.R", .5f, "haze.G", .6f, "haze.B", .4f, "depth.Z", .7f, "matte", .3f);
        Path file = Files.write(folder.resolve("layers"), data);
        FrameCheck check = reader.check(file, FileKind.EXR, PictureChoice.ofLayer(layer), 1);
        assertThat(check.format().layers()).containsExactlyInAnyOrder("", "haze", "depth.Z", "matte");
        int[] rgb = read(data, FileKind.EXR, new PictureReading(AlphaKind.NONE, layer, ColourReading.LINEAR));
        assertThat(rgb[0]).isCloseTo(code(srgb(Float.float16ToFloat(Float.floatToFloat16(red)))), within(40));
    }

    @Test
    void aLayerThatIsntThereIsNamedWithThoseThatAre() throws IOException {
        Path file = Files.write(folder.resolve("layers"), exr("R", .1f, "G", .2f, "B", .3f, "haze.R", 0f, "haze.G", 0f, "haze.B", 0f));
        assertThat(reader.check(file, FileKind.EXR, PictureChoice.ofLayer("fog"), 1).why()).contains("no layer or channel fog")
                .contains("haze");
    }

    @Test
    void whatIsNoColourIsCountedAndNeverHandedOn() throws IOException {
        float[] red = flat(.5f);
        red[0] = Float.NaN;
        red[1] = Float.POSITIVE_INFINITY;
        red[2] = -3;
        red[3] = Float.NEGATIVE_INFINITY;
        byte[] data = ExrWriter.write(SIDE, SIDE, Map.of("R", red, "G", flat(.5f), "B", flat(-0f)));
        FrameCheck check = reader.check(Files.write(folder.resolve("odd"), data), FileKind.EXR, PictureChoice.MAIN, 1);
        assertThat(check.look().odd()).isEqualTo(new FrameLook.Odd(1, 2, 1));
        try (Picture decoded = ((FrameRead.Sound) reader.read(folder.resolve("odd"), FileKind.EXR, PictureChoice.MAIN, 0)).picture();
                Composer composer = new Composer(WorkingFormat.W16, false);
                Picture working = composer.compose(decoded, PictureReading.of(AlphaKind.NONE, true))) {
            short[] row = working.plane(2).asSlice(0, 10).toArray(ValueLayout.JAVA_SHORT);
            assertThat(new int[] {row[0] & 0xffff, row[1] & 0xffff, row[2] & 0xffff, row[3] & 0xffff}).containsExactly(0, 65535, 0, 0);
            assertThat(row[4] & 0xffff).isCloseTo(code(srgb(.5)), within(40));
        }
    }

    @Test
    void soundFloatsHaveNothingOdd() throws IOException {
        FrameCheck check = reader.check(Files.write(folder.resolve("fine"), exr("R", 0f, "G", 4f, "B", 60000f)), FileKind.EXR,
                PictureChoice.MAIN, 1);
        assertThat(check.look().odd()).isNull();
    }

    @Test
    void mixturesWeighColourByAlpha() throws IOException {
        PictureReading straight = PictureReading.of(AlphaKind.STRAIGHT, false);
        Path a = Files.write(folder.resolve("a"), StillWriter.PNG16.write(TestPictures.flat(SIDE, SIDE, 1, 0, 0, 1)));
        Path b = Files.write(folder.resolve("b"), StillWriter.PNG16.write(TestPictures.flat(SIDE, SIDE, 0, 0, 1, .5f)));
        try (Composer composer = new Composer(WorkingFormat.W16, true);
                Picture da = ((FrameRead.Sound) reader.read(a, FileKind.PNG, PictureChoice.MAIN, 0)).picture();
                Picture wa = composer.compose(da, straight);
                Picture db = ((FrameRead.Sound) reader.read(b, FileKind.PNG, PictureChoice.MAIN, 0)).picture();
                Picture wb = composer.compose(db, straight);
                Picture mixed = Mixing.mix(wa, wb, Rational.of(1, 2))) {
            assertThat(value(mixed, 3)).isCloseTo(code(.75), within(2));
            assertThat(value(mixed, 2)).as("red weighs twice").isCloseTo(code(2 / 3.0), within(2));
            assertThat(value(mixed, 1)).isCloseTo(code(1 / 3.0), within(2));
            try (Composer opaque = new Composer(WorkingFormat.W8, false);
                    Picture eight = opaque.compose(da, PictureReading.of(AlphaKind.NONE, false))) {
                assertThatThrownBy(() -> Mixing.mix(wa, eight, Rational.of(1, 2))).isInstanceOf(MediaException.class);
            }
        }
    }

    private static int value(Picture picture, int plane) {
        return picture.plane(plane).get(ValueLayout.JAVA_SHORT, 5L * picture.stride(plane) + 10) & 0xffff;
    }
}
