package dev.vat.core.container;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayOutputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.HexFormat;
import org.junit.jupiter.api.Test;

/** Matroska, AVI and MXF put together by hand, as small as they can be. */
class OtherContainersTest {

    private static byte[] join(byte[]... parts) {
        ByteArrayOutputStream all = new ByteArrayOutputStream();
        for (byte[] part : parts) {
            all.writeBytes(part);
        }
        return all.toByteArray();
    }

    private static byte[] hex(String text) {
        return HexFormat.of().parseHex(text.replace(" ", ""));
    }

    /** With a length of four bytes. */
    private static byte[] element(String id, byte[]... contents) {
        byte[] content = join(contents);
        return join(hex(id), ByteBuffer.allocate(4).putInt(0x10000000 | content.length).array(), content);
    }

    private static byte[] text(String words) {
        return words.getBytes(StandardCharsets.UTF_8);
    }

    private static byte[] matroska() {
        byte[] pictures = element("ae", element("d7", hex("01")), element("83", hex("01")), element("86", text("V_MPEG4/ISO/AVC")),
                element("23e383", hex("02625a00")), element("63a2", hex("01640029")), element("e0", element("b0", hex("0040")),
                        element("ba", hex("30"))));
        byte[] sound = element("ae", element("d7", hex("02")), element("83", hex("02")), element("86", text("A_OPUS")),
                element("88", hex("00")), element("e1", element("9f", hex("02"))));
        byte[] tags = element("1254c367", element("ec", hex("00000000")), element("7373",
                element("67c8", element("45a3", text("TIMECODE")), element("4487", text("10:00:00:00")))));
        byte[] cluster = element("1f43b675", element("e7", hex("0a")), element("a3", hex("81 0000 80"), text("first")),
                element("a3", hex("82 0001 80"), text("sound")),
                element("a0", element("9b", hex("28")), element("a1", hex("81 0028 00"), text("second"))));
        return join(element("1a45dfa3", element("4282", text("matroska"))),
                element("18538067", element("1549a966", element("2ad7b1", hex("0f4240")), element("4489", hex("42a00000"))),
                        element("1654ae6b", pictures, sound), tags, cluster));
    }

    @Test
    void elementsAreRead() throws Exception {
        Matroska file = Matroska.of(new MemoryBytes(matroska()));
        assertThat(file.kind()).isEqualTo("matroska");
        assertThat(file.seconds()).isEqualTo(.08);
        assertThat(file.times()).containsExactly(10L, 50L);
        assertThat(file.tags()).containsExactly("TIMECODE=10:00:00:00");
        assertThat(new String(file.first(), StandardCharsets.UTF_8)).isEqualTo("first");
        Matroska.Track pictures = file.first(1).orElseThrow();
        assertThat(pictures.codec()).isEqualTo("V_MPEG4/ISO/AVC");
        assertThat(pictures.duration()).isEqualTo(40_000_000);
        assertThat(pictures.byDefault()).as("what isn't said is yes").isTrue();
        assertThat(pictures.number(0xB0, 0)).isEqualTo(64);
        assertThat(pictures.number(0x54B0, 99)).as("what isn't there").isEqualTo(99);
        assertThat(file.first(2).orElseThrow().byDefault()).isFalse();
    }

    @Test
    void anElementThatSaysMoreThanThereIsIsRefused() {
        byte[] cut = Arrays.copyOf(matroska(), matroska().length - 1);
        assertThatThrownBy(() -> Matroska.of(new MemoryBytes(cut))).isInstanceOf(Malformed.class);
        assertThatThrownBy(() -> Matroska.of(new MemoryBytes(text("no such file at all")))).isInstanceOf(Malformed.class);
    }

    private static byte[] chunk(String type, byte[]... contents) {
        byte[] content = join(contents);
        ByteBuffer all = ByteBuffer.allocate(8 + content.length + (content.length & 1)).order(ByteOrder.LITTLE_ENDIAN);
        return all.put(text(type)).putInt(content.length).put(content).array();
    }

    private static byte[] little(int... values) {
        ByteBuffer all = ByteBuffer.allocate(4 * values.length).order(ByteOrder.LITTLE_ENDIAN);
        for (int value : values) {
            all.putInt(value);
        }
        return all.array();
    }

