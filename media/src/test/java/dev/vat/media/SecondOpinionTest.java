package dev.vat.media;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.delivery.Catalogue;
import dev.vat.core.delivery.Container;
import dev.vat.core.proof.Comparison;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.HexFormat;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What is changed in the bytes of a good file is found by Vat's own readers, and named. */
class SecondOpinionTest {

    @TempDir
    Path folder;

    private static int find(byte[] bytes, byte[] what) {
        for (int i = 0; i + what.length <= bytes.length; i++) {
            boolean there = true;
            for (int j = 0; j < what.length && there; j++) {
                there = bytes[i + j] == what[j];
            }
            if (there) {
                return i;
            }
        }
        throw new AssertionError("not in the file: " + new String(what, StandardCharsets.ISO_8859_1));
    }

    private List<String> found(MadeFile made) throws Exception {
        return SecondReaders.disagreements(made).stream().map(Comparison.Line::name).toList();
    }

    /** @param after bytes from the first of the box's type to the change */
    @ParameterizedTest
    @CsvSource({"h264-high-420, MP4, stts, 16, 0000000a, 'rate, by ISO/IEC 14496-12'",
        "h264-high-420, MP4, stts, 12, 00000005, 'spacing, by ISO/IEC 14496-12'",
        "h264-high-420, MP4, mdhd, 20, 00000001, 'length, by ISO/IEC 14496-12'",
        "h264-high-420, MP4, avcC, 13, 4d, 'profile, by ITU-T H.264'", "h264-high-420, MP4, avcC, 15, 0a, 'level, by ITU-T H.264'",
        "h264-high-420, MP4, colr, 8, 0009, 'primaries, by ISO/IEC 14496-12'",
        "h264-high-420, MP4, colr, 0, 66726565, 'colours in the index, by ISO/IEC 14496-12'",
        "h264-high-420, MP4, pasp, 4, 00000003, 'pixel aspect, by ISO/IEC 14496-12'",
        "prores-4444, MOV, ap4h, 78, 0018, 'depth announced, by ISO/IEC 14496-12'",
        "prores-422-hq, MOV, icpf, 12, 0200, 'size, by SMPTE RDD 36'", "prores-422-hq, MOV, icpf, 18, 09, 'primaries, by SMPTE RDD 36'",
        "png-rgba-16, MOV, 'png ', 78, 0018, 'depth announced, by ISO/IEC 14496-12'",
        "apng-rgba, APNG, IHDR, 4, 7f, 'second reader, W3C PNG'",
        "gif, GIF, GIF89a, 6, 0901, 'size, by GIF 89a'", "gif, GIF, NETSCAPE2.0, 13, 07, 'plays, by GIF 89a'",
        "webp-420, WEBP, ANMF, 20, ffffff, 'length, by RFC 9649'", "webp-420, WEBP, ANMF, 0, 58, 'pictures in it, by RFC 9649'",
        "av1-8, AVIF, elst, 4, 00000000, 'played, 0 for ever, by AVIF 1.1'", "av1-8, AVIF, stts, 16, 0000000a, 'rate, by AVIF 1.1'",
        "av1-8, AVIF, ftyp, 4, 6d696631, 'brand, by AVIF 1.1'"})
    void aChangedByteIsNamed(String codec, Container container, String box, int after, String value, String name) throws Exception {
        MadeFile made = MadeFile.of(Catalogue.codec(codec), container, folder);
        assertThat(found(made)).isEmpty();
        byte[] bytes = Files.readAllBytes(made.file());
        byte[] change = HexFormat.of().parseHex(value);
        System.arraycopy(change, 0, bytes, find(bytes, box.getBytes(StandardCharsets.ISO_8859_1)) + after, change.length);
        Files.write(made.file(), bytes);
        assertThat(found(made)).contains(name);
    }

    @Test
    void materialWithoutANumberIsNamed() throws Exception {
        MadeFile made = MadeFile.of(Catalogue.codec("prores-422-hq"), Container.MXF, folder);
        assertThat(found(made)).isEmpty();
        byte[] bytes = Files.readAllBytes(made.file());
        byte[] label = HexFormat.of().parseHex("060a2b340101010501010d2013000000");
        ByteBuffer.wrap(bytes).put(find(bytes, label) + 16, new byte[16]);
        Files.write(made.file(), bytes);
        assertThat(found(made)).containsExactly("identifiers, by SMPTE ST 377-1");
    }

    @Test
    void aFileThatEndsEarlyIsUnreadable() throws Exception {
        MadeFile made = MadeFile.of(Catalogue.codec("h264-high-420"), Container.MKV, folder);
        byte[] bytes = Files.readAllBytes(made.file());
        Files.write(made.file(), Arrays.copyOf(bytes, bytes.length - 100));
        assertThat(found(made)).containsExactly("second reader, RFC 9559");
    }

    /** @param at byte of the packet @param value that stands there then, in hexadecimal; nothing for a packet that is lost */
    @ParameterizedTest
    @CsvSource({"a lost packet, 40, 0, , packets", "a later clock, 3, 6, 0fff, arrival", "another coding, 2, 17, 02, codec",
        "no mark, 30, 0, 46, second reader"})
    void aTransportStreamThatWasChangedIsNamed(String what, int packet, int at, String value, String name) throws Exception {
        MadeFile made = MadeFile.of(Catalogue.codec("h264-high-420"), Container.TS, folder);
        assertThat(found(made)).isEmpty();
        byte[] bytes = Files.readAllBytes(made.file());
        assertThat(bytes.length / 188).as(what).isGreaterThan(packet);
        int place = packet * 188 + at;
        if (value == null) {
            byte[] less = Arrays.copyOf(bytes, bytes.length - 188);
            System.arraycopy(bytes, place + 188, less, place, less.length - place);
            bytes = less;
        } else {
            byte[] change = HexFormat.of().parseHex(value);
            System.arraycopy(change, 0, bytes, place, change.length);
        }
        Files.write(made.file(), bytes);
        assertThat(found(made)).anyMatch(line -> line.startsWith(name));
    }

    @Test
    void tagsThatTellOfAnotherKindAreNamed() throws Exception {
        MadeFile made = MadeFile.of(Catalogue.codec("dv50-625"), Container.AVI, folder);
        assertThat(found(made)).isEmpty();
        byte[] bytes = Files.readAllBytes(made.file());
        int format = find(bytes, "strf".getBytes(StandardCharsets.ISO_8859_1));
        System.arraycopy("dvsd".getBytes(StandardCharsets.ISO_8859_1), 0, bytes, format + 8 + 16, 4);
        Files.write(made.file(), bytes);
        assertThat(found(made)).containsExactly("tag, by OpenDML 1.02");
    }

    @Test
    void aGroupThatCountsOtherwiseIsNamed() throws Exception {
        MadeFile made = MadeFile.of(Catalogue.codec("mpeg2-422-50"), Container.MXF, folder);
        assertThat(found(made)).isEmpty();
        byte[] bytes = Files.readAllBytes(made.file());
        bytes[find(bytes, HexFormat.of().parseHex("000001b8")) + 5] ^= 1;
        Files.write(made.file(), bytes);
        assertThat(found(made)).containsExactly("timecode, by ITU-T H.262");
    }
}
