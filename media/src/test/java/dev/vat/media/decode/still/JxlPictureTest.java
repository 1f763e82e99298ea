package dev.vat.media.decode.still;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.PictureChoice;
import dev.vat.core.picture.PictureFormat;
import dev.vat.core.picture.Standing;
import dev.vat.core.source.FileKind;
import dev.vat.core.source.FrameState;
import dev.vat.media.picture.Picture;
import dev.vat.media.picture.Widening;
import dev.vat.media.read.FrameRead;
import dev.vat.media.read.FrameReader;
import java.io.IOException;
import java.io.InputStream;
import java.lang.foreign.ValueLayout;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Random;
import java.util.function.IntBinaryOperator;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Files of 24x16 that the reference encoder wrote, from samples that a line here gives; {@code lossy} and {@code turned} aside. */
class JxlPictureTest {

    private static final int CUTS = 60;

    @TempDir
    Path folder;

    @BeforeEach
    void aDecoderIsThere() {
        assumeTrue(JxlLibrary.find().isPresent(), "libjxl isn't installed here");
    }

    private static byte[] file(String name) throws IOException {
        try (InputStream in = JxlPictureTest.class.getResourceAsStream("/jxl/" + name + ".jxl")) {
            return in.readAllBytes();
        }
    }

    private FrameRead read(byte[] data, PictureChoice choice) throws IOException {
        try (FrameReader reader = new FrameReader()) {
            return reader.read(Files.write(folder.resolve("sh010.0001.jxl"), data), FileKind.JXL, choice, 0);
        }
    }

    private PictureFormat checked(String name, String format, IntBinaryOperator... planes) throws IOException {
        FrameRead.Sound sound = (FrameRead.Sound) read(file(name), PictureChoice.MAIN);
        try (Picture picture = sound.picture()) {
            assertThat(picture.formatName()).isEqualTo(format);
            for (int plane = 0; plane < planes.length; plane++) {
                for (int y = 0; y < picture.height(); y++) {
                    for (int x = 0; x < picture.width(); x++) {
                        assertThat(sample(picture, plane, x, y)).as("plane %d at %d, %d", plane, x, y)
                                .isEqualTo(planes[plane].applyAsInt(x, y));
                    }
                }
            }
        }
        return sound.format();
    }

    private static int sample(Picture picture, int plane, int x, int y) {
        long row = (long) y * picture.stride(plane);
        return picture.formatName().contains("f32") ? picture.plane(plane).get(ValueLayout.JAVA_INT_UNALIGNED, row + 4L * x)
                : picture.formatName().contains("16") ? picture.plane(plane).get(ValueLayout.JAVA_SHORT_UNALIGNED, row + 2L * x) & 0xffff
                        : picture.plane(plane).get(ValueLayout.JAVA_BYTE, row + x) & 0xff;
    }

    @Test
    void eightBitsWithAlphaComeAsTheyWentIn() throws IOException {
        PictureFormat format = checked("rgba8", "gbrap", (_, y) -> y * 15, (x, y) -> x + y, (x, _) -> x * 10, (x, _) -> 255 - x);
        assertThat(format.describe()).isEqualTo("24x16, 8-bit, JPEG XL with alpha");
        assertThat(format.alpha()).isEqualTo(AlphaKind.STRAIGHT);
        assertThat(format.stated().isOfOtherColour()).isFalse();
    }

    @Test
    void tenBitsAreWidenedByRepeatingTheirHighestOnes() throws IOException {
        PictureFormat format = checked("rgb10", "gbrp16le", (_, y) -> Widening.widened(y * 60, 10),
                (x, y) -> Widening.widened(1023 - x - y, 10), (x, _) -> Widening.widened(x * 40, 10));
        assertThat(format.depth()).hasToString("10-bit");
    }

    @Test
    void sixteenBitsOfGreyStayGrey() throws IOException {
        checked("grey16", "gray16le", (x, y) -> x * 2700 + y);
    }

    @Test
    void floatsBeyondWhiteAndBelowBlackAreKept() throws IOException {
        PictureFormat format = checked("rgbf", "gbrpf32le", (_, y) -> Float.floatToIntBits(y / 16f),
                (x, _) -> Float.floatToIntBits(x == 0 ? 0f : -x / 32f), (x, _) -> Float.floatToIntBits(x / 8f));
        assertThat(format.linear()).as("a PFM went in").isTrue();
    }

    @Test
    void aTurnedPictureStandsUprightOrAsItIsStored() throws IOException {
        FrameRead.Sound upright = (FrameRead.Sound) read(file("turned"), PictureChoice.MAIN);
        FrameRead.Sound stored = (FrameRead.Sound) read(file("turned"), new PictureChoice("", Standing.STORED));
        try (Picture one = upright.picture(); Picture other = stored.picture()) {
            assertThat(upright.format().size()).hasToString("64x96");
            assertThat(one.width()).isEqualTo(64);
            assertThat(upright.note()).contains("turned");
            assertThat(stored.format().size()).hasToString("96x64");
            assertThat(other.width()).isEqualTo(96);
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"rgba8", "rgb10", "grey16", "rgbf", "lossy", "turned"})
    void aFileThatWasCutIsFound(String name) throws IOException {
        byte[] whole = file(name);
        Random random = new Random(name.hashCode());
        for (int i = 0; i < CUTS; i++) {
            byte[] cut = Arrays.copyOf(whole, 12 + random.nextInt(whole.length - 13));
            if (read(cut, PictureChoice.MAIN) instanceof FrameRead.Sound sound) {
                try (Picture same = sound.picture(); Picture good = ((FrameRead.Sound) read(whole, PictureChoice.MAIN)).picture()) {
                    assertThat(same.crc32c()).as("cut at %d of %d", cut.length, whole.length).isEqualTo(good.crc32c());
                }
            } else {
                FrameRead.Unsound cutOne = (FrameRead.Unsound) read(cut, PictureChoice.MAIN);
                assertThat(cutOne.state()).as("cut at %d: %s", cut.length, cutOne.why()).isIn(FrameState.CUT_SHORT, FrameState.UNREADABLE);
            }
        }
    }

    @Test
    void aFileUnderAnotherNameIsTakenForWhatItIs() throws IOException {
        Inspection inspection = Inspection.of(FileKind.PNG, file("lossy"), PictureChoice.MAIN);
        assertThat(inspection.note()).isEqualTo("holds JPEG XL data under a PNG name");
    }
}
