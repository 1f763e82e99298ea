package dev.vat.media;

import static org.bytedeco.ffmpeg.global.avutil.AV_SAMPLE_FMT_FLT;

import dev.vat.core.run.ReelSound;
import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;

/**
 * A reel's sound as one plain file: every piece at its place, silence elsewhere; 48 kHz, 32-bit floating point,
 * little-endian, channels interleaved, no header. Each deliverable packs it in its own way.
 */
public final class SoundMix {

    private static final int SAMPLE_BYTES = 4;

    private SoundMix() { }

    /** @throws MediaException if a piece's file has no sound any more, or can't be decoded */
    public static void write(ReelSound sound, Path into) throws IOException {
        try (Window out = new Window(new BufferedOutputStream(Files.newOutputStream(into), 1 << 16), sound.channels() * SAMPLE_BYTES)) {
            for (ReelSound.Piece piece : sound.pieces()) {
                out.silenceUntil(piece.at());
                try (ResampledSound source = new ResampledSound(Path.of(piece.path()), sound.channels(), AV_SAMPLE_FMT_FLT)) {
                    out.open(piece.from(), piece.samples());
                    source.copyTo(out, out::isFull);
                }
            }
            out.silenceUntil(sound.samples());
        }
    }

    /** Lets a stretch of what is written pass, and knows how much has. */
    private static final class Window extends OutputStream {
        private final OutputStream out;
        private final int frameBytes;
        private long written;
        private long skip;
        private long room;

        Window(OutputStream out, int frameBytes) {
            this.out = out;
            this.frameBytes = frameBytes;
        }

        void open(long from, long samples) {
            skip = from * frameBytes;
            room = samples * frameBytes;
        }

        boolean isFull() {
            return room == 0;
        }

        void silenceUntil(long sample) throws IOException {
            byte[] silence = new byte[frameBytes];
            while (written < sample * frameBytes) {
                out.write(silence);
                written += frameBytes;
            }
        }

        @Override
        public void write(int b) throws IOException {
            write(new byte[] {(byte) b}, 0, 1);
        }

        @Override
        public void write(byte[] bytes, int start, int length) throws IOException {
            int skipped = (int) Math.min(skip, length);
            skip -= skipped;
            int taken = (int) Math.min(room, length - skipped);
            out.write(bytes, start + skipped, taken);
            room -= taken;
            written += taken;
        }

        @Override
        public void close() throws IOException {
            out.close();
        }
    }
}
