package dev.vat.media.decode.still;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.vat.core.picture.PictureChoice;
import dev.vat.core.picture.PictureFormat;
import dev.vat.core.picture.Stated;
import dev.vat.core.source.FileKind;
import dev.vat.core.source.FrameState;
import dev.vat.media.TestProfiles;
import java.awt.color.ColorSpace;
import java.awt.color.ICC_Profile;
import java.io.ByteArrayOutputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.zip.CRC32;
import java.util.zip.Deflater;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What headers say beside size and depth. */
class StatedTest {

    private static byte[] chunk(String type, byte[] data) {
        byte[] name = type.getBytes(StandardCharsets.US_ASCII);
        CRC32 crc = new CRC32();
        crc.update(name);
        crc.update(data);
        return ByteBuffer.allocate(12 + data.length).putInt(data.length).put(name).put(data).putInt((int) crc.getValue()).array();
    }

    /** A PNG of one grey pixel with more chunks before its picture. */
    private static PictureFormat png(byte[]... chunks) {
        ByteArrayOutputStream file = new ByteArrayOutputStream();
        file.writeBytes(new byte[] {(byte) 0x89, 'P', 'N', 'G', '\r', '\n', 0x1a, '\n'});
        file.writeBytes(chunk("IHDR", ByteBuffer.allocate(13).putInt(1).putInt(1).put((byte) 8).put((byte) 0).array()));
        for (byte[] chunk : chunks) {
            file.writeBytes(chunk);
        }
        Deflater deflater = new Deflater();
        deflater.setInput(new byte[] {0, 77});
        deflater.finish();
        byte[] packed = new byte[32];
        int length = deflater.deflate(packed);
        file.writeBytes(chunk("IDAT", Arrays.copyOf(packed, length)));
        file.writeBytes(chunk("IEND", new byte[0]));
        Inspection inspection = Inspection.of(FileKind.PNG, file.toByteArray(), PictureChoice.MAIN);
        assertThat(inspection.state()).isEqualTo(FrameState.GOOD);
        return inspection.format();
    }

    private static byte[] ints(int... values) {
        ByteBuffer buffer = ByteBuffer.allocate(4 * values.length);
        for (int value : values) {
            buffer.putInt(value);
        }
        return buffer.array();
    }

    @Test
    void pngColourChunksHaveTheOrderOfTheStandard() {
        byte[] gama = chunk("gAMA", ints(45455));
        byte[] srgb = chunk("sRGB", new byte[1]);
        byte[] cicp = chunk("cICP", new byte[] {9, 16, 0, 1});
        byte[] iccp = chunk("iCCP", "Marram display\0\0xx".getBytes(StandardCharsets.ISO_8859_1));
        assertThat(png().stated().isNothing()).isTrue();
        assertThat(png(gama).stated().colour()).isEqualTo("gamma 2.20");
        assertThat(png(gama, srgb).stated().colour()).isEqualTo("sRGB");
        assertThat(png(srgb, gama, iccp).stated().colour()).isEqualTo("ICC profile Marram display");
        assertThat(png(srgb, iccp, cicp, gama).stated().colour()).isEqualTo("Rec.2020 primaries, PQ curve");
        assertThat(png(cicp).stated().primaries()).isEqualTo(9);
        assertThat(png(cicp).stated().transfer()).isEqualTo(16);
        assertThat(png(gama, chunk("cHRM", new byte[32])).stated().colour())
                .isEqualTo("own primaries (red at 0.000, 0.000), gamma 2.20");
        assertThat(png(iccp).stated().foreign()).isEqualTo("ICC profile Marram display");
        assertThat(png(chunk("gAMA", ints(55555))).stated().own().curve().power()).isCloseTo(1.8, within(.001));
        assertThat(png(chunk("gAMA", ints(100000))).stated().transfer()).as("linear").isEqualTo(8);
    }

