package dev.vat.media.sound;

import static org.bytedeco.ffmpeg.global.avutil.AV_SAMPLE_FMT_FLT;

import dev.vat.core.delivery.SoundCodec;
import dev.vat.core.sound.ChannelMap;
import dev.vat.core.resolved.ReelSound;
import dev.vat.core.time.Rational;
import dev.vat.media.lib.MediaException;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.channels.FileChannel;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;

/**
 * The sound of a whole reel in one temporary file: single precision, interleaved, little-endian, 48 kHz, no header. Pieces that sound at
 * once are added, and nothing is clipped here: values beyond 1 stay what they are.
 */
public final class SoundMix {

    static final int SAMPLE_BYTES = Float.BYTES;

    private SoundMix() {}

    /** As it is, see {@link #write(ReelSound, double, Path)}. */
    public static void write(ReelSound sound, Path into) throws IOException {
        write(sound, 0, into);
    }

    /**
     * @param gain in decibels, for all but tones
     * @throws MediaException if a piece's file has no sound any more, or can't be decoded
     */
    public static void write(ReelSound sound, double gain, Path into) throws IOException {
        try (FileChannel out = FileChannel.open(into, StandardOpenOption.CREATE, StandardOpenOption.TRUNCATE_EXISTING,
                StandardOpenOption.READ, StandardOpenOption.WRITE)) {
            long bytes = sound.samples() * sound.channels() * SAMPLE_BYTES;
            if (bytes > 0) {
                out.write(ByteBuffer.allocate(1), bytes - 1);
            }
            for (ReelSound.Piece piece : sound.pieces()) {
                boolean own = piece.shaping() != null && piece.shaping().map() != null;
                try (ResampledSound source = new ResampledSound(Path.of(piece.path()), own ? ResampledSound.OWN_CHANNELS : sound.channels(),
                        AV_SAMPLE_FMT_FLT, piece.stretch() == null ? Rational.ONE : piece.stretch());
                        Adding adding = new Adding(out, source.channels(), sound.channels(), piece, Math.pow(10, gain / 20))) {
                    source.copyTo(adding, adding::isFull);
                }
            }
            for (ReelSound.Tone tone : sound.tones()) {
                add(tone, sound.channels(), out);
            }
        }
    }

    /** A sine that begins at 0 is heard on all channels alike, as if it were the whole of a file. */
    private static void add(ReelSound.Tone tone, int channels, FileChannel out) throws IOException {
        double peak = Math.pow(10, tone.level() / 20.);
        ByteBuffer moment = ByteBuffer.allocate(channels * SAMPLE_BYTES).order(ByteOrder.LITTLE_ENDIAN);
        try (Adding adding = new Adding(out, channels, channels, new ReelSound.Piece("", 0, tone.at(), tone.samples()), 1)) {
            for (long i = 0; i < tone.samples(); i++) {
                moment.clear();
                float value = (float) (peak * Math.sin(2 * Math.PI * ReelSound.Tone.HERTZ * i / SoundCodec.RATE));
                for (int c = 0; c < channels; c++) {
                    moment.putFloat(value);
                }
                adding.write(moment.array(), 0, moment.capacity());
            }
        }
    }

    /** Adds a piece to what is there, block by block. */
    private static final class Adding extends OutputStream {
        private static final int BLOCK = 1 << 14;

        private final FileChannel out;
        private final ReelSound.Piece piece;
        private final double gain;
        private final int channels;
        private final float[] moment;
        private final ByteBuffer block;
        private final ByteBuffer there;
        private long skip;
        private long place;

        /** @param taken channels that come in @param channels of the mix */
        Adding(FileChannel out, int taken, int channels, ReelSound.Piece piece, double gain) {
            this.out = out;
            this.gain = gain;
            this.piece = piece;
            this.channels = channels;
            moment = new float[taken];
            block = ByteBuffer.allocate(BLOCK * taken * SAMPLE_BYTES).order(ByteOrder.LITTLE_ENDIAN);
            there = ByteBuffer.allocate(BLOCK * channels * SAMPLE_BYTES).order(ByteOrder.LITTLE_ENDIAN);
            skip = piece.from() * taken * SAMPLE_BYTES;
        }

        /** Whether nothing more of the file is needed. */
        boolean isFull() {
            return place + block.position() / (moment.length * SAMPLE_BYTES) >= piece.samples();
        }

        @Override
        public void write(int b) throws IOException {
            write(new byte[] {(byte) b}, 0, 1);
        }

        @Override
        public void write(byte[] bytes, int start, int length) throws IOException {
            int skipped = (int) Math.min(skip, length);
            skip -= skipped;
            for (int at = start + skipped; at < start + length;) {
                int taken = Math.min(block.remaining(), start + length - at);
                block.put(bytes, at, taken);
                at += taken;
                if (!block.hasRemaining()) {
                    flushBlock();
                }
            }
        }

        private void flushBlock() throws IOException {
            block.flip();
            int frame = channels * SAMPLE_BYTES;
            int moments = (int) Math.min(block.limit() / (moment.length * SAMPLE_BYTES), piece.samples() - place);
            if (moments > 0) {
                long at = (piece.at() + place) * frame;
                there.clear().limit(moments * frame);
                while (there.hasRemaining() && out.read(there, at + there.position()) >= 0) {
                    // until all of it is there
                }
                there.clear().limit(moments * frame);
                for (int i = 0; i < moments; i++, place++) {
                    add(i);
                }
                there.position(0);
                while (there.hasRemaining()) {
                    out.write(there, at + there.position());
                }
            }
            block.clear();
        }

        private void add(int i) {
            for (int c = 0; c < moment.length; c++) {
                moment[c] = block.getFloat((i * moment.length + c) * SAMPLE_BYTES);
            }
            double factor = gain;
            if (piece.shaping() != null) {
                if (piece.shaping().map() == null) {
                    piece.shaping().channels().apply(moment);
                }
                factor = gain * piece.shaping().factor(place, piece.samples());
            }
            ChannelMap map = piece.shaping() == null ? null : piece.shaping().map();
            for (int c = 0; c < channels; c++) {
                int at = (i * channels + c) * SAMPLE_BYTES;
                there.putFloat(at, (float) (there.getFloat(at) + (map == null ? moment[c] : map.sample(c, moment)) * factor));
            }
        }

        @Override
        public void close() throws IOException {
            flushBlock();
        }
    }
}
