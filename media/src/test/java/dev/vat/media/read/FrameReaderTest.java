package dev.vat.media.read;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.Depth;
import dev.vat.core.picture.PictureChoice;
import dev.vat.core.picture.Size;
import dev.vat.core.source.FileKind;
import dev.vat.core.source.FrameCheck;
import dev.vat.core.source.FrameState;
import dev.vat.media.TestPictures;
import dev.vat.media.encode.StillWriter;
import dev.vat.media.picture.Picture;
import dev.vat.media.picture.Samples;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** Real files of every kind, whole and broken in every way, through the real library. */
class FrameReaderTest {

    private static final int WIDTH = 48;
    private static final int HEIGHT = 36;

    @TempDir
    Path folder;

    private final FrameReader reader = new FrameReader();

    @AfterEach
    void close() {
        reader.close();
    }

    static Stream<Arguments> kinds() {
        Samples plain = TestPictures.ramp(WIDTH, HEIGHT, 0, false);
        Samples seeThrough = TestPictures.ramp(WIDTH, HEIGHT, 0, true);
        return Stream.of(
                Arguments.of("PNG 8", FileKind.PNG, StillWriter.PNG8.write(plain), Depth.integer(8), AlphaKind.NONE),
                Arguments.of("PNG 16 alpha", FileKind.PNG, StillWriter.PNG16.write(seeThrough), Depth.integer(16), AlphaKind.STRAIGHT),
                Arguments.of("JPEG", FileKind.JPEG, StillWriter.JPEG8.write(plain), Depth.integer(8), AlphaKind.NONE),
                Arguments.of("TIFF 8", FileKind.TIFF, StillWriter.TIFF8.write(plain), Depth.integer(8), AlphaKind.NONE),
                Arguments.of("TIFF 16", FileKind.TIFF, StillWriter.TIFF16.write(plain), Depth.integer(16), AlphaKind.NONE),
                Arguments.of("TGA", FileKind.TGA, StillWriter.TGA8.write(plain), Depth.integer(8), AlphaKind.NONE),
                Arguments.of("TGA alpha", FileKind.TGA, StillWriter.TGA8.write(seeThrough), Depth.integer(8), AlphaKind.STRAIGHT),
                Arguments.of("EXR", FileKind.EXR, TestPictures.exr(plain, ""), Depth.floating(16), AlphaKind.NONE),
                Arguments.of("EXR alpha", FileKind.EXR, TestPictures.exr(seeThrough, ""), Depth.floating(16), AlphaKind.PREMULTIPLIED));
    }

