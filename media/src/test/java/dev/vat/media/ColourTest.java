package dev.vat.media;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.vat.core.delivery.Catalogue;
import dev.vat.core.delivery.Codec;
import dev.vat.core.delivery.Treatment;
import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.PictureChoice;
import dev.vat.core.picture.PictureReading;
import dev.vat.core.picture.Rgb;
import dev.vat.core.picture.Size;
import dev.vat.core.recipe.WorkingFormat;
import dev.vat.core.source.FileKind;
import dev.vat.media.compose.Composer;
import dev.vat.media.compose.Flattening;
import dev.vat.media.convert.Conversion;
import dev.vat.media.convert.ScreenPainter;
import dev.vat.media.draw.CardPainter;
import dev.vat.media.encode.StillWriter;
import dev.vat.media.picture.Picture;
import dev.vat.media.picture.SampleFormat;
import dev.vat.media.picture.Samples;
import dev.vat.media.read.FrameRead;
import dev.vat.media.read.FrameReader;
import java.io.IOException;
import java.lang.foreign.Arena;
import java.lang.foreign.MemorySegment;
import java.lang.foreign.ValueLayout;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Known colours through composing and conversion, against the formulas of ITU-R BT.709 and IEC 61966-2-1. */
class ColourTest {

    private static final int SIDE = 32;

    @TempDir
    Path folder;

    private Picture compose(byte[] file, FileKind kind, WorkingFormat format, boolean alpha, AlphaKind meaning) throws IOException {
        Path path = folder.resolve("c");
        Files.write(path, file);
        try (FrameReader reader = new FrameReader(); Composer composer = new Composer(format, alpha);
                Picture decoded = ((FrameRead.Sound) reader.read(path, kind, PictureChoice.MAIN, 0)).picture()) {
            return composer.compose(decoded, PictureReading.of(meaning, kind == FileKind.EXR));
        }
    }

    private static int sample(Picture picture, int plane, int x, int y) {
        return picture.bits() > 8
                ? picture.plane(plane).get(ValueLayout.JAVA_SHORT, (long) y * picture.stride(plane) + 2L * x) & 0xffff
                : picture.plane(plane).get(ValueLayout.JAVA_BYTE, (long) y * picture.stride(plane) + x) & 0xff;
    }

    @ParameterizedTest
    @CsvSource({"0,0,0", "1,1,1", "1,0,0", "0,1,0", "0,0,1", "0.5,0.25,0.75", "0.1,0.9,0.4"})
    void rgbBecomesRec709LimitedWithinOneCode(float r, float g, float b) throws IOException {
        for (Codec codec : Catalogue.codecs()) {
            if (codec.ownColour() != null || !SampleFormat.of(codec).equals(SampleFormat.planar(codec))) {
                continue;
            }
            boolean alpha = codec.hasAlpha();
            try (Picture working = compose(StillWriter.PNG16.write(TestPictures.flat(SIDE, SIDE, r, g, b, 1)), FileKind.PNG,
                    WorkingFormat.W16, true, AlphaKind.STRAIGHT);
                    Conversion conversion = new Conversion(codec, Size.of(SIDE, SIDE), Treatment.plain(codec, Size.of(SIDE, SIDE)));
                    Picture converted = conversion.convert(working)) {
                double y = 0.2126 * r + 0.7152 * g + 0.0722 * b;
                double scale = 1 << codec.codedBits() - 8;
                assertThat(sample(converted, 0, 9, 9) / scale).isCloseTo(16 + 219 * y, within(1 / scale + .001));
                assertThat(sample(converted, 1, 3, 3) / scale).isCloseTo(128 + 224 * (b - y) / 1.8556, within(1 / scale + .001));
                assertThat(sample(converted, 2, 3, 3) / scale).isCloseTo(128 + 224 * (r - y) / 1.5748, within(1 / scale + .001));
                if (alpha) {
                    assertThat(sample(converted, 3, 9, 9)).isEqualTo((1 << codec.codedBits()) - 1);
                }
            }
        }
    }

