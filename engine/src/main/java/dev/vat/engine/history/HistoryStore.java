package dev.vat.engine.history;

import com.fasterxml.jackson.annotation.JsonInclude;
import dev.vat.core.proof.Receipt;
import dev.vat.core.run.RunFile;
import dev.vat.core.run.RunPlan;
import dev.vat.core.run.RunSource;
import dev.vat.protocol.run.ReceiptFile;
import dev.vat.protocol.storage.Durable;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;

/** One line of JSON for every file that Vat ever delivered on this machine. */
public final class HistoryStore {

    /**
     * A delivered file: enough to find it again by its fingerprint and to make it anew from its run's plan.
     *
     * @param projectText the project that it was made of, as it was then, or null where that isn't known
     */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record Entry(String made, String path, String sha256, String target, String project, String reel, String run,
            boolean proven, long frames, RunPlan plan, String projectText) {

        /** {@code 2031-05-04 12:30 UTC}. */
        public String day() {
            return made.replaceFirst("T(\\d+:\\d+).*", " $1 UTC");
        }

        /** What the file was made for, in words. */
        public String title() {
            return plan.files().stream().filter(f -> f.target().equals(target)).map(RunFile::title).findFirst().orElse(target);
        }

        /** Whether each of some words occurs in its name, folder, target, project, reel, sources or date, or in what was noted of it. */
        public boolean matches(String words, String note) {
            String all = String
                    .join(" ", note, path, target, title(), project, reel, day(),
                            plan.sources().stream().map(RunSource::name).collect(Collectors.joining(" ")))
                    .toLowerCase(Locale.ROOT);
            return Arrays.stream(words.strip().toLowerCase(Locale.ROOT).split("\\s+")).allMatch(all::contains);
        }
    }

    private final JsonLines<Entry> lines;

    private HistoryStore(Path file) {
        lines = new JsonLines<>(file, Entry.class);
    }

    public static HistoryStore at(Path file) {
        return new HistoryStore(file);
    }

    /**
     * Writes down a delivered file; its receipt lies beside it. One that stands there already isn't written down again.
     *
     * @param project that it was made of, as text, or null
     */
    public void add(RunPlan plan, String project, Path delivered) throws IOException {
        Receipt receipt = ReceiptFile.read(ReceiptFile.of(delivered));
        if (holds(delivered, receipt.sha256())) {
            return;
        }
        lines.add(new Entry(receipt.made(), delivered.toString(), receipt.sha256(), receipt.target(), receipt.project(), receipt.reel(),
                receipt.run(), receipt.proven(), receipt.planned().frames(), plan.withoutStamps(), project));
    }

    /** Each line holds a whole plan: only those are understood that can be meant. */
    private boolean holds(Path delivered, String sha256) throws IOException {
        return lines.all(line -> line.contains(sha256)).stream().anyMatch(e -> e.path().equals(delivered.toString()));
    }

    /** What is known of a file by its bytes, wherever it lies and whatever it is called now. */
    public Optional<Entry> of(Path anywhere) throws IOException {
        String print = Durable.sha256(anywhere);
        return entries().reversed().stream().filter(e -> e.sha256().equals(print)).findFirst();
    }

    /** The oldest first. */
    public List<Entry> entries() throws IOException {
        return lines.all();
    }
}
