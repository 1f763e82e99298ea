package dev.vat.protocol.run;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.proof.Receipt;
import dev.vat.core.run.RunPlan;
import dev.vat.engine.KiteFrames;
import dev.vat.engine.TestPlaces;
import dev.vat.engine.run.DestinationProbe;
import dev.vat.protocol.storage.Durable;
import dev.vat.protocol.storage.Json;
import dev.vat.protocol.storage.Places;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The last steps of a run, and their finishing after an end that came between any two of them. */
class DeliveryTest {

    @TempDir
    Path folder;

    private Path out;
    private RunPlan plan;
    private RunHome home;
    private Path work;

    @BeforeEach
    void provenButNotNamed() throws IOException {
        Places places = TestPlaces.in(folder);
        out = folder.resolve("out");
        plan = KiteFrames.plan(KiteFrames.png(folder.resolve("frames"), "kite", 1, 2, false), out, List.of("web-h264"));
        home = RunHome.create(places, plan);
        RunHome.createWorkFolder(plan, plan.files().getFirst());
        work = RunHome.workFolder(plan, plan.files().getFirst()).resolve("final").resolve("kite_web.mp4");
        Files.writeString(work, "a whole film");
        Durable.write(ReceiptFile.of(work), Json.page(receipt(true)));
    }

    private Receipt receipt(boolean proven) throws IOException {
        return new Receipt(1, "kite_web.mp4", "2031-05-04T12:00:00Z", "0", "lib", plan.run(), "p", "r", "web-h264", "t", proven,
                proven ? List.of() : List.of("frames: 2 was planned, 1 was found"), null, plan.rate(), "chosen", List.of(), List.of(),
                plan.files().getFirst().expected(), null, null, null, List.of(), List.of(), Durable.sha256(work), List.of(), 0, false,
                List.of(), null, null, List.of());
    }

    private void journal(JournalEntry entry) throws IOException {
        try (Journal journal = home.openJournal()) {
            journal.write(entry);
        }
    }

    @Test
    void aTakenNameGetsTheNextVersion() throws IOException {
        Files.writeString(out.resolve("kite_web.mp4"), "somebody else's");
        Files.writeString(out.resolve("kite_web_v02.mp4.receipt.json"), "somebody else's");
        Path delivered = Delivery.deliver(work, receipt(true), out);
        assertThat(delivered).isEqualTo(out.resolve("kite_web_v03.mp4"));
        assertThat(Files.readString(out.resolve("kite_web.mp4"))).isEqualTo("somebody else's");
        assertThat(ReceiptFile.read(ReceiptFile.of(delivered)).file()).isEqualTo("kite_web_v03.mp4");
        assertThat(work).doesNotExist();
    }

    @Test
    void anEndBeforeNamingIsFinishedAtTheNextStart() throws IOException {
        journal(new JournalEntry.Proven("web-h264", work.toString(), ReceiptFile.of(work).toString()));
        assertThat(home.isInterrupted()).isTrue();
        assertThat(Delivery.finishProven(home)).containsExactly(out.resolve("kite_web.mp4"));
        assertThat(out.resolve("kite_web.mp4")).hasContent("a whole film");
        assertThat(ReceiptFile.of(out.resolve("kite_web.mp4"))).exists();
        assertThat(home.unfinished()).isEmpty();
        assertThat(Delivery.finishProven(home)).as("once is enough").isEmpty();
    }

    @Test
    void anEndBetweenNameAndReceiptIsFinishedWithoutASecondCopy() throws IOException {
        journal(new JournalEntry.Proven("web-h264", work.toString(), ReceiptFile.of(work).toString()));
        Files.createLink(out.resolve("kite_web.mp4"), work);
        Delivery.finishProven(home);
        assertThat(out.resolve("kite_web_v02.mp4")).doesNotExist();
        assertThat(ReceiptFile.of(out.resolve("kite_web.mp4"))).exists();
        assertThat(work).doesNotExist();
    }

    @Test
    void anEndAfterTheWorkNameWasLetGoIsFinishedToo() throws IOException {
        journal(new JournalEntry.Proven("web-h264", work.toString(), ReceiptFile.of(work).toString()));
        Files.createLink(out.resolve("kite_web.mp4"), work);
        Files.delete(work);
        Delivery.finishProven(home);
        assertThat(home.unfinished()).isEmpty();
        assertThat(ReceiptFile.of(out.resolve("kite_web.mp4"))).exists();
    }

    @Test
    void anUnprovenFileStaysUntilItIsTakenAndItsReceiptSaysSo() throws IOException {
        Durable.write(ReceiptFile.of(work), Json.page(receipt(false)));
        journal(new JournalEntry.Unproven("web-h264", work.toString(), ReceiptFile.of(work).toString(), List.of("frames")));
        assertThat(out.resolve("kite_web.mp4")).doesNotExist();
        Path taken = Delivery.useAnyway(home, "web-h264");
        Receipt receipt = ReceiptFile.read(ReceiptFile.of(taken));
        assertThat(taken).hasContent("a whole film");
        assertThat(receipt.proven()).isFalse();
        assertThat(receipt.usedAnyway()).isNotBlank();
        assertThat(home.unfinished()).isEmpty();
    }

    @Test
    void aDestinationIsTriedByWritingAndNothingStaysBehind() throws IOException {
        var good = DestinationProbe.probe(folder.resolve("not/there/yet"));
        assertThat(good.problem()).isNull();
        assertThat(good.freeBytes()).isPositive();
        assertThat(folder.resolve("not")).doesNotExist();
        Path file = Files.writeString(folder.resolve("file"), "x");
        assertThat(DestinationProbe.probe(file.resolve("below")).problem()).contains("is a file");
        try (var left = Files.list(folder)) {
            assertThat(left).noneMatch(p -> p.getFileName().toString().startsWith(".vat-probe"));
        }
    }

    @Test
    void aRunThatIsHeldByAnotherIsNotInterrupted() throws IOException {
        try (var lock = home.lock().orElseThrow()) {
            assertThat(lock.isOpen()).isTrue();
            assertThat(home.isRunning()).isTrue();
            assertThat(home.isInterrupted()).isFalse();
        }
        assertThat(home.isRunning()).isFalse();
    }
}