    @Test
    void eightBitsGoToSixteenExactly() throws IOException {
        for (byte[] file : List.of(StillWriter.PNG8.write(TestPictures.ramp(SIDE, SIDE, 0, true)),
                StillWriter.TGA8.write(TestPictures.ramp(SIDE, SIDE, 0, true)))) {
            FileKind kind = FileKind.ofContent(file).orElse(FileKind.TGA);
            try (Picture deep = compose(file, kind, WorkingFormat.W16, true, AlphaKind.STRAIGHT);
                    Picture plain = compose(file, kind, WorkingFormat.W8, true, AlphaKind.STRAIGHT)) {
                for (int plane = 0; plane < 4; plane++) {
                    for (int x = 0; x < SIDE; x++) {
                        assertThat(sample(deep, plane, x, 5)).as(kind + " plane " + plane).isEqualTo(sample(plain, plane, x, 5) * 257);
                    }
                }
            }
        }
    }

    @Test
    void sixteenBitSamplesAndColourUnderAlphaStayToTheLastBit() throws IOException {
        Samples ramp = TestPictures.ramp(SIDE, SIDE, 0, true);
        try (Picture working = compose(StillWriter.PNG16.write(ramp), FileKind.PNG, WorkingFormat.W16, true, AlphaKind.STRAIGHT)) {
            for (int i = 0; i < SIDE * SIDE; i++) {
                assertThat(sample(working, 2, i % SIDE, i / SIDE)).isEqualTo(Math.round(ramp.red()[i] * 65535));
                assertThat(sample(working, 3, i % SIDE, i / SIDE)).isEqualTo(Math.round(ramp.alpha()[i] * 65535));
            }
        }
    }

    @Test
    void framesWithoutAlphaAreOpaqueInAProgrammeThatHasAlpha() throws IOException {
        try (Picture working = compose(StillWriter.PNG8.write(TestPictures.ramp(SIDE, SIDE, 0, false)), FileKind.PNG,
                WorkingFormat.W16, true, AlphaKind.NONE)) {
            assertThat(working.formatName()).isEqualTo("gbrap16le");
            assertThat(sample(working, 3, 0, 0)).isEqualTo(65535);
        }
    }

    /** A source without alpha gives the same colours to a codec with alpha, and full alpha. */
    @Test
    void aCodecWithAlphaGetsAFullChannelFromAnOpaqueSource() throws IOException {
        byte[] file = StillWriter.PNG16.write(TestPictures.ramp(SIDE, SIDE, 0, false));
        try (Picture plain = compose(file, FileKind.PNG, WorkingFormat.W16, false, AlphaKind.NONE);
                Picture withAlpha = compose(file, FileKind.PNG, WorkingFormat.W16, true, AlphaKind.NONE);
                Conversion first = new Conversion(Catalogue.ALPHA_PRORES_4444.codec(), Size.of(SIDE, SIDE),
                        Treatment.plain(Catalogue.ALPHA_PRORES_4444.codec(), Size.of(SIDE, SIDE)));
                Conversion second = new Conversion(Catalogue.ALPHA_PRORES_4444.codec(), Size.of(SIDE, SIDE),
                        Treatment.plain(Catalogue.ALPHA_PRORES_4444.codec(), Size.of(SIDE, SIDE)));
                Picture a = first.convert(plain); Picture b = second.convert(withAlpha)) {
            assertThat(a.formatName()).isEqualTo("yuva444p10le").isEqualTo(b.formatName());
            assertThat(sample(a, 3, 5, 5)).isEqualTo(1023);
            assertThat(a.crc32c()).isEqualTo(b.crc32c());
        }
    }

    @Test
    void linearLightGoesThroughTheSrgbCurveAndIsClamped() throws IOException {
        float[][] cases = {{0.18f, 0.46135f}, {1f, 1f}, {4f, 1f}, {-0.5f, 0f}, {0.002f, 0.02584f}};
        for (float[] c : cases) {
            try (Picture working = compose(TestPictures.exr(TestPictures.flat(SIDE, SIDE, c[0], c[0], c[0], 1), ""),
                    FileKind.EXR, WorkingFormat.W16, true, AlphaKind.PREMULTIPLIED)) {
                assertThat(sample(working, 0, 4, 4) / 65535.0).as("linear " + c[0]).isCloseTo(c[1], within(0.0005));
            }
        }
    }

