package dev.vat.media.decode;

import dev.vat.core.container.IsoMovie;
import dev.vat.core.container.IsoTrack;
import dev.vat.core.container.Malformed;
import dev.vat.core.time.Rational;
import dev.vat.media.lib.FileBytes;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.ArrayList;
import java.util.List;

/** How often moving stills say that they are played: 0 for ever. Read by the published structure of each. */
public final class MovingStill {

    private static final int GIF_HEADER = 13;
    private static final int PNG_HEADER = 8;
    private static final int RIFF_HEADER = 12;
    /** Where a frame's flags stand in its chunk, and the one that keeps it from being laid over the frame before. */
    public static final int FRAME_FLAGS = 15;
    public static final byte NO_BLENDING = 2;
    private static final String LOOP = "NETSCAPE2.0";

    private MovingStill() {}

    /** GIF counts repeats in an extension after its palette; without one it is played once. */
    static int loopsOfGif(FileChannel file) throws IOException {
        ByteBuffer head = read(file, 0, GIF_HEADER, ByteOrder.LITTLE_ENDIAN);
        int flags = head.get(10);
        long at = GIF_HEADER + ((flags & 0x80) == 0 ? 0 : 3L << (flags & 7) + 1);
        ByteBuffer extension = read(file, at, 19, ByteOrder.LITTLE_ENDIAN);
        boolean said = extension.limit() == 19 && extension.get(0) == 0x21 && (extension.get(1) & 0xff) == 0xff
                && new String(extension.array(), 3, LOOP.length(), StandardCharsets.ISO_8859_1).equals(LOOP);
        int repeats = said ? extension.getShort(16) & 0xffff : 0;
        return !said ? 1 : repeats == 0 ? 0 : repeats + 1;
    }

    static int loopsOfApng(FileChannel file) throws IOException {
        for (long at = PNG_HEADER; at + 8 <= file.size();) {
            ByteBuffer chunk = read(file, at, 16, ByteOrder.BIG_ENDIAN);
            if (name(chunk, 4).equals("acTL")) {
                return chunk.getInt(12);
            }
            at += 12 + (chunk.getInt(0) & 0xffffffffL);
        }
        return 1;
    }

    /**
     * How long each frame of an animated PNG is shown, in seconds. The library reads these rounded; what stands in the file is exact.
     */
    public static List<Rational> delaysOfApng(Path path) throws IOException {
        List<Rational> delays = new ArrayList<>();
        try (FileChannel file = FileChannel.open(path)) {
            for (long at = PNG_HEADER; at + 8 <= file.size();) {
                ByteBuffer chunk = read(file, at, 34, ByteOrder.BIG_ENDIAN);
                if (name(chunk, 4).equals("fcTL")) {
                    int per = chunk.getShort(30) & 0xffff;
                    delays.add(Rational.of(chunk.getShort(28) & 0xffff, per == 0 ? 100 : per));
                }
                at += 12 + (chunk.getInt(0) & 0xffffffffL);
            }
        }
        return delays;
    }

    static int loopsOfWebp(FileChannel file) throws IOException {
        for (long at = RIFF_HEADER; at + 8 <= file.size();) {
            ByteBuffer chunk = read(file, at, 14, ByteOrder.LITTLE_ENDIAN);
            if (name(chunk, 0).equals("ANIM")) {
                return chunk.getShort(12) & 0xffff;
            }
            long length = chunk.getInt(4) & 0xffffffffL;
            at += 8 + length + (length & 1);
        }
        return 1;
    }

    /**
     * Says of every frame of an animated WebP that it takes the place of the one before it: the library says that it is laid over it,
     * which shows where it can be seen through.
     */
    public static void standAlone(Path webp) throws IOException {
        try (FileChannel file = FileChannel.open(webp, StandardOpenOption.READ, StandardOpenOption.WRITE)) {
            for (long at = RIFF_HEADER; at + 8 <= file.size();) {
                ByteBuffer chunk = read(file, at, 8, ByteOrder.LITTLE_ENDIAN);
                if (name(chunk, 0).equals("ANMF")) {
                    file.write(ByteBuffer.wrap(new byte[] {NO_BLENDING}), at + 8 + FRAME_FLAGS);
                }
                long length = chunk.getInt(4) & 0xffffffffL;
                at += 8 + length + (length & 1);
            }
        }
    }

    /** AVIF says it as other ISO base media do: by an edit that is repeated for as long as the track lasts (ISO/IEC 14496-12, 8.6.6). */
    static int loopsOfAvif(Path file) throws IOException {
        try (FileBytes bytes = FileBytes.of(file)) {
            return IsoMovie.of(bytes).first(IsoTrack.IMAGES).map(IsoTrack::loops).orElse(1);
        } catch (Malformed _) {
            // One image has no track: it is shown once.
            return 1;
        }
    }

    private static String name(ByteBuffer chunk, int at) {
        return new String(chunk.array(), at, 4, StandardCharsets.ISO_8859_1);
    }

    private static ByteBuffer read(FileChannel file, long at, int bytes, ByteOrder order) throws IOException {
        ByteBuffer buffer = ByteBuffer.allocate(bytes).order(order);
        file.read(buffer, at);
        return buffer.flip();
    }
}
