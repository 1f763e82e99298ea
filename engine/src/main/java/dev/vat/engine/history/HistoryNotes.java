package dev.vat.engine.history;

import dev.vat.protocol.storage.Durable;
import dev.vat.protocol.storage.Json;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.time.Instant;
import java.util.HashMap;
import java.util.Map;

/** What somebody noted of delivered files, by their fingerprints. One line for each note; of one file the last holds. */
public final class HistoryNotes {

    /** @param when UTC, ISO 8601 */
    private record Line(String sha256, String note, String when) {}

    private final Path file;

    private HistoryNotes(Path file) {
        this.file = file;
    }

    /** @param history the file of the history that they belong to */
    public static HistoryNotes beside(Path history) {
        return new HistoryNotes(history.resolveSibling("history-notes.jsonl"));
    }

    /** @param note empty to take it away */
    public void put(String sha256, String note) throws IOException {
        Durable.createFolders(file.getParent());
        Files.writeString(file, Json.line(new Line(sha256, note.strip(), Instant.now().toString())) + "\n", StandardOpenOption.CREATE,
                StandardOpenOption.APPEND);
        Durable.sync(file);
    }

    /** By fingerprint; files of which nothing is noted aren't among them. */
    public Map<String, String> all() throws IOException {
        Map<String, String> notes = new HashMap<>();
        if (Files.exists(file)) {
            for (String text : Files.readAllLines(file)) {
                Line line = Json.MAPPER.readValue(text, Line.class);
                notes.put(line.sha256(), line.note());
            }
        }
        notes.values().removeIf(String::isEmpty);
        return notes;
    }
}
