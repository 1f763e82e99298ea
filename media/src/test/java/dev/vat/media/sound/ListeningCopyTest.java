package dev.vat.media.sound;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.vat.media.encode.StillWriter;
import dev.vat.media.lib.MediaException;
import dev.vat.media.picture.Samples;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class ListeningCopyTest {

    @TempDir
    Path folder;

    /** Half a second of silence, then half a second of one level, mono, 16 bits. */
    private Path wav(int rate) throws IOException {
        ByteBuffer wav = ByteBuffer.allocate(44 + 2 * rate).order(ByteOrder.LITTLE_ENDIAN);
        wav.put("RIFF".getBytes(StandardCharsets.US_ASCII)).putInt(36 + 2 * rate).put("WAVEfmt ".getBytes(StandardCharsets.US_ASCII))
                .putInt(16).putShort((short) 1).putShort((short) 1).putInt(rate).putInt(2 * rate).putShort((short) 2).putShort((short) 16)
                .put("data".getBytes(StandardCharsets.US_ASCII)).putInt(2 * rate);
        for (int i = 0; i < rate; i++) {
            wav.putShort((short) (i < rate / 2 ? 0 : 8000));
        }
        return Files.write(folder.resolve("wind.wav"), wav.array());
    }

    @Test
    void anyRateAndLayoutComesOutAsStereoAt48Kilohertz() throws IOException {
        Path copy = folder.resolve("copy.pcm");
        ListeningCopy.write(wav(44_100), copy);
        assertThat(Files.size(copy)).isBetween(47_900L * ListeningCopy.FRAME_BYTES, 48_100L * ListeningCopy.FRAME_BYTES);
        ByteBuffer samples = ByteBuffer.wrap(Files.readAllBytes(copy)).order(ByteOrder.LITTLE_ENDIAN);
        assertThat(samples.getShort(12_000 * 4)).as("silence, left").isZero();
        assertThat((int) samples.getShort(36_000 * 4)).as("level, left").isBetween(5000, 8100);
        assertThat(samples.getShort(36_000 * 4 + 2)).as("level, right").isEqualTo(samples.getShort(36_000 * 4));
    }

    @Test
    void aFileWithoutSoundIsNamedAndLeavesNothing() throws IOException {
        float[] grey = new float[64];
        Path picture = Files.write(folder.resolve("kite.png"), StillWriter.PNG8.write(new Samples(8, 8, grey, grey, grey, null)));
        assertThatThrownBy(() -> ListeningCopy.write(picture, folder.resolve("copy.pcm"))).isInstanceOf(MediaException.class)
                .hasMessageContaining("kite.png has no sound");
        assertThat(folder).isDirectoryNotContaining("glob:**.p{cm,art}");
    }
}
