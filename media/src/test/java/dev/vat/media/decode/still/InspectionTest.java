package dev.vat.media.decode.still;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.picture.PictureChoice;
import dev.vat.core.source.FileKind;
import dev.vat.core.source.FrameState;
import dev.vat.media.encode.ExrWriter;
import dev.vat.media.encode.StillWriter;
import dev.vat.media.picture.Samples;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** Headers that say what can't be get an answer in words, whatever they say. */
class InspectionTest {

    private static final int SIDE = 8;

    private static Stream<Arguments> files() {
        float[] plane = new float[SIDE * SIDE];
        Samples samples = new Samples(SIDE, SIDE, plane, plane, plane, plane);
        Stream<Arguments> written = Stream.of(StillWriter.values())
                .map(w -> Arguments.of(FileKind.valueOf(w.name().replaceAll("\\d", "")), w.write(samples)));
        return Stream.concat(written,
                Stream.of(Arguments.of(FileKind.EXR, ExrWriter.write(SIDE, SIDE, Map.of("R", plane, "G", plane, "B", plane)))));
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("files")
    void whateverStandsInFourBytesTheFileIsAnsweredFor(FileKind kind, byte[] file) {
        List<String> thrown = new ArrayList<>();
        for (int at = 0; at + 4 <= file.length; at++) {
            for (int value : new int[] {0, -1, Integer.MAX_VALUE, Integer.MIN_VALUE, 0x7fff, 0x10000}) {
                byte[] damaged = file.clone();
                ByteBuffer.wrap(damaged).order(ByteOrder.LITTLE_ENDIAN).putInt(at, value);
                try {
                    Inspection.of(kind, damaged, PictureChoice.MAIN);
                } catch (RuntimeException | OutOfMemoryError e) {
                    thrown.add(value + " at " + at + ": " + e);
                }
            }
        }
        assertThat(thrown).isEmpty();
    }

    /** The footer's offset so large that a sum with it is negative. */
    @Test
    void anExtensionAreaFarOutsideOfATgaIsPassedOver() {
        float[] plane = new float[SIDE * SIDE];
        byte[] picture = StillWriter.TGA8.write(new Samples(SIDE, SIDE, plane, plane, plane, null));
        ByteBuffer file = ByteBuffer.allocate(picture.length + 26).order(ByteOrder.LITTLE_ENDIAN);
        file.put(picture).putInt(Integer.MAX_VALUE - 100).putInt(0).put("TRUEVISION-XFILE.\0".getBytes(StandardCharsets.US_ASCII));
        assertThat(Inspection.of(FileKind.TGA, file.array(), PictureChoice.MAIN).state()).isEqualTo(FrameState.GOOD);
    }
}
