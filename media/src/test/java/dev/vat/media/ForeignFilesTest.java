package dev.vat.media;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.PictureChoice;
import dev.vat.core.picture.PictureReading;
import dev.vat.core.picture.Size;
import dev.vat.core.recipe.WorkingFormat;
import dev.vat.core.source.FileKind;
import dev.vat.core.source.FrameCheck;
import dev.vat.core.source.FrameState;
import dev.vat.media.compose.Composer;
import dev.vat.media.picture.Picture;
import dev.vat.media.read.FrameRead;
import dev.vat.media.read.FrameReader;
import java.awt.Color;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.lang.foreign.ValueLayout;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.stream.Stream;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageWriteParam;
import javax.imageio.ImageWriter;
import javax.imageio.stream.ImageOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** Files that another writer made, Java's own, in the variants that turn up in practice. */
class ForeignFilesTest {

    private static final int WIDTH = 40;
    private static final int HEIGHT = 24;

    @TempDir
    Path folder;

    private static BufferedImage picture(int type) {
        BufferedImage image = new BufferedImage(WIDTH, HEIGHT, type);
        for (int y = 0; y < HEIGHT; y++) {
            for (int x = 0; x < WIDTH; x++) {
                image.setRGB(x, y, new Color(x * 6, y * 10, 120, image.getColorModel().hasAlpha() ? 255 - x * 4 : 255).getRGB());
            }
        }
        return image;
    }

