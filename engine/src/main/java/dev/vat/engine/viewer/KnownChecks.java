package dev.vat.engine.viewer;

import com.fasterxml.jackson.core.JacksonException;
import com.fasterxml.jackson.databind.ObjectMapper;
import dev.vat.core.picture.PictureChoice;
import dev.vat.core.product.VatVersion;
import dev.vat.core.source.FrameCheck;
import dev.vat.core.source.FrameState;
import dev.vat.core.source.Sequence;
import dev.vat.protocol.storage.Json;
import java.io.BufferedWriter;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.FileTime;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Instant;
import java.util.Arrays;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * What was found out about files, for as long as their size and time stay the same: kept in memory, and on disk from one
 * session to the next. Each source has a file of lines in the cache, added to as checks come in; of two lines for a frame
 * the later one holds, and a torn one is passed over.
 */
final class KnownChecks {

    private static final Logger LOG = LoggerFactory.getLogger(KnownChecks.class);
    private static final ObjectMapper JSON = Json.MAPPER;
    private static final int MOST_IN_MEMORY = 400_000;
    private static final long MOST_ON_DISK = 512_000_000L;
    /** Another number whenever a check would find something else than before. */
    private static final String FORMAT = "vat checks 3 " + VatVersion.current();

    /** One line of the file: what was found when a file had this size and time. */
    private record Line(long size, long modified, FrameCheck check) {}

    private record Key(String source, PictureChoice choice) {}

    private final Path folder;
    private final Map<Key, Map<Long, Line>> sources = new LinkedHashMap<>(16, .75f, true);

    /** @param folder where to keep them; null to keep them in memory only */
    KnownChecks(Path folder) {
        this.folder = folder;
    }

    private static Key key(Sequence sequence, PictureChoice choice) {
        return new Key(sequence.folder().resolve(sequence.name()).toString(), choice);
    }

    /** Reads what is kept of a source, unless that was done before. Takes a while for long ones. */
    void load(Sequence sequence, PictureChoice choice) {
        Key key = key(sequence, choice);
        synchronized (this) {
            if (folder == null || sources.containsKey(key)) {
                return;
            }
        }
        Map<Long, Line> lines = read(file(key));
        synchronized (this) {
            sources.putIfAbsent(key, lines);
            int kept = sources.values().stream().mapToInt(Map::size).sum();
            var oldest = sources.entrySet().iterator();
            while (kept > MOST_IN_MEMORY && sources.size() > 1 && oldest.hasNext()) {
                var entry = oldest.next();
                if (!entry.getKey().equals(key)) {
                    kept -= entry.getValue().size();
                    oldest.remove();
                }
            }
        }
    }

    private static Map<Long, Line> read(Path file) {
        Map<Long, Line> lines = new HashMap<>();
        if (!Files.exists(file)) {
            return lines;
        }
        try (Stream<String> text = Files.lines(file)) {
            var iterator = text.iterator();
            if (!iterator.hasNext() || !iterator.next().equals(FORMAT)) {
                return lines;
            }
            iterator.forEachRemaining(each -> {
                try {
                    Line line = JSON.readValue(each, Line.class);
                    lines.put(line.check.number(), line);
                } catch (JacksonException e) {
                    LOG.debug("A line of {} is torn", file.getFileName(), e);
                }
            });
            Files.setLastModifiedTime(file, FileTime.from(Instant.now()));
        } catch (IOException | UncheckedIOException e) {
            LOG.warn("What was checked before can't be read, it is checked anew: {}", e.getMessage());
        }
        return lines;
    }

    /** The check of a frame, or null if it isn't known as its file stands now. */
    synchronized FrameCheck get(Sequence sequence, PictureChoice choice, int index) {
        Line line = sources.getOrDefault(key(sequence, choice), Map.of()).get(sequence.number(index));
        return line != null && line.size == sequence.size(index) && line.modified == sequence.modified(index) ? line.check : null;
    }

    /** What couldn't be read may be readable in a moment, with neither size nor time changed: that isn't kept. */
    synchronized void put(Sequence sequence, PictureChoice choice, Collection<FrameCheck> checks) {
        Key key = key(sequence, choice);
        Map<Long, Line> known = sources.computeIfAbsent(key, _ -> new HashMap<>());
        List<Line> fresh = checks.stream().filter(c -> c.state() != FrameState.UNREADABLE && c.state() != FrameState.ARRIVING)
                .map(c -> new Line(sequence.size(sequence.indexOf(c.number())), sequence.modified(sequence.indexOf(c.number())), c))
                .toList();
        fresh.forEach(line -> known.put(line.check.number(), line));
        if (folder != null && !fresh.isEmpty()) {
            append(file(key), fresh);
        }
    }

    private void append(Path file, List<Line> lines) {
        try {
            Files.createDirectories(folder);
            boolean usable = Files.exists(file) && startsRight(file);
            try (BufferedWriter writer = usable ? Files.newBufferedWriter(file, StandardOpenOption.APPEND)
                    : Files.newBufferedWriter(file)) {
                if (!usable) {
                    writer.write(FORMAT + "\n");
                }
                for (Line line : lines) {
                    writer.write(JSON.writeValueAsString(line) + "\n");
                }
            }
        } catch (IOException e) {
            LOG.warn("What was checked can't be kept for the next session: {}", e.getMessage());
        }
    }

    private static boolean startsRight(Path file) throws IOException {
        byte[] wanted = (FORMAT + "\n").getBytes(StandardCharsets.UTF_8);
        try (var in = Files.newInputStream(file)) {
            return Arrays.equals(in.readNBytes(wanted.length), wanted);
        }
    }

    private Path file(Key key) {
        try {
            byte[] hash = MessageDigest.getInstance("SHA-256")
                    .digest((key.source + "\n" + key.choice).getBytes(StandardCharsets.UTF_8));
            return folder.resolve(HexFormat.of().formatHex(hash, 0, 12) + ".checks");
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }

    synchronized void forget(Sequence sequence) {
        List<Key> keys = sources.keySet().stream().filter(k -> k.source.equals(key(sequence, PictureChoice.MAIN).source)).toList();
        for (Key key : keys) {
            sources.put(key, new HashMap<>());
            if (folder != null) {
                file(key).toFile().delete();
            }
        }
    }

    /** Deletes the longest unused files once all together are too large. */
    void tidy() {
        if (folder == null || !Files.isDirectory(folder)) {
            return;
        }
        try (Stream<Path> files = Files.list(folder)) {
            List<Path> newest = files.sorted(Comparator.comparing((Path p) -> p.toFile().lastModified()).reversed()).toList();
            long sum = 0;
            for (Path file : newest) {
                sum += Files.size(file);
                if (sum > MOST_ON_DISK) {
                    Files.deleteIfExists(file);
                }
            }
        } catch (IOException e) {
            LOG.warn("The cache of checks can't be tidied: {}", e.getMessage());
        }
    }
}
