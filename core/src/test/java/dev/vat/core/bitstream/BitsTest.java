package dev.vat.core.bitstream;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HexFormat;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Bits, Exp-Golomb codes and units, by the tables of ITU-T H.264. */
class BitsTest {

    private static byte[] hex(String text) {
        return HexFormat.of().parseHex(text.replace(" ", ""));
    }

    /** Table 9-2. */
    @ParameterizedTest
    @CsvSource({"80, 0", "40, 1", "60, 2", "20, 3", "28, 4", "30, 5", "38, 6", "10, 7", "12, 8"})
    void unsignedCodesAreRead(String bits, int value) {
        assertThat(new Bits(hex(bits)).ue()).isEqualTo(value);
    }

    /** Table 9-3. */
    @ParameterizedTest
    @CsvSource({"80, 0", "40, 1", "60, -1", "20, 2", "28, -2", "30, 3", "38, -3"})
    void signedCodesAreRead(String bits, int value) {
        assertThat(new Bits(hex(bits)).se()).isEqualTo(value);
    }

    @Test
    void bytesThatKeepStartCodesAwayAreLeftOut() {
        Bits bits = Bits.ofPayload(hex("67 00 00 03 01 00 00 03 00 05"), 1);
        assertThat(bits.u(32)).isEqualTo(0x00000100L);
        assertThat(bits.u(24)).isEqualTo(0x000005L);
        assertThat(bits.isOver()).isTrue();
        assertThat(bits.u(32)).as("behind the end all is 0").isZero();
    }

    @Test
    void unitsStandBehindStartCodesOfThreeAndFourBytes() {
        List<byte[]> units = NalUnits.behindStartCodes(hex("00 00 00 01 09 f0 00 00 01 67 64 00 00 00 01 68 ee 00 00"));
        assertThat(units).containsExactly(hex("09 f0"), hex("67 64"), hex("68 ee"));
        assertThat(NalUnits.hasStartCodes(hex("00 00 00 01 09 f0"))).isTrue();
        assertThat(NalUnits.hasStartCodes(hex("00 00 00 02 09 f0"))).isFalse();
    }

    @Test
    void unitsStandBehindTheirLengths() {
        assertThat(NalUnits.behindLengths(hex("00 00 00 02 09 f0 00 00 00 01 67"), 4)).containsExactly(hex("09 f0"), hex("67"));
        assertThat(NalUnits.behindLengths(hex("00 09 67"), 2)).as("cut off").containsExactly(hex("67"));
    }

    /** A sequence parameter set of High profile at level 3.1, 1280x720, BT.709, 25 a second. */
    @Test
    void aParameterSetIsReadWhole() {
        StreamFacts facts = AvcStream.of(List.of(hex("67 64 00 1f ac d9 40 50 05 bb 01 10 00 00 03 00 10 00 00 03 03 20 f1 83 19 60")))
                .orElseThrow();
        assertThat(facts.profile()).isEqualTo("High");
        assertThat(facts.level()).isEqualTo("3.1");
        assertThat(facts.width()).isEqualTo(1280);
        assertThat(facts.height()).isEqualTo(720);
        assertThat(facts.bits()).isEqualTo(8);
        assertThat(facts.chroma()).isEqualTo("4:2:0");
        assertThat(facts.fields()).isEqualTo(StreamFacts.Fields.PROGRESSIVE);
    }

    @ParameterizedTest
    @CsvSource({"00", "0000", "ffffffffffffffffffff", "00000001", "69637066"})
    void whatIsNoFrameIsNone(String bytes) {
        assertThat(ProResStream.of(hex(bytes))).isEmpty();
        assertThat(DnxStream.of(hex(bytes))).isEmpty();
        assertThat(Mpeg2Stream.of(hex(bytes))).isEmpty();
        assertThat(DvStream.of(hex(bytes))).isEmpty();
        assertThat(Vp9Stream.of(hex(bytes))).isEmpty();
        assertThat(AvcStream.of(List.of(hex(bytes)))).isEmpty();
    }
}