    private static byte[] write(String format, int type, String compression, boolean progressive, ByteOrder order) {
        ImageWriter writer = ImageIO.getImageWritersByFormatName(format).next();
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ImageOutputStream out = ImageIO.createImageOutputStream(bytes)) {
            if (order != null) {
                out.setByteOrder(order);
            }
            ImageWriteParam param = writer.getDefaultWriteParam();
            if (compression != null) {
                param.setCompressionMode(ImageWriteParam.MODE_EXPLICIT);
                param.setCompressionType(compression);
            }
            if (progressive) {
                param.setProgressiveMode(ImageWriteParam.MODE_DEFAULT);
            }
            writer.setOutput(out);
            writer.write(null, new IIOImage(picture(type), null, null), param);
        } catch (IOException e) {
            throw new AssertionError(e);
        } finally {
            writer.dispose();
        }
        return bytes.toByteArray();
    }

    static Stream<Arguments> files() {
        return Stream.of(
                Arguments.of("PNG colour", FileKind.PNG, write("png", BufferedImage.TYPE_INT_RGB, null, false, null), 8, AlphaKind.NONE, 0),
                Arguments.of("PNG interlaced", FileKind.PNG, write("png", BufferedImage.TYPE_INT_RGB, null, true, null), 8, AlphaKind.NONE,
                        0),
                Arguments.of("PNG alpha", FileKind.PNG, write("png", BufferedImage.TYPE_INT_ARGB, null, false, null), 8, AlphaKind.STRAIGHT,
                        0),
                Arguments.of("PNG grey", FileKind.PNG, write("png", BufferedImage.TYPE_BYTE_GRAY, null, false, null), 8, AlphaKind.NONE,
                        255),
                Arguments.of("PNG grey 16", FileKind.PNG, write("png", BufferedImage.TYPE_USHORT_GRAY, null, false, null), 16,
                        AlphaKind.NONE, 255),
                Arguments.of("PNG palette", FileKind.PNG, write("png", BufferedImage.TYPE_BYTE_INDEXED, null, false, null), 8,
                        AlphaKind.NONE, 60),
                Arguments.of("PNG two tones", FileKind.PNG, write("png", BufferedImage.TYPE_BYTE_BINARY, null, false, null), 8,
                        AlphaKind.NONE, 255),
                Arguments.of("JPEG", FileKind.JPEG, write("jpg", BufferedImage.TYPE_INT_RGB, null, false, null), 8, AlphaKind.NONE, 30),
                Arguments.of("JPEG progressive", FileKind.JPEG, write("jpg", BufferedImage.TYPE_INT_RGB, null, true, null), 8,
                        AlphaKind.NONE, 30),
                Arguments.of("JPEG grey", FileKind.JPEG, write("jpg", BufferedImage.TYPE_BYTE_GRAY, null, false, null), 8, AlphaKind.NONE,
                        255),
                Arguments.of("TIFF plain", FileKind.TIFF, write("tif", BufferedImage.TYPE_INT_RGB, null, false, null), 8, AlphaKind.NONE,
                        0),
                Arguments.of("TIFF LZW", FileKind.TIFF, write("tif", BufferedImage.TYPE_INT_RGB, "LZW", false, null), 8, AlphaKind.NONE, 0),
                Arguments.of("TIFF deflate", FileKind.TIFF, write("tif", BufferedImage.TYPE_INT_RGB, "ZLib", false, null), 8,
                        AlphaKind.NONE, 0),
                Arguments.of("TIFF pack bits", FileKind.TIFF, write("tif", BufferedImage.TYPE_INT_RGB, "PackBits", false, null), 8,
                        AlphaKind.NONE, 0),
                Arguments.of("TIFF big-endian", FileKind.TIFF, write("tif", BufferedImage.TYPE_INT_RGB, null, false, ByteOrder.BIG_ENDIAN),
                        8, AlphaKind.NONE, 0),
                Arguments.of("TIFF little-endian", FileKind.TIFF,
                        write("tif", BufferedImage.TYPE_INT_RGB, null, false, ByteOrder.LITTLE_ENDIAN), 8, AlphaKind.NONE, 0),
                Arguments.of("TIFF alpha", FileKind.TIFF, write("tif", BufferedImage.TYPE_INT_ARGB, null, false, null), 8,
                        AlphaKind.STRAIGHT, 0));
    }

    /** @param tolerance how far a colour may be off, in 8-bit codes; 255 where colours are lost by the writer */
    @ParameterizedTest(name = "{0}")
    @MethodSource("files")
    void isReadWholeWithItsColours(String name, FileKind kind, byte[] data, int bits, AlphaKind alpha, int tolerance) throws IOException {
        Path file = Files.write(folder.resolve("f"), data);
        try (FrameReader reader = new FrameReader()) {
            FrameCheck check = reader.check(file, kind, PictureChoice.MAIN, 1);
            assertThat(check.state()).as(check.why()).isEqualTo(FrameState.GOOD);
            assertThat(check.format().size()).isEqualTo(Size.of(WIDTH, HEIGHT));
            assertThat(check.format().depth().bits()).isEqualTo(bits);
            assertThat(check.format().alpha()).isEqualTo(alpha);
            try (Picture decoded = ((FrameRead.Sound) reader.read(file, kind, PictureChoice.MAIN, 0)).picture();
                    Composer composer = new Composer(WorkingFormat.W16, alpha != AlphaKind.NONE);
                    Picture working = composer.compose(decoded, PictureReading.of(alpha, false))) {
                assertThat(at(working, 2, 20, 6)).isCloseTo(120, org.assertj.core.data.Offset.offset(tolerance));
                assertThat(at(working, 0, 20, 6)).isCloseTo(60, org.assertj.core.data.Offset.offset(tolerance));
                assertThat(at(working, 1, 20, 6)).isCloseTo(120, org.assertj.core.data.Offset.offset(tolerance));
                if (alpha != AlphaKind.NONE) {
                    assertThat(at(working, 3, 20, 6)).isEqualTo(255 - 80);
                }
            }
        }
    }

    /** Planes are green, blue, red, alpha; sixteen bits back to eight. */
    private static int at(Picture picture, int plane, int x, int y) {
        int value = picture.plane(plane).get(ValueLayout.JAVA_SHORT, (long) y * picture.stride(plane) + 2L * x) & 0xffff;
        return Math.round(value / 257f);
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("files")
    void isFoundCutAtAnyLengthThatCostsPicture(String name, FileKind kind, byte[] data, int bits, AlphaKind alpha, int tolerance)
            throws IOException {
        try (FrameReader reader = new FrameReader()) {
            int whole = crc(reader, kind, data);
            for (int length = data.length - 1; length > 0; length -= Math.max(1, data.length / 60)) {
                byte[] cut = Arrays.copyOf(data, length);
                FrameCheck check = reader.check(Files.write(folder.resolve("cut"), cut), kind, PictureChoice.MAIN, 1);
                if (check.state() == FrameState.GOOD) {
                    assertThat(crc(reader, kind, cut)).as("%s cut at %d of %d", name, length, data.length).isEqualTo(whole);
                    assertThat(check.note()).isNotBlank();
                } else {
                    assertThat(check.state()).as("%s at %d of %d", name, length, data.length).isIn(FrameState.CUT_SHORT,
                            FrameState.UNREADABLE);
                }
            }
        }
    }

    private int crc(FrameReader reader, FileKind kind, byte[] data) throws IOException {
        try (Picture picture = ((FrameRead.Sound) reader.read(Files.write(folder.resolve("crc"), data), kind, PictureChoice.MAIN, 0))
                .picture()) {
            return picture.crc32c();
        }
    }

    @Test
    void aFolderUnderAFramesNameIsNoFrame() throws IOException {
        Path dir = Files.createDirectory(folder.resolve("d.png"));
        try (FrameReader reader = new FrameReader()) {
            assertThat(reader.check(dir, FileKind.PNG, PictureChoice.MAIN, 1).state()).isEqualTo(FrameState.UNREADABLE);
        }
    }
}
