package dev.vat.media.decode.still;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.vat.core.picture.PictureChoice;
import dev.vat.core.source.FileKind;
import dev.vat.core.source.FrameState;
import dev.vat.media.lib.MediaException;
import dev.vat.media.picture.Picture;
import java.lang.foreign.ValueLayout;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Flattened pictures laid out by hand. */
class PsdPictureTest {

    /** Two pixels of red, green, blue and alpha, 8 bits; {@code packed} is what stands behind the sections. */
    private static byte[] psd(int layers, byte[] packed) {
        ByteBuffer file = ByteBuffer.allocate(26 + 4 + 4 + 4 + 8 + packed.length);
        file.put("8BPS".getBytes(StandardCharsets.US_ASCII)).putShort((short) 1).put(new byte[6]).putShort((short) 4).putInt(1).putInt(2)
                .putShort((short) 8).putShort((short) 3).putInt(0).putInt(0).putInt(8).putInt(6 - 2 + 2).putShort((short) layers)
                .putShort((short) 0);
        return file.put(packed).array();
    }

    private static int[] read(byte[] file) {
        assertThat(Inspection.of(FileKind.PSD, file, PictureChoice.MAIN).state()).isEqualTo(FrameState.GOOD);
        int[] samples = new int[8];
        try (Picture picture = PsdPicture.read(file)) {
            int[] order = {2, 0, 1, 3};
            for (int i = 0; i < 8; i++) {
                samples[i] = picture.plane(order[i / 2]).get(ValueLayout.JAVA_BYTE, i % 2) & 0xff;
            }
        }
        return samples;
    }

    private static byte[] bytes(int... values) {
        byte[] bytes = new byte[values.length];
        for (int i = 0; i < values.length; i++) {
            bytes[i] = (byte) values[i];
        }
        return bytes;
    }

    /** Red of half and of no opacity: over white it reads 255, 127, 127 and 255, 255, 255. */
    @Test
    void whiteUnderTheColoursIsTakenOut() {
        byte[] over = bytes(0, 0, 255, 255, 127, 255, 127, 255, 128, 0);
        assertThat(read(psd(-1, over))).containsExactly(255, 0, 0, 0, 0, 0, 128, 0);
        assertThat(read(psd(1, over))).as("alpha of its own").containsExactly(255, 255, 127, 255, 127, 255, 128, 0);
    }

    @Test
    void coloursThatLieOverNothingStayAsTheyAre() {
        assertThat(read(psd(-1, bytes(0, 0, 200, 7, 100, 7, 50, 7, 128, 20)))).containsExactly(200, 7, 100, 7, 50, 7, 128, 20);
    }

    /** Runs with the filler that does nothing, one literal and one repeat. */
    @Test
    void runsMayHoldFiller() {
        byte[] packed = bytes(0, 1, 0, 3, 0, 3, 0, 2, 0, 2, 1, 9, 8, 0x80, 0xff, 7, 0xff, 6, 0xff, 255);
        assertThat(read(psd(1, packed))).containsExactly(9, 8, 7, 7, 6, 6, 255, 255);
    }

    @ParameterizedTest
    @CsvSource({"40", "47", "27", "12"})
    void cutFilesAreCut(int length) {
        byte[] whole = psd(1, bytes(0, 0, 1, 2, 3, 4, 5, 6, 7, 8));
        assertThat(Inspection.of(FileKind.PSD, Arrays.copyOf(whole, length), PictureChoice.MAIN).state()).isEqualTo(FrameState.CUT_SHORT);
    }

    @Test
    void runsThatGoBeyondTheirRowAreDamage() {
        byte[] packed = bytes(0, 1, 0, 2, 0, 2, 0, 2, 0, 2, 0xf0, 9, 0xff, 7, 0xff, 6, 0xff, 255);
        assertThatThrownBy(() -> PsdPicture.read(psd(1, packed))).isInstanceOf(MediaException.class);
    }
}
