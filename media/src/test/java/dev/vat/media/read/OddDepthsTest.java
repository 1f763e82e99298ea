package dev.vat.media.read;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.vat.core.picture.PictureChoice;
import dev.vat.core.source.FileKind;
import dev.vat.media.picture.Picture;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Stills of depths that few programs write, made here byte by byte: the highest code is white and 0 is black, or the other way round. */
class OddDepthsTest {

    @TempDir
    Path folder;

    @ParameterizedTest
    @CsvSource({"1, 1", "1, 0", "2, 1", "4, 1", "4, 0", "6, 1", "6, 0", "8, 1", "8, 0", "10, 1", "10, 0", "12, 1", "12, 0", "14, 1",
        "16, 1",
        "16, 0", "24, 1", "32, 1"})
    void theHighestCodeOfATiffIsWhite(int bits, int white) throws IOException {
        Samples samples = read(FileKind.TIFF, tiff(bits, white, 1), "grey.tif");
        long most = (1L << bits) - 1;
        double step = 1.0 / ((1L << Math.min(16, Math.max(8, bits))) - 1);
        for (int x = 0; x < 4; x++) {
            long code = code(x, most);
            double meant = (double) code / most;
            assertThat((double) samples.channels()[0][x]).as("code " + code).isCloseTo(white == 1 ? meant : 1 - meant,
                    within(bits == 6 || bits > 16 ? step : step / 2));
        }
    }

    @Test
    void aTiffOfSignedNumbersIsNamed() throws IOException {
        assertThat(refusal(FileKind.TIFF, tiff(16, 1, 2), "signed.tif")).isEqualTo(
                "TIFF of signed numbers, which Vat doesn't read: save it in RGB or grey");
    }

    @ParameterizedTest
    @CsvSource({"7c00, 03e0, 001f, 0000", "f800, 07e0, 001f, 0000", "0f00, 00f0, 000f, f000"})
    void theHighestCodesOfABitmapWithMasksAreWhite(String red, String green, String blue, String alpha) throws IOException {
        ByteBuffer file = ByteBuffer.allocate(14 + 124 + 8).order(ByteOrder.LITTLE_ENDIAN);
        file.put("BM".getBytes()).putInt(file.capacity()).putInt(0).putInt(14 + 124);
        file.putInt(124).putInt(4).putInt(1).putShort((short) 1).putShort((short) 16).putInt(3);
        int[] masks = {Integer.parseInt(red, 16), Integer.parseInt(green, 16), Integer.parseInt(blue, 16), Integer.parseInt(alpha, 16)};
        for (int i = 0; i < 4; i++) {
            file.putInt(54 + 4 * i, masks[i]);
            file.putShort(14 + 124 + 2 * i, (short) (masks[i] | masks[3]));
        }
        Samples samples = read(FileKind.BMP, file.array(), "masks.bmp");
        for (int x = 0; x < 3; x++) {
            for (int c = 0; c < 3; c++) {
                assertThat(samples.channels()[c][x]).as("channel " + c + " of pixel " + x).isEqualTo(c == x ? 1f : 0f);
            }
        }
    }

    @Test
    void aBitmapWhoseRunsLeaveThePictureIsRefused() throws IOException {
        ByteBuffer file = ByteBuffer.allocate(14 + 40 + 1024 + 8).order(ByteOrder.LITTLE_ENDIAN);
        file.put("BM".getBytes()).putInt(file.capacity()).putInt(0).putInt(14 + 40 + 1024);
        file.putInt(40).putInt(4).putInt(2).putShort((short) 1).putShort((short) 8).putInt(1).putInt(8);
        file.position(14 + 40 + 1024).put(new byte[] {4, 7, 0, 0, 9, 7, 0, 1});
        assertThat(refusal(FileKind.BMP, file.array(), "runs.bmp")).isEqualTo("its runs leave the picture in row 1");
    }

    private static long code(int x, long most) {
        return switch (x) {
            case 0 -> 0;
            case 1 -> most;
            case 2 -> most / 2;
            default -> most / 3;
        };
    }

    /** Four samples of grey. @param white what stands for the colour: 0 where 0 is white @param numbers 1 whole, 2 signed */
    private static byte[] tiff(int bits, int white, int numbers) {
        int[][] entries = {{256, 4}, {257, 1}, {258, bits}, {259, 1}, {262, white}, {273, 8}, {277, 1}, {278, 1}, {279, (4 * bits + 7) / 8},
            {339, numbers}};
        ByteBuffer file = ByteBuffer.allocate(24 + 2 + 12 * entries.length + 4).order(ByteOrder.BIG_ENDIAN);
        file.put("MM".getBytes()).putShort((short) 42).putInt(24);
        for (int bit = 0; bit < 4 * bits; bit++) {
            long code = code(bit / bits, (1L << bits) - 1);
            if ((code >> bits - 1 - bit % bits & 1) == 1) {
                file.put(8 + bit / 8, (byte) (file.get(8 + bit / 8) | 0x80 >> bit % 8));
            }
        }
        file.position(24).putShort((short) entries.length);
        for (int[] entry : entries) {
            file.putShort((short) entry[0]).putShort((short) 4).putInt(1).putInt(entry[1]);
        }
        return file.array();
    }

    private Samples read(FileKind kind, byte[] data, String name) throws IOException {
        Path file = Files.write(folder.resolve(name), data);
        try (FrameReader reader = new FrameReader()) {
            FrameRead.Sound sound = (FrameRead.Sound) reader.read(file, kind, PictureChoice.MAIN, 0);
            try (Picture picture = sound.picture()) {
                return Samples.ours(picture, sound.format());
            }
        }
    }

    private String refusal(FileKind kind, byte[] data, String name) throws IOException {
        Path file = Files.write(folder.resolve(name), data);
        try (FrameReader reader = new FrameReader()) {
            return ((FrameRead.Unsound) reader.read(file, kind, PictureChoice.MAIN, 0)).why();
        }
    }
}
