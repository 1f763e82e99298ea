package dev.vat.testkit.disturb;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.picture.PictureChoice;
import dev.vat.core.picture.Size;
import dev.vat.core.source.FrameTable;
import dev.vat.engine.TestPlaces;
import dev.vat.engine.source.SourceFinder;
import dev.vat.engine.viewer.Viewer;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Frames of which several at once don't fit into a worker's memory are checked all the same. */
@Tag("process")
@Tag("torture")
class LargeFramesTest {

    private static final Size EIGHT_K = Size.of(7680, 4320);
    private static final int ENTRIES = 10;
    private static final int SHORT = 3;
    private static final int LONG = 4;

    @TempDir
    Path folder;

    /** Baseline TIFF 6.0 of one strip, R G B A of 16 bits each. */
    private static void tiff(Path file) throws IOException {
        int bits = 8 + 2 + 12 * ENTRIES + 4;
        int data = bits + 8;
        long bytes = EIGHT_K.pixels() * 8;
        ByteBuffer head = ByteBuffer.allocate(data).order(ByteOrder.LITTLE_ENDIAN);
        head.put((byte) 'I').put((byte) 'I').putShort((short) 42).putInt(8).putShort((short) ENTRIES);
        entry(head, 256, LONG, 1, EIGHT_K.width());
        entry(head, 257, LONG, 1, EIGHT_K.height());
        entry(head, 258, SHORT, 4, bits);
        entry(head, 259, SHORT, 1, 1);
        entry(head, 262, SHORT, 1, 2);
        entry(head, 273, LONG, 1, data);
        entry(head, 277, SHORT, 1, 4);
        entry(head, 278, LONG, 1, EIGHT_K.height());
        entry(head, 279, LONG, 1, Math.toIntExact(bytes));
        entry(head, 338, SHORT, 1, 2);
        head.putInt(0);
        for (int i = 0; i < 4; i++) {
            head.putShort((short) 16);
        }
        try (FileChannel channel = FileChannel.open(file, StandardOpenOption.CREATE_NEW, StandardOpenOption.WRITE)) {
            channel.write(head.flip());
            ByteBuffer row = ByteBuffer.allocate(EIGHT_K.width() * 8);
            for (int i = 0; i < row.capacity(); i++) {
                row.put(i, (byte) (i * 7));
            }
            for (int y = 0; y < EIGHT_K.height(); y++) {
                channel.write(row.clear());
            }
        }
    }

    private static void entry(ByteBuffer head, int tag, int type, int count, int value) {
        head.putShort((short) tag).putShort((short) type).putInt(count).putInt(value);
    }

    @Test
    void eightKSixteenBitFramesAreCheckedWithinTheWorkersMemory() throws Exception {
        Path frames = Files.createDirectories(folder.resolve("frames"));
        for (int n = 1; n <= 5; n++) {
            tiff(frames.resolve("kite.%04d.tif".formatted(n)));
        }
        try (Viewer viewer = new Viewer(TestPlaces.in(folder))) {
            FrameTable table = viewer.check(SourceFinder.find(frames).sequences().getFirst(), false, PictureChoice.MAIN, _ -> {}).get(5,
                    TimeUnit.MINUTES);
            assertThat(table.faults()).isEmpty();
            assertThat(table.good()).isEqualTo(5);
            assertThat(table.format().orElseThrow().size()).isEqualTo(EIGHT_K);
        }
    }
}