    private FrameCheck check(FileKind kind, byte[] data) throws IOException {
        Path file = folder.resolve("f");
        Files.write(file, data);
        return reader.check(file, kind, PictureChoice.MAIN, 1);
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("kinds")
    void wholeFilesAreGoodAndDescribed(String name, FileKind kind, byte[] data, Depth depth, AlphaKind alpha) throws IOException {
        FrameCheck check = check(kind, data);
        assertThat(check.why()).isNull();
        assertThat(check.state()).isEqualTo(FrameState.GOOD);
        assertThat(check.format().size()).isEqualTo(Size.of(WIDTH, HEIGHT));
        assertThat(check.format().depth()).isEqualTo(depth);
        assertThat(check.format().alpha()).isEqualTo(alpha);
        assertThat(check.opaque()).isEqualTo(alpha == AlphaKind.NONE);
    }

    /** Whatever the length at which a file is cut, it is good only if its picture is the whole one's to the last bit. */
    @ParameterizedTest(name = "{0}")
    @MethodSource("kinds")
    void noCutThatCostsPictureDataIsEverGood(String name, FileKind kind, byte[] data, Depth depth, AlphaKind alpha) throws IOException {
        int whole = crc(kind, data);
        int step = Math.max(1, data.length / 120);
        for (int length = data.length - 1; length > 0; length -= length > data.length - 60 ? 1 : step) {
            FrameCheck check = check(kind, Arrays.copyOf(data, length));
            if (check.state() == FrameState.GOOD) {
                assertThat(crc(kind, Arrays.copyOf(data, length))).as("%s cut at %d of %d", name, length, data.length).isEqualTo(whole);
                assertThat(check.note()).as("a footer is gone at %d of %d", length, data.length).isNotNull();
            } else {
                assertThat(check.state()).as("%s cut at %d of %d: %s", name, length, data.length, check.why())
                        .isIn(FrameState.CUT_SHORT, FrameState.UNREADABLE);
                assertThat(check.why()).isNotBlank();
            }
        }
        assertThat(check(kind, Arrays.copyOf(data, data.length / 2)).state()).isEqualTo(FrameState.CUT_SHORT);
        assertThat(check(kind, new byte[0]).state()).isEqualTo(FrameState.EMPTY);
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("kinds")
    void aTailOfZerosIsNoPicture(String name, FileKind kind, byte[] data, Depth depth, AlphaKind alpha) throws IOException {
        byte[] reserved = Arrays.copyOf(Arrays.copyOf(data, data.length / 2), data.length);
        FrameCheck check = check(kind, reserved);
        if (kind == FileKind.TGA) {
            // plain TGA pixels may be zeros in all honesty: without a checksum all that can be said is that the footer is gone
            assertThat(check.note()).contains("no footer").contains("zeros");
        } else {
            assertThat(check.state()).as(check.why()).isIn(FrameState.CUT_SHORT, FrameState.UNREADABLE);
        }
    }

    private int crc(FileKind kind, byte[] data) throws IOException {
        Path file = folder.resolve("g");
        Files.write(file, data);
        FrameRead read = reader.read(file, kind, PictureChoice.MAIN, 0);
        assertThat(read).isInstanceOf(FrameRead.Sound.class);
        try (Picture picture = ((FrameRead.Sound) read).picture()) {
            return picture.crc32c();
        }
    }

    @Test
    void aFooterThatIsGoneIsANoteNotAFault() throws IOException {
        Samples plain = TestPictures.ramp(WIDTH, HEIGHT, 0, false);
        for (StillWriter writer : new StillWriter[] {StillWriter.PNG8, StillWriter.TGA8, StillWriter.JPEG8}) {
            byte[] data = writer.write(plain);
            int footer = writer == StillWriter.PNG8 ? 12 : writer == StillWriter.JPEG8 ? 2 : 26;
            FileKind kind = writer == StillWriter.PNG8 ? FileKind.PNG : writer == StillWriter.JPEG8 ? FileKind.JPEG : FileKind.TGA;
            FrameCheck check = check(kind, Arrays.copyOf(data, data.length - footer));
            assertThat(check.state()).as(writer + ": " + check.why()).isEqualTo(FrameState.GOOD);
            assertThat(check.note()).contains("the picture is whole");
        }
    }

    @Test
    void contentDecidesNotTheName() throws IOException {
        FrameCheck check = check(FileKind.PNG, StillWriter.JPEG8.write(TestPictures.ramp(WIDTH, HEIGHT, 0, false)));
        assertThat(check.state()).isEqualTo(FrameState.GOOD);
        assertThat(check.format().kind()).isEqualTo("JPEG");
        assertThat(check.note()).contains("JPEG data under a PNG name");
        assertThat(check(FileKind.EXR, "not a picture at all".getBytes()).state()).isEqualTo(FrameState.UNREADABLE);
    }

    @Test
    void layersAreListedWhenThereIsNoMainPicture() throws IOException {
        FrameCheck check = check(FileKind.EXR, TestPictures.exr(TestPictures.ramp(WIDTH, HEIGHT, 0, false), "haze."));
        assertThat(check.state()).isEqualTo(FrameState.GOOD);
        assertThat(check.format().layers()).containsExactly("haze");
    }

    @Test
    void aHeaderThatClaimsAnAbsurdSizeIsRefusedBeforeDecoding() throws IOException {
        byte[] png = StillWriter.PNG8.write(TestPictures.ramp(WIDTH, HEIGHT, 0, false));
        png[16] = 0x7f;
        assertThat(check(FileKind.PNG, png).state()).isEqualTo(FrameState.UNREADABLE);
    }

    @Test
    void contextsAreNotConfusedByWhatCameBefore() throws IOException {
        byte[] first = StillWriter.PNG16.write(TestPictures.ramp(WIDTH, HEIGHT, 0, true));
        byte[] second = StillWriter.PNG8.write(TestPictures.ramp(20, 10, 3, false));
        int alone = crc(FileKind.PNG, second);
        crc(FileKind.PNG, first);
        check(FileKind.PNG, Arrays.copyOf(first, first.length / 2));
        assertThat(crc(FileKind.PNG, second)).isEqualTo(alone);
    }

    @Test
    void aMissingFileIsSaidInWords() {
        FrameCheck check = reader.check(folder.resolve("gone.png"), FileKind.PNG, PictureChoice.MAIN, 7);
        assertThat(check.state()).isEqualTo(FrameState.UNREADABLE);
        assertThat(check.why()).isEqualTo("the file is gone");
    }
}
