package dev.vat.desktop.picture;

import dev.vat.engine.viewer.ShownPicture;
import dev.vat.protocol.ViewerMessage;
import java.lang.foreign.Arena;
import java.lang.foreign.MemorySegment;
import java.nio.ByteBuffer;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Pictures at the size they are shown at, so that what was seen once plays in real time. Memory is bounded; what falls out
 * of it goes into a file of the cache, which is bounded as well, see {@link PlayedFile}, and comes back without anybody waiting for it.
 * On the interface's thread only.
 */
final class FrameCache implements AutoCloseable {

    /** What a picture is of, and how it looks. */
    record Key(ViewerMessage.Subject subject, ViewerMessage.Shape shape) {
        long bytes() {
            return 4L * shape.width() * shape.height();
        }
    }

    private record Held(Arena arena, MemorySegment pixels) {}

    private final long mostInMemory;
    private final PlayedFile disk;
    private final LinkedHashMap<Key, Held> memory = new LinkedHashMap<>(64, .75f, true);
    private long bytes;
    private long version;
    private boolean closed;

    /** @param folder for the file; null to keep pictures in memory only */
    FrameCache(Path folder, long mostInMemory, long mostOnDisk) {
        this(folder, mostInMemory, mostOnDisk, PlayedFile.BLOCK);
    }

    /** @param block of the file, in bytes */
    FrameCache(Path folder, long mostInMemory, long mostOnDisk, int block) {
        this.mostInMemory = mostInMemory;
        this.disk = folder == null ? null
                : new PlayedFile(folder.resolve("played-" + ProcessHandle.current().pid() + ".pictures"), mostOnDisk, block);
    }

    /** Whether a picture is at hand. */
    boolean has(Key key) {
        return memory.containsKey(key);
    }

    /** Whether a picture needn't be made: it is at hand, or in the file, from which it is fetched then. */
    boolean fetch(Key key) {
        takeIn();
        if (has(key)) {
            return true;
        }
        if (disk == null || !disk.has(key)) {
            return false;
        }
        disk.load(key);
        return true;
    }

    /** Whether a picture is at hand or in the file. */
    boolean isKept(Key key) {
        return has(key) || disk != null && disk.has(key);
    }

    /** Another number whenever a picture has come or gone. */
    long version() {
        return version;
    }

    /** Everything that is held. */
    Set<Key> keys() {
        Set<Key> keys = new HashSet<>(memory.keySet());
        if (disk != null) {
            keys.addAll(disk.keys());
        }
        return keys;
    }

    void put(Key key, ShownPicture picture) {
        if (closed || memory.containsKey(key) || key.bytes() > mostInMemory) {
            return;
        }
        Arena arena = Arena.ofShared();
        MemorySegment pixels = arena.allocate(key.bytes());
        picture.copyTo(pixels.asByteBuffer());
        put(key, new Held(arena, pixels));
    }

    private void put(Key key, Held picture) {
        makeRoom(key.bytes());
        memory.put(key, picture);
        bytes += key.bytes();
        version++;
    }

    private void makeRoom(long wanted) {
        Iterator<Map.Entry<Key, Held>> oldest = memory.entrySet().iterator();
        while (bytes + wanted > mostInMemory && oldest.hasNext()) {
            Map.Entry<Key, Held> entry = oldest.next();
            oldest.remove();
            bytes -= entry.getKey().bytes();
            version++;
            if (disk == null) {
                entry.getValue().arena.close();
            } else {
                disk.keep(entry.getKey(), entry.getValue().arena, entry.getValue().pixels);
            }
        }
    }

    /** What was read back meanwhile. */
    private void takeIn() {
        if (disk == null) {
            return;
        }
        for (PlayedFile.Loaded next = disk.taken(); next != null; next = disk.taken()) {
            if (next.pixels() == null) {
                version++;
            } else if (memory.containsKey(next.key())) {
                next.arena().close();
            } else {
                put(next.key(), new Held(next.arena(), next.pixels()));
            }
        }
    }

    /** The picture's B G R A samples, valid until the next call; empty if it isn't at hand. */
    Optional<ByteBuffer> get(Key key) {
        takeIn();
        return Optional.ofNullable(memory.get(key)).map(held -> held.pixels.asByteBuffer());
    }

    /** Pictures that come after it aren't taken. */
    @Override
    public void close() {
        if (closed) {
            return;
        }
        closed = true;
        if (disk != null) {
            disk.close();
        }
        memory.values().forEach(h -> h.arena.close());
        memory.clear();
        bytes = 0;
    }
}
