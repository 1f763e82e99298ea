package dev.vat.protocol;

import java.io.IOException;
import java.lang.foreign.Arena;
import java.lang.foreign.MemorySegment;
import java.lang.foreign.ValueLayout;
import java.nio.channels.FileChannel;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;

/**
 * A file mapped by the window and its viewer process, through which pictures go: slots of a header (request, width,
 * height, stride) and rows of B G R A with colour multiplied by alpha.
 */
public final class PictureSlots {

    public static final int COUNT = 8;
    /** A picture of 4096 x 2304; the file takes room on disk only where it was written to. */
    public static final long BYTES = 4096L * 2304 * 4 + 64;
    private static final long HEADER = 64;

    private final MemorySegment memory;
    private final int count;
    private final long bytes;

    private PictureSlots(Path file, int count, long bytes) throws IOException {
        this.count = count;
        this.bytes = bytes;
        try (FileChannel channel = FileChannel.open(file, StandardOpenOption.READ, StandardOpenOption.WRITE,
                StandardOpenOption.CREATE)) {
            memory = channel.map(FileChannel.MapMode.READ_WRITE, 0, count * bytes, Arena.ofAuto());
        }
    }

    public static PictureSlots map(Path file, int count, long bytes) throws IOException {
        return new PictureSlots(file, count, bytes);
    }

    public int count() {
        return count;
    }

    public static boolean fits(int width, int height) {
        return width > 0 && height > 0 && 4L * width * height + HEADER <= BYTES;
    }

    /** The rows of a slot's picture. */
    public MemorySegment pixels(int slot, int width, int height) {
        return memory.asSlice(slot * bytes + HEADER, 4L * width * height);
    }

    public void describe(int slot, long request, int width, int height) {
        long at = slot * bytes;
        memory.set(ValueLayout.JAVA_LONG, at, request);
        memory.set(ValueLayout.JAVA_INT, at + 8, width);
        memory.set(ValueLayout.JAVA_INT, at + 12, height);
        memory.set(ValueLayout.JAVA_INT, at + 16, 4 * width);
    }

    /** The request that a slot's content answers. */
    long request(int slot) {
        return memory.get(ValueLayout.JAVA_LONG, slot * bytes);
    }
}
