package dev.vat.engine.history;

import java.io.IOException;
import java.nio.file.Path;
import java.time.Instant;
import java.util.HashMap;
import java.util.Map;

/** What somebody noted of delivered files, by their fingerprints. One line for each note; of one file the last holds. */
public final class HistoryNotes {

    /** @param when UTC, ISO 8601 */
    private record Line(String sha256, String note, String when) {}

    private final JsonLines<Line> lines;

    private HistoryNotes(Path file) {
        lines = new JsonLines<>(file, Line.class);
    }

    /** @param history the file of the history that they belong to */
    public static HistoryNotes beside(Path history) {
        return new HistoryNotes(history.resolveSibling("history-notes.jsonl"));
    }

    /** @param note empty to take it away */
    public void put(String sha256, String note) throws IOException {
        lines.add(new Line(sha256, note.strip(), Instant.now().toString()));
    }

    /** By fingerprint; files of which nothing is noted aren't among them. */
    public Map<String, String> all() throws IOException {
        Map<String, String> notes = new HashMap<>();
        lines.all().forEach(line -> notes.put(line.sha256(), line.note()));
        notes.values().removeIf(String::isEmpty);
        return notes;
    }
}
