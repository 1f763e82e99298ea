package dev.vat.media.sound;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.vat.core.container.Bytes;
import dev.vat.core.container.Umid;
import dev.vat.core.container.WaveFile;
import dev.vat.core.delivery.SoundCodec;
import dev.vat.core.proof.Loudness;
import dev.vat.core.sound.ChannelMap;
import dev.vat.media.lib.FileBytes;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Broadcast WAV files as our own reader finds them, and as the JDK's does. */
class BroadcastWaveTest {

    private static final int MOMENTS = 1001;
    private static final BroadcastWave.Head HEAD = new BroadcastWave.Head("Kite Week, teaser", "Vat", "1.2", "run/web", "run",
            Instant.parse("2031-05-04T12:30:45Z"), 1_728_000_000);

    @TempDir
    Path folder;

    /** Each channel ramps to a height of its own: the first to a tenth, the second to two. */
    private Path mix(int channels) throws IOException {
        ByteBuffer samples = ByteBuffer.allocate(MOMENTS * channels * 4).order(ByteOrder.LITTLE_ENDIAN);
        for (int i = 0; i < MOMENTS; i++) {
            for (int c = 1; c <= channels; c++) {
                samples.putFloat(c * .1f * i / (MOMENTS - 1));
            }
        }
        Path file = folder.resolve("mix.f32");
        Files.write(file, samples.array());
        return file;
    }

    private Path written(int channels, boolean placed, List<ChannelMap> tracks) throws IOException {
        Path file = folder.resolve("kite.wav");
        BroadcastWave.write(new WovenSound(mix(channels), channels, placed, SoundCodec.PCM_24, MOMENTS, tracks), HEAD, file);
        return file;
    }

    private static WaveFile read(Path file) throws IOException {
        try (FileBytes bytes = FileBytes.of(file)) {
            return WaveFile.of(bytes);
        }
    }

    @ParameterizedTest
    @CsvSource({"1, true", "2, true", "2, false", "3, false", "6, true"})
    void everySampleOfEveryChannelIsThere(int channels, boolean placed) throws Exception {
        Path file = written(channels, placed, List.of());
        WaveFile found = read(file);
        assertThat(found).isEqualTo(new WaveFile(WaveFile.PCM, channels, 48_000, 24, MOMENTS, true, found.broadcast()));
        try (AudioInputStream in = AudioSystem.getAudioInputStream(file.toFile())) {
            AudioFormat format = in.getFormat();
            assertThat(List.of(format.getChannels(), format.getSampleSizeInBits(), (int) format.getSampleRate()))
                    .containsExactly(channels, 24, 48_000);
            byte[] samples = in.readAllBytes();
            assertThat(samples).hasSize(MOMENTS * channels * 3);
            for (int c = 1; c <= channels; c++) {
                int last = samples.length - (channels - c + 1) * 3;
                int value = samples[last] & 0xff | (samples[last + 1] & 0xff) << 8 | samples[last + 2] << 16;
                assertThat(value / 8_388_608.).as("the last of channel " + c).isCloseTo(c * .1, within(1e-6));
            }
        }
    }

    @Test
    void oneChannelIsTakenOutOfSeveral() throws IOException {
        Path file = written(4, false, List.of(new ChannelMap(List.of(3))));
        assertThat(read(file).channels()).isEqualTo(1);
        byte[] all = Files.readAllBytes(file);
        // An odd number of bytes is filled up by one.
        assertThat(all.length % 2).isZero();
        int last = all.length - 4;
        assertThat((all[last] & 0xff | (all[last + 1] & 0xff) << 8 | all[last + 2] << 16) / 8_388_608.).isCloseTo(.3, within(1e-6));
    }

    @Test
    void theHeadSaysWhoseItIsWhenItBeginsAndHowLoudItIs() throws IOException {
        Path file = written(2, true, List.of());
        BroadcastWave.state(new Loudness(-23.04, 4.256, -1., -18.5, null), file);
        WaveFile.Broadcast said = read(file).broadcast();
        assertThat(said).isEqualTo(new WaveFile.Broadcast("Kite Week, teaser", "Vat", "run", "2031-05-04", "12:30:45", 1_728_000_000L, 2,
                Umid.named("run/web"), new WaveFile.Loud(-2304, 426, -100, -1850, null)));
    }

    @Test
    void thePlacesOfSurroundAreNamedAndDiscreteChannelsHaveNone() throws IOException {
        int places = 12 + 8 + 602 + 8 + 20;
        // Behind the history of coding, which is a line of its own length.
        byte[] surround = BroadcastWave.head(6, 0x3f, HEAD, 0);
        byte[] discrete = BroadcastWave.head(6, 0, HEAD, 0);
        int at = Arrays.mismatch(surround, discrete);
        assertThat(at).isGreaterThan(places);
        assertThat(surround[at]).isEqualTo((byte) 0x3f);
        assertThat(discrete[at]).isZero();
    }

    /** Five hours of 5.1: more than 32 bits can count. */
    @Test
    void whatGrowsBeyond32BitsIsStillCounted() throws IOException {
        long moments = 5L * 3600 * 48_000;
        byte[] head = BroadcastWave.head(6, 0x3f, HEAD, moments * 18);
        WaveFile found = WaveFile.of(new Bytes() {
            @Override
            public long size() {
                return head.length + moments * 18;
            }

            @Override
            public byte[] read(long at, int count) {
                return Arrays.copyOfRange(head, (int) at, (int) at + count);
            }
        });
        assertThat(found.moments()).isEqualTo(moments);
        assertThat(found.there()).isTrue();
        assertThat(new String(head, 0, 4, StandardCharsets.US_ASCII)).isEqualTo("RF64");
    }

    @Test
    void whatIsCutShortIsNoticed() throws IOException {
        Path file = written(2, true, List.of());
        byte[] all = Files.readAllBytes(file);
        Files.write(file, Arrays.copyOf(all, all.length - 6));
        assertThat(read(file).there()).isFalse();
    }
}
