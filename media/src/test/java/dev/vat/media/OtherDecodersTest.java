package dev.vat.media;

import static org.assertj.core.api.Assertions.assertThat;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_get_name;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import dev.vat.core.bitstream.NalUnits;
import dev.vat.core.delivery.Catalogue;
import dev.vat.core.delivery.Chroma;
import dev.vat.core.delivery.Codec;
import dev.vat.core.delivery.Container;
import dev.vat.media.decode.Demuxer;
import dev.vat.media.encode.FrameProof;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import java.util.zip.CRC32C;
import org.bytedeco.javacpp.BytePointer;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * Decoders that share nothing with the library read what was made, and give the same samples to the last bit: AV1 by dav1d, VP9 by vpxdec,
 * H.265 by libde265. Standards leave decoders of these no choice.
 */
@Tag("outside")
class OtherDecodersTest {

    /** A file of packets that is as plain as can be: 32 bytes at its head, 12 before each packet. */
    private static final int IVF_HEAD = 32;
    private static final int IVF_PACKET = 12;
    private static final byte[] START_CODE = {0, 0, 0, 1};
    /** Where an HEVC configuration lists its parameter sets (ISO/IEC 14496-15, 8.3.2). */
    private static final int HVCC_ARRAYS = 22;

    @TempDir
    Path folder;

    private static Optional<Path> program(String name) {
        return Stream.of(System.getenv("PATH").split(":")).map(p -> Path.of(p, name)).filter(Files::isExecutable).findFirst();
    }

    private static void run(List<String> command) throws IOException, InterruptedException {
        Process process = new ProcessBuilder(command).redirectErrorStream(true).start();
        String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        assertThat(process.waitFor()).as(said).isZero();
    }

    @ParameterizedTest
    @CsvSource({"av1-8, MP4", "av1-8, WEBM", "av1-10, MKV", "av1-10, MP4"})
    void av1IsTheSameToTheLastBit(String codec, Container container) throws Exception {
        assumeTrue(program("dav1d").isPresent(), "dav1d isn't installed");
        MadeFile made = MadeFile.of(Catalogue.codec(codec), container, folder);
        Path packets = Files.write(folder.resolve("packets.ivf"), ivf(made.file()));
        Path samples = folder.resolve("samples.yuv");
        run(List.of("dav1d", "--quiet", "--demuxer", "ivf", "--muxer", "yuv", "-i", packets.toString(), "-o", samples.toString()));
        same(made, samples);
    }

    @ParameterizedTest
    @CsvSource({"WEBM", "MKV", "MP4"})
    void vp9IsTheSameToTheLastBit(Container container) throws Exception {
        assumeTrue(program("vpxdec").isPresent(), "vpxdec isn't installed");
        MadeFile made = MadeFile.of(Catalogue.codec("vp9-420"), container, folder);
        Path packets = container == Container.MP4 ? Files.write(folder.resolve("packets.ivf"), ivf(made.file())) : made.file();
        Path samples = folder.resolve("samples.yuv");
        run(List.of("vpxdec", "--i420", "--rawvideo", "-o", samples.toString(), packets.toString()));
        same(made, samples);
    }

    @ParameterizedTest
    @CsvSource({"h265-main-420, MP4", "h265-main10-420, MOV", "h265-main422-10, MKV"})
    void h265IsTheSameToTheLastBit(String codec, Container container) throws Exception {
        assumeTrue(program("libde265-dec265").isPresent(), "libde265's decoder isn't installed");
        MadeFile made = MadeFile.of(Catalogue.codec(codec), container, folder);
        Path packets = Files.write(folder.resolve("packets.h265"), behindStartCodes(made.file()));
        Path samples = folder.resolve("samples.yuv");
        run(List.of("libde265-dec265", "-q", "-o", samples.toString(), packets.toString()));
        same(made, samples);
    }

    /** Frame by frame, by the fingerprints that were taken while it was encoded. */
    private static void same(MadeFile made, Path samples) throws IOException {
        byte[] all = Files.readAllBytes(samples);
        Codec codec = Catalogue.codecs().stream().filter(c -> c.reportedName().equals(made.expected().codec())
                && c.readBits() == made.expected().readBits() && c.chroma() == made.expected().chroma()).findFirst().orElseThrow();
        int pixels = Math.toIntExact(made.expected().size().pixels());
        int frame = (codec.chroma() == Chroma.YUV420 ? pixels * 3 / 2 : pixels * 2) * (codec.readBits() > 8 ? 2 : 1);
        List<Integer> found = new ArrayList<>();
        for (int at = 0; at + frame <= all.length; at += frame) {
            CRC32C crc = new CRC32C();
            crc.update(all, at, frame);
            found.add((int) crc.getValue());
        }
        assertThat(all.length).isEqualTo(made.proofs().size() * frame);
        assertThat(found).isEqualTo(made.proofs().stream().map(FrameProof::crc).toList());
    }

    private static List<byte[]> packets(Demuxer demuxer) {
        List<byte[]> packets = new ArrayList<>();
        while (demuxer.next(packet -> {
            byte[] bytes = new byte[packet.size()];
            packet.data().get(bytes);
            packets.add(bytes);
        })) {
            // They are taken as they come.
        }
        return packets;
    }

    private static byte[] ivf(Path file) {
        try (Demuxer demuxer = new Demuxer(file)) {
            boolean av1 = Catalogue.codec("av1-8").reportedName().equals(codecName(demuxer));
            List<byte[]> packets = packets(demuxer);
            ByteBuffer ivf = ByteBuffer.allocate(IVF_HEAD + packets.stream().mapToInt(p -> p.length + IVF_PACKET).sum())
                    .order(ByteOrder.LITTLE_ENDIAN);
            ivf.put((av1 ? "DKIF\0\0 \0AV01" : "DKIF\0\0 \0VP90").getBytes(StandardCharsets.US_ASCII));
            ivf.putShort((short) demuxer.stream().codecpar().width()).putShort((short) demuxer.stream().codecpar().height());
            ivf.putInt(25).putInt(1).putInt(packets.size()).putInt(0);
            for (int i = 0; i < packets.size(); i++) {
                ivf.putInt(packets.get(i).length).putLong(i).put(packets.get(i));
            }
            return ivf.array();
        }
    }

    private static String codecName(Demuxer demuxer) {
        return avcodec_get_name(demuxer.stream().codecpar().codec_id()).getString();
    }

    private static byte[] behindStartCodes(Path file) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (Demuxer demuxer = new Demuxer(file); BytePointer extra = demuxer.stream().codecpar().extradata()) {
            byte[] configuration = new byte[demuxer.stream().codecpar().extradata_size()];
            extra.get(configuration);
            int at = HVCC_ARRAYS + 1;
            for (int array = 0; array < configuration[HVCC_ARRAYS]; array++) {
                int units = ByteBuffer.wrap(configuration).getShort(at + 1);
                at += 3;
                for (int i = 0; i < units; i++) {
                    int length = ByteBuffer.wrap(configuration).getShort(at) & 0xffff;
                    out.writeBytes(START_CODE);
                    out.writeBytes(Arrays.copyOfRange(configuration, at + 2, at + 2 + length));
                    at += 2 + length;
                }
            }
            for (byte[] packet : packets(demuxer)) {
                for (byte[] unit : NalUnits.behindLengths(packet, 4)) {
                    out.writeBytes(START_CODE);
                    out.writeBytes(unit);
                }
            }
        }
        return out.toByteArray();
    }
}
