package dev.vat.media.sound;

import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.Optional;

/**
 * What a WAV file says of itself (Multimedia Programming Interface and Data Specifications 1.0). In one that begins with {@code RIFX} all
 * numbers have their high byte first: the media library takes 16-bit ones as if the low byte came first, and reads no others.
 *
 * @param tag of the samples' kind: 1 for whole numbers, 3 for floating point
 * @param rate samples a second
 * @param frame bytes of one sample of all channels
 * @param start of the samples, in bytes from the start of the file
 * @param length of the samples as the header says it, in bytes
 * @param there how much of that there is
 */
record WavHeader(boolean bigEndian, int tag, int rate, int channels, int frame, long start, long length, long there) {

    private static final Words WORDS = Words.of(WavHeader.class);

    private static final int PCM = 1;
    private static final int FLOAT = 3;
    private static final int EXTENSIBLE = 0xfffe;
    private static final int MOST_CHANNELS = 64;
    /** The header was written before anybody knew the length. */
    private static final long UNKNOWN = 0xffff_ffffL;

    /** Empty for every other kind of file, and for one whose header names no samples. */
    static Optional<WavHeader> of(Path file) throws IOException {
        try (FileChannel channel = FileChannel.open(file)) {
            ByteBuffer head = read(channel, 0, 12, ByteOrder.BIG_ENDIAN);
            if (head.limit() < 12 || !name(head, 0).matches("RIF[FX]") || !name(head, 8).equals("WAVE")) {
                return Optional.empty();
            }
            ByteOrder order = name(head, 0).equals("RIFX") ? ByteOrder.BIG_ENDIAN : ByteOrder.LITTLE_ENDIAN;
            ByteBuffer format = null;
            for (long at = 12; at + 8 <= channel.size();) {
                ByteBuffer chunk = read(channel, at, 8, order);
                if (chunk.limit() < 8) {
                    break;
                }
                long length = chunk.getInt(4) & 0xffff_ffffL;
                if (name(chunk, 0).equals("fmt ")) {
                    format = read(channel, at + 8, (int) Math.min(length, 40), order);
                }
                if (name(chunk, 0).equals("data") && format != null && format.limit() >= 16) {
                    return Optional.of(of(format, at + 8, length, channel.size()));
                }
                at += 8 + length + (length & 1);
            }
        }
        return Optional.empty();
    }

    private static WavHeader of(ByteBuffer format, long start, long length, long fileEnd) {
        int tag = format.getShort(0) & 0xffff;
        if (tag == EXTENSIBLE && format.limit() >= 28) {
            // The kind stands in 16 bits; some writers turn the 32 that hold it around, some don't.
            tag = format.getShort(24) != 0 ? format.getShort(24) : format.getShort(26);
        }
        return new WavHeader(format.order() == ByteOrder.BIG_ENDIAN, tag, format.getInt(4), format.getShort(2),
                Math.max(1, format.getShort(12)), start, length, Math.max(0, Math.min(length, fileEnd - start)));
    }

    /** How long the header says it is, in seconds; empty where it doesn't, or where samples are coded. */
    Optional<Rational> stated() {
        return (tag == PCM || tag == FLOAT) && length != UNKNOWN && length > 0 && rate > 0 ? Optional.of(Rational.of(length / frame, rate))
                : Optional.empty();
    }

    /** What the library calls such samples by themselves. @throws IOException naming the kind, if they aren't read */
    String samples() throws IOException {
        int bits = channels < 1 ? 0 : frame * 8 / channels;
        boolean known = channels <= MOST_CHANNELS && rate > 0
                && (tag == FLOAT ? bits == 32 || bits == 64 : tag == PCM && (bits == 8 || bits == 16 || bits == 24 || bits == 32));
        if (!known) {
            throw new IOException(WORDS.say("itIsABigEndianWAVOfFormat", tag, bits, channels));
        }
        return tag == FLOAT ? "f" + bits + "be" : bits == 8 ? "u8" : "s" + bits + "be";
    }

    /** Where whole samples end, in bytes from the start of the file. */
    long end() {
        return start + there - there % frame;
    }

    private static ByteBuffer read(FileChannel channel, long at, int bytes, ByteOrder order) throws IOException {
        ByteBuffer buffer = ByteBuffer.allocate(bytes).order(order);
        while (buffer.hasRemaining() && channel.read(buffer, at + buffer.position()) > 0) {
            // until it is full or the file ends
        }
        return buffer.flip();
    }

    private static String name(ByteBuffer buffer, int at) {
        return new String(buffer.array(), at, 4, StandardCharsets.ISO_8859_1);
    }
}
