package dev.vat.media.sound;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Path;
import org.bytedeco.ffmpeg.global.avutil;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Sounds that independent tools wrote, heard by the path of a run and by these tools. */
@Tag("outside")
class SoundZooTest {

    @TempDir
    Path folder;

    @ParameterizedTest(name = "{0}")
    @CsvSource({
        "a.wav, -b 8, sox", "a.wav, -b 16, sox", "a.wav, -b 24, sox", "a.wav, -b 32, sox", "a.wav, -e floating-point -b 32, sox",
        "a.wav, -e floating-point -b 64, sox", "a.wav, -e a-law, sox", "a.wav, -e mu-law, sox", "a.wav, -e gsm-full-rate -r 48000, sox",
        "a.wav, -B -b 8, sox", "a.wav, -B -b 16, sox", "a.wav, -B -b 24, sox", "a.wav, -B -b 32, sox",
        "a.wav, -B -e floating-point -b 32, sox", "a.aiff, -b 8, sox", "a.aiff, -b 16, sox", "a.aiff, -b 24, sox", "a.aifc, -b 24, sox",
        "a.aifc, -b 32, sox", "a.caf, -b 24, sox", "a.w64, -b 24, sox", "a.flac, -b 16, sox", "a.flac, -b 24, sox", "a.opus, '', opusenc",
    })
    void heardAsTheToolHearsIt(String name, String how, String tool) throws Exception {
        Path file = folder.resolve(name);
        run("sox -n -r 48000 -c 1 -b 32 base.wav synth 0.5 sine 300-4000 gain -3");
        run(tool.equals("sox") ? "sox base.wav " + how + " " + name
                : "sox base.wav -b 16 base16.wav && opusenc --quiet base16.wav " + name);
        byte[] theirs = run(tool.equals("sox") ? "sox " + name + " -t raw -e floating-point -b 32 -L -c 1 -r 48000 -"
                : "opusdec --quiet --float --no-dither --force-wav " + name + " - | sox -t wav - -t raw -e floating-point -b 32 -L -");
        ByteArrayOutputStream ours = new ByteArrayOutputStream();
        try (ResampledSound sound = new ResampledSound(file, 1, avutil.AV_SAMPLE_FMT_FLT)) {
            sound.copyTo(ours, () -> false);
        }
        float[] a = floats(ours.toByteArray(), ByteOrder.nativeOrder());
        float[] b = floats(theirs, ByteOrder.LITTLE_ENDIAN);
        assertThat(a).as("samples of " + name + " " + how).hasSize(b.length);
        // Opus decoders may differ in the last bits; what isn't coded is the same to the last one of 24.
        double within = tool.equals("sox") ? 1.0 / (1 << 23) : 1e-3;
        for (int i = 0; i < a.length; i++) {
            assertThat(Math.abs(a[i] - b[i])).as(name + " " + how + ", sample " + i).isLessThanOrEqualTo((float) within);
        }
    }

    private static float[] floats(byte[] bytes, ByteOrder order) {
        float[] samples = new float[bytes.length / 4];
        ByteBuffer.wrap(bytes).order(order).asFloatBuffer().get(samples);
        return samples;
    }

    private byte[] run(String command) throws IOException, InterruptedException {
        Process process = new ProcessBuilder("sh", "-c", command).directory(folder.toFile()).redirectError(ProcessBuilder.Redirect.DISCARD)
                .start();
        byte[] said = process.getInputStream().readAllBytes();
        assertThat(process.waitFor()).as(command).isZero();
        return said;
    }
}
