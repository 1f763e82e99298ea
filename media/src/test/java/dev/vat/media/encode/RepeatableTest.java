package dev.vat.media.encode;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.delivery.Catalogue;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.time.Rate;
import dev.vat.media.lib.MediaLibrary;
import dev.vat.media.picture.Picture;
import java.lang.foreign.MemorySegment;
import java.lang.foreign.ValueLayout;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Consumer;
import java.util.stream.IntStream;
import java.util.zip.CRC32C;
import org.bytedeco.ffmpeg.avcodec.AVPacket;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The same pictures give the same packets, whatever else the process is doing: a resumed run makes the file it would have made. */
@Tag("slow")
class RepeatableTest {

    @BeforeAll
    static void load() {
        MediaLibrary.version();
    }

    @ParameterizedTest(name = "{0} at {1}x{2}")
    @CsvSource({"web-h264, 64, 48, 12", "web-h264, 64, 720, 3", "web-h264, 320, 64, 8", "phone-h265, 96, 64, 2", "web-vp9, 64, 48, 2"})
    void sameEveryTime(String target, int width, int height, int times) {
        EncoderSpec spec = EncoderSpec.of(Catalogue.target(target).settings(), Size.of(width, height), PixelAspect.SQUARE, Rate.FPS_25, 2);
        Set<Long> results = IntStream.range(0, times).parallel().mapToObj(_ -> encode(spec)).collect(TreeSet::new, Set::add, Set::addAll);
        assertThat(results).as("different results of " + times + " encodes").hasSize(1);
    }

    private static long encode(EncoderSpec spec) {
        CRC32C crc = new CRC32C();
        Consumer<AVPacket> sink = packet -> {
            byte[] bytes = new byte[packet.size()];
            packet.data().get(bytes);
            crc.update(bytes);
        };
        try (TrackEncoder encoder = new TrackEncoder(spec)) {
            for (int frame = 0; frame < 240; frame++) {
                try (Picture picture = kite(frame, spec.size())) {
                    encoder.encode(picture, sink);
                }
            }
            encoder.flush(sink);
        }
        return crc.getValue();
    }

    /** A square kite before a sky, a pixel further in each frame. */
    private static Picture kite(int frame, Size size) {
        return Picture.filled("yuv420p", size.width(), size.height(), picture -> {
            for (int plane = 0; plane < 3; plane++) {
                MemorySegment samples = picture.plane(plane);
                int step = plane == 0 ? 1 : 2;
                for (int y = 0; y < picture.planeHeight(plane); y++) {
                    for (int x = 0; x < picture.rowBytes(plane); x++) {
                        boolean kite = Math.abs(x * step - (frame + 8) % size.width()) < 6 && Math.abs(y * step - 20) < 6;
                        int sky = plane == 0 ? 40 + 100 * y / size.height() : 118 + 20 * x * step / size.width();
                        samples.set(ValueLayout.JAVA_BYTE, (long) y * picture.stride(plane) + x, (byte) (kite ? 180 : sky));
                    }
                }
            }
        });
    }
}
