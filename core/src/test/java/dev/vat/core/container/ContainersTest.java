package dev.vat.core.container;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.vat.core.picture.PixelAspect;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Timecode;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Containers built by hand, and what is no container at all. */
class ContainersTest {

    private static byte[] still(ByteOrder order) {
        ByteBuffer still = ByteBuffer.allocate(1664 + 8).order(order);
        still.putInt(0, 0x53445058).putInt(4, 1664).putInt(16, still.capacity()).putShort(770, (short) 1).putInt(772, 2).putInt(776, 1);
        still.put(803, (byte) 10).putInt(808, 1664);
        still.putLong(1664, 0x0102030405060708L);
        return still.array();
    }

    private static DpxHeader.Facts facts(String rate, String label) {
        Rate perSecond = Rate.parse(rate);
        return new DpxHeader.Facts("kite.1005.dpx", "Vat", perSecond, label == null ? null : Timecode.parse(label, perSecond), 4, 96,
                PixelAspect.of(16, 15));
    }

    @ParameterizedTest
    @CsvSource({"25, 10:00:00:23", "24000/1001, 01:02:03:04", "30000/1001, 00:59:59;29", "60, 10:00:00:59", "50, 23:59:59:49", "25,"})
    void aStillKeepsItsPictureAndSaysItsTime(String rate, String label) {
        for (ByteOrder order : new ByteOrder[] {ByteOrder.BIG_ENDIAN, ByteOrder.LITTLE_ENDIAN}) {
            byte[] whole = DpxHeader.whole(still(order), facts(rate, label));
            assertThat(DpxHeader.of(whole, Rate.parse(rate))).contains(facts(rate, label));
            ByteBuffer bytes = ByteBuffer.wrap(whole).order(order);
            assertThat(bytes.getInt(4)).as("where the picture lies").isEqualTo(DpxHeader.BYTES);
            assertThat(bytes.getInt(808)).as("where its element lies").isEqualTo(DpxHeader.BYTES);
            assertThat(bytes.getInt(16)).isEqualTo(whole.length);
            assertThat(bytes.getFloat(1964)).as("white level").isEqualTo(1023);
            assertThat(bytes.getInt(1412)).as("offset").isZero();
            assertThat(bytes.getInt(852)).as("an element that isn't there is undefined").isEqualTo(-1);
            assertThat(bytes.getLong(DpxHeader.BYTES)).isEqualTo(ByteBuffer.wrap(still(order)).order(order).getLong(1664));
        }
    }

    @Test
    void aStillWithoutItsWholeHeaderSaysNothing() {
        assertThat(DpxHeader.of(Arrays.copyOf(still(ByteOrder.BIG_ENDIAN), 4096), Rate.FPS_25)).isEmpty();
        assertThatThrownBy(() -> DpxHeader.whole(new byte[4096], facts("25", null))).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void materialIsNumberedByItsName() {
        Umid one = Umid.named("run/a");
        assertThat(one).isEqualTo(Umid.named("run/a")).isNotEqualTo(Umid.named("run/b"));
        assertThat(one.hex()).startsWith("060a2b340101010501010d2013000000").hasSize(64);
        assertThat(one.isNumbered()).isTrue();
        assertThat(Umid.of(Arrays.copyOf(one.bytes(), 32)).bytes()).isEqualTo(one.bytes());
        byte[] none = one.bytes();
        Arrays.fill(none, 16, 31, (byte) 0);
        assertThat(Umid.of(none).isNumbered()).isFalse();
        assertThatThrownBy(() -> Umid.of(new byte[31])).hasMessageContaining("31");
    }

    @Test
    void aBoxThatSaysMoreThanThereIsIsRefused() {
        byte[] bytes = ByteBuffer.allocate(16).putInt(8).put("free".getBytes(StandardCharsets.US_ASCII)).putInt(99)
                .put("moov".getBytes(StandardCharsets.US_ASCII)).array();
        assertThatThrownBy(() -> IsoMovie.of(new MemoryBytes(bytes))).isInstanceOf(Malformed.class).hasMessageContaining("moov")
                .hasMessageContaining("8");
        assertThatThrownBy(() -> IsoMovie.of(new MemoryBytes(Arrays.copyOf(bytes, 8)))).isInstanceOf(Malformed.class)
                .hasMessageContaining("no index");
    }
}
