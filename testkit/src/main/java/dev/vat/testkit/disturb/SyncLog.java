package dev.vat.testkit.disturb;

import dev.vat.protocol.storage.Durable;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * What was synced, and so what a failure of power leaves: of a file no more than the bytes that it had when it was synced last, and of a
 * folder no names but those that stood in it when it was synced last. Files are known by their number on the file system, which they keep
 * when they get another name. Lines are appended by several processes at once.
 */
public final class SyncLog implements Durable.Witness {

    private static final String FILE = "file";
    private static final String FOLDER = "folder";
    private static final String TAB = "\t";

    /** Names the file of lines, for every process of a run. */
    public static final String VARIABLE = "VAT_SYNC_LOG";

    private final Path lines;

    public SyncLog(Path lines) {
        this.lines = lines;
    }

    /** Writes down what this process syncs, if its environment says where to. */
    public static void recordIfAsked() {
        String where = System.getenv(VARIABLE);
        if (where != null) {
            Durable.tell(new SyncLog(Path.of(where)));
        }
    }

    @Override
    public void file(Path file, long bytes) throws IOException {
        append(FILE + TAB + key(file) + TAB + bytes);
    }

    @Override
    public void folder(Path folder) throws IOException {
        try (Stream<Path> inside = Files.list(folder)) {
            append(FOLDER + TAB + key(folder) + TAB + inside.map(SyncLog::named).collect(Collectors.joining(TAB)));
        }
    }

    private static String named(Path file) {
        try {
            return key(file) + "=" + file.getFileName();
        } catch (NoSuchFileException _) {
            return "gone=" + file.getFileName();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static String key(Path file) throws IOException {
        return String.valueOf(Files.readAttributes(file, "unix:ino").get("ino"));
    }

    private void append(String line) throws IOException {
        Files.write(lines, (line + "\n").getBytes(StandardCharsets.UTF_8), StandardOpenOption.CREATE, StandardOpenOption.APPEND);
    }

    /**
     * Makes a tree look as it may after the power failed: names that were not synced are gone or not, as chance has it, and so are bytes
     * that were not.
     *
     * @return what was lost, in words
     */
    public List<String> failPower(Path tree, Random chance) throws IOException {
        Map<String, Long> synced = new HashMap<>();
        Map<String, List<String>> names = new HashMap<>();
        if (Files.exists(lines)) {
            for (String line : Files.readAllLines(lines)) {
                String[] words = line.split(TAB);
                if (words[0].equals(FILE)) {
                    synced.put(words[1], Long.parseLong(words[2]));
                } else {
                    names.put(words[1], List.of(words).subList(2, words.length));
                }
            }
        }
        List<String> lost = new ArrayList<>();
        lose(tree, synced, names, chance, lost);
        return lost;
    }

    private static void lose(Path folder, Map<String, Long> synced, Map<String, List<String>> names, Random chance, List<String> lost)
            throws IOException {
        List<String> kept = names.getOrDefault(key(folder), List.of());
        List<Path> inside;
        try (Stream<Path> all = Files.list(folder)) {
            inside = all.sorted().toList();
        }
        for (Path path : inside) {
            boolean certain = kept.contains(key(path) + "=" + path.getFileName());
            if (!certain && chance.nextBoolean()) {
                Durable.deleteTree(path);
                lost.add(path.getFileName() + " gone");
            } else if (Files.isDirectory(path)) {
                lose(path, synced, names, chance, lost);
            } else {
                cut(path, synced.getOrDefault(key(path), 0L), chance, lost);
            }
        }
    }

    private static void cut(Path file, long synced, Random chance, List<String> lost) throws IOException {
        long size = Files.size(file);
        if (size > synced && chance.nextBoolean()) {
            try (FileChannel channel = FileChannel.open(file, StandardOpenOption.WRITE)) {
                channel.truncate(synced + chance.nextLong(size - synced));
            }
            lost.add(file.getFileName() + " cut");
        }
    }
}
