package dev.vat.engine.history;

import dev.vat.core.run.Receipt;
import dev.vat.core.run.RunPlan;
import dev.vat.engine.place.Durable;
import dev.vat.engine.place.Json;
import dev.vat.engine.proof.ReceiptFile;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.ArrayList;
import java.util.List;

/** One line of JSON for every file that Vat ever delivered on this machine. */
public final class HistoryStore {

    /** A delivered file: enough to find it again by its fingerprint and to make it anew from its run's plan. */
    public record Entry(String made, String path, String sha256, String target, String project, String reel, String run,
                        boolean proven, long frames, RunPlan plan) { }

    private final Path file;

    private HistoryStore(Path file) {
        this.file = file;
    }

    public static HistoryStore at(Path file) {
        return new HistoryStore(file);
    }

    /** Writes down a delivered file; its receipt lies beside it. One that stands there already isn't written down again. */
    public void add(RunPlan plan, Path delivered) throws IOException {
        Durable.createFolders(file.getParent());
        Receipt receipt = ReceiptFile.read(ReceiptFile.of(delivered));
        if (holds(delivered, receipt.sha256())) {
            return;
        }
        Files.writeString(file, Json.line(new Entry(receipt.made(), delivered.toString(), receipt.sha256(), receipt.target(),
                receipt.project(), receipt.reel(), receipt.run(), receipt.proven(), receipt.planned().frames(), plan.withoutStamps()))
                + "\n", StandardOpenOption.CREATE, StandardOpenOption.APPEND);
        Durable.sync(file);
    }

    /** Each line holds a whole plan: only those are understood that can be meant. */
    private boolean holds(Path delivered, String sha256) throws IOException {
        if (!Files.exists(file)) {
            return false;
        }
        for (String line : Files.readAllLines(file)) {
            if (line.contains(sha256) && Json.MAPPER.readValue(line, Entry.class).path().equals(delivered.toString())) {
                return true;
            }
        }
        return false;
    }

    /** The oldest first. */
    public List<Entry> entries() throws IOException {
        if (!Files.exists(file)) {
            return List.of();
        }
        List<Entry> entries = new ArrayList<>();
        for (String line : Files.readAllLines(file)) {
            entries.add(Json.MAPPER.readValue(line, Entry.class));
        }
        return entries;
    }
}
