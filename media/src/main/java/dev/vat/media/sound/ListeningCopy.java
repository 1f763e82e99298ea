package dev.vat.media.sound;

import static org.bytedeco.ffmpeg.global.avutil.AV_SAMPLE_FMT_S16;

import dev.vat.core.resolved.ReelSound;
import dev.vat.media.lib.MediaException;
import java.io.BufferedInputStream;
import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;

/**
 * The first sound track of a file as plain samples to be played while its pictures are looked at: 48 kHz, two channels
 * interleaved, 16 bits signed, little-endian, no header. Never written into a deliverable.
 */
public final class ListeningCopy {

    private static final int CHANNELS = 2;
    static final int FRAME_BYTES = 2 * CHANNELS;

    private ListeningCopy() {}

    /** A whole reel's sound, where it is clipped as a device would; as {@link #write(Path, Path)}. */
    public static void write(ReelSound sound, Path into) throws IOException {
        Path mix = into.resolveSibling(into.getFileName() + ".mix");
        Path fresh = into.resolveSibling(into.getFileName() + ".part");
        try {
            SoundMix.write(sound, mix);
            try (InputStream in = new BufferedInputStream(Files.newInputStream(mix), 1 << 16);
                    OutputStream out = new BufferedOutputStream(Files.newOutputStream(fresh), 1 << 16)) {
                byte[] moment = new byte[sound.channels() * SoundMix.SAMPLE_BYTES];
                ByteBuffer values = ByteBuffer.wrap(moment).order(ByteOrder.LITTLE_ENDIAN);
                while (in.readNBytes(moment, 0, moment.length) == moment.length) {
                    for (int c = 0; c < CHANNELS; c++) {
                        int value = Math.clamp(
                                Math.round(values.getFloat(Math.min(c, sound.channels() - 1) * SoundMix.SAMPLE_BYTES) * 32767), -32768,
                                32767);
                        out.write(value);
                        out.write(value >> 8);
                    }
                }
            }
            Files.move(fresh, into, StandardCopyOption.ATOMIC_MOVE);
        } finally {
            Files.deleteIfExists(mix);
            Files.deleteIfExists(fresh);
        }
    }

    /**
     * Writes the copy under a name beside {@code into} first, so that half a copy is never taken for one.
     *
     * @throws MediaException if there is no sound track, or it can't be decoded
     */
    public static void write(Path file, Path into) throws IOException {
        Path fresh = into.resolveSibling(into.getFileName() + ".part");
        try (ResampledSound sound = new ResampledSound(file, CHANNELS, AV_SAMPLE_FMT_S16);
                OutputStream out = new BufferedOutputStream(Files.newOutputStream(fresh), 1 << 16)) {
            sound.copyTo(out, () -> false);
        } catch (IOException | RuntimeException e) {
            Files.deleteIfExists(fresh);
            throw e;
        }
        Files.move(fresh, into, StandardCopyOption.ATOMIC_MOVE);
    }
}
