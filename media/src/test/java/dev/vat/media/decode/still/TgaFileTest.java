package dev.vat.media.decode.still;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.PictureChoice;
import dev.vat.core.source.FileKind;
import dev.vat.core.source.FrameState;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Hand-made TGA files: plain and run-length coded, with and without footer and extension area. */
class TgaFileTest {

    private static final int WIDTH = 6;
    private static final int HEIGHT = 4;

    /** A header, pixels that aren't zero, and if asked for a footer behind an extension area. */
    private static byte[] plain(int type, int bits, int attributes, int alphaType) {
        int pixels = WIDTH * HEIGHT * bits / 8;
        boolean footer = alphaType >= 0;
        ByteBuffer file = ByteBuffer.allocate(18 + pixels + (footer ? 495 + 26 : 0)).order(ByteOrder.LITTLE_ENDIAN);
        head(file, type, bits, attributes);
        for (int i = 0; i < pixels; i++) {
            file.put((byte) (i * 7 + 1));
        }
        if (footer) {
            int extension = file.position();
            file.putShort((short) 495).position(extension + 494).put((byte) alphaType);
            file.putInt(extension).putInt(0).put("TRUEVISION-XFILE.\0".getBytes(StandardCharsets.US_ASCII));
        }
        return file.array();
    }

    private static void head(ByteBuffer file, int type, int bits, int attributes) {
        file.put((byte) 0).put((byte) 0).put((byte) type).position(12).putShort((short) WIDTH).putShort((short) HEIGHT).put((byte) bits)
                .put((byte) attributes);
    }

    @ParameterizedTest
    @CsvSource({"24, 0, -1, NONE", "24, 0, 3, NONE", "32, 8, -1, STRAIGHT", "32, 0, -1, NONE", "32, 8, 3, STRAIGHT",
        "32, 8, 4, PREMULTIPLIED", "32, 8, 0, NONE"})
    void alphaMeansWhatTheFileSays(int bits, int attributes, int alphaType, AlphaKind alpha) {
        Inspection inspection = Inspection.of(FileKind.TGA, plain(2, bits, attributes, alphaType), PictureChoice.MAIN);
        assertThat(inspection.state()).as(inspection.why()).isEqualTo(FrameState.GOOD);
        assertThat(inspection.format().alpha()).isEqualTo(alpha);
        assertThat(inspection.format().size()).hasToString("6x4");
        assertThat(inspection.note()).as("a footer is missing or not")
                .satisfies(note -> assertThat(note == null).isEqualTo(alphaType >= 0));
    }

    @Test
    void pixelsThatAreMissingAreFoundAndAFooterIsNotOneOfThem() {
        byte[] whole = plain(2, 24, 0, 3);
        assertThat(Inspection.of(FileKind.TGA, java.util.Arrays.copyOf(whole, whole.length - 5), PictureChoice.MAIN).state())
                .isEqualTo(FrameState.GOOD);
        assertThat(Inspection.of(FileKind.TGA, java.util.Arrays.copyOf(whole, 18 + WIDTH * HEIGHT * 3 - 1), PictureChoice.MAIN).state())
                .isEqualTo(FrameState.CUT_SHORT);
        byte[] old = plain(3, 8, 0, -1);
        assertThat(Inspection.of(FileKind.TGA, old, PictureChoice.MAIN).state()).isEqualTo(FrameState.GOOD);
        assertThat(Inspection.of(FileKind.TGA, java.util.Arrays.copyOf(old, old.length - 1), PictureChoice.MAIN).state())
                .isEqualTo(FrameState.CUT_SHORT);
    }

    @Test
    void runsAreWalkedToTheirLastPixel() {
        ByteBuffer file = ByteBuffer.allocate(18 + 4 + 4 + 1 + 8 * 3).order(ByteOrder.LITTLE_ENDIAN);
        head(file, 10, 24, 0);
        file.put((byte) (0x80 | 9)).put(new byte[] {1, 2, 3});
        file.put((byte) (0x80 | 5)).put(new byte[] {4, 5, 6});
        file.put((byte) 7).put(new byte[] {9, 9, 9, 8, 8, 8, 7, 7, 7, 6, 6, 6, 5, 5, 5, 4, 4, 4, 3, 3, 3, 2, 2, 2});
        byte[] whole = file.array();
        assertThat(Inspection.of(FileKind.TGA, whole, PictureChoice.MAIN).state()).isEqualTo(FrameState.GOOD);
        for (int length = whole.length - 1; length >= 18; length--) {
            assertThat(Inspection.of(FileKind.TGA, java.util.Arrays.copyOf(whole, length), PictureChoice.MAIN).state())
                    .as("cut at %d", length)
                    .isEqualTo(FrameState.CUT_SHORT);
        }
    }

    @ParameterizedTest
    @CsvSource({"0, 24", "9, 24", "2, 23", "77, 32"})
    void whatStatesNoPictureIsUnreadable(int type, int bits) {
        ByteBuffer file = ByteBuffer.allocate(400).order(ByteOrder.LITTLE_ENDIAN);
        head(file, type, bits, 0);
        if (type != 9) {
            assertThat(Inspection.of(FileKind.TGA, file.array(), PictureChoice.MAIN).state()).isEqualTo(FrameState.UNREADABLE);
        } else {
            // colour-mapped runs of 24-bit indices: zeros that were reserved and never written
            assertThat(Inspection.of(FileKind.TGA, file.array(), PictureChoice.MAIN).state()).isNotEqualTo(FrameState.GOOD);
        }
    }
}