    @Test
    void primariesThatAreStatedByPlaceAreFoundAmongThePublished() {
        byte[] p3 = chunk("cHRM", ints(31270, 32900, 68000, 32000, 26500, 69000, 15000, 6000));
        assertThat(png(p3).stated().primaries()).isEqualTo(12);
        assertThat(png(p3).stated().colour()).isEqualTo("P3-D65 primaries");
        byte[] aces = chunk("cHRM", ints(32168, 33767, 73470, 26530, 0, 100000, 10, -7700));
        assertThat(png(aces).stated().colour()).isEqualTo("ACES AP0 primaries");
        assertThat(png(aces).stated().own().light().getFirst()).isCloseTo(2.5217, within(.001));
    }

    /** Profiles of the JDK, and one made here. */
    @Test
    void profilesOfPublishedColoursAreTakenAsThese() {
        Stated srgb = IccProfile.stated(ICC_Profile.getInstance(ColorSpace.CS_sRGB).getData(), null);
        assertThat(srgb.primaries()).isEqualTo(1);
        assertThat(srgb.transfer()).isEqualTo(13);
        assertThat(srgb.isOfOtherColour()).isFalse();
        Stated linear = IccProfile.stated(ICC_Profile.getInstance(ColorSpace.CS_LINEAR_RGB).getData(), "light");
        assertThat(linear.transfer()).isEqualTo(8);
        assertThat(linear.colour()).isEqualTo("ICC profile light (Rec.709 primaries, linear light)");
        Stated p3 = IccProfile.stated(dune(.5151, .2412, -.0011, .2920, .6922, .0419, .1571, .0666, .7841), null);
        assertThat(p3.colour()).isEqualTo("ICC profile Dune (P3-D65 primaries, gamma 2.2)");
        assertThat(p3.primaries()).isEqualTo(12);
        assertThat(p3.isOfOtherColour()).isTrue();
        Stated own = IccProfile.stated(dune(TestProfiles.WIDE), null);
        assertThat(own.foreign()).isNull();
        assertThat(own.colour()).isEqualTo("ICC profile Dune");
        assertThat(own.own().curve().power()).isCloseTo(2.2, within(.002));
        assertThat(own.isOfOtherColour()).isTrue();
        byte[] damaged = Arrays.copyOf(dune(TestProfiles.WIDE), 150);
        assertThat(IccProfile.stated(damaged, "Cut").foreign()).isEqualTo("ICC profile Cut");
    }

    private static byte[] dune(double... colours) {
        return TestProfiles.power("Dune", colours, 2.2);
    }

    @Test
    void anAnimationBehindPngIsCalledOne() {
        ByteArrayOutputStream file = new ByteArrayOutputStream();
        file.writeBytes(new byte[] {(byte) 0x89, 'P', 'N', 'G', '\r', '\n', 0x1a, '\n'});
        file.writeBytes(chunk("IHDR", ByteBuffer.allocate(13).putInt(1).putInt(1).put((byte) 8).put((byte) 0).array()));
        file.writeBytes(chunk("acTL", ints(12, 0)));
        Inspection inspection = Inspection.of(FileKind.PNG, file.toByteArray(), PictureChoice.MAIN);
        assertThat(inspection.state()).isEqualTo(FrameState.UNREADABLE);
        assertThat(inspection.why()).isEqualTo("it is an animation of 12 frames, not a single picture: name it .apng");
    }

    @Test
    void pngPixelsPerUnitGiveTheirShape() {
        assertThat(png(chunk("pHYs", new byte[] {0, 0, 0, 45, 0, 0, 0, 64, 0})).pixelAspect()).hasToString("64:45");
        assertThat(png(chunk("pHYs", new byte[] {0, 0, 11, 19, 0, 0, 11, 19, 1})).pixelAspect()).hasToString("1:1");
    }

