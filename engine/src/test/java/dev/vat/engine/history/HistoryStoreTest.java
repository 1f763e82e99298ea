package dev.vat.engine.history;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.vat.core.proof.Receipt;
import dev.vat.core.run.RunPlan;
import dev.vat.engine.KiteFrames;
import dev.vat.protocol.run.ReceiptFile;
import dev.vat.protocol.storage.Durable;
import dev.vat.protocol.storage.Json;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class HistoryStoreTest {

    @TempDir
    Path folder;

    private Path delivered(RunPlan plan, String name) throws IOException {
        Path file = Files.writeString(folder.resolve(name), "film " + name);
        Durable.write(ReceiptFile.of(file),
                Json.page(new Receipt(1, name, "2031-05-04T12:00:00Z", "0", "lib", plan.run(), "Kite Week", "opening", "web-h264", "t",
                        true, List.of(), null, plan.rate(), RunPlan.CHOSEN, List.of(), List.of(), plan.files().getFirst().expected(), null,
                        null, null, List.of(),
                        List.of(), Durable.sha256(file), List.of(), 0, false, List.of(), null, null, List.of())));
        return file;
    }

    @Test
    void everyDeliveredFileIsOneLineThatLeadsBackToItsFrames() throws IOException {
        RunPlan plan = KiteFrames.plan(KiteFrames.png(folder.resolve("frames"), "kite", 1, 2, false), folder, List.of("web-h264"));
        HistoryStore history = HistoryStore.at(folder.resolve("data/history.jsonl"));
        assertThat(history.entries()).isEmpty();
        history.add(plan, "{}", delivered(plan, "a.mp4"));
        Path second = delivered(plan, "b.mp4");
        history.add(plan, null, second);
        history.add(plan, null, second);
        assertThat(Files.readAllLines(folder.resolve("data/history.jsonl"))).hasSize(2);
        assertThat(history.entries()).extracting(HistoryStore.Entry::path).containsExactly(folder.resolve("a.mp4").toString(),
                folder.resolve("b.mp4").toString());
        HistoryStore.Entry entry = history.entries().getLast();
        assertThat(entry.sha256()).isEqualTo(Durable.sha256(folder.resolve("b.mp4")));
        assertThat(entry.plan()).as("enough to make it anew").isEqualTo(plan.withoutStamps());
        assertThat(entry.frames()).isEqualTo(2);
    }

    @Test
    void aSpoiltLineHidesNoneOfTheOthers() throws IOException {
        RunPlan plan = KiteFrames.plan(KiteFrames.png(folder.resolve("frames"), "kite", 1, 2, false), folder, List.of("web-h264"));
        Path lines = folder.resolve("data/history.jsonl");
        HistoryStore history = HistoryStore.at(lines);
        history.add(plan, null, delivered(plan, "a.mp4"));
        Files.write(lines, new byte[] {'{', '"', (byte) 0xff}, StandardOpenOption.APPEND);
        history.add(plan, null, delivered(plan, "b.mp4"));
        assertThat(history.entries()).extracting(e -> Path.of(e.path()).getFileName().toString()).containsExactly("a.mp4", "b.mp4");
    }

    @Test
    void aFileWithoutAReceiptIsNotPutDown() throws IOException {
        RunPlan plan = KiteFrames.plan(KiteFrames.png(folder.resolve("frames"), "kite", 1, 2, false), folder, List.of("web-h264"));
        Path file = Files.writeString(folder.resolve("c.mp4"), "x");
        assertThatThrownBy(() -> HistoryStore.at(folder.resolve("h")).add(plan, null, file)).isInstanceOf(NoSuchFileException.class);
        assertThat(folder.resolve("h")).doesNotExist();
    }

    @Test
    void receiptsThatCantBeUnderstoodAreNamed() throws IOException {
        Path bad = Files.writeString(folder.resolve("d.mp4.receipt.json"), "{\"version\":");
        assertThatThrownBy(() -> ReceiptFile.read(bad)).isInstanceOf(IOException.class).hasMessageContaining("d.mp4.receipt.json");
        assertThat(ReceiptFile.of(folder.resolve("d.mp4"))).isEqualTo(bad);
    }

    @Test
    void whatWasNotedOfAFileIsKeptByWhatIsInIt() throws IOException {
        HistoryNotes notes = HistoryNotes.beside(folder.resolve("data/history.jsonl"));
        assertThat(notes.all()).isEmpty();
        notes.put("aa", "director likes the second kite");
        notes.put("bb", "too dark");
        notes.put("bb", " for the cut of May ");
        notes.put("aa", "");
        assertThat(HistoryNotes.beside(folder.resolve("data/history.jsonl")).all()).containsExactly(Map.entry("bb", "for the cut of May"));
    }
}