    @Test
    void chunksOfAllPartsAreRead() throws Exception {
        byte[] head = chunk("LIST", text("hdrl"), chunk("avih", little(40_000, 0, 0, 0, 3, 0, 1)),
                chunk("LIST", text("strl"), chunk("strh", text("vidsDV50"), little(0, 0, 0, 1, 25, 0, 3, 0)),
                        chunk("strf", little(40, 720, 576, 1 | 24 << 16), text("dv50"), new byte[20])));
        byte[] first = chunk("RIFF", text("AVI "), head, chunk("LIST", text("movi"), chunk("00dc", text("one")), chunk("01wb", text("s"))));
        byte[] second = chunk("RIFF", text("AVIX"), chunk("LIST", text("movi"), chunk("00dc", text("two")), chunk("00db", text("three"))));
        AviFile file = AviFile.of(new MemoryBytes(join(first, second)));
        assertThat(file.frames()).isEqualTo(3);
        assertThat(file.pictures()).isEqualTo(3);
        assertThat(file.first().size()).isEqualTo(3);
        AviFile.Stream stream = file.first("vids").orElseThrow();
        assertThat(stream.compression()).isEqualTo("dv50");
        assertThat(stream.width()).isEqualTo(720);
        assertThat(stream.height()).isEqualTo(576);
        assertThat(stream.bits()).isEqualTo(24);
        assertThat(stream.rate()).isEqualTo(25);
        assertThat(stream.length()).isEqualTo(3);
        assertThatThrownBy(() -> AviFile.of(new MemoryBytes(chunk("RIFF", text("WAVE"), new byte[8])))).isInstanceOf(Malformed.class);
    }

    private static byte[] klv(String key, byte[]... contents) {
        byte[] content = join(contents);
        return join(hex(key), new byte[] {(byte) 0x83, (byte) (content.length >> 16), (byte) (content.length >> 8), (byte) content.length},
                content);
    }

    private static byte[] property(int tag, byte[] value) {
        return ByteBuffer.allocate(4 + value.length).putShort((short) tag).putShort((short) value.length).put(value).array();
    }

    @Test
    void partitionsSetsAndElementsAreRead() throws Exception {
        Umid umid = Umid.named("run/file");
        byte[] partition = klv("060e2b34020501010d01020101020400", new byte[64], hex("060e2b34040101010d01020101010900"), new byte[16]);
        byte[] packageSet = klv("060e2b34025301010d01010101013700", property(0x4401, umid.bytes()));
        byte[] pictures = klv("060e2b34025301010d01010101012800", property(0x3001, ByteBuffer.allocate(8).putInt(25).putInt(1).array()),
                property(0x3203, ByteBuffer.allocate(4).putInt(1920).array()));
        byte[] essence = klv("060e2b34010201010d01030115010500", text("picture"));
        byte[] sound = klv("060e2b34010201010d01030116010100", text("sound"));
        byte[] all = join(partition, packageSet, pictures, essence, sound, essence);
        MxfFile file = MxfFile.of(new MemoryBytes(all));
        assertThat(file.partitions()).containsExactly(new MxfFile.Partition(2, 4, "060e2b34040101010d01020101010900"));
        assertThat(file.pictures()).isEqualTo(2);
        assertThat(file.sounds()).isEqualTo(1);
        assertThat(file.first().size()).isEqualTo(7);
        MxfSet.Property found = file.first(MxfSet.FILE_PACKAGE).orElseThrow().properties().getFirst();
        assertThat(Umid.of(found.value())).isEqualTo(umid);
        assertThat(Arrays.copyOfRange(all, (int) found.at(), (int) found.at() + 32)).as("where it lies").isEqualTo(umid.bytes());
        MxfSet descriptor = file.first(MxfSet.CDCI_PICTURES).orElseThrow();
        assertThat(descriptor.number(0x3203)).contains(1920L);
        assertThat(descriptor.fraction(0x3001).orElseThrow()).hasToString("25");
        assertThat(descriptor.label(0x3201)).isEmpty();
        assertThatThrownBy(() -> MxfFile.of(new MemoryBytes(Arrays.copyOf(all, all.length - 1)))).isInstanceOf(Malformed.class);
    }
}
