package dev.vat.media.read;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.ColourReading;
import dev.vat.core.picture.PictureChoice;
import dev.vat.core.picture.PictureReading;
import dev.vat.core.picture.Size;
import dev.vat.core.picture.Standing;
import dev.vat.core.recipe.WorkingFormat;
import dev.vat.core.source.FileKind;
import dev.vat.core.source.FrameCheck;
import dev.vat.media.compose.Composer;
import dev.vat.media.Encoded;
import dev.vat.media.TestPictures;
import dev.vat.media.picture.CodeValues;
import dev.vat.media.picture.ColourTags;
import dev.vat.media.picture.Picture;
import java.awt.Color;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.lang.foreign.ValueLayout;
import java.nio.ByteBuffer;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Frames that were once read otherwise than they were written, without a word. */
class AsWrittenTest {

    @TempDir
    Path folder;

    private Path write(String name, int type, int width, int height) throws IOException {
        BufferedImage image = new BufferedImage(width, height, type);
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                image.setRGB(x, y, new Color(x * 5 % 256, y * 9 % 256, (x + y) * 3 % 256).getRGB());
            }
        }
        Path file = folder.resolve(name);
        assertThat(ImageIO.write(image, name.substring(name.lastIndexOf('.') + 1), file.toFile())).isTrue();
        return file;
    }

    private static int fingerprint(FrameReader reader, Path file) {
        FileKind kind = FileKind.ofName(file.getFileName().toString()).orElseThrow();
        try (Picture picture = ((FrameRead.Sound) reader.read(file, kind, PictureChoice.MAIN, 0)).picture()) {
            return picture.crc32c();
        }
    }

    @Test
    void noFileIsReadByWhatAnotherOneWas() throws IOException {
        List<Path> files = new ArrayList<>();
        for (String ending : List.of("tif", "png", "bmp", "jpg")) {
            for (int type : new int[] {BufferedImage.TYPE_BYTE_INDEXED, BufferedImage.TYPE_BYTE_GRAY, BufferedImage.TYPE_BYTE_BINARY,
                BufferedImage.TYPE_3BYTE_BGR, BufferedImage.TYPE_USHORT_GRAY}) {
                boolean common = type != BufferedImage.TYPE_USHORT_GRAY || ending.equals("tif") || ending.equals("png");
                if (common && !(ending.equals("jpg") && type == BufferedImage.TYPE_BYTE_BINARY)) {
                    files.add(write(ending + type + "." + ending, type, 33, 17));
                }
            }
        }
        for (String format : List.of("bgr24", "bgra", "gray")) {
            byte[] tga = Encoded.file(TestPictures.ramp(33, 17, 3, format.equals("bgra")), "targa", format);
            files.add(Files.write(folder.resolve(format + ".tga"), tga));
        }
        for (String format : List.of("gbrpf32le", "gbrapf32le", "grayf32le")) {
            byte[] exr = Encoded.file(TestPictures.ramp(17, 33, 5, format.startsWith("gbrap")), "exr", format, "compression=zip16");
            files.add(Files.write(folder.resolve(format + ".exr"), exr));
        }
        Map<Path, Integer> alone = new LinkedHashMap<>();
        for (Path file : files) {
            try (FrameReader reader = new FrameReader()) {
                alone.put(file, fingerprint(reader, file));
            }
        }
        try (FrameReader reader = new FrameReader()) {
            for (int order = 0; order < 20; order++) {
                Collections.shuffle(files, new Random(order));
                for (Path file : files) {
                    assertThat(fingerprint(reader, file)).as(file.getFileName() + " in order " + order).isEqualTo(alone.get(file));
                }
            }
        }
    }

    /** As many as threads look into frames at once; the library's binding holds few functions that it calls. */
    @Test
    void thirtyReadersDecodeBesideEachOther() throws IOException {
        Path file = write("a.png", BufferedImage.TYPE_3BYTE_BGR, 33, 17);
        List<FrameReader> readers = new ArrayList<>();
        try {
            for (int i = 0; i < 30; i++) {
                readers.add(new FrameReader());
            }
            int alone = fingerprint(readers.getFirst(), file);
            for (FrameReader reader : readers.reversed()) {
                assertThat(fingerprint(reader, file)).isEqualTo(alone);
            }
        } finally {
            readers.forEach(FrameReader::close);
        }
    }

    /** Three pixels a line, two lines: what a code of DPX makes of 1 2 3 and 4 5 6. */
    @ParameterizedTest
    @CsvSource({"0, 123 456", "1, 321 654", "2, 456 123", "3, 654 321", "4, 14 25 36", "5, 41 52 63", "6, 36 25 14", "7, 63 52 41"})
    void aStoredPictureIsTurnedAsItsFileSays(int code, String rows) throws IOException {
        ByteBuffer dpx = ByteBuffer.allocate(2048 + 8).putInt(0, 0x53445058).putInt(4, 2048).putInt(16, 2056).putShort(768, (short) code)
                .putShort(770, (short) 1).putInt(772, 3).putInt(776, 2).put(800, (byte) 6).put(803, (byte) 8).putInt(808, 2048);
        dpx.put(2048, new byte[] {1, 2, 3, 0, 4, 5, 6, 0});
        Path file = Files.write(folder.resolve("kite.0001.dpx"), dpx.array());
        try (FrameReader reader = new FrameReader();
                Picture picture = ((FrameRead.Sound) reader.read(file, FileKind.DPX, PictureChoice.MAIN, 1)).picture()) {
            StringBuilder said = new StringBuilder();
            for (int y = 0; y < picture.height(); y++) {
                said.append(y > 0 ? " " : "");
                for (int x = 0; x < picture.width(); x++) {
                    said.append(CodeValues.at(picture, x, y).replaceAll("\\D*(\\d+).*", "$1"));
                }
            }
            assertThat(said).hasToString(rows);
            assertThat(reader.header(file, FileKind.DPX, PictureChoice.MAIN, 1).format().size())
                    .isEqualTo(Size.of(picture.width(), picture.height()));
            assertThat(reader.header(file, FileKind.DPX, PictureChoice.MAIN, 1).note() != null).as("it is said").isEqualTo(code != 0);
        }
    }

    @Test
    void whatIsStoredTurnedCanBeTakenAsItIs() throws IOException {
        ByteBuffer dpx = dpx(6, 8, 0, 3, 8).putInt(776, 2).putShort(768, (short) 5);
        Path file = Files.write(folder.resolve("turned.0001.dpx"), dpx.array());
        PictureChoice stored = new PictureChoice(null, Standing.STORED);
        try (FrameReader reader = new FrameReader()) {
            assertThat(reader.header(file, FileKind.DPX, PictureChoice.MAIN, 1).format().size()).isEqualTo(Size.of(2, 3));
            FrameCheck check = reader.check(file, FileKind.DPX, stored, 1);
            assertThat(check.format().size()).isEqualTo(Size.of(3, 2));
            assertThat(check.format().stated().turned()).isEqualTo("turned right");
            assertThat(check.note()).isEqualTo("shown as stored; the file says turned right");
            PictureReading reading = new PictureReading(AlphaKind.NONE, null, ColourReading.DISPLAY, null, Standing.STORED);
            try (Picture picture = ((FrameRead.Sound) reader.readAs(reading, file, FileKind.DPX, 1)).picture()) {
                assertThat(Size.of(picture.width(), picture.height())).isEqualTo(Size.of(3, 2));
            }
        }
    }

    private static ByteBuffer dpx(int descriptor, int bits, int packing, int width, int bytes) {
        return ByteBuffer.allocate(2048 + bytes).putInt(0, 0x53445058).putInt(4, 2048).putInt(16, 2048 + bytes).putShort(770, (short) 1)
                .putInt(772, width).putInt(776, 1).put(800, (byte) descriptor).put(803, (byte) bits).putShort(804, (short) packing)
                .putInt(808, 2048);
    }

    /** Samples of two pixels in the order of the file, and what the second pixel is. */
    @ParameterizedTest
    @CsvSource({"50, 1 2 3 4 5 6, R 4  G 5  B 6", "51, 1 2 3 4 5 6 7 8, R 5  G 6  B 7  A 8", "52, 1 2 3 4 5 6 7 8, R 8  G 7  B 6  A 5",
        "100, 1 2 3 4, Y 4  Cb 1  Cr 3", "102, 1 2 3 4 5 6, Y 5  Cb 4  Cr 6"})
    void samplesFollowEachOtherAsTheDescriptorSays(int descriptor, String samples, String second) throws IOException {
        String[] codes = samples.split(" ");
        ByteBuffer narrow = dpx(descriptor, 8, 0, 2, codes.length);
        ByteBuffer wide = dpx(descriptor, 16, 0, 2, 2 * codes.length);
        ByteBuffer packed = dpx(descriptor, 12, 1, 2, 2 * codes.length);
        for (int i = 0; i < codes.length; i++) {
            narrow.put(2048 + i, Byte.parseByte(codes[i]));
            wide.putShort(2048 + 2 * i, Short.parseShort(codes[i]));
            packed.putShort(2048 + 2 * i, (short) (Short.parseShort(codes[i]) << 4));
        }
        try (FrameReader reader = new FrameReader()) {
            for (ByteBuffer data : List.of(narrow, wide, packed)) {
                Path file = Files.write(folder.resolve("kite.0001.dpx"), data.array());
                try (Picture picture = ((FrameRead.Sound) reader.read(file, FileKind.DPX, PictureChoice.MAIN, 1)).picture()) {
                    assertThat(CodeValues.at(picture, 1, 0)).startsWith(second + ", ");
                }
            }
        }
    }

    @Test
    void aWrongLengthInItsHeaderMakesNoDamagedFrameOfAWholeDpx() throws IOException {
        Path file = Files.write(folder.resolve("kite.0001.dpx"), dpx(50, 8, 0, 4, 12).putInt(16, 1 << 20).array());
        try (FrameReader reader = new FrameReader()) {
            assertThat(reader.check(file, FileKind.DPX, PictureChoice.MAIN, 1).why()).isNull();
            Files.write(file, dpx(50, 8, 0, 4, 12).putShort(770, (short) 2).array());
            assertThat(reader.check(file, FileKind.DPX, PictureChoice.MAIN, 1).why())
                    .isEqualTo("DPX with its picture in 2 elements; Vat reads one");
            Files.write(file, dpx(50, 8, 0, 4, 12).putShort(806, (short) 1).array());
            assertThat(reader.check(file, FileKind.DPX, PictureChoice.MAIN, 1).why())
                    .isEqualTo("DPX with run-length coding, which Vat doesn't read: save it plain");
        }
    }

    @Test
    void sixteenBitPremultipliedColourIsDividedByItsAlpha() {
        try (Picture stored = Picture.filled("gbrap16le", 4, 2, p -> {
            int[] values = {8000, 16000, 4000, 32768};
            for (int plane = 0; plane < 4; plane++) {
                for (int y = 0; y < 2; y++) {
                    for (int x = 0; x < 4; x++) {
                        p.plane(plane).set(ValueLayout.JAVA_SHORT_UNALIGNED, (long) y * p.stride(plane) + 2 * x, (short) values[plane]);
                    }
                }
            }
            ColourTags.displayRgb(p);
        }); Composer composer = new Composer(WorkingFormat.W16, true);
                Picture straight = composer.compose(stored, PictureReading.of(AlphaKind.PREMULTIPLIED, false))) {
            int[] wanted = {16000, 32000, 8000, 32768};
            for (int plane = 0; plane < 4; plane++) {
                assertThat(straight.plane(plane).get(ValueLayout.JAVA_SHORT_UNALIGNED, 4) & 0xffff).isCloseTo(wanted[plane],
                        org.assertj.core.data.Offset.offset(2));
            }
        }
    }

    @ParameterizedTest
    @CsvSource({"33, 17", "32, 17", "33, 16"})
    void coarseColourOfAnOddSizeIsMadeToAPicture(int width, int height) throws IOException {
        Path file = write("odd.jpg", BufferedImage.TYPE_3BYTE_BGR, width, height);
        try (FrameReader reader = new FrameReader();
                Picture stored = ((FrameRead.Sound) reader.read(file, FileKind.JPEG, PictureChoice.MAIN, 1)).picture();
                Composer composer = new Composer(WorkingFormat.W8, false);
                Picture made = composer.compose(stored, PictureReading.of(AlphaKind.NONE, false))) {
            assertThat(stored.formatName()).contains("420");
            assertThat(Size.of(made.width(), made.height())).isEqualTo(Size.of(width, height));
        }
    }

    @Test
    void whatCantBeReadIsCalledByItsName() throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(16, 16, BufferedImage.TYPE_3BYTE_BGR), "jpg", bytes);
        byte[] data = bytes.toByteArray();
        for (int i = 0; i + 1 < data.length; i++) {
            if ((data[i] & 0xff) == 0xff && (data[i + 1] & 0xff) == 0xc0) {
                data[i + 1] = (byte) 0xc9;
                break;
            }
        }
        try (FrameReader reader = new FrameReader()) {
            assertThat(reader.check(Files.write(folder.resolve("kite.0001.jpg"), data), FileKind.JPEG, PictureChoice.MAIN, 1).why())
                    .isEqualTo("JPEG with arithmetic coding, which Vat doesn't read: save it as an ordinary JPEG in RGB");
        }
    }
}