    @Test
    void premultipliedLinearAlphaIsUndoneBeforeTheCurve() throws IOException {
        // linear .18 seen through half a pixel is stored as .09
        try (Picture working = compose(TestPictures.exr(TestPictures.flat(SIDE, SIDE, .09f, .09f, .09f, .5f), ""), FileKind.EXR,
                WorkingFormat.W16, true, AlphaKind.PREMULTIPLIED)) {
            assertThat(sample(working, 0, 4, 4) / 65535.0).isCloseTo(.46135, within(.0005));
            assertThat(sample(working, 3, 4, 4) / 65535.0).isCloseTo(.5, within(.0005));
        }
    }

    @Test
    void flatteningShowsTheChosenColourWhereThePictureIsClear() throws IOException {
        try (Picture working = compose(StillWriter.PNG16.write(TestPictures.flat(SIDE, SIDE, 1, 0, 0, .25f)), FileKind.PNG,
                WorkingFormat.W16, true, AlphaKind.STRAIGHT); Picture flat = Flattening.over(working, Rgb.parse("0080FF"))) {
            assertThat(sample(flat, 2, 1, 1)).isCloseTo(Math.round(.25f * 65535), within(2));
            assertThat(sample(flat, 0, 1, 1)).isCloseTo(Math.round(.75f * 0x80 * 257), within(2));
            assertThat(sample(flat, 1, 1, 1)).isCloseTo(Math.round(.75f * 65535), within(2));
        }
    }

    @Test
    void theScreenGetsPremultipliedBgra() throws IOException {
        try (Picture working = compose(StillWriter.PNG16.write(TestPictures.flat(SIDE, SIDE, 1, .5f, 0, .5f)), FileKind.PNG,
                WorkingFormat.W16, true, AlphaKind.STRAIGHT); ScreenPainter painter = new ScreenPainter(16, 16);
                Arena arena = Arena.ofConfined()) {
            MemorySegment shown = arena.allocate(16 * 16 * 4);
            painter.paint(working, ScreenPainter.Show.COLOUR, null, shown);
            assertThat(bytes(shown)).containsExactly(0, 64, 128, 128);
            painter.paint(working, ScreenPainter.Show.COLOUR, Rgb.WHITE, shown);
            assertThat(bytes(shown)).containsExactly(127, 191, 255, 255);
            painter.paint(working, ScreenPainter.Show.ALPHA, null, shown);
            assertThat(bytes(shown)).containsExactly(128, 128, 128, 255);
        }
    }

    private static int[] bytes(MemorySegment shown) {
        int[] values = new int[4];
        for (int i = 0; i < 4; i++) {
            int value = shown.get(ValueLayout.JAVA_BYTE, 5 * 64 + 20 + i) & 0xff;
            // one step of rounding either way is no error; make the figures comparable
            for (int nice : new int[] {0, 64, 127, 128, 191, 255}) {
                value = Math.abs(value - nice) == 1 && value != 127 && value != 128 ? nice : value;
            }
            values[i] = value;
        }
        return values;
    }

    @Test
    void aCardIsOpaqueAndCarriesItsText() {
        try (Picture card = new CardPainter().paint(WorkingFormat.W16, true, 320, 180, List.of("0412", "missing", "sh020"))) {
            boolean ink = false;
            for (int x = 0; x < 320; x++) {
                for (int y = 0; y < 180; y++) {
                    ink |= sample(card, 0, x, y) > 50000;
                }
            }
            assertThat(ink).isTrue();
            assertThat(sample(card, 0, 2, 2)).isEqualTo(0x30 * 257);
            assertThat(sample(card, 3, 2, 2)).isEqualTo(65535);
        }
    }
}
