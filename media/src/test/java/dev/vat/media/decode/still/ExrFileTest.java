package dev.vat.media.decode.still;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.PictureChoice;
import dev.vat.core.source.FileKind;
import dev.vat.core.source.FrameState;
import dev.vat.media.encode.ExrWriter;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** What an EXR's own structure gives away; the decoder says nothing of all this. */
class ExrFileTest {

    private static final int WIDTH = 40;
    private static final int HEIGHT = 50;
    private static final int CHUNKS = 4;

    private static byte[] file(String... channels) {
        Map<String, float[]> planes = new LinkedHashMap<>();
        for (String channel : channels) {
            float[] values = new float[WIDTH * HEIGHT];
            for (int i = 0; i < values.length; i++) {
                values[i] = (i * 31 + channel.hashCode()) % 97 / 40f;
            }
            planes.put(channel, values);
        }
        return ExrWriter.write(WIDTH, HEIGHT, planes);
    }

    private static Inspection inspect(byte[] data) {
        return Inspection.of(FileKind.EXR, data, PictureChoice.MAIN);
    }

    private static int find(byte[] data, String text) {
        return new String(data, StandardCharsets.ISO_8859_1).indexOf(text);
    }

    /** Where the table of chunks begins: its first entry points right behind its end. */
    private static int table(byte[] data) {
        ByteBuffer buffer = ByteBuffer.wrap(data).order(ByteOrder.LITTLE_ENDIAN);
        for (int at = 200; at < data.length - 8; at++) {
            if (buffer.getLong(at) == at + 8L * CHUNKS) {
                return at;
            }
        }
        throw new AssertionError("no table");
    }

    @Test
    void aWholeFileIsGoodAndItsHeaderIsRead() {
        Inspection whole = inspect(file("R", "G", "B", "A", "haze.R", "haze.G", "haze.B"));
        assertThat(whole.state()).as(whole.why()).isEqualTo(FrameState.GOOD);
        assertThat(whole.format().size()).hasToString("40x50");
        assertThat(whole.format().depth()).hasToString("16-bit float");
        assertThat(whole.format().alpha()).isEqualTo(AlphaKind.PREMULTIPLIED);
        assertThat(whole.format().linear()).isTrue();
        assertThat(whole.format().layers()).as("it has a main picture").containsExactly("", "haze");
    }

    @Test
    void withoutAMainPictureTheLayersAreListed() {
        assertThat(inspect(file("haze.R", "haze.G", "haze.B", "matte.Y")).format().layers()).containsExactly("haze", "matte");
        assertThat(inspect(file("Z")).format().layers()).containsExactly("Z");
        assertThat(inspect(file("Y")).format().layers()).as("brightness alone is a picture").containsExactly("");
    }

    @Test
    void aChunkThatWasNeverWrittenIsCounted() {
        byte[] data = file("R", "G", "B");
        ByteBuffer.wrap(data).order(ByteOrder.LITTLE_ENDIAN).putLong(table(data) + 8 * 2, 0);
        assertThat(inspect(data).state()).isEqualTo(FrameState.CUT_SHORT);
        assertThat(inspect(data).why()).isEqualTo("chunk 3 of 4 was not written");
    }

    @Test
    void aChunkBeyondTheEndIsCounted() {
        byte[] data = file("R", "G", "B");
        ByteBuffer.wrap(data).order(ByteOrder.LITTLE_ENDIAN).putLong(table(data) + 8, data.length + 100L);
        assertThat(inspect(data).why()).isEqualTo("chunk 2 of 4 lies beyond the file's end");
    }

    @Test
    void aLastChunkOfZerosIsFoundByUnpackingIt() {
        byte[] data = file("R", "G", "B");
        ByteBuffer buffer = ByteBuffer.wrap(data).order(ByteOrder.LITTLE_ENDIAN);
        int last = (int) buffer.getLong(table(data) + 8 * 3);
        Arrays.fill(data, last + 8 + 20, data.length, (byte) 0);
        assertThat(inspect(data).state()).isEqualTo(FrameState.CUT_SHORT);
        assertThat(inspect(data).why()).contains("chunk 4 of 4");
    }

    @Test
    void aChunkWithAnotherChunksLinesIsFound() {
        byte[] data = file("R", "G", "B");
        ByteBuffer buffer = ByteBuffer.wrap(data).order(ByteOrder.LITTLE_ENDIAN);
        buffer.putInt((int) buffer.getLong(table(data) + 8), 7);
        assertThat(inspect(data).why()).isEqualTo("chunk 2 of 4 doesn't hold its lines");
    }

    @Test
    void everyCutIsFoundWithoutDecoding() {
        byte[] data = file("R", "G", "B", "A");
        for (int length = data.length - 1; length > 0; length -= 7) {
            assertThat(inspect(Arrays.copyOf(data, length)).state()).as("cut at %d of %d", length, data.length)
                    .isEqualTo(FrameState.CUT_SHORT);
        }
    }

    @Test
    void headersThatMakeNoSenseAreUnreadable() {
        byte[] size = file("R", "G", "B");
        int window = find(size, "dataWindow") + "dataWindow".length() + 1 + "box2i".length() + 1 + 4;
        ByteBuffer.wrap(size).order(ByteOrder.LITTLE_ENDIAN).putInt(window + 8, 2_000_000_000);
        assertThat(inspect(size).state()).isEqualTo(FrameState.UNREADABLE);
        assertThat(inspect(size).why()).contains("impossible size");
        byte[] missing = file("R", "G", "B");
        missing[find(missing, "compression")] = 'x';
        assertThat(inspect(missing).why()).contains("compression is missing");
    }

    @Test
    void aStatedPixelAspectIsTheStandardFractionNearIt() {
        byte[] data = file("R", "G", "B");
        int value = find(data, "pixelAspectRatio") + "pixelAspectRatio".length() + 1 + "float".length() + 1 + 4;
        for (Map.Entry<Float, String> each : Map
                .of(1.0667f, "16:15", 0.9091f, "10:11", 1.4545f, "16:11", 2f, "2:1", 1.25f, "5:4", 0f, "1:1").entrySet()) {
            ByteBuffer.wrap(data).order(ByteOrder.LITTLE_ENDIAN).putFloat(value, each.getKey());
            assertThat(inspect(data).format().pixelAspect()).as("%s", each.getKey()).hasToString(each.getValue());
        }
    }
}
