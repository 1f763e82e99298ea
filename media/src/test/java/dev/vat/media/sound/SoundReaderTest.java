package dev.vat.media.sound;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.vat.core.source.ClipFacts;
import dev.vat.core.time.Rational;
import dev.vat.media.decode.OddMovie;
import dev.vat.media.lib.MediaException;
import dev.vat.media.read.ClipProbe;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Map;
import java.util.stream.LongStream;
import org.bytedeco.ffmpeg.global.avutil;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** WAV files laid out by hand, byte by byte, as their samples are heard. */
class SoundReaderTest {

    private static final int RATE = 48_000;
    private static final int SAMPLES = 4800;

    @TempDir
    Path folder;

    /** A ramp of one channel, from the lowest value up by a 4800th of full scale a sample. */
    private static double value(int sample) {
        return -1 + 2.0 * sample / SAMPLES;
    }

    private static byte[] wav(ByteOrder order, int tag, int bits, boolean extensible) {
        int bytes = bits / 8;
        ByteBuffer data = ByteBuffer.allocate(SAMPLES * bytes).order(order);
        for (int i = 0; i < SAMPLES; i++) {
            if (tag == 3) {
                data.putFloat((float) value(i));
                continue;
            }
            long code = Math.round(value(i) * (1L << bits - 1));
            for (int b = 0; b < bytes; b++) {
                int shift = 8 * (order == ByteOrder.BIG_ENDIAN ? bytes - 1 - b : b);
                data.put((byte) (code >> shift));
            }
        }
        int format = extensible ? 40 : 16;
        ByteBuffer file = ByteBuffer.allocate(12 + 8 + format + 8 + data.capacity()).order(order);
        file.put((order == ByteOrder.BIG_ENDIAN ? "RIFX" : "RIFF").getBytes(StandardCharsets.US_ASCII)).putInt(file.capacity() - 8);
        file.put("WAVEfmt ".getBytes(StandardCharsets.US_ASCII)).putInt(format);
        file.putShort((short) (extensible ? 0xfffe : tag)).putShort((short) 1).putInt(RATE).putInt(RATE * bytes).putShort((short) bytes)
                .putShort((short) bits);
        if (extensible) {
            file.putShort((short) 22).putShort((short) bits).putInt(4).putShort((short) tag).putShort((short) 0).put(new byte[12]);
        }
        return file.put("data".getBytes(StandardCharsets.US_ASCII)).putInt(data.capacity()).put(data.array()).array();
    }

    @ParameterizedTest(name = "{0} format {1} with {2} bits, extensible {3}")
    @CsvSource({"BIG_ENDIAN, 1, 16, false", "BIG_ENDIAN, 1, 24, false", "BIG_ENDIAN, 1, 24, true", "BIG_ENDIAN, 1, 32, true",
        "BIG_ENDIAN, 3, 32, false", "LITTLE_ENDIAN, 1, 24, false", "LITTLE_ENDIAN, 3, 32, true"})
    void everySampleIsHeardAsItIsWritten(String order, int tag, int bits, boolean extensible) throws IOException {
        ByteOrder ends = order.equals("BIG_ENDIAN") ? ByteOrder.BIG_ENDIAN : ByteOrder.LITTLE_ENDIAN;
        Path file = Files.write(folder.resolve("ramp.wav"), wav(ends, tag, bits, ends == ByteOrder.LITTLE_ENDIAN ? false : extensible));
        ClipFacts facts = ClipProbe.probe(file);
        assertThat(facts.seconds()).isEqualTo(Rational.of(1, 10));
        assertThat(facts.container()).isEqualTo("wav");
        assertThat(facts.sounds()).singleElement().satisfies(s -> assertThat(s.fault()).isEmpty());
        float[] heard = heard(file);
        assertThat(heard).hasSize(SAMPLES);
        for (int i = 0; i < SAMPLES; i++) {
            assertThat((double) heard[i]).as("sample " + i).isCloseTo(value(i), within(1.0 / (1 << Math.min(bits, 23))));
        }
    }

    private static float[] heard(Path file) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ResampledSound sound = new ResampledSound(file, 1, avutil.AV_SAMPLE_FMT_FLT)) {
            sound.copyTo(out, () -> false);
        }
        float[] samples = new float[out.size() / 4];
        ByteBuffer.wrap(out.toByteArray()).order(ByteOrder.nativeOrder()).asFloatBuffer().get(samples);
        return samples;
    }

    @ParameterizedTest
    @CsvSource({"BIG_ENDIAN", "LITTLE_ENDIAN"})
    void aCutFileIsAsLongAsWhatIsThereAndSaysSo(String order) throws IOException {
        byte[] whole = wav(order.equals("BIG_ENDIAN") ? ByteOrder.BIG_ENDIAN : ByteOrder.LITTLE_ENDIAN, 1, 24, false);
        Path file = Files.write(folder.resolve("cut.wav"), Arrays.copyOf(whole, 44 + 3 * 1200 + 1));
        ClipFacts facts = ClipProbe.probe(file);
        assertThat(facts.seconds()).isEqualTo(Rational.of(1, 40));
        assertThat(facts.sounds().getFirst().fault()).contains("it was cut: its header says 0.10 s, and 0.03 s are there");
        assertThat(heard(file)).hasSize(1200);
    }

    /** Pictures that begin half a second after the sound: what is heard at a frame is what stood beside it. */
    @ParameterizedTest
    @ValueSource(strings = {"late.mkv", "late.mov"})
    void soundStaysWithItsPictures(String name) throws IOException {
        long[] times = LongStream.range(0, 50).map(i -> 500 + 40 * i).toArray();
        int click = RATE / 2 + 10 * RATE / 25;
        Path file = new OddMovie("libx264", Map.of("x264-params", "bframes=0"), Map.of(), Rational.of(1, 1000), times, Map.of(), click)
                .write(folder.resolve(name));
        float[] heard = heard(file);
        int loudest = 0;
        for (int i = 1; i < heard.length; i++) {
            loudest = Math.abs(heard[i]) > Math.abs(heard[loudest]) ? i : loudest;
        }
        assertThat(loudest).as("the click at the tenth frame").isEqualTo(10 * RATE / 25);
    }

    @Test
    void anUnknownBigEndianWavIsCalledByName() throws IOException {
        Path file = Files.write(folder.resolve("odd.wav"), wav(ByteOrder.BIG_ENDIAN, 7, 16, false));
        assertThatThrownBy(() -> ClipProbe.probe(file)).isInstanceOf(MediaException.class)
                .hasMessageContaining("odd.wav").hasMessageContaining("big-endian WAV of format 7 with 16 bits");
    }
}
