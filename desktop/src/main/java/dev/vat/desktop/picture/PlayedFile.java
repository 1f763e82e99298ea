package dev.vat.desktop.picture;

import dev.vat.core.words.Words;
import java.io.IOException;
import java.lang.foreign.Arena;
import java.lang.foreign.MemorySegment;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashSet;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Queue;
import java.util.Set;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * Pictures of any size in one file, as many as there is room for, the oldest going first. Reading and writing are done by a thread of its
 * own, one after the other; everything else is on the thread of whoever has it. The file has no name where the system allows that, so
 * that nothing stays behind.
 */
final class PlayedFile implements AutoCloseable {

    private static final Words WORDS = Words.of(PlayedFile.class);

    private static final Logger LOG = LoggerFactory.getLogger(PlayedFile.class);
    /**
     * Pictures lie in pieces of it, wherever one is free: so those of one size never push out those of another for want of a place that
     * fits.
     */
    static final int BLOCK = 1 << 18;
    private static final long CLOSE_SECONDS = 5;

    /** A picture that was read back. @param pixels null where it couldn't be */
    record Loaded(FrameCache.Key key, Arena arena, MemorySegment pixels) {}

    private final Path file;
    private final int mostBlocks;
    private final int block;
    private final Map<FrameCache.Key, int[]> places = new LinkedHashMap<>();
    private final Deque<Integer> free = new ArrayDeque<>();
    private final Set<FrameCache.Key> loading = new HashSet<>();
    private final Queue<Loaded> loaded = new ConcurrentLinkedQueue<>();
    private final Queue<FrameCache.Key> lost = new ConcurrentLinkedQueue<>();
    private final ExecutorService thread = Executors
            .newSingleThreadExecutor(Thread.ofPlatform().daemon().name("played-pictures").factory());
    private int used;
    /** On its thread only. */
    private FileChannel channel;

    /** @param most how long the file may become, in bytes @param block length of the pieces that pictures are laid into, in bytes */
    PlayedFile(Path file, long most, int block) {
        this.file = file;
        this.block = block;
        this.mostBlocks = (int) Math.min(Integer.MAX_VALUE, most / block);
    }

    boolean has(FrameCache.Key key) {
        return places.containsKey(key);
    }

    Set<FrameCache.Key> keys() {
        return places.keySet();
    }

    /** Takes a picture over, whose memory is given back once it is written, or at once where there is no room for it. */
    void keep(FrameCache.Key key, Arena arena, MemorySegment pixels) {
        int count = Math.toIntExact(Math.ceilDiv(pixels.byteSize(), block));
        if (places.containsKey(key) || count > mostBlocks) {
            arena.close();
            return;
        }
        int[] blocks = allocate(count);
        places.put(key, blocks);
        thread.execute(() -> {
            try (arena) {
                for (int i = 0; i < count; i++) {
                    ByteBuffer part = part(pixels, i);
                    for (long at = (long) blocks[i] * block; part.hasRemaining();) {
                        at += channel().write(part, at);
                    }
                }
            } catch (IOException e) {
                LOG.warn("Played pictures can't be kept on disk: {}", e.getMessage());
                lost.add(key);
            }
        });
    }

    private int[] allocate(int count) {
        Iterator<int[]> oldest = places.values().iterator();
        while (free.size() + mostBlocks - used < count && oldest.hasNext()) {
            for (int each : oldest.next()) {
                free.push(each);
            }
            oldest.remove();
        }
        int[] blocks = new int[count];
        for (int i = 0; i < count; i++) {
            blocks[i] = free.isEmpty() ? used++ : free.pop();
        }
        return blocks;
    }

    private ByteBuffer part(MemorySegment pixels, int index) {
        long from = (long) index * block;
        return pixels.asSlice(from, Math.min(block, pixels.byteSize() - from)).asByteBuffer();
    }

    /** Has a picture read back, which {@link #taken} tells of. */
    void load(FrameCache.Key key) {
        int[] blocks = places.get(key);
        if (blocks == null || !loading.add(key)) {
            return;
        }
        // It stays the youngest; what is written into its place later is written after it was read.
        places.remove(key);
        places.put(key, blocks);
        thread.execute(() -> loaded.add(read(key, blocks)));
    }

    private Loaded read(FrameCache.Key key, int[] blocks) {
        Arena arena = Arena.ofShared();
        try {
            MemorySegment pixels = arena.allocate(key.bytes());
            for (int i = 0; i < blocks.length; i++) {
                ByteBuffer part = part(pixels, i);
                for (long at = (long) blocks[i] * block; part.hasRemaining();) {
                    int read = channel().read(part, at);
                    if (read < 0) {
                        throw new IOException(WORDS.say("theFileOfPlayedPictures"));
                    }
                    at += read;
                }
            }
            return new Loaded(key, arena, pixels);
        } catch (IOException e) {
            LOG.warn("A played picture can't be read back: {}", e.getMessage());
            arena.close();
            return new Loaded(key, null, null);
        }
    }

    /** The next picture that was read back, which is its caller's from then on; null if there is none. */
    Loaded taken() {
        for (FrameCache.Key gone = lost.poll(); gone != null; gone = lost.poll()) {
            forget(gone);
        }
        Loaded next = loaded.poll();
        if (next != null) {
            loading.remove(next.key);
            if (next.pixels == null) {
                forget(next.key);
            }
        }
        return next;
    }

    private void forget(FrameCache.Key key) {
        int[] blocks = places.remove(key);
        if (blocks != null) {
            for (int each : blocks) {
                free.push(each);
            }
        }
    }

    private FileChannel channel() throws IOException {
        if (channel == null) {
            Files.createDirectories(file.getParent());
            channel = FileChannel.open(file, StandardOpenOption.CREATE, StandardOpenOption.TRUNCATE_EXISTING,
                    StandardOpenOption.READ, StandardOpenOption.WRITE, StandardOpenOption.DELETE_ON_CLOSE);
        }
        return channel;
    }

    /** Waits for what is being written. */
    @Override
    public void close() {
        thread.execute(() -> {
            try {
                if (channel != null) {
                    channel.close();
                }
            } catch (IOException e) {
                LOG.warn("The file of played pictures can't be closed: {}", e.getMessage());
            }
        });
        thread.shutdown();
        try {
            if (!thread.awaitTermination(CLOSE_SECONDS, TimeUnit.SECONDS)) {
                LOG.warn("The file of played pictures isn't closed yet");
            }
        } catch (InterruptedException _) {
            Thread.currentThread().interrupt();
        }
        for (Loaded each = loaded.poll(); each != null; each = loaded.poll()) {
            if (each.arena != null) {
                each.arena.close();
            }
        }
        places.clear();
    }
}