    private static ByteBuffer dpx(ByteOrder order) {
        ByteBuffer b = ByteBuffer.allocate(2048 + 2 * 4).order(order);
        b.put(0, (order == ByteOrder.BIG_ENDIAN ? "SDPX" : "XPDS").getBytes(StandardCharsets.US_ASCII));
        b.putInt(4, 2048).putInt(16, b.capacity()).putInt(772, 1).putInt(776, 2);
        b.put(800, (byte) 50).put(801, (byte) 6).put(803, (byte) 10).putShort(804, (short) 1).putInt(808, 2048);
        b.putInt(1628, 12).putInt(1632, 11);
        b.putFloat(1724, Float.NaN).putInt(1920, 0x01020304).putFloat(1940, 23.976f);
        return b;
    }

    @ParameterizedTest
    @CsvSource({"true", "false"})
    void dpxStatesRateTimecodeShapeAndColour(boolean big) {
        Inspection inspection = Inspection.of(FileKind.DPX, dpx(big ? ByteOrder.BIG_ENDIAN : ByteOrder.LITTLE_ENDIAN).array(),
                PictureChoice.MAIN);
        assertThat(inspection.state()).as(inspection.why()).isEqualTo(FrameState.GOOD);
        assertThat(inspection.format().depth()).hasToString("10-bit");
        assertThat(inspection.format().pixelAspect()).hasToString("12:11");
        assertThat(inspection.format().stated().rate()).hasToString("24000/1001");
        assertThat(inspection.format().stated().timecode()).isEqualTo("01:02:03:04");
        assertThat(inspection.format().stated().colour()).isEqualTo("Rec.709 primaries, Rec.709 curve");
    }

    @Test
    void dpxFieldsThatWereLeftOutStateNothing() {
        ByteBuffer b = dpx(ByteOrder.BIG_ENDIAN);
        b.putInt(1628, -1).putInt(1632, -1).putInt(1920, -1).putFloat(1940, Float.NaN).put(801, (byte) 0);
        PictureFormat format = Inspection.of(FileKind.DPX, b.array(), PictureChoice.MAIN).format();
        assertThat(format.pixelAspect().isSquare()).isTrue();
        assertThat(format.stated().isNothing()).isTrue();
    }

    @ParameterizedTest
    @CsvSource({"23.976024,24000/1001", "23.976,24000/1001", "24,24", "29.97,30000/1001", "59.94006,60000/1001", "12.5,25/2",
        "25.000001,25"})
    void aRateThatWasRoundedIsTheFractionItStandsFor(double stated, String rate) {
        assertThat(ColourHints.rate(stated)).map(Object::toString).contains(rate);
    }

    @Test
    void nonsenseIsNoRateNoTimecodeNoShape() {
        assertThat(ColourHints.rate(Double.NaN)).isEmpty();
        assertThat(ColourHints.rate(0)).isEmpty();
        assertThat(ColourHints.rate(1e9)).isEmpty();
        assertThat(ColourHints.timecode(0x25000000)).isNull();
        assertThat(ColourHints.timecode(0x0a000000)).isNull();
        assertThat(ColourHints.pixelAspect(Double.NaN).isSquare()).isTrue();
        assertThat(ColourHints.pixelAspect(1.0940)).hasToString("547:500");
        assertThat(ColourHints.pixelAspect(1.0926)).hasToString("12:11");
        assertThat(ColourHints.pixelAspect(1.0909)).hasToString("12:11");
    }

    @Test
    void webpAnimationsAndForeignHeadersAreRefusedInWords() {
        byte[] anim = ByteBuffer.allocate(44).order(ByteOrder.LITTLE_ENDIAN).put("RIFF".getBytes(StandardCharsets.US_ASCII)).putInt(36)
                .put("WEBPVP8X".getBytes(StandardCharsets.US_ASCII)).putInt(10).put(new byte[10])
                .put("ANIM".getBytes(StandardCharsets.US_ASCII)).putInt(6).put(new byte[6]).array();
        assertThat(Inspection.of(FileKind.WEBP, anim, PictureChoice.MAIN).why()).contains("animation");
        byte[] bmp = new byte[64];
        bmp[0] = 'B';
        bmp[1] = 'M';
        bmp[14] = 40;
        assertThat(Inspection.of(FileKind.BMP, bmp, PictureChoice.MAIN).state()).isEqualTo(FrameState.UNREADABLE);
    }
}
