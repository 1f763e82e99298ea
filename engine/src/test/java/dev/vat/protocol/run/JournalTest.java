package dev.vat.protocol.run;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.proof.Receipt;
import dev.vat.core.run.RunPlan;
import dev.vat.engine.KiteFrames;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class JournalTest {

    private static final List<JournalEntry> ENTRIES = List.of(
            new JournalEntry.Started("2031-05-04T12:00:00Z", "abc"),
            new JournalEntry.PartClosed("web-h264", 0, 0, 500, 12345, "ff",
                    List.of(new Receipt.FrameLine(0, "0badcafe", null, 1), new Receipt.FrameLine(1, "1", 44.5, .99))),
            new JournalEntry.Failed("edit-prores-hq", "K\u00fcste: no room left \u51e7"),
            new JournalEntry.Unproven("x", "/w", "/r", List.of("frames: 2 was planned, 1 was found")),
            new JournalEntry.Proven("web-h264", "/w/final/a.mp4", "/w/final/a.json"),
            new JournalEntry.Delivered("web-h264", "/out/a.mp4"),
            new JournalEntry.Ended("2031-05-04T12:01:00Z", false));

    @TempDir
    Path folder;

    private Path written() throws IOException {
        Path file = folder.resolve("journal.jsonl");
        try (Journal journal = Journal.append(file)) {
            for (JournalEntry entry : ENTRIES) {
                journal.write(entry);
            }
        }
        return file;
    }

    @Test
    void comesBackAsItWasWritten() throws IOException {
        assertThat(Journal.read(written())).isEqualTo(ENTRIES);
        assertThat(Journal.read(folder.resolve("none"))).isEmpty();
    }

    @Test
    void cutAtAnyByteItKeepsTheWholeLinesBefore() throws IOException {
        byte[] data = Files.readAllBytes(written());
        Path cut = folder.resolve("cut.jsonl");
        for (int length = 0; length <= data.length; length++) {
            Files.write(cut, Arrays.copyOf(data, length));
            long lines = new String(data, 0, length, StandardCharsets.ISO_8859_1).chars().filter(c -> c == '\n').count();
            assertThat(Journal.read(cut)).as("cut at %d", length).isEqualTo(ENTRIES.subList(0, (int) lines));
        }
    }

    @Test
    void whatFollowsATornLineIsWrittenInItsPlace() throws IOException {
        Path file = written();
        byte[] data = Files.readAllBytes(file);
        Files.write(file, Arrays.copyOf(data, data.length - 5));
        try (Journal journal = Journal.append(file)) {
            journal.write(new JournalEntry.Ended("later", true));
        }
        List<JournalEntry> read = Journal.read(file);
        assertThat(read).hasSize(ENTRIES.size()).startsWith(ENTRIES.subList(0, ENTRIES.size() - 1).toArray(JournalEntry[]::new));
        assertThat(read.getLast()).isEqualTo(new JournalEntry.Ended("later", true));
    }

    @Test
    void aFlippedBitEndsWhatIsTrusted() throws IOException {
        Path file = written();
        byte[] data = Files.readAllBytes(file);
        int secondLine = new String(data, StandardCharsets.ISO_8859_1).indexOf('\n') + 40;
        data[secondLine] ^= 1;
        Files.write(file, data);
        assertThat(Journal.read(file)).isEqualTo(ENTRIES.subList(0, 1));
    }

    @Test
    void writersOnSeveralThreadsDontMixTheirLines() throws Exception {
        Path file = folder.resolve("many.jsonl");
        try (Journal journal = Journal.append(file)) {
            List<Thread> writers = java.util.stream.IntStream.range(0, 4).mapToObj(t -> Thread.ofVirtual().start(() -> {
                for (int i = 0; i < 25; i++) {
                    try {
                        journal.write(new JournalEntry.Failed("t" + t, "n" + i));
                    } catch (IOException e) {
                        throw new AssertionError(e);
                    }
                }
            })).toList();
            for (Thread writer : writers) {
                writer.join();
            }
        }
        assertThat(Journal.read(file)).hasSize(100).doesNotHaveDuplicates();
    }

    @Test
    void aRunIsAsFarAsTheFileThatLacksMost() throws IOException {
        RunPlan plan = KiteFrames.plan(KiteFrames.png(folder.resolve("frames"), "kite", 1, 24, false), folder,
                List.of("web-h264", "edit-prores-hq"));
        JournalEntry ten = new JournalEntry.PartClosed("edit-prores-hq", 0, 0, 10, 1, "ff", List.of());
        JournalEntry all = new JournalEntry.PartClosed("web-h264", 0, 0, 24, 1, "ff", List.of());
        JournalEntry delivered = new JournalEntry.Delivered("edit-prores-hq", "kite.mov");
        assertThat(RunState.of(List.of(all)).reached(plan)).contains(new RunState.Reached(0, 24));
        assertThat(RunState.of(List.of(all, ten)).reached(plan)).contains(new RunState.Reached(10, 24));
        assertThat(RunState.of(List.of(all, ten, delivered)).reached(plan)).contains(new RunState.Reached(24, 24));
    }
}
