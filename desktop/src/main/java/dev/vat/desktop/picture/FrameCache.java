package dev.vat.desktop.picture;

import dev.vat.engine.viewer.ShownPicture;
import dev.vat.protocol.ViewerMessage;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.lang.foreign.Arena;
import java.lang.foreign.MemorySegment;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * Pictures at the size they are shown at, so that what was seen once plays in real time. Memory is bounded; what falls out
 * of it goes into a file of the cache, which is bounded as well and has no name where the system allows that, so that
 * nothing stays behind. On the interface's thread only.
 */
final class FrameCache implements AutoCloseable {

    /** What a picture is of, and how it looks. */
    record Key(ViewerMessage.Subject subject, ViewerMessage.Shape shape) {
        long bytes() {
            return 4L * shape.width() * shape.height();
        }
    }

    private static final Logger LOG = LoggerFactory.getLogger(FrameCache.class);

    private record Held(Arena arena, MemorySegment pixels) { }

    private final long mostInMemory;
    private final long mostOnDisk;
    private final Path file;
    private final LinkedHashMap<Key, Held> memory = new LinkedHashMap<>(64, .75f, true);
    private final LinkedHashMap<Key, Long> disk = new LinkedHashMap<>();
    private final Map<Long, Deque<Long>> freePlaces = new HashMap<>();
    private FileChannel channel;
    private long bytes;
    private long diskEnd;
    private long version;

    /** @param folder for the file; null to keep pictures in memory only */
    FrameCache(Path folder, long mostInMemory, long mostOnDisk) {
        this.mostInMemory = mostInMemory;
        this.mostOnDisk = folder == null ? 0 : mostOnDisk;
        this.file = folder == null ? null : folder.resolve("played-" + ProcessHandle.current().pid() + ".pictures");
    }

    boolean has(Key key) {
        return memory.containsKey(key) || disk.containsKey(key);
    }

    /** Another number whenever a picture has come or gone. */
    long version() {
        return version;
    }

    /** Everything that is held. */
    Set<Key> keys() {
        Set<Key> keys = new HashSet<>(memory.keySet());
        keys.addAll(disk.keySet());
        return keys;
    }

    void put(Key key, ShownPicture picture) {
        if (memory.containsKey(key) || key.bytes() > mostInMemory) {
            return;
        }
        makeRoom(key.bytes());
        Arena arena = Arena.ofShared();
        MemorySegment pixels = arena.allocate(key.bytes());
        picture.copyTo(pixels.asByteBuffer());
        memory.put(key, new Held(arena, pixels));
        bytes += key.bytes();
        version++;
    }

    private void makeRoom(long wanted) {
        Iterator<Map.Entry<Key, Held>> oldest = memory.entrySet().iterator();
        while (bytes + wanted > mostInMemory && oldest.hasNext()) {
            Map.Entry<Key, Held> entry = oldest.next();
            toDisk(entry.getKey(), entry.getValue().pixels);
            bytes -= entry.getKey().bytes();
            entry.getValue().arena.close();
            oldest.remove();
            version++;
        }
    }

    private void toDisk(Key key, MemorySegment pixels) {
        if (disk.containsKey(key) || key.bytes() > mostOnDisk) {
            return;
        }
        try {
            if (channel == null) {
                Files.createDirectories(file.getParent());
                channel = FileChannel.open(file, StandardOpenOption.CREATE, StandardOpenOption.TRUNCATE_EXISTING,
                        StandardOpenOption.READ, StandardOpenOption.WRITE, StandardOpenOption.DELETE_ON_CLOSE);
            }
            ByteBuffer data = pixels.asByteBuffer();
            long at = place(key.bytes());
            for (long to = at; data.hasRemaining();) {
                to += channel.write(data, to);
            }
            disk.put(key, at);
        } catch (IOException e) {
            LOG.warn("Played pictures can't be kept on disk: {}", e.getMessage());
        }
    }

    /** Room in the file: a place of that size that is free, or at its end, or that of the oldest picture of that size. */
    private long place(long size) {
        Deque<Long> free = freePlaces.get(size);
        if (free != null && !free.isEmpty()) {
            return free.pop();
        }
        Iterator<Map.Entry<Key, Long>> oldest = disk.entrySet().iterator();
        while (diskEnd + size > mostOnDisk && oldest.hasNext()) {
            Map.Entry<Key, Long> entry = oldest.next();
            oldest.remove();
            version++;
            if (entry.getKey().bytes() == size) {
                return entry.getValue();
            }
            freePlaces.computeIfAbsent(entry.getKey().bytes(), _ -> new ArrayDeque<>()).push(entry.getValue());
        }
        long at = diskEnd;
        diskEnd += size;
        return at;
    }

    /** The picture's B G R A samples, valid until the next call. */
    Optional<ByteBuffer> get(Key key) {
        Held held = memory.get(key);
        if (held != null) {
            return Optional.of(held.pixels.asByteBuffer());
        }
        Long at = disk.get(key);
        if (at == null) {
            return Optional.empty();
        }
        try {
            // Read before room is made: what has to go to disk then may be put in this very place.
            Arena arena = Arena.ofShared();
            MemorySegment pixels = arena.allocate(key.bytes());
            ByteBuffer data = pixels.asByteBuffer();
            for (long from = at; data.hasRemaining();) {
                int read = channel.read(data, from);
                if (read < 0) {
                    throw new IOException("the file of played pictures is shorter than it was");
                }
                from += read;
            }
            makeRoom(key.bytes());
            memory.put(key, new Held(arena, pixels));
            bytes += key.bytes();
            return Optional.of(pixels.asByteBuffer());
        } catch (IOException e) {
            disk.remove(key);
            version++;
            LOG.warn("A played picture can't be read back: {}", e.getMessage());
            return Optional.empty();
        }
    }

    @Override
    public void close() {
        memory.values().forEach(h -> h.arena.close());
        memory.clear();
        disk.clear();
        bytes = 0;
        if (channel != null) {
            try {
                channel.close();
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }
    }
}
