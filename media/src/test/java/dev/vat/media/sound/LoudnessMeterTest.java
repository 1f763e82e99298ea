package dev.vat.media.sound;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.vat.core.proof.Loudness;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Path;
import javax.sound.sampled.AudioFileFormat;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class LoudnessMeterTest {

    private static final int RATE = 48_000;

    @TempDir
    Path folder;

    private Path stereo(double decibels, int seconds) throws IOException {
        double peak = Double.isInfinite(decibels) ? 0 : Math.pow(10, decibels / 20);
        ByteBuffer samples = ByteBuffer.allocate(seconds * RATE * 4).order(ByteOrder.LITTLE_ENDIAN);
        for (int i = 0; i < seconds * RATE; i++) {
            short value = (short) Math.round(32_767 * peak * Math.sin(2 * Math.PI * 1000 * i / RATE));
            samples.putShort(value).putShort(value);
        }
        Path file = folder.resolve("tone.wav");
        AudioSystem.write(
                new AudioInputStream(new ByteArrayInputStream(samples.array()), new AudioFormat(RATE, 16, 2, true, false),
                        (long) seconds * RATE),
                AudioFileFormat.Type.WAVE, file.toFile());
        return file;
    }

    /** EBU Tech 3341, cases 1 and 2: a tone of 1 kHz on two channels is as loud as its peak. */
    @ParameterizedTest
    @ValueSource(doubles = {-23, -33})
    void aToneIsAsLoudAsTheGuidelineSays(double decibels) throws IOException {
        Loudness found = LoudnessMeter.of(stereo(decibels, 20), 2);
        assertThat(found.integrated()).isCloseTo(decibels, within(.1));
        assertThat(found.truePeak()).isCloseTo(decibels, within(.2));
        assertThat(found.range()).isCloseTo(0, within(.1));
    }

    @Test
    void silenceIsBelowTheGate() throws IOException {
        Loudness found = LoudnessMeter.of(stereo(Double.NEGATIVE_INFINITY, 2), 2);
        assertThat(found).isEqualTo(new Loudness(null, 0, null));
        assertThat(found.words()).isEqualTo("below the gate of -70 LUFS, silent throughout");
    }
}
